// What word processors write into HTML in ways of their own: lists as paragraphs with a mark typed before them, names of styles as classes.
import { textOf, type XmlElement } from '../../base/xml';
import type { Paragraph } from '../../model/copy/streams';
import { declared } from './looks';

/** The list of a paragraph that a word processor marked as an item; undefined for any other. */
export function markedList(element: XmlElement): Paragraph['list'] | undefined {
  const list = declared(element.attributes.style ?? '', 'mso-list');
  const level = /\blevel(\d)\b/i.exec(list ?? '')?.[1];
  if (level === undefined) return undefined;
  const mark = markOf(element);
  return { level: Number(level) - 1, ordered: /^[\s\u00A0(]*(?:\d+|[a-z]{1,4})[.)]/i.test(mark) };
}

/** The mark that the program typed before the words: no words itself. */
export const isListMark = ({ attributes }: XmlElement): boolean => /mso-list:\s*ignore/i.test(attributes.style ?? '');

function markOf(element: XmlElement): string {
  const open: XmlElement[] = [element];
  for (let next = open.shift(); next !== undefined; next = open.shift()) {
    if (isListMark(next)) return textOf(next);
    for (const child of next.children) if (typeof child !== 'string') open.push(child);
  }
  return '';
}

/** The name of a style that a class stands for: `MsoIntenseQuote` is `Intense Quote`. */
export const classAsName = (name: string): string =>
  name.replace(/^Mso(?=[A-Z])/, '').replace(/(?<=[a-z])(?=[A-Z])/g, ' ');

/** A list of notes, with its rule, that a word processor put at the end. */
export const isNoteList = ({ name, attributes }: XmlElement): boolean =>
  name === 'div' && /mso-element:\s*(?:foot|end)note-list/i.test(attributes.style ?? '');

/** Never shown: it is for programs, or was taken out. */
export function isHidden({ attributes }: XmlElement): boolean {
  if (attributes.hidden !== undefined) return true;
  const css = attributes.style ?? '';
  return (
    declared(css, 'display')?.toLowerCase() === 'none' ||
    declared(css, 'visibility')?.toLowerCase() === 'hidden' ||
    /mso-hide:\s*all/i.test(css)
  );
}
