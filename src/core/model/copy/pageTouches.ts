// Page touches: the visible, listed, undoable exceptions on single pages. Each follows the words on which it was made.
import type { FolioRun } from '../spec/numbering';
import type { BlockId, StreamId } from './streams';

export interface PageTouch {
  readonly id: string;
  /** The page is the one on which this place of the text stands. */
  readonly stream: StreamId;
  readonly block: BlockId;
  readonly offset: number;
  readonly hideHead?: boolean;
  readonly hideFoot?: boolean;
  /** Another set of furniture. */
  readonly furniture?: string;
  /** A folio run that begins on the page. */
  readonly run?: FolioRun;
  /** Index of the page when the touch was made, from 0. */
  readonly madeOn: number;
}
