// A pull as parts that are stored once under the hash of what they say. Long divisions and notes are cut where the ids of their blocks say,
// so that a paragraph changed, put in or taken out makes another part of its own piece alone.
import { fingerprint, fnv1a } from '../core/base/hash';
import type { Division, Note } from '../core/model/copy/book';
import type { Figure } from '../core/model/copy/figures';
import type { Block } from '../core/model/copy/streams';

/** A division in a pull: its facts, and the hashes of its pieces in order. */
export interface PullDivision {
  readonly facts: Omit<Division, 'blocks'>;
  readonly pieces: readonly string[];
}

/** One end of a piece in so many ids, and the most that a piece holds. */
const ENDS = 16;
const MOST = 64;

/** Pieces of a list; each ends after an element whose id falls on an end, wherever in the list that stands. */
function pieces<T extends { readonly id: string }>(list: readonly T[]): T[][] {
  const made: T[][] = [[]];
  for (const element of list) {
    const last = made[made.length - 1];
    last.push(element);
    if (fnv1a(element.id) % ENDS === 0 || last.length === MOST) made.push([]);
  }
  return made.filter((piece) => piece.length > 0);
}

/** Gathers parts by hash. */
export class PartSet {
  readonly parts = new Map<string, unknown>();

  add(value: unknown): string {
    const hash = fingerprint(JSON.stringify(value));
    this.parts.set(hash, value);
    return hash;
  }

  division({ blocks, ...facts }: Division): PullDivision {
    return { facts, pieces: pieces(blocks).map((piece) => this.add(piece)) };
  }

  /** Hashes of notes or figures, by their ids in order. */
  records(records: Readonly<Record<string, Note | Figure>>): string[] {
    const inOrder = Object.values(records).sort((a, b) => Number(a.id.slice(1)) - Number(b.id.slice(1)));
    return pieces(inOrder).map((piece) => this.add(piece));
  }
}

export function divisionOf({ facts, pieces: hashes }: PullDivision, part: (hash: string) => unknown): Division {
  return { ...facts, blocks: hashes.flatMap((hash) => (part(hash) as Block[] | undefined) ?? []) };
}

export const recordsOf = <T extends Note | Figure>(
  hashes: readonly string[],
  part: (hash: string) => unknown,
): Record<string, T> =>
  Object.fromEntries(hashes.flatMap((hash) => ((part(hash) as T[] | undefined) ?? []).map((one) => [one.id, one])));
