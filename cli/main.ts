// Entry of the headless program.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { run } from './run';

const place = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const { version } = JSON.parse(readFileSync(place('../../package.json'), 'utf8')) as { version: string };
const streams = {
  out: (text: string) => process.stdout.write(text),
  error: (text: string) => process.stderr.write(text),
};

process.exitCode = await run(process.argv.slice(2), place('../../generated/public'), streams, version);
