// Directions of the paragraphs and runs of a .docx (ECMA-376-1, 17.3.1.6 bidi, 17.3.2.30 rtl).
import { table } from '../../base/table';
import { maybeChild, type XmlElement } from '../../base/xml';
import { hasLettersFromRight } from '../../copy/direction';
import type { Direction, ParagraphTouches } from '../../model/copy/streams';
import type { ParagraphBuilder, SpanLook } from '../paragraphBuilder';
import { toggle, type DocxStyle } from './styleNames';

const ALIGN: Readonly<Record<string, ParagraphTouches['align']>> = table({
  center: 'centre',
  right: 'right',
  end: 'right',
});

/** How a paragraph says that it is aligned; sides of one from right to left are named by where its lines begin and end. */
export function alignOf(
  properties: XmlElement | undefined,
  direction: Direction | undefined,
): ParagraphTouches['align'] {
  const side = ALIGN[maybeChild(properties, 'w:jc')?.attributes['w:val'] ?? ''];
  return side === 'right' && direction === 'rtl' ? 'left' : side;
}

/** The direction of the paragraph being read, and text added by that of its runs. */
export class Directions {
  private paragraph: Direction | undefined;

  /** Begins a paragraph; answers the direction of the one around it, for `leave`. */
  enter(properties: XmlElement | undefined, style: DocxStyle | undefined): Direction | undefined {
    const around = this.paragraph;
    const isRtl = toggle(properties, 'w:bidi') ?? style?.isRtl;
    this.paragraph = isRtl === undefined ? undefined : isRtl ? 'rtl' : 'ltr';
    return around;
  }

  /** Ends a paragraph; answers its direction, undefined where neither it nor its style says one. */
  leave(around: Direction | undefined): Direction | undefined {
    const own = this.paragraph;
    this.paragraph = around;
    return own;
  }

  /** Adds text of a run, isolated where it has a direction that its paragraph has not. */
  add(builder: ParagraphBuilder, text: string, look: SpanLook, properties: XmlElement | undefined): void {
    const isRtl = toggle(properties, 'w:rtl') === true;
    const isFromLeft = /\p{L}/u.test(text) && !hasLettersFromRight(text);
    if (isRtl && this.paragraph !== 'rtl') builder.addDirected(text, 'rtl', look);
    else if (!isRtl && this.paragraph === 'rtl' && isFromLeft) builder.addDirected(text, 'ltr', look);
    else builder.add(text, look);
  }
}
