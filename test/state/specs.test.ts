// Changes of the spec through the store: the page and its canon, styles, inks, kept specs, faces.
import { bytesOf } from '../build/files';
import { expect } from 'chai';
import { editUndone } from '../../src/state/book/bookSlice';
import { setTouches } from '../../src/state/book/bookThunks';
import { askFaces, bringFontsIn, dropFamily, replaceFace } from '../../src/state/spec/fontThunks';
import { addInk, addInkSet, chooseInkSet, dropInk, dropInkSet, setInkOf } from '../../src/state/spec/inkThunks';
import {
  applyKeptSpec,
  askSpecimens,
  exportSpec,
  importSpec,
  keepSpec,
  keptSpecs,
} from '../../src/state/spec/keptSpecs';
import { keptTrims } from '../../src/state/spec/keptTrims';
import { setAs, setSpec, snapMargins, takeCanon } from '../../src/state/spec/specThunks';
import {
  addStyle,
  clearTouches,
  dropStyle,
  retagStyle,
  setCharacterStyle,
  setLook,
  setStyle,
  teachStyle,
} from '../../src/state/spec/styleThunks';
import { styleSheetPrinted } from '../../src/state/spec/styleSheetPrint';
import { CANONS } from '../../src/core/measure/canon';
import type { Paragraph } from '../../src/core/model/copy/streams';
import { readAsset } from '../build/assets';
import { pdfText } from '../build/tools';
import { opened, type World } from '../build/world';

const inches = (value: number) => ({ pt: value * 72, unit: 'in' as const });
const specOf = ({ store }: World) => store.getState().book.book!.spec;
const entries = ({ store }: World) => store.getState().book.cursor;

describe('the page', () => {
  it('keeps to its canon while the trim, the binding and the leading change, and no more once it was changed by hand', async () => {
    const here = await opened();
    const { store } = here;
    expect(store.dispatch(takeCanon(CANONS.twoThirds, false, 'Two thirds'))).to.equal(null);
    expect(specOf(here).page.margins.back.pt / 72).to.be.closeTo(0.784, 1e-3);
    store.dispatch(setSpec(['page', 'trim'], { width: inches(5), height: inches(8) }, 'Trim'));
    store.dispatch(setSpec(['page', 'bindingAllowance'], inches(0), 'Binding'));
    expect(specOf(here).page.margins.back.pt / 72).to.be.closeTo(0.625, 1e-9);
    expect(specOf(here).page.margins.foot.pt / 72).to.be.closeTo(2, 1e-9);
    store.dispatch(setSpec(['page', 'margins', 'foot'], inches(1.5), 'Foot'));
    store.dispatch(setSpec(['page', 'trim', 'height'], inches(9), 'Height'));
    expect(specOf(here).page.margins.foot).to.deep.equal(inches(1.5));
    expect(specOf(here).page.canon).to.deep.equal(CANONS.twoThirds);
  });

  it('is one undo step for a trim with the margins that follow it', async () => {
    const here = await opened();
    here.store.dispatch(takeCanon(CANONS.nths, false, 'Ninths'));
    const before = specOf(here).page;
    here.store.dispatch(setSpec(['page', 'trim', 'width'], inches(6), 'Width'));
    expect(specOf(here).page.margins.back.pt).to.not.equal(before.margins.back.pt);
    here.store.dispatch(editUndone());
    expect(specOf(here).page).to.deep.equal(before);
  });

  it('refuses a canon that leaves nothing, and margins without a line, with a sentence', async () => {
    const here = await opened();
    const { store } = here;
    store.dispatch(setSpec(['page', 'trim'], { width: inches(9), height: inches(6) }, 'Landscape'));
    expect(store.dispatch(takeCanon(CANONS.twoThirds, false, 'x'))).to.match(/more than its height/);
    const count = entries(here);
    expect(store.dispatch(setSpec(['page', 'margins', 'head'], inches(7), 'x'))).to.match(/no room/);
    expect(store.dispatch(setSpec(['text', 'leading'], { pt: 40, unit: 'pt' }, 'x'))).to.match(/300 %/);
    expect(store.dispatch(setSpec(['text', 'leading'], { pt: 7, unit: 'pt' }, 'x'))).to.match(/70 %/);
    expect(store.dispatch(setSpec(['pages', 'linesAtFoot'], 9, 'x'))).to.equal('It must be at most 6.');
    expect(store.dispatch(setSpec(['pages', 'linesAtFoot'], 1.5, 'x'))).to.equal('It must be a whole number.');
    expect(entries(here)).to.equal(count);
  });

  it('joins the changes of one drag, however long it rests, and no others', async () => {
    const here = await opened();
    const start = entries(here);
    for (const [value, wait] of [
      [0.9, 0],
      [0.95, 5000],
      [1, 9000],
    ]) {
      here.time += wait;
      here.store.dispatch(setSpec(['page', 'margins', 'head'], inches(value), 'Head', 'gesture.margin.1'));
    }
    expect(entries(here)).to.equal(start + 1);
    here.store.dispatch(setSpec(['page', 'margins', 'head'], inches(1.1), 'Head', 'gesture.margin.2'));
    expect(entries(here)).to.equal(start + 2);
    here.store.dispatch(editUndone());
    here.store.dispatch(editUndone());
    expect(specOf(here).page.margins.head.pt).to.equal(60);
  });

  it('snaps to whole lines', async () => {
    const here = await opened();
    here.store.dispatch(setSpec(['page', 'margins', 'foot'], { pt: 90, unit: 'pt' }, 'Foot'));
    expect(here.store.dispatch(snapMargins())).to.equal(null);
    const { head, foot } = specOf(here).page.margins;
    expect(Math.abs(((612 - head.pt - foot.pt) % 14.5) - 0)).to.satisfy((rest: number) => rest < 0.06 || rest > 14.44);
  });

  it('keeps trims of one’s own for all books', async () => {
    const { store } = await opened();
    const list = await store.dispatch(keptTrims.keep({ name: 'River', width: inches(5), height: inches(7) }));
    expect(list.map(({ name }) => name)).to.deep.equal(['River']);
    expect(await store.dispatch(keptTrims.read())).to.deep.equal(list);
    expect(await store.dispatch(keptTrims.drop('River'))).to.deep.equal([]);
  });
});

