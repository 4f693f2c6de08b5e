// Paragraphs that are none: a mark at every line end, empty ones used as spacing, folios and running heads typed in.
import { append } from '../../base/append';
import { isEmptyParagraph } from '../../copy/effectiveTag';
import { normaliseSpans, type Block, type Paragraph } from '../../model/copy/streams';
import { isBreakMark, looksLikeHeading } from '../../copy/headings';
import { replaceAll, textJob } from '../makeJobs';
import type { TidyContext, TidyJob, TidyPlace, TidyResult } from '../types';

const isText = (block: Block | undefined): block is Paragraph =>
  block?.kind === 'paragraph' && block.style === 'TX' && !isEmptyParagraph(block);

/** Ends of sentences, closing quotes and brackets left out. */
const endsSentence = (text: string) => /[.!?:…][”’"')\]]*\s*$/.test(text);

export const PARAGRAPH_JOBS: readonly TidyJob[] = [
  { id: 'rejoin-lines', name: 'A paragraph mark at every line end', kind: 'look', stage: 'lineEnds', run: rejoinLines },
  textJob(
    { id: 'line-end-hyphens', name: 'Hyphens left from line ends', kind: 'look', stage: 'lineEnds' },
    ({ text }, _context, blocks) =>
      replaceAll(text, /(?<=\p{Ll})- (?=\p{Ll})/gu, (match) => lineEndHyphen(text, match.index, blocks)),
  ),
  {
    id: 'empty-paragraphs',
    name: 'Empty paragraphs used as spacing',
    kind: 'safe',
    stage: 'paragraphs',
    run: emptyParagraphs,
  },
  {
    id: 'typed-folios',
    name: 'Folios and running heads typed into the copy',
    kind: 'look',
    stage: 'paragraphs',
    run: typedFolios,
  },
];

/** Words that make compounds with a hyphen of their own. */
const FIRST_OF_COMPOUNDS =
  /^(?:self|well|ill|half|all|cross|ex|much|ever|so|non|quasi|great|step|old|new|long|short|two|three|four|five|six|ten)$/iu;

/** What a hyphen before a space becomes: a compound keeps it, a word divided at a line end loses it; null where it hangs. */
function lineEndHyphen(text: string, at: number, blocks: readonly Block[]): string | null {
  // A hyphen that hangs for a second word: pre- and post-war.
  if (/^- (?:and|or|to|und|oder|bis|et|ou|y|o)\b/.test(text.slice(at, at + 8))) return null;
  const first = /[\p{L}\p{M}-]*$/u.exec(text.slice(Math.max(0, at - 60), at))![0];
  const second = /^[\p{L}\p{M}-]*/u.exec(text.slice(at + 2, at + 62))![0];
  if (first.includes('-') || second.includes('-') || FIRST_OF_COMPOUNDS.test(first)) return '-';
  const words = wordsOf(blocks);
  const [closed, hyphened] = [`${first}${second}`, `${first}-${second}`].map((word) => words.has(word.toLowerCase()));
  return hyphened && !closed ? '-' : '';
}

/** Words of a list of blocks, with their hyphens. */
const vocabularies = new WeakMap<readonly Block[], ReadonlySet<string>>();
function wordsOf(blocks: readonly Block[]): ReadonlySet<string> {
  const known = vocabularies.get(blocks);
  if (known !== undefined) return known;
  const words = new Set<string>();
  for (const block of blocks)
    if (block.kind === 'paragraph')
      for (const [word] of block.text.matchAll(/\p{L}[\p{L}\p{M}]*(?:-\p{L}[\p{L}\p{M}]*)*/gu))
        words.add(word.toLowerCase());
  vocabularies.set(blocks, words);
  return words;
}

/** Lines are as long as the widest but for the last of each paragraph: so wide must most of them be to tell. */
const LINE = { LEAST: 30, MOST: 110, FULL: 0.72, SHARE: 0.5, COUNT: 6 } as const;

/** Length of a full line where the copy has a paragraph mark at every line end; null where it has not. */
export function lineLength(blocks: readonly Block[]): number | null {
  const texts = blocks.filter(isText);
  if (texts.length < LINE.COUNT) return null;
  const lengths = texts.map((one) => one.text.trimEnd().length).sort((a, b) => a - b);
  const widest = lengths[Math.floor((lengths.length - 1) * 0.98)];
  if (widest < LINE.LEAST || lengths[lengths.length - 1] > LINE.MOST) return null;
  const open = texts.filter((one) => one.text.trimEnd().length >= widest * LINE.FULL && !endsSentence(one.text)).length;
  return open >= texts.length * LINE.SHARE ? widest : null;
}

function rejoinLines(blocks: readonly Block[], { accepts }: TidyContext): TidyResult {
  const widest = lineLength(blocks);
  if (widest === null) return { blocks, places: [] };
  const places: TidyPlace[] = [];
  const made: Block[] = [];
  for (const block of blocks) {
    const last = made[made.length - 1];
    if (isText(block) && isText(last) && goesOn(last, block, widest)) {
      const end = last.text.trimEnd();
      const place = {
        block: last.id,
        at: end.length,
        was: `${end.slice(-24)} ¶ ${block.text.slice(0, 24)}`,
        is: `${end.slice(-24)} ${block.text.slice(0, 24)}`,
      };
      if (accepts(place)) {
        places.push(place);
        made[made.length - 1] = joinParagraphs(last, block);
        continue;
      }
    }
    made.push(block);
  }
  return { blocks: places.length > 0 ? made : blocks, places };
}

/** Whether a line goes on in the next one: it is full, and nothing says that a paragraph begins. */
function goesOn(line: Paragraph, next: Paragraph, widest: number): boolean {
  const length = line.text.trimEnd().length - (lineStarts.get(line) ?? 0);
  if (length < widest * LINE.FULL) return false;
  if (/^[\t\u2003 ]{2,}|^\t/.test(next.text) || looksLikeHeading(next.text) || isBreakMark(next.text)) return false;
  if (!endsSentence(line.text)) return true;
  // A full line that ends a sentence: the paragraph ends there when the next begins with speech.
  return !/^[“"‘'«„—–]/.test(next.text) && length >= widest * 0.85;
}

/** Where the last line of a joined paragraph begins. */
const lineStarts = new WeakMap<Paragraph, number>();

function joinParagraphs(a: Paragraph, b: Paragraph): Paragraph {
  const head = a.text.trimEnd();
  const lead = b.text.length - b.text.trimStart().length;
  const shift = head.length + 1 - lead;
  const moved = (at: number) => Math.max(head.length, at + shift);
  const joined: Paragraph = {
    ...a,
    text: `${head} ${b.text.slice(lead)}`,
    spans: normaliseSpans([
      ...a.spans.map((span) => ({ ...span, to: Math.min(span.to, head.length) })),
      ...b.spans.map((span) => ({ ...span, from: moved(span.from), to: moved(span.to) })),
    ]),
    objects: [...a.objects, ...b.objects.map((object) => ({ ...object, at: object.at + shift }))],
  };
  lineStarts.set(joined, head.length + 1);
  return joined;
}

const HEADS = new Set(['CT', 'CN', 'PT', 'PN', 'AH', 'BH', 'SB', 'SBO', 'BT', 'BS', 'BA', 'DED', 'EPI']);

/**
 * Where every paragraph is followed by an empty one they are nothing but spacing; elsewhere a single one between two
 * paragraphs of text is a space break, and so are two where one is the rule.
 */
function emptyParagraphs(blocks: readonly Block[], { accepts }: TidyContext): TidyResult {
  const texts = blocks.filter((block) => !isEmptyParagraph(block)).length;
  const gaps = blocks.filter((block, k) => isEmptyParagraph(block) && k > 0 && !isEmptyParagraph(blocks[k - 1])).length;
  const isSpacing = texts > 3 && gaps >= texts * 0.5;
  // A cell or a note of nothing but empty paragraphs stays one.
  if (texts === 0) return { blocks, places: [] };
  const places: TidyPlace[] = [];
  const made: Block[] = [];
  for (let k = 0; k < blocks.length; k += 1) {
    const block = blocks[k];
    if (!isEmptyParagraph(block) || block.kind !== 'paragraph' || block.style === 'SB') {
      made.push(block);
      continue;
    }
    let end = k;
    while (end + 1 < blocks.length && isEmptyParagraph(blocks[end + 1])) end += 1;
    const [before, after] = [blocks[k - 1], blocks[end + 1]];
    const count = end - k + 1;
    const isBreak = isBody(before) && isBody(after) && (isSpacing ? count > 1 : true);
    // Lines that stand close on one side, such as verse: the gap is their shape. And a place that a person gave it stays.
    const isShape = isSpacing && count === 1 && (isLine(blocks, k - 1, -1) || isLine(blocks, end + 1, 1));
    if (isShape || blocks.slice(k, end + 1).some((one) => one.kind === 'paragraph' && one.touches !== undefined)) {
      append(made, blocks.slice(k, end + 1));
      k = end;
      continue;
    }
    const place = { block: block.id, at: 0, was: '¶ '.repeat(count).trim(), is: isBreak ? 'scene break' : '' };
    if (!accepts(place)) append(made, blocks.slice(k, end + 1));
    else {
      places.push(place);
      if (isBreak) made.push({ kind: 'paragraph', id: block.id, style: 'SB', text: '', spans: [], objects: [] });
    }
    k = end;
  }
  return { blocks: places.length > 0 ? made : blocks, places };
}

/** Whether a block is a line of text right beside another one, in the direction away from the gap. */
function isLine(blocks: readonly Block[], index: number, step: -1 | 1): boolean {
  const [own, next] = [blocks[index], blocks[index + step]];
  const isText = (block: Block | undefined) =>
    isBody(block) && block!.kind === 'paragraph' && !isEmptyParagraph(block!);
  return isText(own) && isText(next);
}

function isBody(block: Block | undefined): boolean {
  return block !== undefined && (block.kind === 'table' || !HEADS.has(block.style));
}

/** Lines that repeat through the copy, and bare numbers that rise. */
function typedFolios(blocks: readonly Block[], { accepts }: TidyContext): TidyResult {
  const numbers = blocks.flatMap((block, index) => {
    const value = isText(block) ? /^[\s–—-]*(\d{1,4})[\s–—-]*$/.exec(block.text)?.[1] : undefined;
    return value === undefined ? [] : [{ index, value: Number(value) }];
  });
  const rising = numbers.filter(
    ({ value }, k) =>
      (numbers[k + 1] !== undefined && numbers[k + 1].value > value && numbers[k + 1].value <= value + 3) ||
      (numbers[k - 1] !== undefined && numbers[k - 1].value < value && numbers[k - 1].value >= value - 3),
  );
  const remove = new Set(rising.length >= 3 ? rising.map(({ index }) => index) : []);
  const lines = new Map<string, number[]>();
  blocks.forEach((block, index) => {
    if (!isText(block) || block.text.length > 60 || endsSentence(block.text) || isBreakMark(block.text)) return;
    const key = block.text.replace(/\d+/g, '').replace(/\s+/g, ' ').trim().toLowerCase();
    if (key.length >= 4) lines.set(key, [...(lines.get(key) ?? []), index]);
  });
  for (const places of lines.values()) if (places.length >= 3) for (const index of places) remove.add(index);
  const places: TidyPlace[] = [];
  const kept = blocks.filter((block, index) => {
    if (!remove.has(index) || block.kind !== 'paragraph') return true;
    const place = { block: block.id, at: 0, was: block.text, is: '' };
    if (!accepts(place)) return true;
    places.push(place);
    return false;
  });
  return { blocks: places.length > 0 ? kept : blocks, places };
}
