// Lines of a Markdown text before it is parsed: what the parser takes the square of their number for, and what nobody meant, written another way.

/** Lines of more characters were not ended at a margin. */
const LONG = 120;
/** So many lines in one run, half of them long, are paragraphs without empty lines between. */
const LEAST_RUN = 6;

/** Lines of one paragraph after which it is parted: the parser takes the square of their number. */
const MOST_LINES = 1000;

const FENCE = /^ {0,3}(?:```|~~~)/;
/** Begins something else than a plain line of a paragraph: a heading, a list, a quote, a table, HTML, code, a note, a rule. */
const MARKED =
  /^(?: {4}|\t| {0,3}(?:#{1,6}(?:\s|$)|[-*+]\s|\d{1,9}[.)]\s|>|\||<|\[[^\]]+\]:|(?:[-*_]\s*){3,}$|[-=]{2,}\s*$))/;

export interface PreparedLines {
  readonly text: string;
  /** Lines that are paragraphs of their own though nothing parts them. */
  readonly parted: number;
  /** Paragraphs of so many lines that they are parted. */
  readonly long: number;
}

/** Two spaces at the end of a line become a backslash, which means the same (CommonMark 6.7); lines that are paragraphs are parted. */
export function preparedLines(text: string): PreparedLines {
  const lines = text.split('\n');
  const made: string[] = [];
  let parted = 0;
  let long = 0;
  let isFenced = false;
  for (let k = 0; k < lines.length; k += 1) {
    if (FENCE.test(lines[k])) isFenced = !isFenced;
    const end = isFenced || !isPlain(lines[k]) ? k : runEnd(lines, k);
    if (end > k && arePartings(lines, k, end)) {
      for (let at = k; at < end; at += 1) made.push(lines[at].trimEnd(), ...(at + 1 < end ? [''] : []));
      parted += end - k;
      k = end - 1;
    } else if (end - k > MOST_LINES) {
      for (let at = k; at < end; at += 1) {
        const isLast = (at + 1 - k) % MOST_LINES === 0;
        made.push(
          isLast ? lines[at].trimEnd() : withBreak(lines[at], lines[at + 1]),
          ...(isLast && at + 1 < end ? [''] : []),
        );
      }
      long += 1;
      k = end - 1;
    } else made.push(isFenced ? lines[k] : withBreak(lines[k], lines[k + 1]));
  }
  return { text: made.join('\n'), parted, long };
}

const isPlain = (line: string) => line.trim() !== '' && !MARKED.test(line);

function runEnd(lines: readonly string[], from: number): number {
  if (from > 0 && isPlain(lines[from - 1])) return from;
  let end = from;
  while (end < lines.length && isPlain(lines[end]) && !FENCE.test(lines[end])) end += 1;
  return end;
}

function arePartings(lines: readonly string[], from: number, to: number): boolean {
  if (to - from < LEAST_RUN) return false;
  let long = 0;
  for (let k = from; k < to; k += 1) if (lines[k].length > LONG) long += 1;
  return long * 2 >= to - from;
}

function withBreak(line: string, next: string | undefined): string {
  if (!/\S {2,}$/.test(line) || next === undefined || next.trim() === '' || MARKED.test(line)) return line;
  return `${line.trimEnd()}\\`;
}
