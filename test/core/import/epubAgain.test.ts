// An ebook of ours that comes back is the copy that it was made of: a property over books put together at random.
import { expect } from 'chai';
import fc from 'fast-check';
import { fileBytes } from '../../../src/core/base/fileJob';
import { makeBook, readManuscript, writeEpub } from '../../../src/core/index';
import { ebookFacts } from '../../../src/core/index';
import { picturesOf, type Book, type Division } from '../../../src/core/model/copy/book';
import type { Manuscript } from '../../../src/core/model/copy/manuscript';
import type { DivisionRole } from '../../../src/core/model/copy/roles';
import type { Block, InlineObject, Paragraph } from '../../../src/core/model/copy/streams';
import { compose, newContext, newSubsetter } from '../../build/assets';
import { taken } from '../../build/incoming';
import { p } from '../../build/book';
import { checkEpub } from '../../build/epubCheck';
import { blocks, bookWith, PICTURES, plain } from '../../build/randomCopy';

const DATE = '2026-01-01T00:00:00Z';

/** Roles in the order of a book, each with its matter. */
const PLACES: readonly (readonly [DivisionRole, Division['matter']])[] = [
  ['title', 'front'],
  ['dedication', 'front'],
  ['contents', 'front'],
  ['foreword', 'front'],
  ['part', 'body'],
  ['chapter', 'body'],
  ['chapter', 'body'],
  ['afterword', 'body'],
  ['appendix', 'back'],
  ['notes', 'back'],
  ['glossary', 'back'],
  ['index', 'back'],
];

/** Objects that stand at the end of a paragraph; a reference goes to the head of a division. */
const ADDED = ['index', 'range', 'field', 'reference', 'ebook', 'section', 'unnumbered', undefined, undefined] as const;

const added = fc.array(fc.constantFrom(...ADDED), { minLength: 1, maxLength: 6 });

function withAdded(block: Block, what: (typeof ADDED)[number], head: string): Block {
  if (block.kind === 'table' || what === undefined || block.style === 'SBO') return block;
  const put = (...objects: Readonly<Record<string, unknown>>[]): Paragraph => ({
    ...block,
    text: block.text + '\uFFFC'.repeat(objects.length),
    objects: [...block.objects, ...objects.map((own, k) => ({ ...own, at: block.text.length + k }) as InlineObject)],
  });
  const touched = (touches: Paragraph['touches']): Paragraph => ({
    ...block,
    touches: { ...block.touches, ...touches },
  });
  const mark = { kind: 'index', term: 'Weir & “mill”', sub: '', see: '', seeAlso: 'Ford', range: 'here' } as const;
  if (what === 'index') return put(mark);
  if (what === 'range') return put({ ...mark, range: 'from' }, { ...mark, sub: 'x', range: 'to' });
  if (what === 'field') return put({ kind: 'field', field: 'title' });
  if (what === 'reference') return put({ kind: 'reference', target: head, shows: 'title' });
  if (what === 'ebook') return touched({ onlyIn: 'ebook' });
  return what === 'section' ? touched({ section: 'By the <weir>' }) : touched({ unnumbered: true });
}

/** Nothing but a head is typed in it. */
const isMade = (role: DivisionRole) => role === 'contents' || role === 'index';

/** The divisions of a book of one, parted at random among roles. */
function parted(of: Book, taken: readonly boolean[], more: readonly (typeof ADDED)[number][]): Book {
  const roles = PLACES.filter((_, k) => taken[k % taken.length]);
  const all = of.divisions[0].blocks;
  const heads = roles.map(([role], k) => ({ ...p(`Head ${k}`, isMade(role) ? 'TOH' : 'CT'), id: `h${k}` }));
  const each = Math.ceil(all.length / Math.max(1, roles.filter(([role]) => !isMade(role)).length));
  let from = 0;
  const divisions = roles.map(([role, matter], k): Division => {
    const own = isMade(role) ? [] : all.slice(from, (from += each));
    const blocks = own.map((block, at) => withAdded(block, more[at % more.length], heads[(k + at) % heads.length].id));
    return { id: `d${k + 1}`, role, matter, listed: true, blocks: [heads[k], ...blocks] };
  });
  return { ...of, divisions };
}

