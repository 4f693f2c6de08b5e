// What heads say, as lists and running heads repeat it.
import type { Division } from '../model/copy/book';
import { OBJECT_CHARACTER, type Paragraph } from '../model/copy/streams';
import type { Meaning, Spec } from '../model/spec/spec';
import { isTypedNumber, meaningOfTag } from '../copy/meanings';
import type { HeadNumbers } from './numberHeads';

type Styles = Spec['styles'];

/** The paragraph with the title of a division. */
export const titleBlock = (division: Division, styles: Styles): Paragraph | undefined =>
  firstOf(division, styles, (meaning) => meaning === 'heading1');

/**
 * Number and title at the head of a division; both empty when it has none. A person's break in a title is a space. A number
 * that was typed is taken as it is; else the one that its scheme gives.
 */
export function headingWords(
  division: Division,
  styles: Styles,
  numbers: HeadNumbers = new Map(),
): { number: string; title: string } {
  const typed = firstOf(division, styles, isTypedNumber);
  const title = titleBlock(division, styles);
  const number = typed === undefined ? (numbers.get(title?.id ?? '')?.text ?? '') : plainWords(typed);
  return { number, title: title === undefined ? '' : plainWords(title) };
}

function firstOf(division: Division, styles: Styles, isWanted: (meaning: Meaning) => boolean): Paragraph | undefined {
  const block = division.blocks.find(({ style }) => isWanted(meaningOfTag(styles, style)));
  return block?.kind === 'paragraph' ? block : undefined;
}

/** Text without notes and marks; breaks, tabs and runs of spaces become one space. */
export function plainWords(paragraph: Paragraph): string {
  if (paragraph.objects.length === 0) return paragraph.text.replace(/\s+/g, ' ').trim();
  const kinds = new Map(paragraph.objects.map((object) => [object.at, object.kind]));
  let text = '';
  for (let k = 0; k < paragraph.text.length; k += 1) {
    if (paragraph.text[k] !== OBJECT_CHARACTER) text += paragraph.text[k];
    else if (kinds.get(k) !== 'note' && kinds.get(k) !== 'index') text += ' ';
  }
  return text.replace(/\s+/g, ' ').trim();
}
