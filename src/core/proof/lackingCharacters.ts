// Characters that the face of their paragraph lacks: set in another face, or in none; with their places and the faces that
// have them.
import { covers, TEXT_FAMILIES, FALLBACK_FAMILIES, type FaceTable } from '../model/spec/faces';
import type { LackingCharacter, LackingPlace } from '../model/answers/lacking';
import type { StyledParagraph } from '../model/composed/styled';

/** Characters of its surroundings that a place is shown with. */
const AROUND = 24;

/** One entry a character, the most frequent first. A paragraph on two pages is given twice and counted once. */
export function lackingCharacters(paragraphs: Iterable<StyledParagraph>, faces: FaceTable): LackingCharacter[] {
  const places = new Map<number, LackingPlace[]>();
  const wished = new Map<number, Set<string>>();
  const seen = new Set<string>();
  for (const { stream, block, style, text, source, lacking } of paragraphs) {
    if (lacking.length === 0 || seen.has(block)) continue;
    seen.add(block);
    for (const at of lacking) {
      const code = text.codePointAt(at)!;
      const size = code > 0xffff ? 2 : 1;
      const placed = places.get(code) ?? [];
      placed.push({
        stream,
        block,
        offset: source?.[at] ?? at,
        length: size,
        before: text.slice(Math.max(0, at - AROUND), at),
        after: text.slice(at + size, at + size + AROUND),
      });
      places.set(code, placed);
      wished.set(code, (wished.get(code) ?? new Set()).add(style.family));
    }
  }
  const own = faces.filter(({ id }) => id.startsWith('own-')).map(({ family }) => family);
  const families = [...new Set([...TEXT_FAMILIES, ...FALLBACK_FAMILIES, ...own])];
  const nameOf = (family: string) => faces.find((face) => face.family === family)?.familyName ?? family;
  return [...places]
    .map(([code, placed]) => ({
      character: String.fromCodePoint(code),
      code,
      places: placed,
      lackedBy: [...wished.get(code)!].map(nameOf),
      families: families
        .filter((family) => faces.some((face) => face.family === family && covers(face, code)))
        .map((family) => ({ family, name: nameOf(family) })),
    }))
    .sort((a, b) => b.places.length - a.places.length || a.code - b.code);
}
