// Pictures that a Markdown text or a web page refers to and that came beside it: matched by the names of their files.
import { pictureKey } from '../copy/pictureNames';
import { pictureOf } from '../copy/pictureOf';
import { eachPicture as picturesOfBook, type Book } from '../model/copy/book';
import type { Manuscript } from '../model/copy/manuscript';
import type { Block, InlineObject, PictureBytes, PictureFacts } from '../model/copy/streams';
import { NOT_IN_FILE } from './incoming';

/** Keys of the pictures that a manuscript refers to and has not. */
export function picturesMissing(manuscript: Manuscript): ReadonlySet<string> {
  const missing = new Set<string>();
  eachPicture(manuscript, (object) => {
    if (object.asset === '') missing.add(pictureKey(object.name));
    return object;
  });
  return missing;
}

/** The manuscript with the pictures that have come beside it, by their keys. */
export function withPicturesBeside(manuscript: Manuscript, beside: ReadonlyMap<string, Uint8Array>): Manuscript {
  const pictures: Record<string, Uint8Array> = { ...manuscript.pictures };
  let left = 0;
  const { blocks, notes } = eachPicture(manuscript, (object) => {
    if (object.asset !== '') return object;
    const bytes = beside.get(pictureKey(object.name));
    if (bytes === undefined || bytes.length === 0) {
      left += 1;
      return object;
    }
    const { name, alt, width, height, shownWidth, shownHeight } = object;
    const made = pictureOf(bytes, { name, alt, width, height }, { width: shownWidth, height: shownHeight });
    pictures[made.asset] = bytes;
    return { ...object, ...made };
  });
  const remarks = manuscript.remarks.flatMap((remark) =>
    remark.what !== NOT_IN_FILE ? [remark] : left === 0 ? [] : [{ ...remark, count: left }],
  );
  return { ...manuscript, blocks, notes, remarks, pictures: pictures as PictureBytes };
}

/** The manuscript with the pictures that the book has under the names to which it only refers. */
export function withKnownPictures(manuscript: Manuscript, book: Book): Manuscript {
  const known = new Map<string, PictureFacts>();
  for (const picture of picturesOfBook(book)) if (picture.asset !== '') known.set(pictureKey(picture.name), picture);
  if (known.size === 0) return manuscript;
  return {
    ...manuscript,
    ...eachPicture(manuscript, (object) => {
      const found = object.asset === '' ? known.get(pictureKey(object.name)) : undefined;
      return found === undefined ? object : { ...found, at: object.at, alt: object.alt || found.alt };
    }),
  };
}

type PictureObject = Extract<InlineObject, { kind: 'picture' }>;

function eachPicture(
  { blocks, notes }: Pick<Manuscript, 'blocks' | 'notes'>,
  map: (object: PictureObject) => PictureObject,
): Pick<Manuscript, 'blocks' | 'notes'> {
  const mapped = (block: Block): Block => {
    if (block.kind === 'table')
      return {
        ...block,
        rows: block.rows.map((row) => row.map((cell) => ({ ...cell, blocks: cell.blocks.map(mapped) }))),
      };
    if (!block.objects.some(({ kind }) => kind === 'picture')) return block;
    return { ...block, objects: block.objects.map((object) => (object.kind === 'picture' ? map(object) : object)) };
  };
  const ofNotes = Object.entries(notes).map(([id, note]) => [id, { ...note, blocks: note.blocks.map(mapped) }]);
  return { blocks: blocks.map(mapped), notes: Object.fromEntries(ofNotes) as Manuscript['notes'] };
}
