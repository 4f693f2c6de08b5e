// Rows of tables in a rich text file: which are heads, and which cells are merged (RTF 1.9.1, Table Definitions).
import type { Block } from '../../model/copy/streams';
import type { IncomingCell, IncomingRow } from '../incomingTable';

/** What stands before the right edge of a cell: whether it goes on across or down from the one before it. */
export interface CellFacts {
  readonly across?: boolean;
  readonly down?: boolean;
}

export interface RowFacts {
  cells: CellFacts[];
  next: CellFacts;
  isHead: boolean;
}

export const newRowFacts = (): RowFacts => ({ cells: [], next: {}, isHead: false });

/** Takes a control word of the definition of a row; false for any other. */
export function takeRowWord(facts: RowFacts, word: string): boolean {
  switch (word) {
    case 'trowd':
      Object.assign(facts, newRowFacts());
      return true;
    case 'trhdr':
      facts.isHead = true;
      return true;
    case 'clmrg':
      facts.next = { ...facts.next, across: true };
      return true;
    case 'clvmrg':
      facts.next = { ...facts.next, down: true };
      return true;
    case 'cellx':
      facts.cells.push(facts.next);
      facts.next = {};
      return true;
    default:
      return false;
  }
}

/** The cells of a row as they were read, those that are merged into the one before them left out. */
export function rowOf(cells: readonly (readonly Block[])[], { cells: facts, isHead }: RowFacts): IncomingRow {
  const made: { -readonly [K in keyof IncomingCell]: IncomingCell[K] }[] = [];
  cells.forEach((blocks, k) => {
    const last = made[made.length - 1];
    if (facts[k]?.across && last !== undefined) last.across = (last.across ?? 1) + 1;
    else made.push({ blocks, ...(facts[k]?.down ? { goesOn: true } : {}) });
  });
  return { cells: made, ...(isHead ? { kind: 'head' } : {}) };
}
