// Index entries of a DOCX: XE fields (ECMA-376 part 1, 17.16.5.79) as index marks.
import type { IndexMark } from '../../model/spec/indexSpec';

/** The mark of a field's code, such as `XE "weir:of oak" \\t "See lock"`; null for a field of another kind. */
export function indexMarkOf(code: string): IndexMark | null {
  const found = /^\s*XE\s+["“”]((?:\\.|[^"“”])*)["“”]/i.exec(code);
  if (found === null) return null;
  const [term = '', ...under] = found[1].split(/(?<!\\):/).map((part) => part.replace(/\\(.)/g, '$1').trim());
  const told = /\\t\s+["“”]([^"“”]*)["“”]/i.exec(code)?.[1] ?? '';
  const also = /^see also\s+(.*)$/i.exec(told.trim())?.[1] ?? '';
  const see = also === '' ? (/^see\s+(.*)$/i.exec(told.trim())?.[1] ?? '') : '';
  if (term === '') return null;
  return { term: cut(term), sub: cut(under.join(', ')), see: cut(see), seeAlso: cut(also), range: 'here' };
}

const cut = (text: string) => text.slice(0, 200);
