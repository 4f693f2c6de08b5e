// The ebook: levels, ways in, page list, index, pictures, what is held against the book. Every file goes through the checker.
import { expect } from 'chai';
import fc from 'fast-check';
import { unzipSync } from 'fflate';
import { fileBytes } from '../../../src/core/base/fileJob';
import { sizeWithin } from '../../../src/core/base/images/smaller';
import { decodePicture } from '../../../src/core/base/images/decoders';
import { ebookFacts, writeEpub, type Ebook } from '../../../src/core/index';
import type { Book } from '../../../src/core/model/copy/book';
import { FIRST_EBOOK, type EbookSettings } from '../../../src/core/model/products/ebook';
import type { FileCount } from '../../../src/core/model/products/products';
import { contrast, nightInk, type Rgb } from '../../../src/core/write/epub/nightInk';
import { encode as encodeJpeg } from 'jpeg-js';
import { imageSize } from '../../../src/core/base/images/imageSize';
import { asPng } from '../../../src/core/base/images/smaller';
import { applyEdits, ebookPageEdits, invertEdits } from '../../../src/core/edit';
import type { FieldName } from '../../../src/core/model/copy/streams';
import { checkBook } from '../../../src/core/validate';
import { compose, newContext, newSubsetter } from '../../build/assets';
import { book, chapter, division, note, p, resetIds, table, words } from '../../build/book';
import { checkEpub } from '../../build/epubCheck';
import { factsOf, jpegOf, picture, pngOf } from '../../build/pictures';

const DATE = '2026-01-01T00:00:00Z';

interface Made {
  /** Members of the package as text, by their names without the folder. */
  readonly texts: Readonly<Record<string, string>>;
  readonly bytes: Uint8Array;
  readonly counts: readonly FileCount[];
}

