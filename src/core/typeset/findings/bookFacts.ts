// What the checks of the whole book may look at, and how they tell what they found.
import type { Hit } from '../../model/checks/finding';
import type { StreamId } from '../../model/copy/streams';
import type { NotePlaces, ReferenceTable } from '../../model/composed/referenceTable';
import type { ComposeContext } from '../flow/composeContext';
import type { FurnishedBook } from '../pages/furnish';
import type { TouchedPages } from '../pages/pageTouches';

export interface BookFacts {
  readonly compose: ComposeContext;
  readonly furnished: FurnishedBook;
  readonly references: ReferenceTable;
  readonly touched: TouchedPages;
  /** The pages of all references to notes. */
  readonly notes: NotePlaces;
  /** Whether page numbers and the text that repeats them came to rest. */
  readonly isSettled: boolean;
}

/** A hit with its page, -1 when it has none. */
export interface BookHit extends Hit {
  readonly page: number;
}

export type BookRunner = (facts: BookFacts) => BookHit[];

/** A stream as a whole, on no page. */
export const placeless = (stream: StreamId) => ({ stream, block: '', from: 0, to: 0, page: -1 });
