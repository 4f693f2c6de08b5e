// Pages of a division with figures beside its text. They are first taken to stand on rectos and at their places; the pages tell where they do, and
// the text is set anew by that: a figure with no room at its place begins so much later that it stands at the head of the next page, and the text
// before it fills its page.
import type { Division } from '../../model/copy/book';
import type { PageGeometry, PageSide } from '../../model/composed/pages';
import type { DivisionPage, FilledRegion, Flow, HungFigure, PaginateMemory, Stretch } from '../../paginate';
import type { ComposeContext } from '../flow/composeContext';
import type { ComposedFlow } from '../flow/composeDivision';
import { NO_STANDS, type Stand, type Stands } from '../flow/wrapText';
import { paginateCached } from './paginateCached';

/** Times that text is set anew by where its figures stand; they mostly stay after two. */
const MOST_TURNS = 5;
/** White lines before a figure that went to the next page, from which it is made to begin there. */
const WHITE = 2;
const SLACK = 1e-3;

export function* paginateStanding(
  division: Division,
  flow: ComposedFlow,
  compose: ComposeContext,
  geometry: PageGeometry,
  side: PageSide,
): Generator<void, readonly DivisionPage[]> {
  let made = yield* paginateCached(division.id, division, flow, compose, geometry, side);
  if (flow.standing === undefined) return made.pages;
  let stands = NO_STANDS;
  for (let turn = 1; turn <= MOST_TURNS; turn += 1) {
    const found = standsIn(made.memory, stands, side);
    if (found === null) break;
    stands = found;
    const standing = { ...flow, text: flow.standing(stands) };
    made = yield* paginateCached(`${division.id} ${turn}`, division, standing, compose, geometry, side);
  }
  return made.pages;
}

/** Where figures stand on pages; null where they stand as they were taken to. `first`: side of the first page. */
function standsIn(memory: PaginateMemory | undefined, before: Stands, first: PageSide): Stands | null {
  const stands = new Map<string, Stand>();
  let earlier: FilledRegion | undefined;
  for (const [index, { regions, flow }] of (memory?.pages ?? []).entries()) {
    const side = (index % 2 === 0) === (first === 'recto') ? 'recto' : 'verso';
    for (const region of regions) {
      for (const [k, stretch] of region.stretches.entries())
        for (const hung of hungIn(stretch, flow)) {
          const { block } = hung.figure.paragraph.styled;
          const known = before.get(block)?.moved ?? 0;
          // One that could not begin as late as it was to goes no further.
          const isStuck = hung.moved < known;
          const more = earlier === undefined || isStuck ? 0 : linesFree(region, k, hung.line, flow, earlier);
          stands.set(block, { side, moved: known + (more >= WHITE ? more : 0) });
        }
      earlier = region;
    }
  }
  return sameStands(stands, before) ? null : stands;
}

const hungIn = ({ item, from, to }: Stretch, { items }: Flow): readonly HungFigure[] =>
  (items[item].source.hung ?? []).filter(({ line }) => line >= from && line < to);

/** Whole lines that would have fitted before a figure at the head of a region in the one before; 0 for one that has text above it. */
function linesFree(
  { stretches, floatFrom, floatTo }: FilledRegion,
  k: number,
  line: number,
  { items, floats }: Flow,
  earlier: FilledRegion,
): number {
  const { from, start, item } = stretches[k];
  const isFirst =
    line === from && stretches.slice(0, k).every((one) => items[one.item].source.paragraph.styled.style.withNext);
  if (!isFirst) return 0;
  // A space that stands between them, which a head of a page has not.
  const gap = from === 0 && k === 0 ? items[item].source.gap : 0;
  const figures = floats.slice(floatFrom, floatTo).reduce((sum, { height }) => sum + height, 0);
  return Math.max(0, Math.floor(earlier.white - (start - figures) - gap + SLACK));
}

function sameStands(a: Stands, b: Stands): boolean {
  return (
    a.size === b.size && [...a].every(([id, { side, moved }]) => b.get(id)?.side === side && b.get(id)?.moved === moved)
  );
}
