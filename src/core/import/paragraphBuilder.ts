// Builds blocks while a file is read: text arrives in pieces with a look, objects stand between, ids are counted.
import {
  normaliseSpans,
  OBJECT_CHARACTER,
  paragraph,
  type Direction,
  type InlineObject,
  type Paragraph,
  type Span,
  type StyleTag,
} from '../model/copy/streams';

import { END_OF_ISOLATE, ISOLATE, withoutIdleIsolates } from './isolates';
import { plainText, spanWithinBounds, termsWithinBounds, wellFormed } from './withinBounds';

export type SpanLook = Omit<Span, 'from' | 'to'>;

type ObjectFacts = InlineObject extends infer O ? (O extends InlineObject ? Omit<O, 'at'> : never) : never;

/** Hands out ids of a letter and a number: `p1`, `n2`, `d3`. */
export class IdCounter {
  constructor(public next = 1) {}
  take(letter: string): string {
    return `${letter}${this.next++}`;
  }
}

/** Collects one paragraph. */
export class ParagraphBuilder {
  private text = '';
  /** The last unit of the text: to look for it in a text that grows by pieces would copy it each time. */
  private last = '';
  /** The direction of the isolate that was last added. */
  private isolated: Direction | null = null;
  private readonly spans: Span[] = [];
  private readonly objects: InlineObject[] = [];

  /** Adds text with a look; an empty look is plain text. */
  add(source: string, look: SpanLook = {}): void {
    const text = plainText(source);
    if (text === '') return;
    const from = this.text.length;
    this.text += text;
    this.last = text[text.length - 1];
    if (Object.keys(look).length > 0) this.spans.push({ from, to: this.text.length, ...look });
  }

  /** Text with a direction that what is around does not have: isolated from it; stretches of one direction that meet are one. */
  addDirected(source: string, direction: Direction, look: SpanLook = {}): void {
    const text = plainText(source);
    if (text === '') return;
    const goesOn = this.last === END_OF_ISOLATE && this.isolated === direction;
    if (goesOn) this.dropLast();
    this.add(`${goesOn ? '' : ISOLATE[direction]}${text}${END_OF_ISOLATE}`, look);
    this.isolated = direction;
  }

  private dropLast(): void {
    const end = this.text.length - 1;
    this.text = this.text.slice(0, end);
    this.last = this.text[end - 1] ?? '';
    const span = this.spans[this.spans.length - 1];
    if (span !== undefined && span.to > end) this.spans[this.spans.length - 1] = { ...span, to: end };
  }

  addObject(object: ObjectFacts): void {
    const own = object.kind === 'index' ? termsWithinBounds(object) : object;
    this.objects.push({ ...own, at: this.text.length } as InlineObject);
    this.text += OBJECT_CHARACTER;
    this.last = OBJECT_CHARACTER;
  }

  /** Takes away signs of notes at the end of the text, right after a word; empty when there are none. */
  takeSigns(): string {
    const signs = /(?<=[^\s*†‡§‖¶])[*†‡§‖¶]{1,4}$/u.exec(this.text)?.[0] ?? '';
    if (signs === '') return '';
    const end = this.text.length - signs.length;
    this.text = this.text.slice(0, end);
    this.last = this.text[end - 1] ?? '';
    for (let k = this.spans.length - 1; k >= 0 && this.spans[k].to > end; k -= 1)
      this.spans[k] = { ...this.spans[k], from: Math.min(this.spans[k].from, end), to: end };
    return signs;
  }

  /** UTF-16 units so far. */
  get length(): number {
    return this.text.length;
  }

  get words(): string {
    return this.text;
  }

  get isEmpty(): boolean {
    return this.text.length === 0;
  }

  /** Nothing but white space so far. */
  get isBlank(): boolean {
    return (
      this.objects.every((object) => object.kind === 'break') &&
      this.text.replace(/[\uFFFC\u202A-\u202E\u2066-\u2069]/g, '').trim() === ''
    );
  }

  /** The next space would be a second one. */
  get endsInSpace(): boolean {
    return this.last === ' ';
  }

  /** Takes away white space and line breaks at the end. */
  trimEnd(): void {
    let end = this.text.length;
    while (end > 0) {
      const last = this.objects[this.objects.length - 1];
      if (this.text[end - 1] === OBJECT_CHARACTER && last?.at === end - 1 && last.kind === 'break') this.objects.pop();
      else if (!/[ \t\n]/.test(this.text[end - 1])) break;
      end -= 1;
    }
    this.text = this.text.slice(0, end);
    this.last = this.text[end - 1] ?? '';
    for (let k = this.spans.length - 1; k >= 0 && this.spans[k].to > end; k -= 1)
      this.spans[k] = { ...this.spans[k], to: Math.max(end, this.spans[k].from) };
  }

  /** `isOurs`: written by this program, so that every look in it was meant. */
  build(id: string, style: StyleTag, rest: Partial<Paragraph> = {}, isOurs = false): Paragraph {
    const own = isOurs ? this.spans : withoutOwnLook(this.spans, this.text.length);
    const spans = normaliseSpans(own.map(spanWithinBounds).filter(hasLook));
    const built = paragraph(id, style, wellFormed(this.text), { spans, objects: this.objects, ...rest });
    return withoutIdleIsolates(built);
  }
}

const hasLook = ({ from, to, ...look }: Span) => to > from && Object.keys(look).length > 0;

const OF_STYLES = ['face', 'size', 'colour'] as const;

/** A face, size or colour that most of a paragraph has is the paragraph's own, and not a local one: its style decides it. */
function withoutOwnLook(spans: readonly Span[], length: number): Span[] {
  let made = [...spans];
  for (const key of OF_STYLES) {
    const counts = new Map<string | number, number>();
    for (const { from, to, touches } of made) {
      const value = touches?.[key];
      if (value !== undefined) counts.set(value, (counts.get(value) ?? 0) + to - from);
    }
    for (const [own, count] of counts) if (count * 2 >= length) made = made.map((span) => withoutTouch(span, key, own));
  }
  return made;
}

function withoutTouch(span: Span, key: (typeof OF_STYLES)[number], value: string | number): Span {
  if (span.touches?.[key] !== value) return span;
  const { [key]: _, ...left } = span.touches;
  const { touches: __, ...rest } = span;
  return Object.keys(left).length > 0 ? { ...rest, touches: left } : rest;
}
