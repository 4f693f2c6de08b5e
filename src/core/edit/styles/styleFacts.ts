// Facts of a style sheet: where a value comes from, what takes from a style, and what is set in it.
import { eachStream, type Book } from '../../model/copy/book';
import { effectiveTag } from '../../copy/effectiveTag';
import { maybeSpotPattern } from '../../looks/spotPatterns';
import { originOf, valueOf } from '../../model/spec/inheritance';
import { NOVEL_SPEC } from '../../defaults/novelSpec';
import type { BlockId, Paragraph, StreamId, StyleTag } from '../../model/copy/streams';

type Styles<T> = Readonly<Record<StyleTag, T>>;

/** The circle that a style would make by taking from another, as tags from the style back to itself; null: none. */
export function circleOf(
  styles: Styles<{ readonly basedOn?: StyleTag }>,
  tag: StyleTag,
  basedOn: StyleTag | undefined,
): StyleTag[] | null {
  const path = [tag];
  for (let at = basedOn; at !== undefined; at = styles[at]?.basedOn) {
    path.push(at);
    if (at === tag) return path;
    if (path.length > Object.keys(styles).length + 2) return null;
  }
  return null;
}

/** Styles that the book itself sets text in: they can be changed, and never dropped. */
export const isBuiltIn = (tag: StyleTag): boolean => Object.hasOwn(NOVEL_SPEC.styles, tag);

/** Paragraphs that are set in a style, those that a rule gives it too, in running order. */
export function usesOf(
  book: Book,
  tag: StyleTag,
): { readonly stream: StreamId; readonly block: BlockId; readonly words: string }[] {
  const found: { stream: StreamId; block: BlockId; words: string }[] = [];
  for (const { stream, blocks } of eachStream(book))
    blocks.forEach((block, index) => {
      if (block.kind === 'paragraph' && effectiveTag(blocks, index, book.spec.styles) === tag)
        found.push({ stream, block: block.id, words: sampleOf(block) });
    });
  return found;
}

/** Paragraphs with words in a character style, by hand or by a rule of their style, with those words. */
export function characterUsesOf(book: Book, tag: StyleTag): ReturnType<typeof usesOf> {
  const found: { stream: StreamId; block: BlockId; words: string }[] = [];
  const { styles } = book.spec;
  for (const { stream, blocks } of eachStream(book))
    blocks.forEach((block, index) => {
      if (block.kind !== 'paragraph') return;
      const own = effectiveTag(blocks, index, styles);
      const span = block.spans.find(({ style }) => style === tag) ?? ruledStretch(block, own, tag, styles);
      if (span !== undefined)
        found.push({ stream, block: block.id, words: block.text.slice(span.from, span.to).slice(0, SAMPLE) });
    });
  return found;
}

/** The first stretch of a paragraph that the rules of its style set in a character style. */
function ruledStretch(
  { text }: Paragraph,
  own: StyleTag,
  tag: StyleTag,
  styles: Book['spec']['styles'],
): { readonly from: number; readonly to: number } | undefined {
  if (valueOf(styles, own, 'lead')?.style === tag && text !== '') return { from: 0, to: text.length };
  for (const { pattern, style } of valueOf(styles, own, 'spots') ?? []) {
    const [match] = style === tag ? stretchesOfPattern(text, pattern) : [];
    if (match !== undefined) return match;
  }
  return undefined;
}

/** What a pattern rule meets in a text; nothing for a pattern that cannot be run. */
export function stretchesOfPattern(text: string, pattern: string): { readonly from: number; readonly to: number }[] {
  const matches = maybeSpotPattern(pattern)?.matchesIn(text) ?? [];
  return [...matches].map(({ index, end }) => ({ from: index, to: end }));
}

/** How many stretches a pattern rule of a style meets in the book: in its paragraphs, and in those that take the rules from it. */
export function countPattern(book: Book, tag: StyleTag, pattern: string): number {
  const { styles } = book.spec;
  const ruled = new Set(
    [...heirsOf(styles, tag)].filter((heir) => heir === tag || originOf(styles, heir, 'spots') === tag),
  );
  let count = 0;
  for (const { blocks } of eachStream(book))
    blocks.forEach((block, index) => {
      if (block.kind === 'paragraph' && ruled.has(effectiveTag(blocks, index, styles)))
        count += stretchesOfPattern(block.text, pattern).length;
    });
  return count;
}

export const SAMPLE = 60;
export const sampleOf = ({ text }: Paragraph) =>
  text
    .replace(/\uFFFC/g, ' ')
    .trim()
    .slice(0, SAMPLE);

/** A style and all that take from it, directly or not. */
export function heirsOf(styles: Styles<{ readonly basedOn?: StyleTag }>, tag: StyleTag): Set<StyleTag> {
  const heirs = new Set<StyleTag>([tag]);
  for (let size = -1; size !== heirs.size;) {
    size = heirs.size;
    for (const [other, { basedOn }] of Object.entries(styles))
      if (basedOn !== undefined && heirs.has(basedOn)) heirs.add(other);
  }
  return heirs;
}

/** Why a tag cannot be given to a style; null when it can. */
export function tagFault(styles: Styles<unknown>, tag: string): string | null {
  if (!/^[A-Za-z0-9]{1,12}$/.test(tag)) return `“${tag}” is no tag: it has 1 to 12 letters and figures.`;
  return tag in styles ? `There is a style with the tag ${tag} already.` : null;
}

/** The name with a number behind it that no style has. */
export function freeName(styles: Styles<{ readonly name: string }>, name: string): string {
  const taken = new Set(Object.values(styles).map((style) => style.name));
  for (let k = 2; ; k += 1) if (!taken.has(`${name} ${k}`)) return `${name} ${k}`;
}

export function freeTag(styles: Styles<unknown>, tag: StyleTag): StyleTag {
  for (let k = 2; ; k += 1) {
    const made = `${tag.slice(0, 10)}${k}`;
    if (!(made in styles)) return made;
  }
}
