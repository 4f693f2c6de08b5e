import { expect } from 'chai';
import { figuresIn } from '../../../src/core/model/copy/holders';
import { isPictureAlone, type Table } from '../../../src/core/model/copy/streams';
import type { FigureText } from '../../../src/core/model/copy/figures';
import { readFileSync } from 'node:fs';
import { ImportError, ValueError } from '../../../src/core/base/errors';
import { unpack } from '../../../src/core/base/zip';
import { BOOK_FORMAT, eachPicture } from '../../../src/core/model/copy/book';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import {
  checkBook,
  checkLanguage,
  checkSpec,
  divisionSchema,
  noteSchema,
  particularsSchema,
  specFromFile,
  specSchema,
} from '../../../src/core/validate';
import { factsOf, jpegOf, picture, pngOf } from '../../build/pictures';
import { book, chapter, note } from '../../build/book';
import { openProject, pack, projectFile } from '../../build/files';

const message = (work: () => unknown): string => {
  try {
    work();
  } catch (error) {
    expect(error).to.be.instanceOf(ValueError);
    return (error as Error).message;
  }
  throw new Error('nothing was refused');
};

describe('checking a spec', () => {
  it('lays a file over the novel, lengths as text or points', () => {
    const spec = specFromFile({ page: { trim: { width: '148mm', height: 595 } }, styles: { CT: { size: 18 } } });
    expect(spec.page.trim.width.unit).to.equal('mm');
    expect(spec.page.trim.height.pt).to.equal(595);
    expect(spec.styles.CT).to.include({ size: 18, align: 'centre' });
    expect(spec.text).to.deep.equal(NOVEL_SPEC.text);
  });

  const bad: [string, unknown, string][] = [
    ['an unknown key', { page: { gutter: 3 } }, 'page.gutter'],
    ['an unknown key at the top', { colour: 1 }, 'colour'],
    ['a word for a length', { text: { size: 'large' } }, 'not a length'],
    ['NaN', { text: { size: NaN } }, 'text.size'],
    ['a negative margin', { page: { margins: { head: -4 } } }, 'page.margins.head'],
    ['an enormous trim', { page: { trim: { width: '900in' } } }, 'page.trim.width'],
    ['margins without room for type', { page: { margins: { back: 300, foreEdge: 90 } } }, 'no room'],
    ['a foot without room for type', { page: { margins: { foot: 549 } } }, 'no room'],
    ['leading of nothing', { text: { leading: 4 } }, 'leading'],
    ['a list', [], 'object'],
    ['half a letter', { text: { hyphenation: { before: 1.5 } } }, 'text.hyphenation.before'],
  ];
  for (const [what, value, part] of bad) {
    it(`refuses ${what} with a sentence`, () =>
      expect(message(() => specFromFile(value)))
        .to.include(part)
        .and.match(/\.$/));
  }

  it('takes the novel as it is', () => expect(checkSpec(structuredClone(NOVEL_SPEC))).to.deep.equal(NOVEL_SPEC));

  it('knows its languages', () => {
    expect(checkLanguage('en-GB')).to.equal('en-GB');
    expect(message(() => checkLanguage('xx'))).to.include('such as en, de or pt');
  });
});

