// A stream as one text: paragraphs parted by line feeds, soft returns as U+2028, tabs as tabs, notes and fields as U+FFFC;
// and the way back from a changed text to paragraphs. Tables part it: nothing is found across one.
import { table } from '../base/table';
import {
  normaliseSpans,
  OBJECT_CHARACTER,
  type Block,
  type InlineObject,
  type Paragraph,
  type Span,
} from '../model/copy/streams';

export const PARAGRAPH_END = '\n';
const SHOWN: Readonly<Partial<Record<InlineObject['kind'], string>>> = table({ break: '\u2028', tab: '\t' });

/** Text of a paragraph, of the same length as its own. */
export function linearText({ text, objects }: Paragraph): string {
  if (objects.length === 0) return text;
  let linear = '';
  let at = 0;
  for (const object of objects) {
    linear += text.slice(at, object.at) + (SHOWN[object.kind] ?? OBJECT_CHARACTER);
    at = object.at + 1;
  }
  return linear + text.slice(at);
}

/** Runs of paragraphs that stand together: index of the first, and the paragraphs. */
export function paragraphRuns(blocks: readonly Block[]): { readonly at: number; readonly paragraphs: Paragraph[] }[] {
  const runs: { at: number; paragraphs: Paragraph[] }[] = [];
  blocks.forEach((block, index) => {
    if (block.kind !== 'paragraph') return;
    const last = runs[runs.length - 1];
    if (last !== undefined && last.at + last.paragraphs.length === index) last.paragraphs.push(block);
    else runs.push({ at: index, paragraphs: [block] });
  });
  return runs;
}

type Look = Omit<Span, 'from' | 'to'>;

/** One character with all that hangs on it. */
interface Atom {
  readonly char: string;
  readonly look: Look | null;
  readonly object: InlineObject | null;
  /** Of a paragraph end: what follows it begins this paragraph. */
  readonly begins: Paragraph | null;
}

export interface LinearEdit {
  readonly from: number;
  readonly to: number;
  /** Null: the words stay, with all that hangs on them. */
  readonly text: string | null;
  readonly style: string | null;
}

/** Paragraphs after edits of their linear text, in order and apart. Notes that an edit covers stay where it begins. */
export function editLinear(
  paragraphs: readonly Paragraph[],
  edits: readonly LinearEdit[],
  takeId: () => string,
): Paragraph[] {
  const atoms = paragraphs.flatMap((paragraph, index) => [
    ...(index === 0 ? [] : [{ char: PARAGRAPH_END, look: null, object: null, begins: paragraph }]),
    ...atomsOf(paragraph),
  ]);
  for (const { from, to, text, style } of [...edits].reverse()) {
    if (text === null) {
      for (let k = from; k < to; k += 1) atoms[k] = restyled(atoms[k], style);
      continue;
    }
    const covered = atoms.slice(from, to);
    const kept = covered.filter((atom) => atom.object !== null && SHOWN[atom.object.kind] === undefined);
    const around = covered.find((atom) => atom.char !== PARAGRAPH_END) ?? atoms[from - 1];
    const look = style === null ? (around?.look ?? null) : { ...around?.look, style };
    const ends = covered.filter((atom) => atom.begins !== null);
    let end = 0;
    const put = [...text]
      .flatMap((sign) => [...unitsOf(sign)])
      .map((char): Atom => {
        if (char === PARAGRAPH_END) return { char, look: null, object: null, begins: ends[end++]?.begins ?? null };
        if (char === '\u2028') return { char: OBJECT_CHARACTER, look, object: { at: 0, kind: 'break' }, begins: null };
        if (char === '\t') return { char: OBJECT_CHARACTER, look, object: { at: 0, kind: 'tab' }, begins: null };
        return { char, look, object: null, begins: null };
      });
    // A token for a note stands for the ones that were found; without it they stay all the same.
    const withNotes = put.flatMap((atom) =>
      atom.char === OBJECT_CHARACTER && atom.object === null ? kept.splice(0, 1) : [atom],
    );
    atoms.splice(from, to - from, ...kept, ...withNotes);
  }
  return rebuilt(paragraphs[0], atoms, takeId);
}

/** An atom in a character style; null: as it was. The end of a paragraph has no look. */
function restyled(atom: Atom, style: string | null): Atom {
  const isEnd = atom.char === PARAGRAPH_END && atom.object === null;
  return style === null || isEnd ? atom : { ...atom, look: { ...atom.look, style } };
}

/** UTF-16 units: offsets count them. */
function unitsOf(sign: string): string[] {
  return Array.from({ length: sign.length }, (_, k) => sign[k]);
}

function atomsOf({ text, spans, objects }: Paragraph): Atom[] {
  const looks: (Look | null)[] = new Array<Look | null>(text.length).fill(null);
  for (const { from, to, ...look } of spans) looks.fill(look, from, to);
  const at = new Map(objects.map((object) => [object.at, object]));
  return looks.map((look, k) => ({ char: text[k], look, object: at.get(k) ?? null, begins: null }));
}

function rebuilt(first: Paragraph, atoms: readonly Atom[], takeId: () => string): Paragraph[] {
  const made: Paragraph[] = [];
  let source = first;
  let isNew = false;
  let from = 0;
  const close = (to: number) => {
    const own = atoms.slice(from, to);
    const spans = own.flatMap(({ look }, k) => (look === null ? [] : [{ ...look, from: k, to: k + 1 }]));
    const objects = own.flatMap(({ object }, k) => (object === null ? [] : [{ ...object, at: k }]));
    made.push({
      ...source,
      ...(isNew ? { id: takeId() } : {}),
      text: own.map((atom) => atom.char).join(''),
      spans: normaliseSpans(spans),
      objects,
    });
  };
  atoms.forEach((atom, k) => {
    if (atom.char !== PARAGRAPH_END || atom.object !== null) return;
    close(k);
    from = k + 1;
    isNew = atom.begins === null;
    source = atom.begins ?? source;
  });
  close(atoms.length);
  return made;
}
