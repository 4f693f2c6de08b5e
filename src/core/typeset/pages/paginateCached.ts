// Pages of divisions kept from the last time.
import { openerKind, openerSettings } from '../../copy/openers';
import type { Division } from '../../model/copy/book';
import type { PageGeometry, PageSide } from '../../model/composed/pages';
import { paginateDivision, type DivisionFlow } from '../../paginate';
import type { ComposeContext } from '../flow/composeContext';
import { sameParts } from '../../base/remembered';
import type { DivisionEntry } from '../stageCache';
import { wordsIn } from './wordsIn';

/** Pages of a division, made again only when a paragraph of it, the page or the side on which it begins changed. `key`: under which they are kept. */
export function* paginateCached(
  key: string,
  division: Division,
  flow: DivisionFlow,
  compose: ComposeContext,
  geometry: PageGeometry,
  side: PageSide,
): Generator<void, DivisionEntry> {
  const { spec: ofBook } = compose.book;
  const { pages: spec } = ofBook;
  const kind = openerKind(ofBook, division, wordsIn(division.blocks, compose.context));
  const { sink: ofKind, textStart: ofText } = openerSettings(ofBook, kind);
  const sink = division.sink ?? ofKind;
  // A sink of its own moves the text start with it.
  const textStart = Math.max(1, ofText + sink - ofKind);
  const opener = { sink, textStart };
  const { cache } = compose.context;
  const { width, height, measure, head, leading, capHeight, lines, columns } = geometry;
  const page = [
    width,
    height,
    measure,
    head,
    leading,
    capHeight,
    lines,
    ...columns.flatMap((one) => [one.x, one.width]),
  ];
  const parts = [
    flow.role,
    flow.placing,
    flow.headEdge,
    flow.notes?.stand,
    flow.notes?.space,
    flow.margin?.width,
    side,
    sink,
    textStart,
    spec,
    ...page,
    ...flow.head,
    ...flow.text,
  ];
  const known = cache.tables.divisions.get(key);
  if (known !== undefined && sameParts(known.parts, parts)) return known;
  const made = yield* paginateDivision(flow, geometry, opener, spec, side, known?.memory);
  cache.pagedCount += 1;
  cache.visitedCount += made.memory?.fill.visited ?? flow.text.length;
  const entry = { parts, ...made };
  cache.tables.divisions.set(key, entry);
  return entry;
}
