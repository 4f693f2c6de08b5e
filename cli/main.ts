// Entry of the headless program.
import { fileURLToPath } from 'node:url';
import { run } from './run';

process.exitCode = run(process.argv.slice(2), fileURLToPath(new URL('../../generated/public', import.meta.url)), {
  out: (text) => process.stdout.write(text),
  error: (text) => process.stderr.write(text),
});