describe('styles', () => {
  it('are changed and put back, and refuse what no page can be set by', async () => {
    const here = await opened();
    const { store } = here;
    expect(store.dispatch(setStyle('EXT', { size: 9, leading: 12 }, 'x'))).to.equal(null);
    expect(specOf(here).styles.EXT).to.include({ size: 9, leading: 12 });
    expect(store.dispatch(setStyle('EXT', { leading: undefined }, 'x'))).to.equal(null);
    expect(specOf(here).styles.EXT).to.not.have.property('leading');
    const before = specOf(here);
    expect(store.dispatch(setStyle('EXT', { leading: 4 }, 'x'))).to.match(/under 70 % of 9 pt/);
    expect(store.dispatch(setStyle('EXT', { leading: 40 }, 'x'))).to.match(/over 300 % of 9 pt/);
    expect(store.dispatch(setStyle('TX', { basedOn: 'EXT' }, 'x'))).to.match(/in a circle: TX, which takes from EXT/);
    expect(store.dispatch(setStyle('EXT', { spots: [{ pattern: '(?<=a)b', style: 'sc' }] }, 'x'))).to.match(
      /looks around/,
    );
    expect(store.dispatch(setCharacterStyle('sc', { basedOn: 'sc' }, 'x'))).to.match(/circle/);
    expect(specOf(here)).to.equal(before);
  });

  it('are made, given a tag, and dropped with another in their place', async () => {
    const here = await opened();
    const { store } = here;
    expect(store.dispatch(addStyle('paragraph', 'EXT', true))).to.equal('EXT2');
    expect(specOf(here).styles.EXT2).to.deep.equal({ ...specOf(here).styles.EXT, name: 'Extract 2' });
    expect(store.dispatch(addStyle('paragraph', 'EXT', false))).to.equal('EXT3');
    expect(specOf(here).styles.EXT3).to.deep.equal({ name: 'Extract 3', basedOn: 'EXT' });
    expect(store.dispatch(retagStyle('EXT3', 'TX'))).to.match(/already/);
    expect(store.dispatch(retagStyle('EXT', 'OTHER'))).to.match(/stays/);
    expect(store.dispatch(retagStyle('EXT3', 'LETTER'))).to.equal(null);
    expect(specOf(here).styles).to.have.property('LETTER');
    expect(store.dispatch(dropStyle('paragraph', 'EXT', 'TX'))).to.match(/cannot be dropped/);
    expect(store.dispatch(dropStyle('paragraph', 'LETTER', null))).to.match(/Choose/);
    expect(store.dispatch(dropStyle('paragraph', 'LETTER', 'EXT'))).to.equal(null);
    expect(specOf(here).styles).to.not.have.property('LETTER');
    expect(store.dispatch(addStyle('character', 'sc', false))).to.equal('sc2');
    expect(store.dispatch(dropStyle('character', 'sc2', null))).to.equal(null);
    expect(specOf(here).characterStyles).to.not.have.property('sc2');
  });

  it('learn from a paragraph changed by eye; touches are cleared', async () => {
    const here = await opened();
    const { store } = here;
    const chapter = store.getState().book.book!.divisions[1];
    const place = { stream: chapter.id, block: chapter.blocks[1].id };
    const block = () => store.getState().book.book!.divisions[1].blocks[1] as Paragraph;
    expect(store.dispatch(setLook(place, { size: 10, leading: 3 }, 'x'))).to.match(/under 70 %/);
    expect(store.dispatch(setLook(place, { size: 10 }, 'x'))).to.equal(null);
    store.dispatch(setTouches(place, { align: 'left' }, 'x'));
    expect(block().touches).to.deep.equal({ look: { size: 10 }, align: 'left' });
    store.dispatch(teachStyle(place));
    expect(specOf(here).styles.TX).to.include({ size: 10, align: 'left' });
    expect(block().touches).to.equal(undefined);
    store.dispatch(setLook(place, { leftIndent: 12 }, 'x'));
    store.dispatch(clearTouches('TX'));
    expect(block().touches).to.equal(undefined);
    store.dispatch(setLook(place, { leftIndent: 12 }, 'x'));
    store.dispatch(setLook(place, { leftIndent: undefined }, 'x'));
    expect(block().touches).to.equal(undefined);
  });

  it('are handed over as a sheet that tells each in itself', async () => {
    const here = await opened();
    expect(await here.store.dispatch(styleSheetPrinted())).to.equal(null);
    expect(here.downloads[0].name).to.match(/-styles\.pdf$/);
    const words = pdfText(await bytesOf(here.downloads[0].file)).replace(/\s+/g, ' ');
    expect(words).to.include('TX Text: eb-garamond 11.5/14.5, 2 paragraphs');
    expect(words).to.include('NT Note, from TX: eb-garamond 9/11.5, 1 paragraph');
  });
});

