// Page touches: the visible, listed, undoable exceptions on single pages. Each follows the words on which it was made.
import type { FolioRun } from '../spec/numbering';
import type { AnchorId } from './anchors';

export interface PageTouch {
  readonly id: string;
  /** The page is the one on which the place of this anchor stands. */
  readonly anchor: AnchorId;
  /** The touch holds up to the page on which the place of this anchor stands; absent: on one page. */
  readonly through?: AnchorId;
  readonly hideHead?: boolean;
  readonly hideFoot?: boolean;
  /** Another set of furniture. */
  readonly furniture?: string;
  /** A folio run that begins on the page. */
  readonly run?: FolioRun;
  /** Index of the page when the touch was made, from 0. */
  readonly madeOn: number;
}
