import { expect } from 'chai';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { migrateEntry } from '../../../src/core/formats/migrateEntry';
import { from10 } from '../../../src/core/formats/steps/from10';
import { from11, asFormat12 } from '../../../src/core/formats/steps/from11';
import type { Spec } from '../../../src/core/model/spec/spec';
import { BOOK_FORMAT } from '../../../src/core/model/copy/book';
import type { HistoryEntry } from '../../../src/core/model/copy/bookEdit';
import { partOfSpec, readSpecFile, specFromFile, withSpecPart } from '../../../src/core/validate';
import { OLD_STYLES } from '../../build/oldStyles';

const old = { ...NOVEL_SPEC, styles: { ...NOVEL_SPEC.styles, ...OLD_STYLES } };
const meanings = (styles: unknown) =>
  Object.fromEntries(
    Object.entries(styles as Record<string, { meaning?: string }>)
      .filter(([tag]) => tag in OLD_STYLES)
      .map(([tag, { meaning }]) => [tag, meaning]),
  );
const TODAY = meanings(NOVEL_SPEC.styles);

describe('format 11', () => {
  it('gives the parts of openers their meanings, and leaves what a person made a head', () => {
    const styles = { ...old.styles, CST: { ...old.styles.CST, meaning: 'heading2' } };
    const { spec } = from10({ format: 10, spec: { ...old, styles } }) as unknown as { spec: typeof NOVEL_SPEC };
    expect(meanings(spec.styles)).to.deep.equal({ ...TODAY, CST: 'heading2' });
    expect(spec.styles.TX).to.deep.equal(NOVEL_SPEC.styles.TX);
  });

  it('reads kept specs and spec files of before as it reads books, and its own as they are', () => {
    expect(
      meanings(withSpecPart(NOVEL_SPEC, { name: 'Old', text: old.text, styles: old.styles }).styles),
    ).to.deep.equal(TODAY);
    expect(meanings(specFromFile({ styles: { CN: { meaning: 'other' } } }).styles)).to.deep.equal(TODAY);
    expect(specFromFile({ styles: { CN: { size: 12 } } }).styles.CN).to.include({ size: 12, meaning: 'chapterNumber' });
    const plain = { ...NOVEL_SPEC.styles, CN: { ...NOVEL_SPEC.styles.CN, meaning: 'other' as const } };
    const kept = partOfSpec({ ...NOVEL_SPEC, styles: plain }, 'type');
    expect(kept.format).to.equal(BOOK_FORMAT);
    const text = JSON.stringify(kept);
    expect(withSpecPart(NOVEL_SPEC, readSpecFile(text, NOVEL_SPEC)).styles.CN.meaning).to.equal('other');
  });

  it('refuses a spec of a later format with a sentence', () => {
    expect(() => specFromFile({ format: BOOK_FORMAT + 1, name: 'Later' })).to.throw('written by a newer Walnut Leaf');
  });

  it('takes the entries of an older log along, so that undo brings back what today knows', () => {
    const touch = { id: 't7', stream: 'd1', block: 'p2', offset: 3, hideHead: true, madeOn: 4 };
    const entry = {
      name: 'All of it',
      time: 1,
      edits: [
        { kind: 'setSpec', path: [], from: old, to: old },
        { kind: 'setSpec', path: ['styles'], from: old.styles, to: old.styles },
        { kind: 'setStyle', tag: 'PN', from: null, to: old.styles.PN },
        { kind: 'setPageTouches', from: [], to: [touch] },
        { kind: 'setNextId', from: 1, to: 2 },
      ],
    } as unknown as HistoryEntry;
    const { edits } = migrateEntry(entry, 10) as unknown as { edits: Record<string, never>[] };
    expect(meanings((edits[0].to as { styles: unknown }).styles)).to.deep.equal(TODAY);
    expect(meanings(edits[1].from)).to.deep.equal(TODAY);
    expect(edits[2]).to.deep.include({ from: null, to: NOVEL_SPEC.styles.PN });
    expect(edits[3].to).to.deep.equal([{ id: 't7', anchor: 'a7', hideHead: true, madeOn: 4 }]);
    expect(edits[4]).to.equal(entry.edits[4]);
    expect(migrateEntry(entry, BOOK_FORMAT)).to.equal(entry);
  });
});

describe('format 12', () => {
  const { fallbacks: _, letterWidth, hangingPunctuation, ...texts } = NOVEL_SPEC.text;
  const text = { ...texts, glyphPlay: letterWidth, opticalMargins: hangingPunctuation };
  const { sheetEdge, ...pages } = NOVEL_SPEC.page;
  const page = { ...pages, slug: sheetEdge };
  const sets = Object.fromEntries(
    Object.entries(NOVEL_SPEC.furniture.sets).map(
      ([
        name,
        {
          roles: { section: __, ...roles },
        },
      ]) => [name, { roles }],
    ),
  );
  const before = { ...NOVEL_SPEC, page, text, furniture: { ...NOVEL_SPEC.furniture, sets } };

  it('gives specs their fallbacks, and sets of furniture the role of sections, of which they say nothing', () => {
    const { spec, format } = from11({ format: 11, spec: before }) as unknown as { spec: Spec; format: number };
    expect([format, spec]).to.deep.equal([12, NOVEL_SPEC]);
    expect(specFromFile({ format: 11, ...before })).to.deep.equal(NOVEL_SPEC);
  });

  it('leaves what is laid over another spec as short as it is', () => {
    expect(asFormat12({ text: { size: 11 } })).to.deep.equal({ text: { size: 11 } });
    expect(asFormat12({ name: 'x' })).to.deep.equal({ name: 'x' });
  });

  it('takes the entries of an older log along, whatever part of the spec they changed', () => {
    const [name] = Object.keys(sets);
    const changes: [string[], unknown][] = [
      [[], before],
      [['text'], text],
      [['furniture'], before.furniture],
      [['furniture', 'sets'], sets],
      [['furniture', 'sets', name], sets[name]],
      [['text', 'size'], text.size],
      [['text', 'glyphPlay'], letterWidth],
      [['page', 'slug'], sheetEdge],
      [['page'], page],
    ];
    const edits = changes.map(([path, value]) => ({ kind: 'setSpec', path, from: value, to: value }));
    const entry = { name: 'All of it', time: 1, edits } as unknown as HistoryEntry;
    const migrated = migrateEntry(entry, 11).edits as unknown as { path: string[]; from: unknown; to: unknown }[];
    const today = (path: readonly string[]) =>
      path.reduce<unknown>((value, key) => (value as Record<string, unknown>)[key], NOVEL_SPEC);
    for (const { path, from, to } of migrated) expect([from, to]).to.deep.equal([today(path), today(path)]);
    expect(migrated.map(({ path }) => path.join('.'))).to.include.members(['text.letterWidth', 'page.sheetEdge']);
  });
});