function made(of: Book, settings: Partial<EbookSettings> = {}, pictures: Record<string, Uint8Array> = {}): Made {
  const context = newContext();
  const composed = compose(of, context);
  const chosen: EbookSettings = { ...FIRST_EBOOK, cover: 'none', ...settings };
  const facts = ebookFacts(of, composed, context, chosen, newSubsetter);
  let counts: readonly FileCount[] = [];
  const onMade = (ebook: Ebook) => void (counts = ebook.counts);
  const there = new Set(Object.keys(pictures));
  const bytes = fileBytes(writeEpub(of, { date: DATE, there, settings: chosen, facts, onMade }), pictures);
  checkEpub(of.particulars.title || 'ebook', bytes);
  const texts = Object.fromEntries(
    Object.entries(unzipSync(bytes)).map(([name, content]) => [
      name.replace(/^OPS\//, ''),
      new TextDecoder().decode(content),
    ]),
  );
  return { texts, bytes, counts };
}

const isWhole = (counts: readonly FileCount[]) => counts.filter(({ inBook, inFile }) => inBook !== inFile);

describe('the ebook', () => {
  beforeEach(() => resetIds());

  it('has the look of the book in relative units, and leaves size, leading, margins and colour to the device', () => {
    const of = book([chapter('One', words(60, 1), 'He *went* on.'), chapter('Two', words(30, 2))]);
    const [plain, dressed] = [made(of, { level: 'plain' }), made(of, { level: 'dressed' })];
    for (const { texts } of [plain, dressed]) {
      const css = texts['book.css'];
      expect(css).not.to.match(/\d(?:pt|mm|cm|in)\b/);
      expect(css).not.to.match(/(?:^|[{;]\s*)(?:line-height: 1\.[3-9]|background)/m);
      expect(css).to.match(/\.tx \{ text-indent: 1\.26em; \}/);
      expect(css).to.match(/\.txf \{ text-indent: 0em; \}/);
    }
    expect(plain.texts['book.css']).not.to.match(/@font-face|\.opener|font-family/);
    expect(dressed.texts['book.css']).to.match(/@font-face \{ font-family: "eb-garamond"/);
    expect(Object.keys(dressed.texts).filter((name) => name.startsWith('faces/'))).to.include.members([
      'faces/eb-garamond-400.ttf',
      'faces/eb-garamond-400-italic.ttf',
    ]);
    // Furniture is of pages: none of it is in the text.
    const first = dressed.texts['d1.xhtml'];
    expect(first).to.match(/<section epub:type="chapter" role="doc-chapter"[^>]*class="chapter opener"/);
    expect(first).to.match(/<p class="tx txf"/);
  });

  it('begins a chapter with a drop capital where the book does, its quotes with it, and only where it is dressed', () => {
    const start = book([chapter('One', '“Go,” she said, and went on up the river.', words(20, 1))]);
    const of = { ...start, spec: { ...start.spec, openers: { ...start.spec.openers, dropLines: 3, dropLetters: 1 } } };
    const dressed = made(of).texts;
    expect(dressed['d1.xhtml']).to.include('<span class="initial">“G</span>o,” she said');
    expect(dressed['d1.xhtml'].match(/class="initial"/g)).to.have.length(1);
    expect(dressed['book.css']).to.match(/\.initial \{ font-size: 3\.54em; \}/);
    expect(made(of, { level: 'plain' }).texts['d1.xhtml']).not.to.include('initial');
  });

  it('keeps what carries meaning of character styles that a person made', () => {
    const start = book([chapter('One', 'The Heron came in.')]);
    const [division] = start.divisions;
    const blocks = division.blocks.map((block) =>
      block.kind === 'paragraph' && block.style === 'TX'
        ? { ...block, spans: [{ from: 4, to: 9, style: 'SHIP' }] }
        : block,
    );
    const characterStyles = {
      ...start.spec.characterStyles,
      SHIP: { name: 'Ships', italic: 'on' as const },
      LOUD: { name: 'Loud', basedOn: 'SHIP', caps: 'small' as const, weight: 700 },
    };
    const of = { ...start, spec: { ...start.spec, characterStyles }, divisions: [{ ...division, blocks }] };
    const { texts } = made(of, { level: 'plain' });
    expect(texts['d1.xhtml']).to.match(/The <span class="c-ship" data-look="[^"]*">Heron<\/span> came in\./);
    expect(texts['book.css']).to.include('.c-ship { font-style: italic; }');
    expect(texts['book.css']).to.include(
      '.c-loud { font-style: italic; font-weight: bold; font-variant: small-caps; }',
    );
  });

  it('sets verse with its turned lines indented', () => {
    const of = book([{ ...chapter('One'), blocks: [p('One', 'CT'), p('x')] } as never]);
    const verse = Object.entries(of.spec.styles).find(([, { meaning }]) => meaning === 'verse')![0];
    const { texts } = made({
      ...of,
      divisions: [{ ...of.divisions[0], blocks: [p('One', 'CT'), p('The river went', verse)] }],
    });
    const name = verse.toLowerCase();
    expect(texts['d1.xhtml']).to.match(new RegExp(`<p class="verse ${name}"`));
    expect(texts['book.css']).to.match(new RegExp(`\\.${name} \\{ [^}]*margin-left: [\\d.]+em`));
  });

  it('sets quotes and dashes by the marks of the spec, with notes, links and spans at their words', () => {
    const paragraph = p('"Go -- now," she said.\uFFFC It was *late*.');
    const of = book(
      [
        {
          ...chapter('One'),
          blocks: [
            p('One', 'CT'),
            {
              ...paragraph,
              spans: [{ from: 4, to: 13, style: 'em' }],
              objects: [{ at: paragraph.text.indexOf('\uFFFC'), kind: 'note', note: 'n1' }],
            },
          ],
        } as never,
      ],
      [note(1, 'A "note".')],
    );
    const { texts, counts } = made(of);
    const [, line] = /<p class="tx txf"[^>]*>([\s\S]*?)<\/p>/.exec(texts['d1.xhtml'])!;
    expect(line).to.match(/^“Go<em>—now,” <\/em>she/u);
    expect(line).to.match(/she said\.<a id="ref-n1"[^>]*>1<\/a> It was/);
    expect(texts['d1.xhtml']).to.include('A “note”.');
    expect(isWhole(counts)).to.deep.equal([]);
  });

  it('marks where the pages of the printed book begin, outside of words, and lists them for new readers and old', () => {
    const of = book([chapter('One', ...Array.from({ length: 20 }, (_, k) => words(120, k)))]);
    const { texts } = made(of);
    const marks = [
      ...texts['d1.xhtml'].matchAll(/(.)<span id="page-(\d+)"[^>]*role="doc-pagebreak"[^>]*><\/span>(.)/gs),
    ];
    expect(marks.length).to.be.above(4);
    for (const [, before, , after] of marks) expect(/[\s>]/.test(before) || /[\s<]/.test(after)).to.equal(true);
    const listed = [...texts['nav.xhtml'].matchAll(/d1\.xhtml#page-(\d+)">(\d+)</g)].map(([, id, folio]) => [
      id,
      folio,
    ]);
    expect(listed.map(([id]) => id)).to.deep.equal(
      [...texts['d1.xhtml'].matchAll(/id="page-(\d+)"/g)].map(([, id]) => id),
    );
    for (const [id, folio] of listed) expect(id).to.equal(folio);
    expect(texts['toc.ncx'].match(/<pageTarget /g)).to.have.length(listed.length);
    expect(texts['package.opf']).to.include('printPageNumbers');
  });

  it('has its index as links to the marks, with see and see also, and lists of its tables', () => {
    const mark = (term: string, sub = '', more = {}) => ({
      ...{ kind: 'index' as const, term, sub, see: '', seeAlso: '' },
      ...more,
    });
    const marked = (text: string, ...marks: ReturnType<typeof mark>[]) => ({
      ...p(text + '\uFFFC'.repeat(marks.length)),
      objects: marks.map((own, k) => ({ ...own, at: text.length + k })),
    });
    const of = book([
      {
        ...chapter('One'),
        blocks: [
          p('One', 'CT'),
          marked(words(40, 1), mark('Weir'), mark('Weir', 'upper')),
          marked(words(40, 2), mark('Ford', '', { see: 'Weir' }), mark('Weir', '', { seeAlso: 'Ferry' })),
        ],
      } as never,
      division('index', []),
    ]);
    const { texts } = made(of);
    const index = Object.values(texts).find((text) => text.includes('epub:type="index"'))!;
    expect(index).to.match(/<li>Ford\. <em>see<\/em> Weir<\/li>/);
    const address = /<li>Weir, <a href="(d1\.xhtml#(ix-[^"]+))" epub:type="index-locator">1<\/a>/.exec(index);
    expect(address, index).not.to.equal(null);
    expect(texts['d1.xhtml']).to.include(`<span id="${address![2]}"></span>`);
    expect(index).to.match(/<ul><li>upper, <a href=/);
    expect(texts['nav.xhtml']).to.match(/epub:type="index" href="d2\.xhtml"/);
  });

  it('says who made it, of what it is a part, and whom it serves', () => {
    const start = book([chapter('One', words(20, 1))]);
    const of: Book = {
      ...start,
      particulars: {
        ...start.particulars,
        title: 'The Weir & its Keepers',
        subtitle: 'A Register',
        people: [
          { name: 'Odile Brackwater', role: 'author' },
          { name: 'Tam Reed', role: 'translator' },
        ],
        isbnEbook: '978-1-4028-9462-6',
        isbnPrint: '978-1-4028-9463-3',
        series: 'Books of the River, 3',
        year: '2026',
        description: 'A ferry & its <register>.',
        subjects: 'Rivers; Ferries',
      },
    };
    const opf = made(of).texts['package.opf'];
    for (const part of [
      '<dc:identifier id="id">urn:isbn:9781402894626</dc:identifier>',
      '<dc:title id="title">The Weir &amp; its Keepers</dc:title>',
      '<dc:title id="subtitle">A Register</dc:title>',
      '<dc:creator id="person-1">Odile Brackwater</dc:creator><meta refines="#person-1" property="role" scheme="marc:relators">aut</meta>',
      '<dc:contributor id="person-2">Tam Reed</dc:contributor><meta refines="#person-2" property="role" scheme="marc:relators">trl</meta>',
      '<dc:source>urn:isbn:9781402894633</dc:source>',
      '<meta property="belongs-to-collection" id="series">Books of the River</meta>',
      '<meta refines="#series" property="group-position">3</meta>',
      '<dc:date>2026</dc:date>',
      '<dc:description>A ferry &amp; its &lt;register&gt;.</dc:description>',
      '<dc:subject>Rivers</dc:subject><dc:subject>Ferries</dc:subject>',
      '<meta property="schema:accessModeSufficient">textual</meta>',
    ])
      expect(opf).to.include(part);
    expect(opf).not.to.include('visual');
  });

  it('opens where a person says', () => {
    const of = book([division('dedication', [p('To the river', 'DED')]), chapter('One', words(20, 1))]);
    const startOf = (opensAt: EbookSettings['opensAt']) =>
      /<reference type="text" title="Text" href="([^"]+)"/.exec(made(of, { opensAt }).texts['package.opf'])![1];
    // Without a cover it opens at the page after it.
    expect([startOf('cover'), startOf('front'), startOf('text')]).to.deep.equal(['d1.xhtml', 'd1.xhtml', 'd2.xhtml']);
  });

  it('has the cover that a person chose, or one drawn from title and names, and opens at it', () => {
    const start = book([chapter('One', words(20, 1))]);
    const file = jpegOf(300, 480);
    const cover = { ...factsOf(file, 'front.jpg', 'A ferry at a weir'), asset: 'c1' };
    const of = { ...start, particulars: { ...start.particulars, title: 'The “Weir” & After', cover } };
    const chosen = made(of, { cover: 'cover' }, { c1: file });
    const isNamed = (opf: string, href: string) => {
      const id = `i-${href.replace(/[^A-Za-z0-9-]/g, '-')}`;
      expect(opf).to.match(
        new RegExp(`<item id="${id}" href="${href}" media-type="image/[a-z]+" properties="cover-image"/>`),
      );
      expect(opf).to.include(`<meta name="cover" content="${id}"/>`);
      expect(opf).to.match(/<spine[^>]*><itemref idref="i-cover-xhtml"\/>/);
      expect(opf).to.include('<reference type="text" title="Text" href="cover.xhtml"/>');
    };
    isNamed(chosen.texts['package.opf'], 'pictures/c1.jpg');
    expect(chosen.texts['cover.xhtml']).to.include(
      '<img src="pictures/c1.jpg" alt="A ferry at a weir" role="doc-cover"/>',
    );
    expect(chosen.texts['nav.xhtml']).to.include('<a epub:type="cover" href="cover.xhtml">');
    // The bytes of the picture cannot be had.
    const drawn = made(of, { cover: 'cover', pictures: 'grey' });
    isNamed(drawn.texts['package.opf'], 'pictures/cover.png');
    expect(drawn.texts['cover.xhtml']).to.include('alt="Cover: The “Weir” &amp; After"');
    const image = decodePicture(unzipSync(drawn.bytes)['OPS/pictures/cover.png'], 'png', 0)!;
    expect([image.width, image.height]).to.deep.equal([1200, 1920]);
    // Grey, and not of one grey: words stand on it.
    const greys = new Set<number>();
    let areGrey = true;
    for (let at = 0; at < image.data.length; at += image.channels) {
      greys.add(image.data[at]);
      areGrey &&= image.data[at + image.channels - 1] === image.data[at];
    }
    expect(areGrey).to.equal(true);
    expect(greys.size).to.be.above(20);
    const none = made(of, { cover: 'none' }, { c1: file });
    expect(Object.keys(none.texts)).not.to.include.members(['cover.xhtml']);
    expect(none.texts['package.opf']).not.to.include('cover');
    expect(unzipSync(none.bytes)['OPS/pictures/c1.jpg']).to.equal(undefined);
  });

  it('leaves out what is in print alone, paragraphs, tables and figures, and has what is in it alone', () => {
    const only = (block: ReturnType<typeof p>, onlyIn: 'print' | 'ebook') => ({ ...block, touches: { onlyIn } });
    const shown = pngOf(20, 10);
    const blocks = [
      ...[p('One', 'CT'), only(p('On paper.'), 'print'), only(p('On screens.'), 'ebook'), p('On both.')],
      { ...table(['Post'], ['Paper post']), setting: { onlyIn: 'print' } },
      { ...table(['Post'], ['Screen post']), setting: { onlyIn: 'ebook' } },
      only(picture('p901', { ...factsOf(shown, 'a.png', 'For paper'), asset: 'a1' }), 'print'),
      only(picture('p902', { ...factsOf(shown, 'b.png', 'For screens'), asset: 'a1' }), 'ebook'),
    ];
    const of = book([{ ...chapter('One'), blocks } as never]);
    const { texts, counts } = made(of, {}, { a1: shown });
    const text = texts['d1.xhtml'];
    for (const words of ['On screens.', 'On both.', 'Screen post', 'For screens']) expect(text).to.include(words);
    for (const words of ['On paper.', 'Paper post', 'For paper']) expect(text).not.to.include(words);
    expect(isWhole(counts)).to.deep.equal([]);
    expect(counts.find(({ what }) => what === 'tables')).to.include({ inBook: 1, inFile: 1 });
  });

  it('has an imprint page of its own, with its ISBN and the way to the printed book', () => {
    const field = (name: FieldName) => ({
      ...p('\uFFFC', 'IMP'),
      objects: [{ at: 0, kind: 'field' as const, field: name }],
    });
    const start = book([
      { ...division('imprint', [field('rights'), field('isbn')] as never), matter: 'front' },
      chapter('One', words(20, 1)),
    ]);
    const given = {
      ...{ isbnPrint: '978-1-4028-9463-3', isbnEbook: '978-1-4028-9462-6', rights: 'All of them' },
      printAddress: 'https://shop.example/ferry?a=1&b=2',
    };
    const printed = { ...start, particulars: { ...start.particulars, ...given } };
    const { edits, id } = ebookPageEdits(printed, printed.divisions[0].id);
    const of = applyEdits(printed, edits);
    expect(checkBook(of)).to.deep.equal(of);
    expect(applyEdits(of, invertEdits(edits))).to.deep.equal(printed);
    expect(of.divisions.map((own) => [own.role, own.notInPrint, own.notInEbook])).to.deep.equal([
      ['imprint', undefined, true],
      ['imprint', true, undefined],
      ['chapter', undefined, undefined],
    ]);
    expect(of.divisions[1].id).to.equal(id);
    const { texts, counts } = made(of);
    const page = texts['d1.xhtml'];
    expect(page).to.include('All of them').and.include('ISBN 978-1-4028-9462-6');
    expect(page).to.match(
      /Printed edition: <span data-book-field="isbnPrint">ISBN 978-1-4028-9463-3<\/span> <a data-book-field="printAddress" href="https:\/\/shop\.example\/ferry\?a=1&amp;b=2">/,
    );
    expect(isWhole(counts)).to.deep.equal([]);
    const pages = compose(of).pages.filter(({ division: own }) => own === id);
    expect(pages).to.deep.equal([]);
  });

  it('says the heads of a table at its entries where it is to be a list on narrow screens', () => {
    const of = book([
      { ...chapter('One'), blocks: [p('One', 'CT'), table(['Post', 'Depth & tide'], ['Upper', '4.2'])] } as never,
    ]);
    const lists = made(of, { tables: 'lists' }).texts;
    expect(lists['d1.xhtml']).to.match(/<table [^>]*class="listed">/);
    expect(lists['d1.xhtml']).to.match(/<td[^>]* data-head="Depth &amp; tide"><p[^>]*>4\.2<\/p><\/td>/);
    expect(lists['d1.xhtml'].match(/<thead>[\s\S]*<\/thead>/)![0]).not.to.include('data-head');
    expect(lists['book.css']).to.match(/@media \(max-width: 30em\) \{\s*table\.listed/);
    const rows = made(of).texts;
    expect(rows['d1.xhtml'] + rows['book.css']).not.to.match(/listed|data-head/);
  });

  it('keeps each picture under its budget of bytes, by quality first and pixels then', () => {
    const noise = Uint8Array.from({ length: 900 * 600 * 4 }, (_, k) => (Math.imul(k, 2654435761) >>> 13) & 255);
    const pictures = {
      a1: Uint8Array.from(encodeJpeg({ width: 900, height: 600, data: noise }, 95).data),
      b2: asPng({ width: 900, height: 600, channels: 3, data: noise.slice(0, 900 * 600 * 3), alpha: null }),
      c3: pngOf(40, 80),
    };
    const facts = Object.entries(pictures).map(([asset, bytes]) => ({ ...factsOf(bytes, asset, 'x'), asset }));
    const blocks = [p('One', 'CT'), ...facts.map((own, k) => picture(`p90${k}`, own))];
    const of = book([{ ...chapter('One'), blocks } as never]);
    const members = unzipSync(made(of, { mostKilobytes: 60 }, pictures).bytes);
    const [jpeg, png] = [members['OPS/pictures/a1.jpg'], members['OPS/pictures/b2.png']];
    expect(pictures.a1.length).to.be.above(60_000);
    expect(jpeg.length).to.be.at.most(60_000);
    expect(png.length).to.be.at.most(60_000);
    expect(imageSize(jpeg).width).to.be.above(199);
    expect(imageSize(png).width).to.be.below(900);
    expect(members['OPS/pictures/c3.png']).to.deep.equal(pictures.c3);
  });

  it('makes large pictures smaller, and grey where a person says so, and tells which are not described', () => {
    const pictures = { a1: jpegOf(900, 300), b2: pngOf(40, 80) };
    const [wide, deep] = [factsOf(pictures.a1, 'a.jpg', 'The weir'), factsOf(pictures.b2, 'b.png', '')];
    const blocks = [
      p('One', 'CT'),
      picture('p901', { ...wide, asset: 'a1' }),
      picture('p902', { ...deep, asset: 'b2' }),
    ];
    const of = book([{ ...chapter('One'), blocks } as never]);
    const whole = made(of, { mostPixels: 6000 }, pictures);
    const members = unzipSync(whole.bytes);
    expect(members['OPS/pictures/a1.jpg']).to.deep.equal(pictures.a1);
    const small = unzipSync(made(of, { mostPixels: 450, pictures: 'grey' }, pictures).bytes);
    const [first, second] = [
      decodePicture(small['OPS/pictures/a1.jpg'], 'jpeg', 0)!,
      decodePicture(small['OPS/pictures/b2.png'], 'png', 0)!,
    ];
    expect([first.width, first.height, first.channels]).to.deep.equal([450, 150, 1]);
    expect([second.width, second.height, second.channels]).to.deep.equal([40, 80, 1]);
    expect(whole.texts['package.opf']).to.include('1 of 2 pictures are not described.');
    expect(whole.texts['package.opf']).not.to.include('alternativeText');
  });

  it('keeps the shape of a picture that is made smaller', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9000 }),
        fc.integer({ min: 1, max: 9000 }),
        fc.integer({ min: 400, max: 6000 }),
        (width, height, most) => {
          const size = sizeWithin(width, height, most);
          expect(Math.max(size.width, size.height)).to.be.at.most(Math.max(1, most));
          if (Math.max(width, height) <= most) expect(size).to.deep.equal({ width, height });
          const ratio = Math.min(1, most / Math.max(width, height));
          expect(Math.abs(size.width - Math.max(1, width * ratio))).to.be.at.most(0.5);
          expect(Math.abs(size.height - Math.max(1, height * ratio))).to.be.at.most(0.5);
        },
      ),
    );
  });

  it('has inks that read by day and by night, or the device’s own', () => {
    const part = fc.integer({ min: 0, max: 255 });
    fc.assert(
      fc.property(fc.tuple(part, part, part), (colour) => {
        const ink = nightInk(colour as Rgb);
        if (ink === null) return;
        expect(contrast(ink, [255, 255, 255])).to.be.at.least(4.5);
        expect(contrast(ink, [0, 0, 0])).to.be.at.least(4.5);
      }),
    );
    expect(nightInk([30, 30, 34])).to.equal(null);
    const [r, g, b] = nightInk([140, 20, 20])!;
    expect(r).to.be.above(Math.max(g, b));
  });

  it('holds all that is in the book, whatever that is, and is the same file each time', () => {
    const text = fc.oneof(
      fc.integer({ min: 1, max: 30 }).map((count) => words(count, count)),
      fc.constantFrom(
        '"Yes," -- he said...',
        'A & B < C',
        '1890-94',
        '\u05E9\u05DC\u05D5\u05DD',
        'a\u00ADb x\u200By',
        '',
        '«Non»',
      ),
    );
    const tag = fc.constantFrom('TX', 'TX', 'TX', 'EXT', 'AH', 'SBO', 'VRS', 'V');
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.tuple(tag, text), { minLength: 1, maxLength: 6 }), { minLength: 1, maxLength: 3 }),
        fc.constantFrom('plain' as const, 'dressed' as const),
        (chapters, level) => {
          resetIds();
          const of = book(
            chapters.map((blocks, k) => ({
              ...chapter(`Chapter ${k}`),
              blocks: [p(`Chapter ${k}`, 'CT'), ...blocks.map(([style, own]) => p(own, style))] as never,
            })),
          );
          const first = made(of, { level });
          expect(isWhole(first.counts)).to.deep.equal([]);
          expect(made(of, { level }).bytes).to.deep.equal(first.bytes);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('is made of 500,000 words', () => {
    const chapters = Array.from({ length: 50 }, (_, k) =>
      chapter(`Chapter ${k}`, ...Array.from({ length: 100 }, (__, n) => words(100, k * 100 + n))),
    );
    const of = book(chapters);
    let counts: readonly FileCount[] = [];
    const onMade = (ebook: Ebook) => void (counts = ebook.counts);
    checkEpub('500,000 words', fileBytes(writeEpub(of, { date: DATE, settings: FIRST_EBOOK, onMade })));
    expect(counts.find(({ what }) => what === 'words')!.inFile).to.be.above(499_999);
    expect(isWhole(counts)).to.deep.equal([]);
  });

  it('is made of an empty book, and of one from right to left', () => {
    const empty = made(book([chapter('', '')]));
    expect(empty.counts.find(({ what }) => what === 'words')).to.deep.equal({ what: 'words', inBook: 0, inFile: 0 });
    const start = book([chapter('\u05E9\u05DC\u05D5\u05DD', '\u05E9\u05DC\u05D5\u05DD \u05E2\u05D5\u05DC\u05DD')]);
    const hebrew = made({ ...start, particulars: { ...start.particulars, language: 'he' } });
    expect(hebrew.texts['d1.xhtml']).to.match(/<html [^>]*lang="he"[^>]* dir="rtl">/);
    expect(hebrew.texts['package.opf']).to.match(/<spine toc="ncx" page-progression-direction="rtl">/);
  });
});