/** What is in the blocks, and where divisions begin: places by their order, as ids are counted anew. */
function copyOf(manuscript: Manuscript, starts: ReadonlyMap<string, string>) {
  const order = new Map(manuscript.blocks.map(({ id }, k) => [id, k]));
  const said = JSON.stringify(plain(manuscript), (key, value: unknown) =>
    key === 'target' ? order.get(value as string) : value,
  );
  return { blocks: JSON.parse(said) as unknown, starts: manuscript.blocks.map(({ id }) => starts.get(id) ?? '') };
}

const SBO = (block: Block): Block =>
  block.kind === 'table'
    ? { ...block, rows: block.rows.map((row) => row.map((cell) => ({ ...cell, blocks: cell.blocks.map(SBO) }))) }
    : // The words of a break are never set.
      block.style === 'SBO'
      ? { id: block.id, kind: 'paragraph', style: 'SBO', text: '* * *', spans: [], objects: [] }
      : block;

function written(of: Book) {
  const context = newContext();
  const composed = compose(of, context);
  const facts = ebookFacts(of, composed, context, { level: 'plain', cover: 'none' }, newSubsetter);
  const bytes = fileBytes(writeEpub(of, { date: DATE, there: new Set(picturesOf(of)), facts }), PICTURES);
  return { bytes, hasIndex: facts.index.length > 0 };
}

describe('an ebook of ours that comes back', () => {
  it('is the same copy: words, looks, lists, tables, notes, pictures, marks, references, roles', () => {
    let count = 0;
    fc.assert(
      fc.property(
        fc.array(blocks(1), { minLength: 1, maxLength: 8 }),
        fc.array(fc.boolean(), { minLength: 1, maxLength: 3 }),
        fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }).filter((taken) => taken[5] || taken[0]),
        added,
        (makes, kinds, roles, more) => {
          const start = bookWith(makes, kinds);
          const of = parted(
            { ...start, divisions: start.divisions.map((own) => ({ ...own, blocks: own.blocks.map(SBO) })) },
            roles,
            more,
          );
          const { bytes, hasIndex } = written(of);
          if ((count += 1) % 10 === 1) checkEpub(`again ${count}`, bytes);
          const back = taken(readManuscript('a.epub', bytes));
          // An index of nothing is in no ebook.
          const shown = of.divisions.filter(({ role }) => role !== 'index' || hasIndex);
          const flat: Manuscript = { ...back, blocks: shown.flatMap((own) => own.blocks), notes: noteClasses(of) };
          const starts = new Map(shown.map(({ role, matter, blocks: own }) => [own[0].id, `${matter} ${role}`]));
          const again = new Map(
            Object.entries(back.stands ?? {}).flatMap(([id, { division }]) =>
              division === undefined ? [] : [[id, `${division.matter} ${division.role}`] as const],
            ),
          );
          expect(copyOf(back, again)).to.deep.equal(copyOf(flat, starts));
          for (const asset of picturesOf(of)) expect(back.pictures[asset]).to.deep.equal(PICTURES[asset]);
          expect(back.remarks).to.deep.equal([]);
          const made = makeBook(back, { bookId: 'b2', fileName: 'a.epub' });
          const rolesOf = (from: Book) => from.divisions.map(({ role, matter }) => `${matter} ${role}`);
          const front = /half-title|title|imprint|contents|notes/;
          expect(rolesOf(made).filter((own) => !front.test(own))).to.deep.equal(
            rolesOf({ ...of, divisions: shown }).filter((own) => !front.test(own)),
          );
        },
      ),
      { numRuns: 30 },
    );
  });
});

const noteClasses = ({ notes }: Book): Manuscript['notes'] => notes as Manuscript['notes'];