describe('the formats as documented', () => {
  const documented = readFileSync(new URL('../../../docs/formats.md', import.meta.url), 'utf8');

  /** Every key of a schema as a path. Styles are described once, by their own keys. */
  function pathsOf(schema: { keys?: Record<string, unknown>; type?: string }, path = ''): string[] {
    const keys = schema.keys as Record<string, { keys?: Record<string, unknown> }> | undefined;
    if (keys === undefined) return [path];
    return Object.entries(keys).flatMap(([key, child]) => pathsOf(child, path === '' ? key : `${path}.${key}`));
  }

  it('name every key of spec.json', () => {
    const missing = pathsOf(specSchema.describe() as never).filter((path) => !documented.includes(`\`${path}\``));
    expect(missing).to.deep.equal([]);
  });

  it('name every key of a style', () => {
    const patterns = (
      specSchema.describe() as never as {
        keys: Record<string, { patterns: { rule: { keys: Record<string, unknown> } }[] }>;
      }
    ).keys;
    for (const group of ['styles', 'characterStyles']) {
      for (const key of Object.keys(patterns[group].patterns[0].rule.keys)) {
        expect(documented, `${group} ${key}`).to.include(`\`${group === 'styles' ? '' : 'character '}${key}\``);
      }
    }
  });

  it('name every key of a project file', () => {
    const keys = new Set<string>();
    const walk = (value: unknown): void => {
      if (value === null || typeof value !== 'object') return;
      const { keys: own } = value as { keys?: Record<string, unknown> };
      if (own !== undefined) Object.keys(own).forEach((key) => keys.add(key));
      Object.values(value).forEach(walk);
    };
    for (const schema of [particularsSchema, divisionSchema, noteSchema]) walk(schema.describe());
    for (const member of Object.keys(unpack(projectFile(book([chapter('One', 'a')])), () => true))) {
      expect(documented).to.include(member.startsWith('divisions/') ? 'divisions/ID.json' : member);
    }
    const missing = [...keys].filter(
      (key) =>
        !documented.includes(`\`${key}\``) &&
        !['italic', 'bold', 'underline', 'strike', 'align', 'level', 'ordered'].includes(key),
    );
    expect(missing).to.deep.equal([]);
    for (const key of ['italic', 'bold', 'underline', 'strike', 'align', 'level', 'ordered'])
      expect(documented).to.include(key);
  });

  it('give the defaults of the novel', () => {
    const value = (path: string) =>
      path.split('.').reduce((holder: never, key) => holder[key], NOVEL_SPEC as never) as unknown;
    for (const line of documented.split('\n')) {
      // Rows of the table of the spec have five columns; those of styles have four.
      const row = /^\| `([a-zA-Z.]+)` \|[^|]+\|[^|]+\|[^|]+\| ([^|]+) \|$/.exec(line);
      if (row === null || row[2] === 'by face') continue;
      const own = value(row[1]) as { pt?: number } | string | number | boolean | null;
      const shown =
        own !== null && typeof own === 'object' && own.pt !== undefined
          ? `${own.pt} pt`
          : own === null
            ? 'null'
            : String(own);
      expect(row[2].trim(), row[1]).to.equal(shown);
    }
  });
});

