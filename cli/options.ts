// Reads the command line. Unknown or unfinished options are bad usage; nothing is guessed.
import { COMMANDS, isCommand, USAGE, type CommandName } from './commands';

/** Bad usage: told in one line, exit code 2. */
export class UsageError extends Error {}

export interface ComposeOptions {
  readonly command: 'compose';
  readonly manuscript: string;
  /** A starting spec by its name, such as `essays`. */
  readonly start?: string;
  readonly spec?: string;
  readonly trim?: string;
  readonly margins?: string;
  readonly type?: string;
  readonly lang?: string;
  readonly press?: string;
  readonly screen?: string;
  /** `FROM-TO`, pages counted from 1 in the order of the book: what the PDFs hold. */
  readonly pages?: string;
  /** A project file whose page starts are to be kept. */
  readonly hold?: string;
  readonly project?: string;
  readonly epub?: string;
  readonly 'epub-level'?: string;
  /** The copy for its author: .docx, .md, .html or .txt. */
  readonly copy?: string;
  readonly report?: string;
}

export interface ReadOptions {
  readonly command: 'read';
  readonly manuscript: string;
  readonly report?: string;
}

export interface TidyOptions {
  readonly command: 'tidy';
  readonly manuscript: string;
  /** Names of jobs with commas, `safe` or `all`. */
  readonly jobs?: string;
  readonly report?: string;
  readonly changes?: string;
}

/** `about`: the command that is asked about; undefined: the program. */
export interface HelpOptions {
  readonly command: 'help';
  readonly about?: CommandName;
}

export interface VersionOptions {
  readonly command: 'version';
}

export type Options = ComposeOptions | ReadOptions | TidyOptions | HelpOptions | VersionOptions;

/** Options that will come and do nothing yet: named so that nobody takes silence for success. */
const NOT_YET = ['booklet'];

/** Throws UsageError. */
export function readOptions(words: readonly string[]): Options {
  const [command, ...rest] = words;
  if (command === undefined) throw new UsageError(USAGE);
  if (command === '--help') return { command: 'help' };
  if (command === '--version') return { command: 'version' };
  if (!isCommand(command)) throw new UsageError(`There is no command “${command}”. ${USAGE}`);
  if (rest.includes('--help')) return { command: 'help', about: command };
  const values: Record<string, string> = {};
  let manuscript: string | undefined;
  for (let k = 0; k < rest.length; k += 1) {
    const word = rest[k];
    if (!word.startsWith('--')) {
      if (manuscript !== undefined) throw new UsageError(`More than one manuscript is given: ${word}.`);
      manuscript = word;
      continue;
    }
    const name = word.slice(2);
    if (NOT_YET.includes(name)) throw new UsageError(`--${name} is not built yet.`);
    if (!Object.hasOwn(COMMANDS[command].options, name)) throw new UsageError(`There is no option ${word}. ${USAGE}`);
    const value = rest[(k += 1)];
    if (value === undefined || value.startsWith('--')) throw new UsageError(`${word} needs a value.`);
    values[name] = value;
  }
  if (manuscript === undefined) throw new UsageError(`No manuscript is given. ${USAGE}`);
  return { command, manuscript, ...values };
}
