// Notes of an HTML or EPUB text: bodies are found by their role, references by where they lead (DPUB-ARIA 1.1, EPUB
// structural semantics).
import { unescapedAddress } from '../../base/unescaped';
import { elements, textOf, type XmlElement } from '../../base/xml';
import { linkedNotes } from './linkedNotes';
import type { IncomingNote } from '../../model/copy/manuscript';
import type { NoteBody } from './noteBody';

const roleOf = ({ attributes }: XmlElement) => `${attributes.role ?? ''} ${attributes['epub:type'] ?? ''}`;
const has = (element: XmlElement, pattern: RegExp) => pattern.test(roleOf(element));
const hasClass = ({ attributes }: XmlElement, pattern: RegExp) => pattern.test(attributes.class ?? '');

const FOOT = /(^|\s)(doc-footnote|footnote)(\s|$)/;
const END = /(^|\s)(doc-endnote|endnote|rearnote)(\s|$)/;
const GROUP = /(^|\s)(doc-endnotes|footnotes|endnotes|rearnotes)(\s|$)/;
const GROUP_CLASS = /(^|[\s_-])(foot|end)notes?([\s_-]|$)/i;

/** Bodies by id, in the order of the file. */
export function findNotes(root: XmlElement): Map<string, NoteBody> {
  const notes = new Map<string, NoteBody>();
  const walk = (element: XmlElement, group: IncomingNote['kind'] | null) => {
    const { id } = element.attributes;
    const isGroup =
      has(element, GROUP) || (hasClass(element, GROUP_CLASS) && /^(section|div|ol|aside)$/.test(element.name));
    const inside = isGroup ? groupKind(element) : group;
    const isFoot = has(element, FOOT);
    const isEnd = has(element, END);
    if (id !== undefined && (isFoot || isEnd || (group !== null && element.name === 'li')))
      notes.set(id, { element, kind: isEnd ? 'endnote' : isFoot ? 'footnote' : group! });
    for (const child of elements(element)) walk(child, inside);
  };
  walk(root, null);
  return notes;
}

/** Notes by their roles and by their links; a role says more. */
export function notesAndSigns(root: XmlElement): { notes: Map<string, NoteBody>; signs: ReadonlySet<XmlElement> } {
  const notes = findNotes(root);
  const known = new Set([...notes.values()].map(({ element }) => element));
  const linked = linkedNotes(root);
  for (const [id, body] of linked.notes) if (!notes.has(id) && !known.has(body.element)) notes.set(id, body);
  return { notes, signs: linked.signs };
}

/** Lists of notes are endnotes when they say so; what a converter calls footnotes are footnotes. */
function groupKind(element: XmlElement): IncomingNote['kind'] {
  const isEnd = /endnotes|rearnotes/.test(`${element.attributes['epub:type'] ?? ''} ${element.attributes.class ?? ''}`);
  return isEnd ? 'endnote' : 'footnote';
}

/** A group that holds nothing but notes and their head: left out of the text. */
export function isNoteGroup(element: XmlElement): boolean {
  return has(element, GROUP) || (hasClass(element, GROUP_CLASS) && /^(section|div|ol|aside)$/.test(element.name));
}

/** Id of the note that a link refers to; null for any other link. */
export function noteOf(link: XmlElement, notes: ReadonlyMap<string, NoteBody>): string | null {
  const { href } = link.attributes;
  const id = href?.includes('#') ? unescapedAddress(href.slice(href.indexOf('#') + 1)) : undefined;
  if (id === undefined || !notes.has(id) || isBackLink(link)) return null;
  return id;
}

export function isBackLink(link: XmlElement): boolean {
  return (
    has(link, /backlink/) ||
    hasClass(link, /back(ref|link)?\b/i) ||
    /^\s*[↩⏎↑^]\uFE0E?\s*$/.test(textOf(link)) ||
    /#[\w-]*(fn|note)-?ref/i.test(link.attributes.href ?? '')
  );
}