describe('the project file', () => {
  const made = book([chapter('One', 'a *b* c{1}', 'd'), chapter('Two', 'e')], [note(1, 'x')]);

  it('opens again to an identical book, and is the same bytes each time', () => {
    const bytes = projectFile(made);
    expect(openProject(bytes, checkBook)).to.deep.equal({ book: made, pictures: {} });
    expect(projectFile(openProject(bytes, checkBook).book)).to.deep.equal(bytes);
  });

  it('holds its pictures, each once, and leaves out a damaged one', () => {
    const files = [pngOf(20, 10), jpegOf(16, 8)];
    const [one, two] = files.map((bytes) => factsOf(bytes));
    const blocks = [picture('p901', one), picture('p902', one), picture('p903', two)];
    const whole = { ...made, divisions: [{ ...made.divisions[0], blocks }] };
    const bytes = projectFile(whole, { [one.asset]: files[0], [two.asset]: files[1], ['0'.repeat(32)]: files[0] });
    const back = openProject(bytes, checkBook);
    expect(back.book).to.deep.equal(whole);
    expect(back.pictures).to.deep.equal({ [one.asset]: files[0], [two.asset]: files[1] });
    const members = { ...unpack(bytes, () => true) };
    members[`pictures/${one.asset}`] = files[1];
    expect(Object.keys(openProject(pack(members), checkBook).pictures)).to.deep.equal([two.asset]);
  });

  it('refuses a project whose head lacks what it must have, with a sentence', () => {
    const whole = unpack(projectFile(made), () => true);
    const withHead = (head: unknown) => pack({ ...whole, 'book.json': new TextEncoder().encode(JSON.stringify(head)) });
    const head = JSON.parse(new TextDecoder().decode(whole['book.json'])) as Record<string, unknown>;
    for (const odd of [
      null,
      1,
      [],
      { ...head, divisions: { a: 1 } },
      { ...head, divisions: [null] },
      { ...head, format: 'x' },
      { ...head, format: -1 },
      { ...head, nextId: '__proto__' },
    ])
      expect(() => openProject(withHead(odd), checkBook), JSON.stringify(odd)?.slice(0, 60)).to.throw(
        ImportError,
        /\.$/,
      );
  });

  it('refuses names that every object has, and what nests without end', () => {
    for (const over of [
      { text: { face: 'constructor' } },
      { styles: { TX: { language: '__proto__' } } },
      JSON.parse('{"styles":{"__proto__":{"name":"x"}}}') as object,
      { styles: { constructor: { name: 'x' } } },
      { inks: { set: 'toString' } },
    ])
      expect(() => specFromFile(over), JSON.stringify(over)).to.throw(ValueError);
    let deep: unknown = { kind: 'paragraph' };
    for (let k = 0; k < 20_000; k += 1) deep = { kind: 'table', rows: [[{ blocks: [deep] }]] };
    const nested = { ...made, divisions: [{ ...made.divisions[0], blocks: [deep] }] };
    expect(() => checkBook(nested)).to.throw(ValueError, 'nests too deep');
  });

  it('gives paragraphs that stand twice under one id new ones, and refuses divisions that do', () => {
    const [first] = made.divisions;
    const twice = {
      ...made,
      divisions: [{ ...first, blocks: [...first.blocks, ...first.blocks] }, ...made.divisions.slice(1)],
    };
    const mended = checkBook(twice);
    const ids = mended.divisions[0].blocks.map(({ id }) => id);
    expect(new Set(ids).size).to.equal(ids.length);
    expect(checkBook(mended)).to.deep.equal(mended);
    expect(() => checkBook({ ...made, divisions: [first, first] })).to.throw(ValueError, 'two parts of the id');
  });

  for (let format = 1; format <= BOOK_FORMAT; format += 1) {
    it(`opens the kept sample of format ${format}`, () => {
      const sample = new Uint8Array(readFileSync(new URL(`../../fixtures/format-${format}.walnut`, import.meta.url)));
      const { book: opened } = openProject(sample, checkBook);
      expect(opened.format).to.equal(BOOK_FORMAT);
      expect(opened.particulars.title).to.equal('A Sample');
      expect(opened.divisions.length).to.be.above(3);
    });
  }

  it('keeps what format 12 brought: a face for a script, furniture of sections, a touch over a range', () => {
    const sample = new Uint8Array(readFileSync(new URL('../../fixtures/format-12.walnut', import.meta.url)));
    const { spec, pageTouches, anchors } = openProject(sample, checkBook).book;
    expect(spec.text.fallbacks).to.deep.equal({ Hebr: 'frank-ruhl-libre' });
    const { section } = spec.furniture.sets[spec.furniture.set].roles;
    expect(section?.head?.recto.spine.parts.map(({ kind }) => kind)).to.deep.equal(['token', 'tab', 'token']);
    expect(Object.keys(anchors)).to.have.members([pageTouches[0].anchor, pageTouches[0].through]);
  });

  it('keeps what format 13 brought: pictures of more kinds, with their bytes', () => {
    const sample = new Uint8Array(readFileSync(new URL('../../fixtures/format-13.walnut', import.meta.url)));
    const { book: opened, pictures } = openProject(sample, checkBook);
    const facts = [...eachPicture(opened)];
    expect(facts.map(({ format, width, height }) => [format, width, height])).to.deep.equal([
      ['tiff', 6, 4],
      ['svg', 30, 20],
    ]);
    expect(Object.keys(pictures)).to.have.members(facts.map(({ asset }) => asset));
  });

  it('keeps what format 14 brought: a figure of two parts at the head of a page, with a caption and a credit line', () => {
    const sample = new Uint8Array(readFileSync(new URL('../../fixtures/format-14.walnut', import.meta.url)));
    const { book: opened, pictures } = openProject(sample, checkBook);
    const [figure] = Object.values(opened.figures);
    const words = ({ blocks }: FigureText) => blocks.map((block) => (block.kind === 'paragraph' ? block.text : ''));
    expect([figure.place, figure.width]).to.deep.equal(['head', 200]);
    expect([words(figure.caption), words(figure.credit)]).to.deep.equal([['Two banks.'], ['Drawn by the crew.']]);
    expect(Object.keys(pictures)).to.have.members(figure.parts.map(({ picture }) => picture.asset));
    expect(opened.divisions.flatMap(({ blocks }) => blocks.flatMap(figuresIn))).to.deep.equal([figure.id]);
  });

  it('keeps what format 15 brought: a figure beside text, its frame and how its pictures stand in it', () => {
    const sample = new Uint8Array(readFileSync(new URL('../../fixtures/format-15.walnut', import.meta.url)));
    const [figure] = Object.values(openProject(sample, checkBook).book.figures);
    expect([figure.place, figure.captionAt, figure.frame?.shape, figure.frame?.border?.width]).to.deep.equal([
      'beside',
      'above',
      'ellipse',
      0.5,
    ]);
    expect(figure.around).to.include({ text: 'both', outline: true, side: 'inner', inset: 30, from: 2 });
    expect(figure.parts.map(({ crop }) => crop?.turn)).to.deep.equal([90, undefined]);
  });

  it('keeps what format 16 brought: contours, pictures in black alone, ornaments; older books keep their colours', () => {
    const read = (format: number) =>
      openProject(new Uint8Array(readFileSync(new URL(`../../fixtures/format-${format}.walnut`, import.meta.url))))
        .book;
    const { spec, figures } = read(16);
    expect(spec.inks.pictures).to.deep.equal({ press: 'grey', tone: [4, 22, 44, 70, 96] });
    expect(spec.styles.SBO.ornament).to.equal('\uE708');
    expect([spec.folios.plates, read(15).spec.folios.plates]).to.deep.equal(['uncounted', 'counted']);
    expect(Object.values(figures)[0].around?.contour).to.have.length(4);
    for (const format of [1, 6, 15])
      expect(read(format).spec.inks.pictures).to.deep.equal({ press: 'asis', tone: [0, 25, 50, 75, 100] });
    const falling = { ...spec, inks: { ...spec.inks, pictures: { press: 'grey', tone: [0, 50, 40, 75, 100] } } };
    expect(() => checkSpec(falling)).to.throw('never falls');
    const { inks: _, ...without } = spec;
    expect(() => checkSpec(without)).to.throw();
  });

  it('keeps what format 17 brought: kinds of rows, merged cells, looks of columns, styles of tables', () => {
    const read = (format: number) =>
      openProject(new Uint8Array(readFileSync(new URL(`../../fixtures/format-${format}.walnut`, import.meta.url))))
        .book;
    const { spec, divisions } = read(17);
    const [table] = divisions.flatMap(({ blocks }) => blocks.filter(({ kind }) => kind === 'table')) as Table[];
    expect([spec.tables.TB.band?.tint, spec.tables.TB.continued]).to.deep.equal([10, 'goes on']);
    expect(table.rows[0].map(({ across, down }) => [across, down])).to.deep.equal([
      [undefined, 2],
      [2, undefined],
    ]);
    expect(table.rowLooks?.map(({ kind }) => kind)).to.deep.equal(['head', 'head', 'body', 'total']);
    expect(table.columnLooks?.map(({ width, share }) => width ?? share)).to.deep.equal([60, undefined, 2]);
    for (const format of [1, 6, 16]) expect(read(format).spec.tables.TB.rules.head.weight).to.equal(0.25);
    const wrong = { ...table, rowLooks: table.rowLooks!.slice(1) };
    const chapter = { ...divisions[0], blocks: [wrong] };
    expect(() => checkBook({ ...read(17), divisions: [chapter, ...divisions.slice(1)] })).to.throw('number of rows');
    const { TB, ...others } = spec.tables;
    expect(() => checkSpec({ ...spec, tables: { ...others, OT: TB } })).to.throw('needs the style TB');
  });

  it('makes figures of the pictures that stood alone in books of before, with the captions after them', () => {
    const sample = new Uint8Array(readFileSync(new URL('../../fixtures/format-5.walnut', import.meta.url)));
    const { book: opened } = openProject(sample, checkBook);
    const alone = opened.divisions.flatMap(({ blocks }) => blocks.filter(isPictureAlone));
    expect(alone).to.deep.equal([]);
    for (const figure of Object.values(opened.figures))
      expect(figure).to.include({ place: 'here', width: 'shown' }).and.to.have.property('parts').of.length(1);
    expect(Object.keys(opened.figures)).to.have.length.above(0);
  });

  it('gives books of format 1 what they were set with: their own marks, no drop capitals', () => {
    const sample = new Uint8Array(readFileSync(new URL('../../fixtures/format-1.walnut', import.meta.url)));
    const { spec } = openProject(sample, checkBook).book;
    expect(spec.marks.set).to.equal('typed');
    expect(spec.openers.dropLines).to.equal(0);
    expect(spec.text.hyphenation).to.include({ capitals: 'dear', running: 2 });
  });

  it('gives books from before there was a choice the rag that all had', () => {
    const read = (format: number) =>
      openProject(
        new Uint8Array(readFileSync(new URL(`../../fixtures/format-${format}.walnut`, import.meta.url))),
        checkBook,
      ).book.spec.text.rag;
    expect([read(2), read(8), read(9)]).to.deep.equal([4, 4, 2]);
  });

  const refused = (bytes: Uint8Array) => {
    try {
      openProject(bytes, checkBook);
    } catch (error) {
      expect(error).to.be.instanceOf(ImportError);
      return (error as ImportError).code;
    }
    throw new Error('nothing was refused');
  };
  const encode = (value: unknown) => new TextEncoder().encode(JSON.stringify(value));

  it('refuses what is no project, what is newer, and what is damaged', () => {
    expect(refused(new Uint8Array(20))).to.equal('not-a-document');
    expect(refused(pack({ 'book.json': encode({ kind: 'other' }) }))).to.equal('not-a-document');
    expect(refused(pack({ 'book.json': encode({ kind: 'walnut-leaf-book', format: 99 }) }))).to.equal('newer-format');
    expect(refused(pack({ 'book.json': encode({ kind: 'walnut-leaf-book', format: 1, divisions: ['d1'] }) }))).to.equal(
      'damaged',
    );
    expect(refused(pack({ 'book.json': new Uint8Array([123]) }))).to.equal('damaged');
    expect(refused(projectFile(made).slice(0, 500))).to.equal('truncated');
    expect(refused(projectFile({ ...made, nextId: -3 }))).to.equal('damaged');
  });
});
