// Index entries of a DOCX: XE fields (ECMA-376 part 1, 17.16.5.79) as index marks, and back.
import type { IndexMark } from '../model/spec/indexSpec';

const QUOTED = '["“”]((?:\\\\.|[^"“”\\\\])*)["“”]';
const ENTRY = new RegExp(`^\\s*XE\\s+${QUOTED}`, 'i');
const TOLD = new RegExp(`\\\\t\\s+${QUOTED}`, 'i');
const unescaped = (text: string) => text.replace(/\\(.)/g, '$1');

/** The mark of a field's code, such as `XE "weir:of oak" \\t "See lock"`; null for a field of another kind. */
export function indexMarkOf(code: string): IndexMark | null {
  const found = ENTRY.exec(code);
  if (found === null) return null;
  const [term = '', ...under] = partsOf(found[1]).map((part) => unescaped(part).trim());
  const told = unescaped(TOLD.exec(code)?.[1] ?? '').trim();
  const also = /^see also\s+(.*)$/is.exec(told)?.[1] ?? '';
  const see = also === '' ? (/^see\s+(.*)$/is.exec(told)?.[1] ?? '') : '';
  if (term === '') return null;
  return { term: cut(term), sub: cut(under.join(', ')), see: cut(see), seeAlso: cut(also), range: 'here' };
}

/** An entry and what stands under it, at colons that are not escaped. */
function partsOf(entry: string): string[] {
  const parts = [''];
  for (const [piece] of entry.matchAll(/\\.|[^\\:]+|:/gs))
    if (piece === ':') parts.push('');
    else parts[parts.length - 1] += piece;
  return parts;
}

const cut = (text: string) => text.slice(0, 200);

/** The bookmark of the pages that an entry goes over; undefined: it stands on one. */
export const rangeOfField = (code: string): string | undefined => /\\r\s+"?(\w+)/i.exec(code)?.[1];

const escaped = (text: string) => text.replace(/[\\:"“”]/g, '\\$&');

/** The code of a mark's field; `range`: the bookmark over which it goes. */
export function fieldOfMark({ term, sub, see, seeAlso }: IndexMark, range: string | null): string {
  const entry = escaped(term) + (sub === '' ? '' : `:${escaped(sub)}`);
  const told = seeAlso !== '' ? `See also ${seeAlso}` : see !== '' ? `See ${see}` : '';
  return ` XE "${entry}"${told === '' ? '' : ` \\t "${escaped(told)}"`}${range === null ? '' : ` \\r ${range}`} `;
}