describe('inks', () => {
  it('are added to every set, changed in one, swapped with their set, and dropped', async () => {
    const here = await opened();
    const { store } = here;
    const tide = { colour: { kind: 'cmyk', c: 80, m: 10, y: 0, k: 0 }, press: 'cmyk' } as const;
    expect(store.dispatch(addInk(' ', tide))).to.match(/has a name/);
    expect(store.dispatch(addInk('Tide', tide))).to.equal(null);
    expect(store.dispatch(addInk('Tide', tide))).to.match(/already/);
    expect(store.dispatch(addInkSet('Night'))).to.equal(null);
    expect(specOf(here).inks.set).to.equal('Night');
    store.dispatch(setInkOf('Tide', { ...tide, press: 'k' }));
    expect(specOf(here).inks.sets.Night.Tide.press).to.equal('k');
    expect(specOf(here).inks.sets['Black only'].Tide.press).to.equal('cmyk');
    store.dispatch(chooseInkSet('Black only'));
    expect(store.dispatch(dropInk('Black'))).to.match(/stays/);
    expect(store.dispatch(dropInk('Tide'))).to.equal(null);
    expect(specOf(here).inks.sets['Black only']).to.not.have.property('Tide');
    expect(store.dispatch(dropInkSet())).to.equal(null);
    expect(specOf(here).inks.set).to.equal('Night');
    expect(store.dispatch(dropInkSet())).to.match(/one set at least/);
    expect(store.dispatch(setInkOf('Tide', { colour: { kind: 'grey', k: 140 }, press: 'k' }))).to.match(/100/);
  });
});

describe('starting specs', () => {
  it('leave the book’s inks, guides, unit and own styles as they are', async () => {
    const here = await opened();
    const { store } = here;
    store.dispatch(addInk('Tide', { colour: { kind: 'grey', k: 60 }, press: 'k' }));
    store.dispatch(addStyle('paragraph', 'EXT', false));
    store.dispatch(setStyle('EXT2', { ink: { ink: 'Tide', tint: 100 } }, 'x'));
    store.dispatch(setSpec(['page', 'unit'], 'mm', 'Unit'));
    store.dispatch(setSpec(['page', 'guides'], [{ axis: 'down', at: inches(1), on: 'mirrored' }], 'Guide'));
    const { inks } = specOf(here);
    store.dispatch(setAs('essays'));
    expect(specOf(here).name).to.equal('Essays');
    expect(specOf(here).inks).to.deep.equal(inks);
    expect(specOf(here).page).to.deep.include({
      unit: 'mm',
      guides: [{ axis: 'down', at: inches(1), on: 'mirrored' }],
    });
    expect(specOf(here).styles.EXT2).to.deep.include({ ink: { ink: 'Tide', tint: 100 } });
  });
});

