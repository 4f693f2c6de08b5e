// Findings of the running order: titles that are missing or too long, touches and references whose words are gone, folios
// that cannot be, index marks that say nothing.
import { outerStreams, type Book, type Division } from '../../model/copy/book';
import { holdersIn } from '../../model/copy/holders';
import type { ReferenceTable } from '../../model/composed/referenceTable';
import { roleFacts, roleName } from '../../model/copy/roles';
import { maybeSpotPattern } from '../../looks/spotPatterns';
import { headingWords, titleBlock } from '../../numbering/headWords';
import { printedDivisions } from '../pages/reaches';
import { placeless, type BookFacts, type BookHit, type BookRunner } from './bookFacts';

/** Characters of a title over which it is hard to list. */
const LONG_TITLE = 200;

/** One hit for each division whose heads are cut, on its first page where one is. */
export const cutHeads: BookRunner = ({ furnished }) => {
  const seen = new Set<string>();
  return furnished.cut.flatMap(({ page, at }): BookHit[] => {
    const key = `${page.division}:${at}`;
    if (seen.has(key)) return [];
    seen.add(key);
    const where = at === 'head' ? 'running head' : 'running foot';
    const message = `The ${where} is too long for its place and is cut: give the division or the book a short title.`;
    return [{ ...placeless(page.division), kind: 'head-too-long', page: page.index, message }];
  });
};

export const titles: BookRunner = (facts) => {
  const { book } = facts.compose;
  const firstPages = new Map<string, number>();
  for (const { division, index } of facts.furnished.pages)
    if (!firstPages.has(division)) firstPages.set(division, index);
  return printedDivisions(book).flatMap((division) => {
    const block = titleBlock(division, book.spec.styles)?.id ?? '';
    const place = { ...placeless(division.id), block, page: firstPages.get(division.id) ?? -1 };
    return ofTitle(division, facts).map((hit) => ({ ...place, ...hit }));
  });
};

function ofTitle(division: Division, { compose, references }: BookFacts): Pick<BookHit, 'kind' | 'message'>[] {
  const hits: Pick<BookHit, 'kind' | 'message'>[] = [];
  const { title, number } = headingWords(division, compose.book.spec.styles, compose.numbers);
  const isMade = roleFacts(division.role).made === true;
  if (division.listed && title === '' && number === '') {
    const message = `This ${roleFacts(division.role).name} has no title: it is listed in the contents and has nothing to say there.`;
    hits.push({ kind: 'title-empty', message });
  }
  if (title.length > LONG_TITLE) {
    const message = `The title has ${title.length} characters: too many to list or to repeat in a running head.`;
    hits.push({ kind: 'title-very-long', message });
  }
  const list = { contents: references.headings, figures: figuresOf(references), tables: tablesOf(references) };
  const entries = list[division.role as keyof typeof list] as readonly unknown[] | undefined;
  if (isMade && entries?.length === 0) {
    const message = `${roleName(division.role)}: there is nothing to list.`;
    hits.push({ kind: 'contents-empty', message });
  }
  return hits;
}

const figuresOf = ({ captions }: ReferenceTable) => captions.filter(({ kind }) => kind === 'figure');
const tablesOf = ({ captions }: ReferenceTable) => captions.filter(({ kind }) => kind === 'table');

export const lostTouches: BookRunner = ({ compose, touched }) => {
  const { pageTouches, anchors, divisions } = compose.book;
  return pageTouches
    .filter(({ id }) => (touched.places.get(id)?.page ?? -1) < 0)
    .map(({ id, anchor, madeOn }) => ({
      ...placeless(anchors[anchor]?.stream ?? divisions[0]?.id ?? ''),
      kind: 'touch-lost',
      message: `A page touch made on page ${madeOn + 1} has lost its words: it changes nothing any more.`,
      repairs: [{ kind: 'dropPageTouch', touch: id }],
    }));
};

export const goneTargets: BookRunner = ({ compose, references }) => {
  const hits: BookHit[] = [];
  for (const { stream, block, at, object } of objectsOf(compose.book)) {
    if (object.kind !== 'reference') continue;
    const page = references.sources[`${block}:${at}`] ?? -1;
    if (references.targets[object.target] !== undefined || !(`${block}:${at}` in references.sources)) continue;
    hits.push({
      ...{ stream, block, from: at, to: at + 1, page },
      kind: 'target-gone',
      message: 'A cross-reference goes to a heading that is gone: it is set as ?? until it is given another.',
      repairs: [{ kind: 'dropObject', stream, block, at }],
    });
  }
  return hits;
};

/** Spot rules that are kept from before and cannot be run. */
export const idleRules: BookRunner = ({ compose }) => {
  const { spec, divisions } = compose.book;
  return Object.entries(spec.styles).flatMap(([style, { name, spots = [] }]) =>
    spots
      .filter(({ pattern }) => maybeSpotPattern(pattern) === null)
      .map(({ pattern }): BookHit => ({
        ...placeless(divisions[0]?.id ?? ''),
        kind: 'spot-rule',
        message: `The spot rule “${pattern}” of ${name} looks around or refers back: it is kept, and sets nothing.`,
        repairs: [{ kind: 'dropSpotRule', style, pattern }],
      })),
  );
};

export const emptyMarks: BookRunner = ({ compose }) => {
  const hits: BookHit[] = [];
  for (const { stream, block, at, object } of objectsOf(compose.book))
    if (object.kind === 'index' && object.term.trim() === '')
      hits.push({
        ...{ stream, block, from: at, to: at + 1, page: -1 },
        kind: 'index-mark',
        message: 'An index mark has no term: it is not in the index.',
        repairs: [{ kind: 'dropObject', stream, block, at }],
      });
  return hits;
};

function* objectsOf(book: Book) {
  for (const { stream: own, blocks } of outerStreams(book))
    for (const outer of blocks)
      for (const { stream, block } of outer.kind === 'table' ? holdersIn(outer) : [{ stream: own, block: outer }])
        for (const object of block.objects) yield { stream, block: block.id, at: object.at, object };
}
