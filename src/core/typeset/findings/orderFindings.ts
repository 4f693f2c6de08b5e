// Findings of the running order: titles that are missing or too long, touches and references whose words are gone, folios
// that cannot be, index marks that say nothing.
import type { Book, Division } from '../../model/copy/book';
import type { Finding } from '../../model/answers/finding';
import type { ReferenceTable } from '../../model/composed/referenceTable';
import { roleFacts, roleName } from '../../model/copy/roles';
import { maybeSpotPattern } from '../../looks/spotPatterns';
import { headingWords, titleBlock } from '../../numbering/headWords';
import type { ComposeContext } from '../flow/composeContext';
import type { FurnishedBook } from '../pages/furnish';
import type { TouchedPages } from '../pages/pageTouches';
import { printedDivisions } from '../pages/reaches';

/** Characters of a title over which it is hard to list. */
const LONG_TITLE = 200;

export function orderFindings(
  book: Book,
  compose: ComposeContext,
  furnished: FurnishedBook,
  references: ReferenceTable,
  touched: TouchedPages,
): Finding[] {
  const firstPages = new Map<string, number>();
  for (const { division, index } of furnished.pages) if (!firstPages.has(division)) firstPages.set(division, index);
  const at = (division: Division, block = ''): Pick<Finding, 'stream' | 'block' | 'page'> => ({
    stream: division.id,
    block: block || (titleBlock(division, book.spec.styles)?.id ?? ''),
    page: firstPages.get(division.id) ?? -1,
  });
  return [
    ...cutHeads(furnished),
    ...printedDivisions(book).flatMap((division) => titleFindings(division, at(division), compose, references)),
    ...lostTouches(book, touched),
    ...goneTargets(book, references),
    ...emptyMarks(book),
    ...idleRules(book),
  ];
}

/** One finding for each division whose heads are cut, on its first page where one is. */
function cutHeads({ cut }: FurnishedBook): Finding[] {
  const seen = new Set<string>();
  return cut.flatMap(({ page, at }) => {
    const key = `${page.division}:${at}`;
    if (seen.has(key)) return [];
    seen.add(key);
    const where = at === 'head' ? 'running head' : 'running foot';
    const message = `The ${where} is too long for its place and is cut: give the division or the book a short title.`;
    return [{ kind: 'head-too-long', grade: 'should', stream: page.division, block: '', page: page.index, message }];
  });
}

function titleFindings(
  division: Division,
  place: Pick<Finding, 'stream' | 'block' | 'page'>,
  { numbers, book }: ComposeContext,
  references: ReferenceTable,
): Finding[] {
  const found: Finding[] = [];
  const { title, number } = headingWords(division, book.spec.styles, numbers);
  const isMade = roleFacts(division.role).made === true;
  if (division.listed && title === '' && number === '') {
    const message = `This ${roleFacts(division.role).name} has no title: it is listed in the contents and has nothing to say there.`;
    found.push({ ...place, kind: 'title-empty', grade: 'should', message });
  }
  if (title.length > LONG_TITLE) {
    const message = `The title has ${title.length} characters: too many to list or to repeat in a running head.`;
    found.push({ ...place, kind: 'title-very-long', grade: 'look', message });
  }
  const list = { contents: references.headings, figures: figuresOf(references), tables: tablesOf(references) };
  const own = list[division.role as keyof typeof list] as readonly unknown[] | undefined;
  if (isMade && own?.length === 0) {
    const message = `${roleName(division.role)}: there is nothing to list.`;
    found.push({ ...place, kind: 'contents-empty', grade: 'should', message });
  }
  return found;
}

const figuresOf = ({ captions }: ReferenceTable) => captions.filter(({ kind }) => kind === 'figure');
const tablesOf = ({ captions }: ReferenceTable) => captions.filter(({ kind }) => kind === 'table');

function lostTouches({ pageTouches, anchors, divisions }: Book, { places }: TouchedPages): Finding[] {
  return pageTouches.flatMap((touch) => {
    if ((places.get(touch.id) ?? -1) >= 0) return [];
    const message = `A page touch made on page ${touch.madeOn + 1} has lost its words: it changes nothing any more.`;
    return [
      {
        kind: 'touch-lost' as const,
        grade: 'look' as const,
        stream: anchors[touch.anchor]?.stream ?? divisions[0]?.id ?? '',
        block: '',
        page: -1,
        message,
      },
    ];
  });
}

function goneTargets(book: Book, references: ReferenceTable): Finding[] {
  const found: Finding[] = [];
  for (const { id, block, at, target } of referencesOf(book)) {
    const page = references.sources[`${block}:${at}`] ?? -1;
    if (references.targets[target] !== undefined || !(`${block}:${at}` in references.sources)) continue;
    const message = 'A cross-reference goes to a heading that is gone: it is set as ?? until it is given another.';
    found.push({ kind: 'target-gone', grade: 'must', stream: id, block, page, message });
  }
  return found;
}

/** Spot rules that are kept from before and cannot be run. */
function idleRules({ spec, divisions }: Book): Finding[] {
  return Object.values(spec.styles).flatMap(({ name, spots = [] }) =>
    spots
      .filter(({ pattern }) => maybeSpotPattern(pattern) === null)
      .map(({ pattern }) => ({
        kind: 'spot-rule' as const,
        grade: 'should' as const,
        stream: divisions[0]?.id ?? '',
        block: '',
        page: -1,
        message: `The spot rule “${pattern}” of ${name} looks around or refers back: it is kept, and sets nothing.`,
      })),
  );
}

function* referencesOf({ divisions, notes }: Book) {
  for (const { id, blocks } of [...divisions, ...Object.values(notes)])
    for (const block of blocks) {
      if (block.kind !== 'paragraph') continue;
      for (const object of block.objects)
        if (object.kind === 'reference') yield { id, block: block.id, at: object.at, target: object.target };
    }
}

function emptyMarks({ divisions }: Book): Finding[] {
  return divisions.flatMap(({ id, blocks }) =>
    blocks.flatMap((block) =>
      block.kind === 'paragraph' && block.objects.some((object) => object.kind === 'index' && object.term.trim() === '')
        ? [
            {
              kind: 'index-mark' as const,
              grade: 'should' as const,
              stream: id,
              block: block.id,
              page: -1,
              message: 'An index mark has no term: it is not in the index.',
            },
          ]
        : [],
    ),
  );
}
