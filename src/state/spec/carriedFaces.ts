// Faces that come with a project file: kept in this browser beside its own. A face of the same name that is another one is never
// replaced: the one that came goes by another key, and the book calls it by that.
import { withFamilyCalled } from '../../core/edit';
import type { Book } from '../../core/model/copy/book';
import { isSameFont, type FaceRecord, type OwnFont } from '../../core/model/spec/faces';
import type { Services } from '../services';

/** Keeps the faces; answers the book as it calls them here. */
export async function keepCarriedFaces(
  services: Pick<Services, 'fonts' | 'ownFonts'>,
  book: Book,
  carried: readonly OwnFont[],
): Promise<Book> {
  if (carried.length === 0) return book;
  const kept = new Map((await services.fonts.all()).map((font) => [font.record.id, font]));
  const families = new Set([...kept.values()].map(({ record }) => record.family));
  let called = book;
  for (const family of new Set(carried.map(({ record }) => record.family))) {
    const faces = carried.filter(({ record }) => record.family === family);
    const isOther = faces.some((face) => {
      const here = kept.get(face.record.id);
      return here !== undefined && !isSameFont(here, face);
    });
    const key = isOther ? freeKey(family, families) : family;
    if (isOther) called = withFamilyCalled(called, family, key);
    families.add(key);
    for (const { record, bytes } of faces) {
      if (!isOther && kept.has(record.id)) continue;
      await services.fonts.keep({ record: isOther ? withKey(record, key) : record, bytes });
    }
  }
  services.ownFonts = await services.fonts.all();
  return called;
}

function freeKey(family: string, taken: ReadonlySet<string>): string {
  let number = 2;
  while (taken.has(`${family}-${number}`)) number += 1;
  return `${family}-${number}`;
}

/** `own-fell-oak-2`: named `Fell Oak (2)`. */
function withKey(record: FaceRecord, key: string): FaceRecord {
  const number = key.slice(record.family.length + 1);
  return {
    ...record,
    id: `${key}${record.id.slice(record.family.length)}`,
    family: key,
    familyName: `${record.familyName} (${number})`,
  };
}

/** What is told of the faces that a project file does not hold; null: it holds all. */
export function neededInWords(fileName: string, needed: readonly string[]): string | null {
  if (needed.length === 0) return null;
  const faces = needed.length === 1 ? `a face that is` : `${needed.length} faces that are`;
  return `${fileName} is set in ${faces} not in the file: ${needed.join('; ')}. Add ${needed.length === 1 ? 'its font file' : 'their font files'} under Spec, Faces; until then another face stands in.`;
}