describe('kept specs', () => {
  it('are kept whole or in part, and laid over a book in one step', async () => {
    const here = await opened();
    const { store } = here;
    store.dispatch(setSpec(['page', 'trim', 'width'], inches(5.25), 'Width'));
    store.dispatch(setStyle('CT', { size: 18 }, 'x'));
    const kept = [];
    for (const part of ['whole', 'page', 'type'] as const)
      kept.push(...(await store.dispatch(keepSpec(part, part))).slice(-1));
    const list = await store.dispatch(keptSpecs.read());
    expect(list.map(({ name, part }) => [name, part])).to.deep.equal([
      ['page', 'page'],
      ['type', 'type'],
      ['whole', 'whole'],
    ]);
    const [page, type, whole] = list;
    const changed = specOf(here);
    store.dispatch(editUndone());
    store.dispatch(editUndone());
    const plain = specOf(here);
    expect(store.dispatch(applyKeptSpec(page))).to.equal(null);
    expect(specOf(here).page.trim.width).to.deep.equal(inches(5.25));
    expect(specOf(here).styles.CT.size).to.equal(20);
    expect(specOf(here).name).to.equal(plain.name);
    store.dispatch(editUndone());
    expect(specOf(here)).to.deep.equal(plain);
    store.dispatch(applyKeptSpec(type));
    expect(specOf(here).styles.CT.size).to.equal(18);
    expect(specOf(here).page.trim).to.deep.equal(plain.page.trim);
    store.dispatch(applyKeptSpec(whole));
    expect({ ...specOf(here), name: '' }).to.deep.equal({ ...changed, name: '' });
    expect(store.dispatch(applyKeptSpec({ ...page, spec: { page: { trim: { width: 'no length' } } } }))).to.match(
      /page\.trim\.width/,
    );
  });

  it('come back from the file that they were handed over in', async () => {
    const here = await opened();
    const { store } = here;
    store.dispatch(setStyle('EXT', { italic: true, ink: { ink: 'Black', tint: 70 } }, 'x'));
    const [kept] = await store.dispatch(keepSpec('Mine', 'type'));
    store.dispatch(exportSpec(kept));
    expect(here.downloads[0].name).to.equal('mine.spec.json');
    const text = await here.downloads[0].file.text();
    await store.dispatch(keptSpecs.drop('Mine'));
    const read = await store.dispatch(importSpec('mine.spec.json', text));
    expect(read).to.deep.equal([kept]);
    for (const [bad, why] of [
      ['{', /no JSON/],
      ['[]', /no object/],
      ['{"styles": {"EXT": {"size": "big"}}}', /styles\.EXT\.size/],
      ['{"nonsense": 1}', /nonsense/],
    ] as const)
      expect(await store.dispatch(importSpec('bad.json', bad))).to.match(why);
  });

  it('are pictured on the book’s own text', async () => {
    const here = await opened();
    const made = await here.store.dispatch(askSpecimens([specOf(here)], new AbortController().signal));
    expect(made!.specimens[0].lists.length).to.be.at.least(1);
    expect(made!.outlines.length).to.be.above(0);
  });
});

describe('faces of one’s own', () => {
  it('are taken in and dropped; what is no font says so and changes nothing', async () => {
    const here = await opened();
    const { store, services } = here;
    const bytes = readAsset('fonts/CrimsonPro_400Regular.ttf');
    const problems = await store.dispatch(
      bringFontsIn([
        { name: 'mine.ttf', bytes },
        { name: 'letter.docx', bytes: new TextEncoder().encode('not a font') },
      ]),
    );
    expect(problems).to.deep.equal(['letter.docx is no font file that can be read: use TTF, OTF or WOFF2.']);
    expect(services.ownFonts.map(({ record }) => record.id)).to.deep.equal(['own-crimson-pro/400']);
    expect((await store.dispatch(askFaces())).some(({ family }) => family === 'own-crimson-pro')).to.equal(true);
    store.dispatch(replaceFace('eb-garamond', 'own-crimson-pro', 0.9, 'x'));
    expect(specOf(here).text.face).to.equal('own-crimson-pro');
    store.dispatch(editUndone());
    expect(specOf(here).text.face).to.equal('eb-garamond');
    await store.dispatch(dropFamily('own-crimson-pro'));
    expect(services.ownFonts).to.deep.equal([]);
  });
});
