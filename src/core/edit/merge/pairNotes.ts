// Which notes of the author's version of a paragraph are which of the base.
import type { Note } from '../../model/copy/book';
import type { Block, Paragraph, StreamId } from '../../model/copy/streams';
import { commonPlaces } from './commonTokens';

export interface NotePairs {
  /** Notes that the base has: the id there, and the one in the file. */
  readonly met: readonly { readonly id: StreamId; readonly from: StreamId }[];
  /** New ones, under new ids. */
  readonly added: readonly { readonly id: StreamId; readonly from: StreamId }[];
  /** Ids of the file by those that they get. */
  readonly names: ReadonlyMap<StreamId, StreamId>;
}

type Notes = Readonly<Record<StreamId, Omit<Note, 'id'>>>;

const refsOf = ({ objects }: Paragraph) => objects.flatMap((object) => (object.kind === 'note' ? [object.note] : []));

function wordsOf(blocks: readonly Block[]): string {
  return blocks.map((block) => (block.kind === 'table' ? '' : block.text)).join('\n');
}

/** By equal words first; between those, one after another. */
export function pairNotes(
  base: Paragraph,
  author: Paragraph,
  baseNotes: Notes,
  authorNotes: Notes,
  takeId: (letter: string) => string,
): NotePairs {
  const [own, theirs] = [refsOf(base), refsOf(author)];
  const met: { id: StreamId; from: StreamId }[] = [];
  const added: { id: StreamId; from: StreamId }[] = [];
  if (theirs.length === 0) return { met, added, names: new Map() };
  const places = commonPlaces(
    theirs.map((id) => wordsOf(authorNotes[id]?.blocks ?? [])),
    own.map((id) => wordsOf(baseNotes[id]?.blocks ?? [])),
  );
  const taken = new Set(places);
  let least = 0;
  theirs.forEach((from, k) => {
    if (authorNotes[from] === undefined) return;
    let at = places[k];
    if (at < 0) {
      const next = places.slice(k + 1).find((place) => place >= 0) ?? own.length;
      for (at = least; at < next && taken.has(at);) at += 1;
      if (at >= next) at = -1;
      else taken.add(at);
    }
    if (at >= 0) least = at + 1;
    if (at >= 0) met.push({ id: own[at], from });
    else added.push({ id: takeId('n'), from });
  });
  return { met, added, names: new Map([...met, ...added].map(({ id, from }) => [from, id])) };
}

/** The paragraph with its notes under other ids. */
export function withNotes(paragraph: Paragraph, names: ReadonlyMap<StreamId, StreamId>): Paragraph {
  if (names.size === 0) return paragraph;
  const objects = paragraph.objects.map((object) =>
    object.kind === 'note' ? { ...object, note: names.get(object.note) ?? object.note } : object,
  );
  return { ...paragraph, objects };
}
