// One face put in place of another everywhere, its sizes matched so that the letters look as large, or take as much room.
import type { Book } from '../model/book';
import type { BookEdit, Plain } from '../model/bookEdit';
import type { CharacterStyle, ParagraphStyle } from '../model/spec';
import { valueOf } from './styleFacts';

/** Sizes go by steps of this many points. */
const STEP = 0.05;

/**
 * Edits that set everything of the family `from` in `to`, its sizes times `factor`: 1 as they are, or what makes x-heights or
 * extents alike. Leadings stay, so that the grid does. The word space goes back to what is held for the new face.
 */
export function replaceFaceEdits(book: Book, from: string, to: string, factor: number): BookEdit[] {
  const { spec } = book;
  const sized = (size: number) => Math.max(STEP, Math.round((size * factor) / STEP) * STEP);
  const neat = (size: number) => Math.round(sized(size) * 100) / 100;
  const isText = spec.text.face === from;
  const text = isText
    ? { ...spec.text, face: to, wordSpace: null, size: { ...spec.text.size, pt: neat(spec.text.size.pt) } }
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
            ...(style.size === undefined ? {} : { size: neat(style.size) }),
          };
  }
  const characterStyles: Record<string, CharacterStyle> = {};
  for (const [tag, style] of Object.entries(spec.characterStyles)) {
    if (style.face === from) count += 1;
    characterStyles[tag] = style.face === from ? { ...style, face: to } : style;
  }
  if (count === 0 || from === to) return [];
  const next = { ...spec, text, styles, characterStyles };
  return [{ kind: 'setSpec', path: [], from: spec as unknown as Plain, to: next as unknown as Plain }];
}
