// Findings as a list shows them: each quotes the words at which it stands, and findings that would read alike are one row.
import type { Finding } from '../../core/model/checks/finding';
import { eachStream, type Book } from '../../core/model/copy/book';

export interface FindingRow {
  /** The first of those that read alike. */
  readonly finding: Finding;
  /** The words of the copy at its place; empty where its sentence quotes them, or where there are none. */
  readonly words: string;
  readonly count: number;
}

const MOST_WORDS = 6;
const MOST_CHARACTERS = 48;

/** In the order of `findings`; alike are those of one kind on one page with the same sentence and words. */
export function findingRows(findings: readonly Finding[], book: Book): FindingRow[] {
  const texts = textsOf(findings, book);
  const rows = new Map<string, FindingRow>();
  for (const finding of findings) {
    const words = finding.message.includes('“') ? '' : wordsFrom(texts.get(finding.block) ?? '', finding.from);
    const key = `${finding.kind} ${finding.grade} ${finding.page} ${finding.message} ${words}`;
    const row = rows.get(key);
    rows.set(key, row === undefined ? { finding, words, count: 1 } : { ...row, count: row.count + 1 });
  }
  return [...rows.values()];
}

function textsOf(findings: readonly Finding[], book: Book): ReadonlyMap<string, string> {
  const wanted = new Set(findings.map(({ block }) => block));
  const texts = new Map<string, string>();
  for (const { blocks } of eachStream(book))
    for (const block of blocks) if (block.kind !== 'table' && wanted.has(block.id)) texts.set(block.id, block.text);
  return texts;
}

/** The first words from an offset into a text, from the start of the word in which it falls. */
function wordsFrom(text: string, from: number): string {
  const start = text.slice(0, from).search(/\S*$/);
  const words = text.slice(start).replaceAll('\uFFFC', '').trim().split(/\s+/);
  const quoted = words.slice(0, MOST_WORDS).join(' ').slice(0, MOST_CHARACTERS);
  if (quoted === '') return '';
  return words.join(' ').length > quoted.length ? `${quoted} …` : quoted;
}
