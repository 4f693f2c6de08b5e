// Builds blocks while a file is read: text arrives in pieces with a look, objects stand between, ids are counted.
import {
  normaliseSpans,
  OBJECT_CHARACTER,
  paragraph,
  type InlineObject,
  type Paragraph,
  type Span,
  type StyleTag,
} from '../model/streams';

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
  private readonly spans: Span[] = [];
  private readonly objects: InlineObject[] = [];

  /** Adds text with a look; an empty look is plain text. */
  add(text: string, look: SpanLook = {}): void {
    if (text === '') return;
    const from = this.text.length;
    this.text += text;
    if (Object.keys(look).length > 0) this.spans.push({ from, to: this.text.length, ...look });
  }

  addObject(object: ObjectFacts): void {
    this.objects.push({ ...object, at: this.text.length } as InlineObject);
    this.text += OBJECT_CHARACTER;
  }

  get isEmpty(): boolean {
    return this.text.length === 0;
  }

  build(id: string, style: StyleTag, rest: Partial<Paragraph> = {}): Paragraph {
    return paragraph(id, style, this.text, { spans: normaliseSpans(this.spans), objects: this.objects, ...rest });
  }
}

/** Part of a paragraph from `from` to `to`, spans and objects moved along. */
export function cutParagraph(source: Paragraph, from: number, to: number): Paragraph {
  const spans = source.spans
    .map((span) => ({ ...span, from: Math.max(span.from, from) - from, to: Math.min(span.to, to) - from }))
    .filter((span) => span.to > span.from);
  const objects = source.objects
    .filter((object) => object.at >= from && object.at < to)
    .map((object) => ({ ...object, at: object.at - from }));
  return { ...source, text: source.text.slice(from, to), spans, objects };
}
