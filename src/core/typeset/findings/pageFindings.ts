// Findings of the page search: what had to give, where, and for what reason.
import type { Division } from '../../model/copy/book';
import type { Finding, FindingGrade, FindingKind } from '../../model/answers/finding';
import type { AssembledBook, DivisionPage, Give, GiveKind, Reason } from '../../paginate';

interface Wording {
  readonly kind: FindingKind;
  readonly grade: FindingGrade;
  readonly message: string;
}

const lines = (give: Give) => `${Number(give.lines.toFixed(1))} ${give.lines === 1 ? 'line' : 'lines'}`;

/** What each give is called, how grave it is, and its sentence. */
const WORDINGS: Readonly<Record<GiveKind, (give: Give) => Wording>> = {
  orphan: () => ({
    kind: 'orphan',
    grade: 'must',
    message: 'A paragraph’s first line stands alone at the foot of the page.',
  }),
  widow: () => ({
    kind: 'widow',
    grade: 'must',
    message: 'A paragraph’s last line stands alone at the head of the next page.',
  }),
  'short-widow': () => ({
    kind: 'widow',
    grade: 'must',
    message: 'A paragraph’s last line, a short one, stands alone at the head of the next page.',
  }),
  'stranded-head': () => ({
    kind: 'stranded-head',
    grade: 'must',
    message: 'A head stands at the foot of the page without two lines after it.',
  }),
  'break-at-top': () => ({
    kind: 'break-at-page-top',
    grade: 'should',
    message: 'A space break falls at the head of the next page.',
  }),
  parted: () => ({
    kind: 'parted',
    grade: 'should',
    message: 'Lines that stand together are parted by the end of the page.',
  }),
  'two-after-head': () => ({
    kind: 'head-low',
    grade: 'look',
    message: 'Two lines follow a head at the foot of the page, one less than wished.',
  }),
  'line-by-break': () => ({
    kind: 'line-by-break',
    grade: 'look',
    message: 'A single line stands between a space break and the edge of the page.',
  }),
  unweighed: () => ({
    kind: 'unweighed',
    grade: 'look',
    message:
      'Pages could end in more ways inside this paragraph than are weighed: the best of the likely ones was taken.',
  }),
  uneven: (give) => ({
    kind: 'uneven-pages',
    grade: 'should',
    message: `The page ends ${lines(give)} above its foot line: nothing else on it could give.`,
  }),
  'spread-short': () => ({
    kind: 'spread-depth',
    grade: 'look',
    message: 'The spread runs one line short.',
  }),
  'spread-long': () => ({
    kind: 'spread-depth',
    grade: 'look',
    message: 'The spread runs one line long.',
  }),
  'line-shorter': () => ({
    kind: 'line-count',
    grade: 'look',
    message: 'The paragraph runs one line shorter than its best setting.',
  }),
  'line-longer': () => ({
    kind: 'line-count',
    grade: 'look',
    message: 'The paragraph runs one line longer than its best setting.',
  }),
  'space-given': (give) => ({
    kind: 'space-given',
    grade: 'look',
    message: `The space above is ${Math.abs(give.lines) === 0.5 ? 'half a line' : lines({ ...give, lines: Math.abs(give.lines) })} ${give.lines < 0 ? 'less' : 'more'} than wished.`,
  }),
  'hyphen-over-recto': () => ({
    kind: 'hyphen-over-recto',
    grade: 'must',
    message: 'A word is divided over the end of a right-hand page.',
  }),
  'short-last-page': (give) => ({
    kind: 'short-last-page',
    grade: 'should',
    message: `The chapter’s last page holds only ${lines(give)}.`,
  }),
  'note-divided': () => ({
    kind: 'note-divided',
    grade: 'look',
    message: 'A note goes on at the foot of the next page.',
  }),
  'note-late': () => ({
    kind: 'note-late',
    grade: 'must',
    message: 'A note begins after the page of its reference: that page has no room for it.',
  }),
  'margin-note-late': () => ({
    kind: 'note-late',
    grade: 'should',
    message: 'The margin cannot hold the notes of this page: they go on beside the next.',
  }),
};

/** Findings of all divisions in page order. */
export function pageFindings(
  divisions: readonly { readonly division: Division; readonly pages: readonly DivisionPage[] }[],
  assembled: AssembledBook,
): Finding[] {
  const findings: Finding[] = [];
  for (const { division, pages } of divisions) {
    const first = assembled.firstPages.get(division.id) ?? 0;
    pages.forEach((page, index) => {
      if (page.gives.length === 0 && page.role !== 'display' && !page.headTooDeep) return;
      const place = { stream: division.id, block: '', page: first + index };
      for (const give of page.gives) {
        const { message, ...wording } = WORDINGS[give.kind](give);
        findings.push({ ...place, ...wording, block: give.paragraph.styled.block, message: message + because(give) });
      }
      if (page.role === 'display' && index > 0) {
        const message = 'The words of this display page did not fit on one page.';
        findings.push({ ...place, kind: 'display-page-overflow', grade: 'should', message });
      }
      if (page.headTooDeep) {
        const message = 'The title is so deep that the text begins below its text start.';
        findings.push({ ...place, kind: 'title-below-text-start', grade: 'should', message });
      }
    });
  }
  return findings;
}

const FAULT_WORDS: Readonly<Record<Reason['fault'], string>> = {
  orphan: 'a first line alone at its foot',
  widow: 'a last line alone at the head of the next',
  'short-widow': 'a short last line alone at the head of the next',
  'stranded-head': 'a head without two lines after it',
  'break-at-top': 'a space break at the head of the next',
  parted: 'lines parted that stand together',
  'two-after-head': 'two lines after a head',
  'line-by-break': 'a single line beside a space break',
  uneven: 'white at its foot',
  'hyphen-over-recto': 'a word divided over it',
  'short-last-page': 'too few lines on it, the chapter’s last',
};

/** What the pages would have come to without it. */
function because({ reason }: Give): string {
  if (reason === undefined) return '';
  const where = reason.after === 0 ? 'this page' : reason.after === 1 ? 'the next page' : `the page ${reason.after} on`;
  return ` Without it ${where} would end with ${FAULT_WORDS[reason.fault]}.`.replace(
    'would end with too few lines',
    'would have too few lines',
  );
}
