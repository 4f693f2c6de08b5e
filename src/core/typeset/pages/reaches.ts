// Reaches: a division that begins a page with those that go on where it ends. The page search works on one reach at a time.
import type { Book, Division } from '../../model/copy/book';
import type { ReferenceTable } from '../../model/composed/referenceTable';
import { joinsPage } from '../../paginate';
import type { ComposeContext } from '../flow/composeContext';
import { composeDivision, type ComposedFlow } from '../flow/composeDivision';
import type { Stands } from '../flow/wrapText';

export interface Reach {
  readonly division: Division;
  readonly followers: readonly Division[];
  /** The division before it; undefined for the first of the book. */
  readonly before: Division | undefined;
}

/** The divisions of the printed book, in order. */
export const printedDivisions = ({ divisions }: Pick<Book, 'divisions'>): readonly Division[] =>
  divisions.some(({ notInPrint }) => notInPrint) ? divisions.filter(({ notInPrint }) => !notInPrint) : divisions;

export function reachesOf(divisions: readonly Division[]): Reach[] {
  const reaches: { division: Division; followers: Division[]; before: Division | undefined }[] = [];
  divisions.forEach((division, index) => {
    const before = divisions[index - 1];
    if (joinsPage(division, before)) reaches[reaches.length - 1].followers.push(division);
    else reaches.push({ division, followers: [], before });
  });
  return reaches;
}

/** The paragraphs of a reach as one flow. */
export function* composeReach(
  { division, followers }: Reach,
  compose: ComposeContext,
  references: ReferenceTable,
): Generator<void, ComposedFlow> {
  const flow = yield* composeDivision(division, compose, references);
  if (followers.length === 0) return flow;
  const flows = [flow];
  for (const follower of followers) flows.push(yield* composeDivision(follower, compose, references, true));
  const text = flows.flatMap((one) => one.text);
  if (flows.every(({ standing }) => standing === undefined)) return { ...flow, text };
  const standing = (stands: Stands) => flows.flatMap((one) => one.standing?.(stands) ?? one.text);
  return { ...flow, text, standing };
}
