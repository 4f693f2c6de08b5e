// Short builders of paragraphs, divisions and books for tests. In `text`, *stars* make a stretch italic and {n} refers to
// note n of the book.
import {
  emptyParticulars,
  BOOK_FORMAT,
  type Book,
  type Division,
  type DivisionRole,
  type Note,
} from '../../src/core/model/copy/book';
import { NOVEL_SPEC } from '../../src/core/defaults/novelSpec';
import type { Spec } from '../../src/core/model/spec/spec';
import {
  OBJECT_CHARACTER,
  paragraph,
  type InlineObject,
  type Paragraph,
  type Span,
  type Table,
} from '../../src/core/model/copy/streams';

let counter = 0;

/** Starts the ids of built blocks again, so that a test gives the same book each time. */
export function resetIds(): void {
  counter = 0;
}

export function p(text: string, style = 'TX'): Paragraph {
  const spans: Span[] = [];
  const objects: InlineObject[] = [];
  let plain = '';
  for (const piece of text.split(/(\*[^*]+\*|\{\d+\})/)) {
    const note = /^\{(\d+)\}$/.exec(piece);
    if (note !== null) {
      objects.push({ at: plain.length, kind: 'note', note: `n${note[1]}` });
      plain += OBJECT_CHARACTER;
    } else if (/^\*[^*]+\*$/.test(piece)) {
      spans.push({ from: plain.length, to: plain.length + piece.length - 2, touches: { italic: true } });
      plain += piece.slice(1, -1);
    } else plain += piece;
  }
  return paragraph(`p${(counter += 1)}`, style, plain, { spans, objects });
}

/** A table of one paragraph a cell. */
export function table(...rows: readonly (readonly string[])[]): Table {
  const cells = rows.map((row) => row.map((text) => ({ id: `c${(counter += 1)}`, blocks: [p(text)] })));
  return { kind: 'table', id: `t${(counter += 1)}`, style: 'TB', columns: rows[0].length, rows: cells };
}

export function division(role: DivisionRole, blocks: readonly Paragraph[], rest: Partial<Division> = {}): Division {
  const matter = role === 'chapter' || role === 'part' ? 'body' : 'front';
  return { id: `d${(counter += 1)}`, role, matter, listed: role === 'chapter' || role === 'part', blocks, ...rest };
}

export function chapter(title: string, ...texts: string[]): Division {
  return division('chapter', [p(title, 'CT'), ...texts.map((text) => p(text))]);
}

export function note(number: number, ...texts: string[]): Note {
  return { id: `n${number}`, kind: 'footnote', blocks: texts.map((text) => p(text, 'NT')) };
}

export function book(divisions: readonly Division[], notes: readonly Note[] = [], spec: Spec = NOVEL_SPEC): Book {
  return {
    format: BOOK_FORMAT,
    id: 'b1',
    nextId: 100_000,
    particulars: { ...emptyParticulars('en'), title: 'A Book', people: [{ name: 'A. Writer', role: 'author' }] },
    spec,
    divisions,
    notes: Object.fromEntries(notes.map((entry) => [entry.id, entry])),
    figures: {},
    anchors: {},
    pageTouches: [],
    source: { recipe: [], mapping: {} },
  };
}

/** Text of a stretch of invented words, the same for the same seed. */
export function words(count: number, seed = 1): string {
  const random = seeded(seed);
  const syllables = ['ba', 'ter', 'lo', 'min', 'sa', 'ren', 'ko', 'del', 'vi', 'nor', 'ta', 'lish', 'per', 'um', 'ga'];
  const out: string[] = [];
  for (let k = 0; k < count; k += 1) {
    let word = '';
    const length = 1 + Math.floor(random() * random() * 5);
    for (let s = 0; s < length; s += 1) word += syllables[Math.floor(random() * syllables.length)];
    out.push(random() < 0.1 ? `${word},` : word);
  }
  return `${out.join(' ').replace(/,$/, '')}.`;
}

/** A small seeded generator (mulberry32): numbers from 0 to less than 1. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
