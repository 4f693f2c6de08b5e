// What the proof reader found: its place, its grade, and the facts in words.
import type { BlockId, StreamId } from '../copy/streams';
import type { FindingGrade, FindingKind } from './checks';
import type { Repair } from './repairs';

/** Where in the copy a finding stands. */
export interface FindingPlace {
  readonly stream: StreamId;
  /** Empty: the stream as a whole. */
  readonly block: BlockId;
  /** UTF-16 offsets into the text of the block; both 0: the block as a whole. */
  readonly from: number;
  readonly to: number;
}

/** What a check found, before it is known on which page. */
export interface Hit extends FindingPlace {
  readonly kind: FindingKind;
  /** Absent: the grade of its kind. */
  readonly grade?: FindingGrade;
  /** One sentence for the person. */
  readonly message: string;
  /** Any of these takes the finding away; the likeliest first. */
  readonly repairs?: readonly Repair[];
}

export interface Finding extends Hit {
  readonly grade: FindingGrade;
  /** Page index from 0, or -1 when it has no page. */
  readonly page: number;
}
