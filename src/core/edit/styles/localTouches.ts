// Local touches: what paragraphs and words have beside their style. Listed, cleared, and taught to the style.
import { eachStream, type Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { ParagraphStyle } from '../../model/spec/spec';
import type { BlockId, LocalLook, Paragraph, Span, StreamId, TextTouches, StyleTag } from '../../model/copy/streams';
import { countStyles } from './styleEdits';
import { originOf, valueOf } from '../../model/spec/inheritance';
import { heirsOf, SAMPLE, sampleOf } from './styleFacts';

/** One local touch on words or a paragraph of a style. */
export interface LocalTouch {
  readonly stream: StreamId;
  readonly block: BlockId;
  /** What it changes, such as `size 9, italic`. */
  readonly what: string;
  readonly words: string;
}

const LOCAL_KEYS = ['italic', 'bold', 'underline', 'strike', 'face', 'size', 'colour'] as const;

function touchInWords(touches: TextTouches): string {
  return LOCAL_KEYS.filter((key) => touches[key] !== undefined)
    .map((key) => {
      const value = touches[key];
      return value === true ? key : value === false ? `not ${key}` : `${key} ${value}`;
    })
    .join(', ');
}

function lookInWords({ align, look = {} }: NonNullable<Paragraph['touches']>): string {
  const parts = Object.entries({ ...(align === undefined ? {} : { align }), ...look });
  return parts.map(([key, value]) => (value === true ? key : `${key} ${value}`)).join(', ');
}

/** The local touches on paragraphs of a style: looks of whole paragraphs, and of stretches of their words. */
export function localTouchesOf(book: Book, tag: StyleTag): LocalTouch[] {
  const found: LocalTouch[] = [];
  for (const { stream, blocks } of eachStream(book))
    for (const block of blocks) {
      if (block.kind !== 'paragraph' || block.style !== tag) continue;
      const own = block.touches === undefined ? '' : lookInWords(block.touches);
      if (own !== '') found.push({ stream, block: block.id, what: own, words: sampleOf(block) });
      for (const { from, to, touches } of block.spans)
        if (touches !== undefined)
          found.push({
            stream,
            block: block.id,
            what: touchInWords(touches),
            words: block.text.slice(from, to).slice(0, SAMPLE),
          });
    }
  return found;
}

/** Edits that clear the local touches on paragraphs of a style, or on one of them alone. */
export function clearTouchesEdits(book: Book, tag: StyleTag, only?: BlockId): BookEdit[] {
  return eachParagraphEdit(book, (block) => {
    if (block.style !== tag || (only !== undefined && block.id !== only)) return block;
    return withoutLook(block, withoutTouches(block.spans));
  });
}

function withoutTouches(spans: readonly Span[]): readonly Span[] {
  if (spans.every(({ touches }) => touches === undefined)) return spans;
  return spans.flatMap((span) => {
    const { touches: _, ...rest } = span;
    return rest.style === undefined && rest.language === undefined ? [] : [rest];
  });
}

/** The paragraph without its local look, and with other spans; the same object when nothing of it changes. */
function withoutLook(block: Paragraph, spans: readonly Span[]): Paragraph {
  const { align, look, ...touches } = block.touches ?? {};
  if (align === undefined && look === undefined && spans === block.spans) return block;
  const { touches: _, ...rest } = block;
  return Object.keys(touches).length === 0 ? { ...rest, spans } : { ...rest, spans, touches };
}

export function eachParagraphEdit(book: Book, change: (block: Paragraph) => Paragraph): BookEdit[] {
  const edits: BookEdit[] = [];
  for (const { stream, blocks } of eachStream(book))
    blocks.forEach((block, at) => {
      if (block.kind !== 'paragraph') return;
      const to = change(block);
      if (to !== block) edits.push({ kind: 'replaceBlocks', stream, at, removed: [block], inserted: [to] });
    });
  return edits;
}

/** What a style would learn from a paragraph of it. */
export interface Lesson {
  /** Own values that the style would have then. */
  readonly change: Partial<ParagraphStyle>;
  /** Each change, as `what: was, is`. */
  readonly list: readonly { readonly what: string; readonly was: string; readonly is: string }[];
  /** Paragraphs of the style, and of those that take from it, that would be set anew. */
  readonly paragraphs: number;
}

/** What a paragraph's style would learn from its local touches; null when it has none that a style can have. */
export function lessonFrom(book: Book, { touches, spans, text, style }: Paragraph): Lesson | null {
  const whole =
    spans.length === 1 && spans[0].from === 0 && spans[0].to >= text.trimEnd().length ? spans[0].touches : undefined;
  const change: Partial<ParagraphStyle> = {
    ...touches?.look,
    ...(touches?.align === undefined ? {} : { align: touches.align }),
    ...(whole?.italic === undefined ? {} : { italic: whole.italic }),
    ...(whole?.bold === undefined ? {} : { weight: whole.bold ? 700 : 400 }),
    ...(whole?.size === undefined ? {} : { size: whole.size }),
  };
  const keys = Object.keys(change) as (keyof ParagraphStyle)[];
  if (keys.length === 0 || book.spec.styles[style] === undefined) return null;
  const shown = (value: unknown) =>
    value === undefined ? 'as the text' : typeof value === 'object' ? JSON.stringify(value) : String(value);
  const counts = countStyles(book);
  const { styles } = book.spec;
  // An heir that says all of it by itself stays as it is.
  const taught = { ...styles, [style]: { ...styles[style], ...change } };
  const heirs = [...heirsOf(styles, style)].filter((tag) => keys.some((key) => originOf(taught, tag, key) === style));
  return {
    change,
    list: keys.map((key) => ({ what: key, was: shown(valueOf(book.spec.styles, style, key)), is: shown(change[key]) })),
    paragraphs: heirs.reduce((sum, tag) => sum + (counts.get(tag) ?? 0), 0),
  };
}

/** Edits by which the style takes over the touches of a paragraph, which then has none of its own. */
export function teachEdits(book: Book, block: Paragraph): BookEdit[] {
  const lesson = lessonFrom(book, block);
  if (lesson === null) return [];
  const from = book.spec.styles[block.style];
  const learnt = Object.keys(lesson.change);
  const edits = eachParagraphEdit(book, (one) =>
    one.id === block.id ? withoutLook(one, wholeSpanOff(one, learnt)) : one,
  );
  return [{ kind: 'setStyle', tag: block.style, from, to: { ...from, ...lesson.change } }, ...edits];
}

/** Edits that make a style of a paragraph: it takes from the paragraph's own and has what is changed by hand there. */
export function styleFromEdits(book: Book, block: Paragraph, tag: StyleTag, name: string): BookEdit[] {
  const change = lessonFrom(book, block)?.change ?? {};
  const learnt = Object.keys(change);
  const edits = eachParagraphEdit(book, (one) =>
    one.id === block.id ? { ...withoutLook(one, wholeSpanOff(one, learnt)), style: tag } : one,
  );
  return [{ kind: 'setStyle', tag, from: null, to: { name, basedOn: block.style, ...change } }, ...edits];
}

/** Spans without what the style has learnt of the one that covers the whole paragraph. */
function wholeSpanOff({ spans, text }: Paragraph, learnt: readonly string[]): readonly Span[] {
  const [only] = spans;
  if (spans.length !== 1 || only.from !== 0 || only.to < text.trimEnd().length || only.touches === undefined)
    return spans;
  const left = Object.entries(only.touches).filter(([key]) => !learnt.includes(key === 'bold' ? 'weight' : key));
  const { touches: _, ...rest } = only;
  if (left.length > 0) return [{ ...rest, touches: Object.fromEntries(left) as TextTouches }];
  return rest.style === undefined && rest.language === undefined ? [] : [rest];
}

/** A look as own values of a paragraph; absent values are taken away. */
export function withLookChange(
  look: LocalLook | undefined,
  change: Partial<Record<keyof LocalLook, unknown>>,
): LocalLook | undefined {
  const merged = Object.entries({ ...look, ...change }).filter(([, value]) => value !== undefined);
  return merged.length === 0 ? undefined : (Object.fromEntries(merged) as LocalLook);
}
