// Faces of the person's own in a project file: those that may be passed on lie in it as they are, others are named.
import type { ReadJob } from '../../base/fileJob';
import { fingerprint } from '../../base/hash';
import type { ZipMember } from '../../base/zipWriter';
import { readMember, type ZipEntry } from '../../base/zipReader';
import { ownFace } from '../../fonts/ownFont';
import type { FaceRecord, OwnFont } from '../../model/spec/faces';

/** OS/2 fsType 0 (installable) and 8 (editable): the file may go with the document (OpenType 1.9, OS/2). */
const MAY_TRAVEL = new Set([0, 8]);
/** The most font files of a project, and the most bytes that their list and one of them have. */
const MOST_FACES = 200;
const MOST_LIST = 1024 * 1024;
const MOST_FONT = 32 * 1024 * 1024;

export const FACES_LIST = 'fonts.json';

/** A face as the list of a project has it. */
interface ListedFace {
  readonly id: string;
  readonly family: string;
  readonly familyName: string;
  readonly weight: number;
  readonly italic: boolean;
  readonly file: string;
  /** Absent: its maker does not let it travel. */
  readonly hash?: string;
}

/** The members of a project file for the faces of the person's own that the book is set in; none where there are none. */
export function facesMembers(fonts: readonly OwnFont[]): ZipMember[] {
  if (fonts.length === 0) return [];
  const files = new Map<string, Uint8Array>();
  const list = fonts.map(({ record, bytes }): ListedFace => {
    const { id, family, familyName, weight, italic, file, embedding } = record;
    const listed = { id, family, familyName, weight, italic, file };
    if (!MAY_TRAVEL.has(embedding)) return listed;
    const hash = fingerprint(bytes);
    files.set(hash, bytes);
    return { ...listed, hash };
  });
  const json = new TextEncoder().encode(`${JSON.stringify(list, null, 1)}\n`);
  return [
    { name: FACES_LIST, content: json },
    ...[...files].map(([hash, content]) => ({ name: `fonts/${hash}`, content })),
  ];
}

export interface ProjectFaces {
  readonly fonts: readonly OwnFont[];
  /** Names of faces that the book is set in and the file does not hold, such as `Fell Oak, 700 italic`. */
  readonly needed: readonly string[];
}

const NO_FACES: ProjectFaces = { fonts: [], needed: [] };

/** What of faces a project file holds; a font that is damaged, or not what its list says, is needed like one that is not there. */
export function* facesAmong(entries: readonly ZipEntry[], size: number): ReadJob<ProjectFaces> {
  const list = entries.find(({ name }) => name === FACES_LIST);
  if (list === undefined || list.size > MOST_LIST) return NO_FACES;
  const fonts: OwnFont[] = [];
  const needed: string[] = [];
  for (const face of listedFaces(yield* readMember(list, size))) {
    const entry = entries.find(({ name }) => name === `fonts/${face.hash}`);
    const bytes = entry === undefined || entry.size > MOST_FONT ? null : yield* readMember(entry, size);
    const font = bytes === null || fingerprint(bytes) !== face.hash ? null : fontOf(face, bytes);
    if (font === null) needed.push(nameOf(face));
    else fonts.push(font);
  }
  return { fonts, needed };
}

/** The font as its own file describes it, under the key by which the book calls it. */
function fontOf({ id, family, familyName }: ListedFace, bytes: Uint8Array): OwnFont | null {
  try {
    const record: FaceRecord = { ...ownFace(familyName, bytes), id, family, familyName };
    const isItself = id === `${family}/${record.weight}${record.italic ? 'i' : ''}`;
    return isItself && MAY_TRAVEL.has(record.embedding) ? { record, bytes } : null;
  } catch {
    return null;
  }
}

const nameOf = ({ familyName, weight, italic }: ListedFace) => `${familyName}, ${weight}${italic ? ' italic' : ''}`;

function listedFaces(bytes: Uint8Array): readonly ListedFace[] {
  try {
    const list: unknown = JSON.parse(new TextDecoder('utf-8').decode(bytes));
    return Array.isArray(list) ? list.slice(0, MOST_FACES).filter(isListed) : [];
  } catch {
    return [];
  }
}

function isListed(value: unknown): value is ListedFace {
  if (typeof value !== 'object' || value === null) return false;
  const { id, family, familyName, weight, italic, file, hash } = value as Record<string, unknown>;
  const isWord = (word: unknown, most: number) => typeof word === 'string' && word !== '' && word.length <= most;
  return (
    typeof family === 'string' &&
    /^own-[a-z0-9-]{1,56}$/.test(family) &&
    isWord(id, 80) &&
    isWord(familyName, 200) &&
    isWord(file, 300) &&
    typeof weight === 'number' &&
    typeof italic === 'boolean' &&
    (hash === undefined || (typeof hash === 'string' && /^[0-9a-f]{32}$/.test(hash)))
  );
}
