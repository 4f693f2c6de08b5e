// What an ebook says in attributes of what no element has a word for, so that our reader takes it back as the same copy (`import/html/ourMarks`).
// Devices leave them alone.
import { escapeXml } from '../../base/xml';
import { PLAIN_TABLE } from '../../model/spec/tableStyle';
import type { Paragraph, PictureFacts, Span, StyleTag, Table } from '../../model/copy/streams';
import { PLAIN_NOTE } from '../../copy/plainTags';
import { clean } from './clean';

const inJson = (name: string, value: object): string => ` ${name}="${escapeXml(clean(JSON.stringify(value)))}"`;

/** Touches that are the copy's, and not those of its pages; the direction has an attribute of its own in HTML. */
function keptTouches({ touches = {} }: Paragraph): object {
  const { align, breakBefore, unnumbered, section, onlyIn } = touches;
  return { align, breakBefore: breakBefore || undefined, unnumbered: unnumbered || undefined, section, onlyIn };
}

/** `plain`: the style that a reader takes it to have by its element. Paragraphs of notes are known by where they are. */
export function paragraphMarks(paragraph: Paragraph, plain: StyleTag): string {
  const touches = JSON.stringify(keptTouches(paragraph));
  return `${paragraph.style === plain || paragraph.style === PLAIN_NOTE ? '' : ` data-style="${escapeXml(paragraph.style)}"`}${
    touches === '{}' ? '' : inJson('data-touches', keptTouches(paragraph))
  }`;
}

/** The same of a table. */
export const tableMarks = ({ style, setting }: Table): string =>
  `${style === PLAIN_TABLE ? '' : ` data-style="${escapeXml(style)}"`}${
    setting?.onlyIn === undefined ? '' : inJson('data-touches', { onlyIn: setting.onlyIn })
  }`;

/** An offset in the text as it is set, what is set there, and what was typed. */
export type TypedWords = readonly [at: number, set: string, typed: string];

/** What was typed where quotes, dashes and the like are set otherwise. */
export const typedMark = (typed: readonly TypedWords[]): string =>
  typed.length === 0 ? '' : inJson('data-typed', typed);

/** Character styles that elements tell. */
const TOLD: ReadonlySet<string> = new Set(['em', 'strong', 'sc', 'sup', 'sub', 'code']);

export const isToldByElement = (tag: StyleTag): boolean => TOLD.has(tag);

/** The class of text in a character style that a person made. */
export const characterClass = (tag: StyleTag): string => `c-${tag.replace(/[^A-Za-z0-9-]/g, '').toLowerCase()}`;

/** The text of a span whose elements do not tell all of its look, with what they do not. */
export function withLook(words: string, { style, touches = {}, language }: Span): string {
  const { italic, bold, face, size, colour } = touches;
  const isTold =
    (style === undefined || TOLD.has(style)) &&
    [italic, bold, face, size, colour].every((value) => value === undefined);
  if (isTold) return words;
  const said = { style, ...(Object.keys(touches).length > 0 ? { touches } : {}), language };
  const name = style === undefined || TOLD.has(style) ? '' : ` class="${characterClass(style)}"`;
  return `<span${name}${inJson('data-look', said)}>${words}</span>`;
}

/** The name of a picture, and the points at which it is shown. */
export const pictureMark = ({ name, shownWidth, shownHeight }: PictureFacts): string =>
  inJson('data-picture', { name, ...(shownWidth > 0 ? { width: shownWidth, height: shownHeight } : {}) });
