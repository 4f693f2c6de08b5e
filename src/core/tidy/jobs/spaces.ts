// Spaces: runs of them, at the ends of paragraphs, before marks, and those typed as indents.
import { isShaped, isTechnical } from '../held';
import { OBJECT_CHARACTER, type Paragraph } from '../../model/copy/streams';
import { replaceAll, textJob, paragraphJob } from '../makeJobs';
import { cutParagraph } from '../../copy/cutParagraph';
import type { TidyJob } from '../types';

/** Verse and what was typed as a table keep their spaces. */
const isSpaced = ({ style }: Paragraph) => style === 'VRS' || style === 'TB';

const startSpaces = ({ text }: Paragraph) => /^[ \u3000]*/.exec(text)![0].length;

function startTabs({ text, objects }: Paragraph): number {
  let lead = 0;
  while (text[lead] === OBJECT_CHARACTER && objects.some((object) => object.at === lead && object.kind === 'tab'))
    lead += 1;
  return lead;
}

/** Typed in columns: wide gaps more than once. */
const isColumns = ({ text }: Paragraph) => /\S {3,}\S.*\S {3,}\S/.test(text) && !/[.!?] {2,}\p{Lu}/u.test(text);

export const SPACE_JOBS: readonly TidyJob[] = [
  textJob({ id: 'runs-of-spaces', name: 'Runs of spaces', kind: 'safe', stage: 'spaces' }, (paragraph) =>
    // Those at the ends have jobs of their own.
    // A wide gap, or several in a line, may be a table or a place to be filled in.
    isSpaced(paragraph) || isColumns(paragraph)
      ? []
      : replaceAll(paragraph.text, /(?<=\S) {2,3}(?=\S)/g, ({ index }) =>
          isTechnical(paragraph.text, index, index) ? null : ' ',
        ),
  ),
  textJob({ id: 'wide-gaps', name: 'Gaps typed with spaces', kind: 'look', stage: 'spaces' }, (paragraph) =>
    isSpaced(paragraph)
      ? []
      : replaceAll(paragraph.text, /(?<=\S) {2,}(?=\S)/g, ([gap]) =>
          gap.length > 3 || isColumns(paragraph) ? ' ' : null,
        ),
  ),
  textJob(
    { id: 'end-spaces', name: 'Spaces at the end of a paragraph or line', kind: 'safe', stage: 'spaces' },
    ({ text, objects }) => {
      const breaks = new Set(objects.filter((object) => object.kind === 'break').map((object) => object.at));
      return replaceAll(text, / +(?=\uFFFC|$)/g, (match) => {
        const end = match.index + match[0].length;
        return end === text.length || breaks.has(end) ? '' : null;
      });
    },
  ),
  textJob(
    { id: 'start-spaces', name: 'Spaces at the start of a paragraph', kind: 'safe', stage: 'spaces' },
    (paragraph, _context, blocks, index) =>
      isSpaced(paragraph) || isShaped(blocks, index, startSpaces)
        ? []
        : replaceAll(paragraph.text, /^[ \u3000]+/g, () => ''),
  ),
  paragraphJob(
    { id: 'tab-indents', name: 'Tabs used as indents', kind: 'safe', stage: 'spaces' },
    (paragraph, _, blocks, index) => {
      const { text, objects } = paragraph;
      const lead = startTabs(paragraph);
      // A tab after a number is that of a list, and a line of several tabs is a table.
      if (lead === 0 || objects.filter((object) => object.kind === 'tab').length > lead) return null;
      if (isSpaced(paragraph) || isShaped(blocks, index, startTabs)) return null;
      const made = cutParagraph(paragraph, lead, text.length);
      return { paragraph: made, was: `→ ${text.slice(lead, lead + 40)}`, is: made.text.slice(0, 40) };
    },
  ),
  textJob(
    { id: 'space-before-marks', name: 'Spaces before punctuation', kind: 'look', stage: 'spaces' },
    ({ text }, { language }) =>
      language.startsWith('fr')
        ? // French has a space before tall marks: it is set by the house marks, and must be one.
          replaceAll(text, /(?<=[\p{L}\p{N}»)])[  ]*(?=[,.](?:[\s”"»]|$))/gu, ([spaces]) => (spaces === '' ? null : ''))
        : replaceAll(
            text,
            /(?<=[\p{L}\p{N}”’)\]]) +(?=[,;:!?](?:\s|[”’"')\]]|$)|\.(?:\s|[”’"')\]]|$)(?! ?\.))/gu,
            () => '',
          ),
  ),
];
