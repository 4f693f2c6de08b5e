// Stretches of text with a direction of their own, as characters in the text: isolates (UAX #9, 2.4). Those that change nothing are
// taken out again.
import { appendParagraph, cutParagraph } from '../copy/cutParagraph';
import { hasLettersFromRight } from '../copy/direction';
import type { Direction, Paragraph } from '../model/copy/streams';

/** Begins an isolate of a direction, of that of its first strong letter, and ends any. */
export const ISOLATE: Readonly<Record<Direction | 'auto', string>> = { ltr: '\u2066', rtl: '\u2067', auto: '\u2068' };
export const END_OF_ISOLATE = '\u2069';

const PAIR = /([\u2066\u2067])([^\u2066-\u2069]*)\u2069/g;

/** Takes out isolates whose letters go their way by themselves: they begin and end with a letter of that direction. */
export function withoutIdleIsolates(paragraph: Paragraph): Paragraph {
  if (!paragraph.text.includes(END_OF_ISOLATE)) return paragraph;
  const idle = [...paragraph.text.matchAll(PAIR)].filter(([, sign, inside]) =>
    goesItsWay(inside.trim(), sign === ISOLATE.rtl),
  );
  return idle.reduceRight(
    (made, { index, 0: whole }) => without(without(made, index + whole.length - 1), index),
    paragraph,
  );
}

function goesItsWay(words: string, isRtl: boolean): boolean {
  const letters = [...words];
  const edges = [letters[0], letters[letters.length - 1]];
  return words === '' || edges.every((letter) => (isRtl ? hasLettersFromRight(letter) : isFromLeft(letter)));
}

const isFromLeft = (letter: string) => /\p{L}/u.test(letter) && !hasLettersFromRight(letter);

const without = (paragraph: Paragraph, at: number): Paragraph =>
  appendParagraph(cutParagraph(paragraph, 0, at), cutParagraph(paragraph, at + 1, paragraph.text.length));
