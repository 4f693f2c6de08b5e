// What the headless program does: exit 0 and files written; or one line on stderr and exit 1 (bad input) or 2 (bad usage).
import { ImportError, ValueError } from '../src/core/index';
import { nodeAssets } from './assets';
import { helpText } from './commands';
import { compose } from './compose';
import { read } from './read';
import { tidy } from './tidy';
import { readOptions, UsageError } from './options';

/** Where the program says what it has done, and why not. */
export interface Streams {
  readonly out: (text: string) => void;
  readonly error: (text: string) => void;
}

/** `generated`: the folder of shipped assets; `version`: what `--version` says. Answers the exit code. */
export async function run(
  words: readonly string[],
  generated: string,
  { out, error: say }: Streams,
  version = '',
): Promise<number> {
  const told = (sentence: string) => {
    out(`${sentence}\n`);
    return 0;
  };
  const fail = (message: string, code: number) => {
    say(`${message.replace(/\s+/g, ' ')}\n`);
    return code;
  };
  try {
    const options = readOptions(words);
    if (options.command === 'help') return told(helpText(options.about));
    if (options.command === 'version') return told(version);
    if (options.command === 'read') return told(read(options));
    if (options.command === 'tidy') return told(tidy(options));
    const report = await compose(options, nodeAssets(generated));
    const must = report.findings.filter((finding) => finding.grade === 'must').length;
    const moved = report.hold === undefined ? '' : `; ${report.hold.moved}`;
    return told(
      `${report.words} words, ${report.pages} pages, ${report.findings.length} findings (${must} must)${moved}`,
    );
  } catch (error) {
    if (error instanceof UsageError) return fail(error.message, 2);
    if (error instanceof ImportError || error instanceof ValueError) return fail(error.message, 1);
    // Whatever it is, whoever runs a thousand books reads one line of it.
    return fail(`This did not work, and the fault is ours: ${(error as Error).message}`, 1);
  }
}
