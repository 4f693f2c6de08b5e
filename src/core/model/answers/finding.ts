// What the proof reader found: its place, its grade, and the facts in words.
import type { BlockId, StreamId } from '../copy/streams';

export type FindingGrade = 'must' | 'should' | 'look';

export type FindingKind =
  | 'missing-character'
  | 'overfull-line'
  | 'loose-line'
  | 'widow'
  | 'orphan'
  | 'stranded-head'
  | 'break-at-page-top'
  | 'parted'
  | 'head-low'
  | 'line-by-break'
  | 'uneven-pages'
  | 'spread-depth'
  | 'line-count'
  | 'space-given'
  | 'hyphen-over-recto'
  | 'short-last-page'
  | 'ladder'
  | 'stacked-words'
  | 'short-last-line'
  | 'marks-running'
  | 'river'
  | 'unpaired-quote'
  | 'picture-missing'
  | 'picture-not-printed'
  | 'picture-coarse'
  | 'picture-without-words'
  | 'leading-replaced'
  | 'face-missing'
  | 'small-capitals-scaled'
  | 'title-below-text-start'
  | 'display-page-overflow'
  | 'head-too-long'
  | 'touch-lost'
  | 'target-gone'
  | 'title-empty'
  | 'title-very-long'
  | 'index-mark'
  | 'contents-empty'
  | 'note-divided'
  | 'note-late'
  | 'note-empty'
  | 'note-without-reference'
  | 'note-kind-gone'
  | 'notes-nowhere'
  | 'notes-alike'
  | 'spot-rule'
  | 'unweighed'
  | 'off-page'
  | 'unsettled'
  | 'text-area-too-small';

export interface Finding {
  readonly kind: FindingKind;
  readonly grade: FindingGrade;
  readonly stream: StreamId;
  readonly block: BlockId;
  /** Page index from 0, or -1 when it has no page. */
  readonly page: number;
  /** One sentence for the person. */
  readonly message: string;
}
