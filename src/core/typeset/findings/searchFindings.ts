// Findings of the page search: what had to give, where, and for what reason.
import type { Hit } from '../../model/checks/finding';
import type { StreamId } from '../../model/copy/streams';
import { onParagraph } from '../../proof';
import type { DivisionPage, Give, GiveKind, Reason } from '../../paginate';

type Wording = Pick<Hit, 'kind' | 'grade' | 'message'>;

const lines = (give: Give) => `${Number(give.lines.toFixed(1))} ${give.lines === 1 ? 'line' : 'lines'}`;

/** What each give is called, its sentence, and how grave it is where that is not as its kind. */
const WORDINGS: Readonly<Record<GiveKind, (give: Give) => Wording>> = {
  orphan: () => ({
    kind: 'orphan',
    message: 'A paragraph’s first line stands alone at the foot of the page.',
  }),
  widow: () => ({
    kind: 'widow',
    message: 'A paragraph’s last line stands alone at the head of the next page.',
  }),
  'short-widow': () => ({
    kind: 'widow',
    message: 'A paragraph’s last line, a short one, stands alone at the head of the next page.',
  }),
  'stranded-head': () => ({
    kind: 'stranded-head',
    message: 'A head stands at the foot of the page without two lines after it.',
  }),
  'break-at-top': () => ({
    kind: 'break-at-page-top',
    message: 'A scene break falls at the head of the next page.',
  }),
  parted: () => ({
    kind: 'parted',
    message: 'Lines that are kept together are separated by the end of the page.',
  }),
  'two-after-head': () => ({
    kind: 'head-low',
    message: 'Two lines follow a head at the foot of the page, one less than wished.',
  }),
  'line-by-break': () => ({
    kind: 'line-by-break',
    message: 'A single line stands between a scene break and the edge of the page.',
  }),
  unweighed: () => ({
    kind: 'pages-unweighed',
    message:
      'Pages could end in more ways inside this paragraph than are weighed: the best of the likely ones was taken.',
  }),
  uneven: (give) => ({
    kind: 'uneven-pages',
    message: `The page ends ${lines(give)} above its foot line: nothing else on it could give.`,
  }),
  'spread-short': () => ({
    kind: 'spread-depth',
    message: 'The spread runs one line short.',
  }),
  'spread-long': () => ({
    kind: 'spread-depth',
    message: 'The spread runs one line long.',
  }),
  'line-shorter': () => ({
    kind: 'line-count',
    message: 'The paragraph runs one line shorter than its best setting.',
  }),
  'line-longer': () => ({
    kind: 'line-count',
    message: 'The paragraph runs one line longer than its best setting.',
  }),
  'space-given': (give) => ({
    kind: 'space-given',
    message: `The space above is ${Math.abs(give.lines) === 0.5 ? 'half a line' : lines({ ...give, lines: Math.abs(give.lines) })} ${give.lines < 0 ? 'less' : 'more'} than wished.`,
  }),
  'hyphen-over-recto': () => ({
    kind: 'hyphen-over-recto',
    message: 'A word is divided at the foot of a recto.',
  }),
  'short-last-page': (give) => ({
    kind: 'short-last-page',
    message: `The chapter’s last page holds only ${lines(give)}.`,
  }),
  'picture-over': () => ({
    kind: 'picture-over',
    message:
      'There was no room for it at its place: it stands at the head of this page, and the text went on before it. Its slip can keep it in its place.',
  }),
  'figure-late': (give) => ({
    kind: 'figure-late',
    message: `The figure stands ${give.lines} pages after its reference: there was no room for it before, or others wait.`,
  }),
  'figure-below': (give) => ({
    kind: 'picture-over',
    message: `There was no room for the figure beside its paragraph: it stands ${lines(give)} of text later.`,
  }),
  'by-figure': () => ({
    kind: 'parted',
    message: 'The figure and the text beside it are deeper than the page: they reach below it.',
  }),
  'note-divided': () => ({
    kind: 'note-divided',
    message: 'A note goes on at the foot of the next page.',
  }),
  'note-late': () => ({
    kind: 'note-late',
    message: 'A note begins after the page of its reference: that page has no room for it.',
  }),
  'margin-note-late': () => ({
    kind: 'note-late',
    grade: 'should',
    message: 'The margin cannot hold the notes of this page: they go on beside the next.',
  }),
};

/** A page of a division, `index` from the first of that division. */
export interface SearchedPage {
  readonly page: DivisionPage;
  readonly stream: StreamId;
  readonly index: number;
}

/** Looks at what the page search had to give on a page of a division. */
export type SearchRunner = (searched: SearchedPage) => Hit[];

export const gives: SearchRunner = ({ page }) =>
  page.gives.map((give) => {
    const { message, ...wording } = WORDINGS[give.kind](give);
    return { ...onParagraph(give.paragraph.styled), ...wording, message: message + because(give) };
  });

export const displayOverflow: SearchRunner = ({ page, stream, index }) => {
  if (page.role !== 'display' || index === 0) return [];
  const message = 'The words of this display page did not fit on one page.';
  return [{ kind: 'display-page-overflow', stream, block: '', from: 0, to: 0, message }];
};

export const deepTitle: SearchRunner = ({ page, stream }) => {
  if (!page.headTooDeep) return [];
  const message = 'The title is so deep that the text begins below its text start.';
  return [{ kind: 'title-below-text-start', stream, block: '', from: 0, to: 0, message }];
};

const FAULT_WORDS: Readonly<Record<Reason['fault'], string>> = {
  orphan: 'a first line alone at its foot',
  widow: 'a last line alone at the head of the next',
  'short-widow': 'a short last line alone at the head of the next',
  'stranded-head': 'a head without two lines after it',
  'break-at-top': 'a scene break at the head of the next',
  parted: 'kept lines separated',
  'two-after-head': 'two lines after a head',
  'line-by-break': 'a single line beside a scene break',
  'by-figure': 'a figure that reaches below it',
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
