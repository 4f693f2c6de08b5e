// Copy put together at random, and what of a manuscript is compared.
import fc from 'fast-check';
import type { Book } from '../../src/core/model/copy/book';
import type { Manuscript } from '../../src/core/model/copy/manuscript';
import {
  normaliseSpans,
  OBJECT_CHARACTER,
  paragraph,
  type Block,
  type InlineObject,
  type Paragraph,
  type PictureFacts,
  type Span,
} from '../../src/core/model/copy/streams';
import { book, chapter } from './book';
import { factsOf, GIF, jpegOf, pngOf } from './pictures';

/** A manuscript with ids left out: notes stand where they are referred to. */
export function plain(manuscript: Manuscript): unknown {
  const block = (one: Block): unknown => {
    if (one.kind === 'table') return one.rows.map((row) => row.map((cell) => cell.blocks.map(block)));
    const { style, text, spans, touches, list } = one;
    const objects = one.objects.map((object) =>
      object.kind === 'note'
        ? {
            at: object.at,
            kind: manuscript.notes[object.note].kind,
            body: manuscript.notes[object.note].blocks.map(block),
          }
        : object,
    );
    return { style, text, spans, objects, touches: touches ?? null, list: list ?? null };
  };
  return manuscript.blocks.map(block);
}

const words = fc
  .string({ unit: fc.constantFrom(...'abc déñ“”’—…&<>"\'*_#[]|~`\\-1.'), minLength: 1, maxLength: 30 })
  .map((text) => `x${text}x`);

const looks: readonly Omit<Span, 'from' | 'to'>[] = [
  { style: 'em' },
  { style: 'strong' },
  { style: 'sc' },
  { style: 'sup' },
  { style: 'sub', touches: { italic: true } },
  { touches: { italic: true } },
  { touches: { bold: true, underline: true } },
  { touches: { strike: true } },
  { touches: { face: 'Weir & Sons', size: 9.5, colour: '#a03020' } },
  { style: 'em', touches: { size: 14 } },
  { language: 'fr' },
  { style: 'em', language: 'de' },
  { link: 'https://weir.example/?a=1&b=2' },
];

const FILES = [pngOf(30, 20), jpegOf(16, 16), GIF];
export const SHOWN: readonly PictureFacts[] = [
  factsOf(FILES[0], 'weir.png', 'A “weir” & <water>'),
  factsOf(FILES[1], 'a picture', '', 100.5, 72.25),
  factsOf(FILES[2], 'dot.gif', 'x', 12, 12),
];
export const PICTURES = Object.fromEntries(SHOWN.map(({ asset }, k) => [asset, FILES[k]]));

/** Paragraphs with looks, tabs, breaks and notes; `notes` is filled with the bodies. */
export const blocks = (depth: number): fc.Arbitrary<(notes: Block[][]) => Block> => {
  const one = fc
    .record({
      parts: fc.array(
        fc.tuple(
          words,
          fc.option(fc.constantFrom(...looks)),
          fc.constantFrom('', '', '', 'tab', 'break', 'note', 'picture'),
        ),
        { minLength: 1, maxLength: 4 },
      ),
      style: fc.constantFrom('TX', 'TX', 'EXT', 'VRS', 'AH', 'CT', 'LI', 'SBO'),
      align: fc.constantFrom(undefined, undefined, 'centre' as const, 'right' as const),
      list: fc.option(fc.record({ level: fc.nat(2), ordered: fc.boolean() })),
      breakBefore: fc.boolean(),
    })
    .map(({ parts, style, align, list, breakBefore }) => (notes: Block[][]): Block => {
      let text = '';
      const spans: Span[] = [];
      const objects: InlineObject[] = [];
      for (const [part, look, object] of parts) {
        if (look !== null) spans.push({ from: text.length, to: text.length + part.length, ...look });
        text += part;
        if (object === 'note' && depth > 0) {
          notes.push([paragraph('x', 'NT', `A note, ${part}`)]);
          objects.push({ at: text.length, kind: 'note', note: `n${notes.length}` });
          text += OBJECT_CHARACTER;
        } else if (object === 'picture') {
          objects.push({ ...SHOWN[text.length % SHOWN.length], at: text.length });
          text += OBJECT_CHARACTER;
        } else if (object === 'tab' || object === 'break') {
          objects.push({ at: text.length, kind: object });
          text += OBJECT_CHARACTER;
        }
      }
      const touches = {
        ...(align !== undefined && style === 'TX' ? { align } : {}),
        ...(breakBefore ? { breakBefore } : {}),
      };
      return paragraph('x', style, text, {
        spans: normaliseSpans(spans),
        objects,
        ...(Object.keys(touches).length > 0 ? { touches } : {}),
        ...(list !== null && style === 'LI' ? { list } : {}),
      });
    });
  if (depth === 0) return one;
  const table = fc
    .array(fc.array(fc.array(blocks(0), { minLength: 1, maxLength: 2 }), { minLength: 1, maxLength: 3 }), {
      minLength: 1,
      maxLength: 3,
    })
    .map((rows) => (notes: Block[][]): Block => ({
      kind: 'table',
      id: 'x',
      style: 'TB',
      columns: Math.max(...rows.map((row) => row.length)),
      rows: rows.map((row) => row.map((cell) => ({ id: 'c', blocks: cell.map((make) => make(notes)) }))),
    }));
  return fc.oneof({ weight: 6, arbitrary: one }, { weight: 1, arbitrary: table });
};

export function bookWith(makes: readonly ((notes: Block[][]) => Block)[], kinds: readonly boolean[]): Book {
  const bodies: Block[][] = [];
  let ids = 0;
  const withIds = (block: Block): Block =>
    block.kind === 'paragraph'
      ? { ...block, id: `p${(ids += 1)}` }
      : {
          ...block,
          id: `p${(ids += 1)}`,
          rows: block.rows.map((row) =>
            row.map((cell) => ({ id: `c${(ids += 1)}`, blocks: cell.blocks.map(withIds) })),
          ),
        };
  const made = makes.map((make) => withIds(make(bodies)));
  const notes = bodies.map((body, k) => ({
    id: `n${k + 1}`,
    kind: kinds[k % kinds.length] ? ('endnote' as const) : ('footnote' as const),
    blocks: body.map(withIds),
  }));
  return book([{ ...chapter('One', 'x'), blocks: made as Paragraph[] }], notes as never);
}
