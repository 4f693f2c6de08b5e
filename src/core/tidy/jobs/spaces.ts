// Spaces: runs of them, at the ends of paragraphs, before marks, and those typed as indents.
import { OBJECT_CHARACTER, type Paragraph } from '../../model/streams';
import { replaceAll, textJob, paragraphJob } from '../makeJobs';
import { cutParagraph } from '../../model/cutParagraph';
import type { TidyJob } from '../types';

/** Verse and what was typed as a table keep their spaces. */
const isSpaced = ({ style }: Paragraph) => style === 'VRS' || style === 'TB';

export const SPACE_JOBS: readonly TidyJob[] = [
  textJob({ id: 'runs-of-spaces', name: 'Runs of spaces', kind: 'safe', stage: 'spaces' }, (paragraph) =>
    // Those at the ends have jobs of their own.
    isSpaced(paragraph) ? [] : replaceAll(paragraph.text, /(?<=\S) {2,}(?=\S)/g, () => ' '),
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
    (paragraph) => (isSpaced(paragraph) ? [] : replaceAll(paragraph.text, /^[ \u3000]+/g, () => '')),
  ),
  paragraphJob({ id: 'tab-indents', name: 'Tabs used as indents', kind: 'safe', stage: 'spaces' }, (paragraph) => {
    const { text, objects } = paragraph;
    let lead = 0;
    while (text[lead] === OBJECT_CHARACTER && objects.some((object) => object.at === lead && object.kind === 'tab'))
      lead += 1;
    // A tab after a number is that of a list, and a line of several tabs is a table.
    if (lead === 0 || objects.filter((object) => object.kind === 'tab').length > lead) return null;
    const made = cutParagraph(paragraph, lead, text.length);
    return { paragraph: made, was: `→ ${text.slice(lead, lead + 40)}`, is: made.text.slice(0, 40) };
  }),
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
