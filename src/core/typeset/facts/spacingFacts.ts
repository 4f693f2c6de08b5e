// Counts, over the composed book, of what each rule of spacing and breaks decided.
import { editionOf } from '../../copy/editionOf';
import { flatBook } from '../../copy/figures/flatBook';
import { LINE_END } from '../../model/composed/broken';
import type { ComposedParagraph, TypesetBook } from '../../model/composed/pages';
import { SPACE_STEP, type SpacingFacts } from '../../model/answers/spacingFacts';
import type { Book } from '../../model/copy/book';
import { findTies } from '../../linebreak';
import { asTypedStretches } from '../../looks/asTyped';
import { filledSpace } from '../../proof/quality/spacing';
import { houseMarks } from '../../looks/houseMarks';
import { resolveStyles } from '../../styles';
import { spaceOfFamily, type TypesetContext } from '../context';

/** Bins of the histogram: up to 0.60 em. */
const BINS = 61;
/** Share of the measure under which a ragged line is short (house rules, section 3). */
const SHORT = 0.7;

export function spacingFacts(book: Book, composed: Pick<TypesetBook, 'pages'>, context: TypesetContext): SpacingFacts {
  const { spec, particulars } = book;
  const space = (family: string) => spaceOfFamily(context, family);
  const text = resolveStyles(spec, particulars.language, space, context.interner).get('TX')!;
  const counts = { ...NOTHING };
  const histogram = new Array<number>(BINS).fill(0);
  const seen = new Set<string>();
  for (const page of composed.pages)
    for (const { paragraph, from, to } of [...page.fragments, ...page.notes]) {
      const { stream, block } = paragraph.styled;
      if (from === 0 && to < paragraph.broken.count) counts.divided += 1;
      if (seen.has(`${stream} ${block}`)) continue;
      seen.add(`${stream} ${block}`);
      countLines(paragraph, counts, histogram);
    }
  for (const division of flatBook(editionOf(book, 'print')).divisions)
    for (const block of division.blocks) {
      if (block.kind !== 'paragraph') continue;
      counts.marks += houseMarks(
        block.text,
        spec.marks.set,
        particulars.language,
        asTypedStretches(block, spec),
      ).edits.length;
      const entry = context.cache.tables.paragraphs.get(block);
      const placed = entry && placedCount(composed, block.stream ?? division.id, block.id);
      if (entry === undefined || placed === undefined) continue;
      if (placed < entry.composed.broken.count) counts.shorter += 1;
      else if (placed > entry.composed.broken.count) counts.longer += 1;
    }
  const depths = (depth: -1 | 1) => Math.ceil(composed.pages.filter((page) => page.depth === depth).length / 2);
  const { sum, ...rest } = counts;
  return {
    ...rest,
    histogram,
    mean: sum / Math.max(1, counts.lines),
    limits: text.wordSpace,
    looseOver: text.looseOver,
    shortSpreads: depths(-1),
    longSpreads: depths(1),
    nearChapterEnds: nearEnds(composed, spec.pages.chapterEnd),
  };
}

const NOTHING = {
  lines: 0,
  sum: 0,
  looseLines: 0,
  hyphenated: 0,
  hyphenPairs: 0,
  ragged: 0,
  shortRagged: 0,
  ties: 0,
  marks: 0,
  shorter: 0,
  longer: 0,
  divided: 0,
};

/** Adds the lines of a paragraph: hyphens of all, spaces of those that are justified, depths of rags. */
function countLines(paragraph: ComposedParagraph, counts: typeof NOTHING, histogram: number[]): void {
  const { styled, broken } = paragraph;
  const { style } = styled;
  if (style.ties) counts.ties += findTies(styled.text, style.language, style.liftedTies).length;
  for (let line = 0; line < broken.count; line += 1) {
    const end = broken.end[line];
    if (end === LINE_END.hyphen) {
      counts.hyphenated += 1;
      if (line > 0 && broken.end[line - 1] === LINE_END.hyphen) counts.hyphenPairs += 1;
    }
    if (end === LINE_END.last || end === LINE_END.forced || style.meaning !== 'body') continue;
    if (style.align === 'justify' && broken.spaceCount[line] > 0) {
      const em = filledSpace({ paragraph, line });
      counts.lines += 1;
      counts.sum += em;
      histogram[Math.min(BINS - 1, Math.max(0, Math.round(em / SPACE_STEP)))] += 1;
      if (em > style.looseOver + 1e-4) counts.looseLines += 1;
    } else if (style.align !== 'justify') {
      counts.ragged += 1;
      if (broken.textWidth[line] < SHORT * broken.width[line]) counts.shortRagged += 1;
    }
  }
}

const placedCounts = new WeakMap<object, ReadonlyMap<string, number>>();

/** Lines of a paragraph as it stands on its pages; undefined when it stands on none. */
function placedCount(composed: Pick<TypesetBook, 'pages'>, stream: string, block: string): number | undefined {
  let known = placedCounts.get(composed.pages);
  if (known === undefined) {
    const made = new Map<string, number>();
    for (const page of composed.pages)
      for (const { paragraph } of page.fragments)
        made.set(`${paragraph.styled.stream} ${paragraph.styled.block}`, paragraph.broken.count);
    placedCounts.set(composed.pages, (known = made));
  }
  return known.get(`${stream} ${block}`);
}

/** Divisions whose last page holds no more than two lines over the least. */
function nearEnds({ pages }: Pick<TypesetBook, 'pages'>, least: number): number {
  let count = 0;
  pages.forEach((page, index) => {
    const isLast = page.role === 'text' && pages[index + 1]?.division !== page.division;
    const lines = page.fragments.reduce((sum, { from, to }) => sum + to - from, 0);
    if (isLast && lines <= least + 2) count += 1;
  });
  return count;
}
