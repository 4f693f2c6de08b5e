// What the words typed into the search may mean, the best first.

export interface Command {
  readonly name: string;
  /** What it is, shown at the end of its row. */
  readonly kind: string;
  /** Other words for it. */
  readonly words?: string;
  readonly run: () => void;
}

const clean = (words: string) => words.normalize('NFC').toLowerCase().replaceAll('’', "'");

/**
 * Every word typed must begin a word of the name, of its synonyms or of its kind. First the name itself, then names that begin
 * with what is typed, then words of names, then synonyms; the order of the list among equals.
 */
export function rankCommands(commands: readonly Command[], typed: string): Command[] {
  const needle = clean(typed.trim());
  if (needle === '') return [...commands];
  const wanted = needle.split(/\s+/);
  return commands
    .map((command, at) => ({ command, at, rank: rankOf(command, needle, wanted) }))
    .filter(({ rank }) => rank < Infinity)
    .sort((a, b) => a.rank - b.rank || a.at - b.at)
    .map(({ command }) => command);
}

function rankOf({ name, kind, words = '' }: Command, needle: string, wanted: readonly string[]): number {
  const [own, others] = [clean(name), clean(words)];
  if (own === needle) return 0;
  if (own.startsWith(needle)) return 1;
  const begins = (text: string, word: string) => text.split(/[\s,.-]+/).some((part) => part.startsWith(word));
  if (wanted.every((word) => begins(own, word))) return 2;
  if (` ${others} `.includes(` ${needle} `)) return 3;
  if (others.startsWith(needle)) return 4;
  const all = `${own} ${others} ${clean(kind)}`;
  if (wanted.every((word) => begins(all, word))) return 5;
  return own.includes(needle) ? 6 : Infinity;
}
