// Notes that nothing but their links tells: a sign in the text leads to a sign at the note, and that leads back. So word processors put
// them on the clipboard and into web pages.
import { elements, textOf, type XmlElement } from '../../base/xml';
import type { NoteBody } from './noteBody';

export interface LinkedNotes {
  /** Bodies, by the address to which the sign in the text leads. */
  readonly notes: ReadonlyMap<string, NoteBody>;
  /** The signs at the notes: no words of theirs. */
  readonly signs: ReadonlySet<XmlElement>;
}

interface Anchor {
  readonly element: XmlElement;
  /** Elements around it, the innermost first. */
  readonly around: readonly XmlElement[];
  readonly order: number;
}

const SIGN = /^[[(]?\s*(?:\d{1,4}|[ivxlcdm]{1,8}|[a-z]{1,2}|[*†‡§‖¶#]{1,6})\s*[\])]?$/iu;
/** A container that is the note and nothing else. */
const BODY_STYLE = /mso-element:\s*(?:foot|end)note\s*(?:;|$)/i;
const BODY_ID = /^(?:sd(?:foot|end)note\d+|ftn\d+|edn\d+)$/i;

export function linkedNotes(root: XmlElement): LinkedNotes {
  const anchors = anchorsOf(root);
  const byName = new Map<string, Anchor>();
  for (const anchor of anchors) {
    const { id, name } = anchor.element.attributes;
    for (const key of [id, name]) if (key) byName.set(key, anchor);
  }
  const notes = new Map<string, NoteBody>();
  const signs = new Set<XmlElement>();
  const used = new Set<XmlElement>();
  for (const anchor of anchors) {
    const to = fragmentOf(anchor.element);
    const target = to === null ? undefined : byName.get(to);
    if (to === null || target === undefined || target.order <= anchor.order) continue;
    const back = fragmentOf(target.element);
    if (back === null || byName.get(back) !== anchor) continue;
    if (!SIGN.test(textOf(anchor.element).trim()) || !SIGN.test(textOf(target.element).trim())) continue;
    const body = bodyOf(target);
    if (body === undefined || used.has(body)) continue;
    used.add(body);
    signs.add(target.element);
    notes.set(to, { element: body, kind: /edn|endnote/i.test(to) ? 'endnote' : 'footnote' });
  }
  return { notes, signs };
}

function fragmentOf({ attributes }: XmlElement): string | null {
  const { href } = attributes;
  return href?.includes('#') ? href.slice(href.indexOf('#') + 1) : null;
}

function bodyOf({ around }: Anchor): XmlElement | undefined {
  const container = around.find(
    ({ name, attributes }) =>
      name === 'div' && (BODY_STYLE.test(attributes.style ?? '') || BODY_ID.test(attributes.id ?? '')),
  );
  return container ?? around.find(({ name }) => name === 'li' || name === 'p');
}

function anchorsOf(root: XmlElement): Anchor[] {
  const found: Anchor[] = [];
  const open: { readonly element: XmlElement; readonly around: readonly XmlElement[] }[] = [
    { element: root, around: [] },
  ];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    const { element, around } = next;
    if (element.name === 'a') found.push({ element, around, order: found.length });
    const inside = [element, ...around.slice(0, 12)];
    const children = elements(element);
    for (let k = children.length - 1; k >= 0; k -= 1) open.push({ element: children[k], around: inside });
  }
  return found;
}
