// One face put in place of another everywhere, its sizes matched so that the letters look as large, or take as much room.
import type { Book } from '../../model/copy/book';
import type { BookEdit, Plain } from '../../model/copy/bookEdit';
import type { CharacterStyle, ParagraphStyle, Spec } from '../../model/spec/spec';
import type { FallbackFaces } from '../../model/spec/scripts';
import { valueOf } from '../../model/spec/inheritance';

/** Sizes go by steps of this many points. */
const STEP = 0.05;
/** Sizes that a spec can hold, of the text and of a style, and leading as a share of the size (validate/specSchema). */
const TEXT = { least: 4, most: 72 };
const STYLE = { least: 4, most: 144 };
const LEADING = { least: 0.7, most: 3 };
/** Em of the text that a line holds at least. */
const LEAST_MEASURE = 4.2;

/**
 * Edits that set everything of the family `from` in `to`, its sizes times `factor`: 1 as they are, or what makes x-heights or
 * extents alike. Leadings stay, so that the grid does. The word space goes back to what is held for the new face. A size that
 * no spec could hold, or that its leading does not allow, is taken to the nearest that can be: see `clampedSizes`.
 */
export function replaceFaceEdits(book: Book, from: string, to: string, factor: number): BookEdit[] {
  const { spec } = book;
  const measure = spec.page.trim.width.pt - spec.page.margins.back.pt - spec.page.margins.foreEdge.pt;
  const depth = spec.page.trim.height.pt - spec.page.margins.head.pt - spec.page.margins.foot.pt;
  const textBounds = { ...TEXT, most: Math.min(TEXT.most, measure / LEAST_MEASURE, depth) };
  const neat = (size: number, leading: number, { least, most }: typeof TEXT) =>
    within(scaled(size, factor), Math.max(least, leading / LEADING.most), Math.min(most, leading / LEADING.least));
  const isText = spec.text.face === from;
  const text = isText
    ? {
        ...spec.text,
        face: to,
        wordSpace: null,
        size: { ...spec.text.size, pt: neat(spec.text.size.pt, spec.text.leading.pt, textBounds) },
      }
    : spec.text;
  const styles: Record<string, ParagraphStyle> = {};
  let count = isText ? 1 : 0;
  for (const [tag, style] of Object.entries(spec.styles)) {
    const family = valueOf(spec.styles, tag, 'face') ?? spec.text.face;
    const isOwnFace = style.face === from;
    if (isOwnFace) count += 1;
    styles[tag] =
      family !== from || (!isOwnFace && style.size === undefined)
        ? style
        : {
            ...style,
            ...(isOwnFace ? { face: to } : {}),
            ...(style.size === undefined ? {} : { size: neat(style.size, leadingOf(spec, tag), STYLE) }),
          };
  }
  const characterStyles: Record<string, CharacterStyle> = {};
  for (const [tag, style] of Object.entries(spec.characterStyles)) {
    if (style.face === from) count += 1;
    characterStyles[tag] = style.face === from ? { ...style, face: to } : style;
  }
  const fallbacks = withFamily(text.fallbacks, from, to);
  if (fallbacks !== text.fallbacks) count += 1;
  if (count === 0 || from === to) return [];
  const next = { ...spec, text: { ...text, fallbacks }, styles, characterStyles };
  return [{ kind: 'setSpec', path: [], from: spec as unknown as Plain, to: next as unknown as Plain }];
}

const scaled = (size: number, factor: number) => Math.round((size * factor) / STEP) * STEP;

/** Inside the bounds, by whole steps. */
function within(size: number, least: number, most: number): number {
  const [low, high] = [Math.ceil(least / STEP - 1e-6) * STEP, Math.floor(most / STEP + 1e-6) * STEP];
  return Math.round(Math.min(high, Math.max(low, size)) * 100) / 100;
}

function leadingOf({ styles, text }: Spec, tag: string): number {
  const own = valueOf(styles, tag, 'leading');
  if (own === undefined) return text.leading.pt;
  return typeof own === 'number' ? own : own.grid * text.leading.pt;
}

/** How many sizes such a change could not take as far as it would. */
export function clampedSizes(book: Book, from: string, to: string, factor: number): number {
  const [change] = replaceFaceEdits(book, from, to, factor);
  if (change?.kind !== 'setSpec') return 0;
  const after = change.to as unknown as Spec;
  const { spec } = book;
  const isClamped = (before: number | undefined, now: number | undefined) =>
    before !== undefined && now !== undefined && Math.abs(scaled(before, factor) - now) > STEP / 2;
  const text = after.text.face !== spec.text.face && isClamped(spec.text.size.pt, after.text.size.pt) ? 1 : 0;
  return Object.entries(after.styles).reduce(
    (count, [tag, { size }]) =>
      count + (after.styles[tag] !== spec.styles[tag] && isClamped(spec.styles[tag].size, size) ? 1 : 0),
    text,
  );
}

function withFamily(fallbacks: FallbackFaces, from: string, to: string): FallbackFaces {
  if (!Object.values(fallbacks).includes(from)) return fallbacks;
  return Object.fromEntries(
    Object.entries(fallbacks).map(([script, family]) => [script, family === from ? to : family]),
  );
}
