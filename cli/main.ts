// The headless program. Exit 0 and files written; or one line on stderr and exit 1 (bad input) or 2 (bad usage).
import { fileURLToPath } from 'node:url';
import { ImportError, ValueError } from '../src/core/index';
import { nodeAssets } from './assets';
import { compose } from './compose';
import { read } from './read';
import { tidy } from './tidy';
import { readOptions, UsageError } from './options';

/** `generated`: the folder of shipped assets. Answers the exit code. */
export function main(words: readonly string[], generated: string): number {
  try {
    const options = readOptions(words);
    if (options.command === 'read') return told(read(options));
    if (options.command === 'tidy') return told(tidy(options));
    const report = compose(options, nodeAssets(generated));
    const must = report.findings.filter((finding) => finding.grade === 'must').length;
    process.stdout.write(
      `${report.words} words, ${report.pages} pages, ${report.findings.length} findings (${must} must)${report.hold === undefined ? '' : `; ${report.hold.moved}`}\n`,
    );
    return 0;
  } catch (error) {
    if (error instanceof UsageError) return fail(error.message, 2);
    if (error instanceof ImportError || error instanceof ValueError) return fail(error.message, 1);
    // Whatever it is, whoever runs a thousand books reads one line of it.
    return fail(`This did not work, and the fault is ours: ${(error as Error).message}`, 1);
  }
}

function told(sentence: string): number {
  process.stdout.write(`${sentence}\n`);
  return 0;
}

function fail(message: string, code: number): number {
  process.stderr.write(`${message.replace(/\s+/g, ' ')}\n`);
  return code;
}

process.exitCode = main(process.argv.slice(2), fileURLToPath(new URL('../../generated/public', import.meta.url)));
