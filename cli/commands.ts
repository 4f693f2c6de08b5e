// The commands of the program and their options: what the command line may hold, and what `--help` says of it.

export type CommandName = 'compose' | 'read' | 'tidy';

export interface OptionFacts {
  /** Its value as the usage shows it. */
  readonly value: string;
  /** What it does, with its unit, range and default. */
  readonly what: string;
}

export interface CommandFacts {
  readonly what: string;
  readonly options: Readonly<Record<string, OptionFacts>>;
  readonly examples: readonly (readonly [string, string])[];
}

const option = (value: string, what: string): OptionFacts => ({ value, what });
const REPORT = option('FILE.json', 'What was found, as JSON; default: none is written.');

export const COMMANDS: Readonly<Record<CommandName, CommandFacts>> = {
  compose: {
    what: 'Sets a manuscript or project file as a book and writes the files that are asked for.',
    options: {
      start: option(
        'NAME',
        'Starting spec: novel, large-type, essays, handbook, verse or workbook; default: novel. A project file keeps its own.',
      ),
      spec: option('FILE.json', 'Values of the spec that stand over those of the start; default: none.'),
      trim: option('WxHunit', 'Page size in in, mm, cm or pt, such as 5.5x8.5in; default: that of the spec.'),
      margins: option(
        'HEAD,FOOT,BACK,FORE',
        'Four lengths with their units, such as 0.6in,0.8in,0.75in,0.55in; default: those of the spec.',
      ),
      type: option('"FACE SIZE/LEADING"', 'Text face, size and leading in points, such as "EB Garamond 11/14".'),
      lang: option('TAG', 'Language of the book as a BCP 47 tag, such as en or de; default: that of the manuscript.'),
      press: option('FILE.pdf', 'The interior for the press, with marks and bleed as the spec says.'),
      screen: option('FILE.pdf', 'The same pages for the screen, with an outline and links.'),
      pages: option('FROM-TO', 'Pages that the PDFs hold, counted from 1 in the order of the book; default: all.'),
      project: option('FILE.walnut', 'The whole book in one file that opens again in the app.'),
      epub: option('FILE.epub', 'A reflowing ebook.'),
      'epub-level': option(
        'LEVEL',
        'plain, meaning alone, or dressed, with faces, openers and inks of the book; default: dressed.',
      ),
      copy: option('FILE.EXT', 'The copy for its author, by its ending: .docx, .md, .html or .txt.'),
      report: REPORT,
      hold: option('FILE.walnut', 'An earlier state of the book whose page starts are kept where they can be.'),
    },
    examples: [
      ['walnut-leaf compose novel.docx --press novel.pdf', 'A press PDF with the settings of the novel.'],
      [
        'walnut-leaf compose essays.md --start essays --trim 138x216mm --epub essays.epub --report essays.json',
        'An ebook in another format, and a report of what was found.',
      ],
    ],
  },
  read: {
    what: 'Reads a manuscript and says what is in it; nothing is composed.',
    options: { report: REPORT },
    examples: [
      ['walnut-leaf read novel.odt', 'Says how many words, notes, tables and pictures it holds.'],
      ['walnut-leaf read novel.odt --report novel.json', 'Writes its text, styles and notes as JSON.'],
    ],
  },
  tidy: {
    what: 'Runs jobs of Tidy over a manuscript and says what they change.',
    options: {
      jobs: option('all|safe|NAME,NAME', 'Which jobs are run, by name with commas; default: safe.'),
      report: REPORT,
      changes: option('FILE.csv', 'Each change with its place, before and after; default: none is written.'),
    },
    examples: [
      ['walnut-leaf tidy novel.docx --changes changes.csv', 'Lists what the safe jobs change.'],
      ['walnut-leaf tidy novel.docx --jobs all --report tidied.json', 'Runs every job and reports on it.'],
    ],
  },
};

export const isCommand = (word: string): word is CommandName => Object.hasOwn(COMMANDS, word);

const usageOf = (name: CommandName) =>
  [
    `walnut-leaf ${name} MANUSCRIPT`,
    ...Object.entries(COMMANDS[name].options).map(([key, { value }]) => `[--${key} ${value}]`),
  ].join(' ');

/** The whole usage on one line. */
export const USAGE = `usage: ${Object.keys(COMMANDS)
  .map((name) => usageOf(name as CommandName))
  .join(' | ')}`;

const indent = (words: string, width: number) => `  ${words.padEnd(width)}  `;

/** Of one command with its options, or, without one, of the program. */
export function helpText(name?: CommandName): string {
  if (name === undefined) return programHelp();
  const { what, options, examples } = COMMANDS[name];
  const names = Object.entries(options).map(([key, { value }]) => `--${key} ${value}`);
  const width = Math.max(...names.map((words) => words.length));
  return [
    `walnut-leaf ${name} MANUSCRIPT [options]`,
    '',
    what,
    '',
    'Options',
    ...Object.values(options).map((facts, at) => `${indent(names[at], width)}${facts.what}`),
    '',
    'Examples',
    ...examples.flatMap(([line, says]) => [`  ${line}`, `      ${says}`]),
  ].join('\n');
}

function programHelp(): string {
  const commands = Object.entries(COMMANDS);
  const width = Math.max(...commands.map(([key]) => key.length));
  return [
    'walnut-leaf COMMAND MANUSCRIPT [options]',
    '',
    'Lays out a book from a manuscript: Word, OpenDocument, rich or plain text, Markdown, HTML, EPUB, or a .walnut project.',
    '',
    'Commands',
    ...commands.map(([key, { what }]) => `${indent(key, width)}${what}`),
    '',
    'Options',
    '  --help     This text; after a command, its options with defaults, units and examples.',
    '  --version  The version of the program.',
    '',
    'Examples',
    `  ${COMMANDS.compose.examples[0][0]}`,
    '  walnut-leaf compose --help',
    '',
    'Exit code: 0 when files were written, 1 for bad input, 2 for bad usage; one line on stderr says what is wrong.',
  ].join('\n');
}
