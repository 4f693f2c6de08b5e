import { expect } from 'chai';
import fc from 'fast-check';
import { unzipSync } from 'fflate';
import mammoth from 'mammoth';
import { imageSize } from '../../../src/core/base/images/imageSize';
import { unpack } from '../../../src/core/base/zip';
import { dressHandbook } from '../../../src/core/edit';
import { makeBook, manuscriptOf, readManuscript } from '../../../src/core/import';
import { canBeRead, picturesOf, type Book, type Division } from '../../../src/core/model/copy/book';
import { ENDNOTE, FOOTNOTE } from '../../../src/core/model/spec/notes';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { paragraph, type Block, type Paragraph, type Span } from '../../../src/core/model/copy/streams';
import { loadDecoders } from '../../../src/decoders/loadDecoders';
import { writeHtml, writeMarkdown, writePlainText } from '../../../src/core/write/copy';
import { drain, readAsset } from '../../build/assets';
import { book, chapter, division, note, p } from '../../build/book';
import { blocks, bookWith, PICTURES, plain, SHOWN } from '../../build/randomCopy';
import { checkEpub } from '../../build/epubCheck';
import { arrived } from '../../build/incoming';
import { factsOf, picture, svgOf, tiffOf, WEBP } from '../../build/pictures';
import { copyFile, epubFile } from '../../build/files';

const DATE = '2026-01-01T00:00:00Z';

const item = (text: string, level: number, ordered: boolean) => ({ ...p(text, 'LI'), list: { level, ordered } });

const sample = (): Book => {
  const table: Block = {
    kind: 'table',
    id: 'p900',
    style: 'TB',
    columns: 2,
    rows: [
      ['Day', 'Level'],
      ['One', '12 & a half'],
    ].map((row, r) => row.map((text, c) => ({ id: `c9${r}${c}`, blocks: [p(text)] }))),
  };
  const made = book(
    [
      division('title', [p('A Book', 'BT')]),
      division('dedication', [p('For nobody', 'DED')]),
      division('contents', [p('Contents', 'TOH')]),
      chapter('One & “Two”', 'He *went* & came <b>.{1} So.'),
      {
        ...chapter('Two', 'x'),
        blocks: [
          p('Two', 'CT'),
          p('A letter.', 'EXT'),
          item('a', 0, true),
          item('b', 1, false),
          table,
          picture('p950', SHOWN[0]),
          p('The weir{3}.', 'CAP'),
          p('* * *', 'SBO'),
          p('End.{2}'),
        ],
      },
    ],
    [note(1, 'A *note* <i>.', 'Second.'), { ...note(2, 'End note.'), kind: 'endnote' }, note(3, 'Drawn.')],
  );
  return made;
};

describe('the copy as a Word document', () => {
  it('comes back as the same manuscript, ids left out', () => {
    fc.assert(
      fc.property(
        fc.array(blocks(1), { minLength: 1, maxLength: 6 }),
        fc.array(fc.boolean(), { minLength: 1, maxLength: 3 }),
        (makes, kinds) => {
          const made = bookWith(makes, kinds);
          const back = drain(readManuscript('back.docx', copyFile(made, 'docx', PICTURES)));
          expect(plain(back)).to.deep.equal(plain(manuscriptOf(made)));
          for (const asset of picturesOf(made)) expect(back.pictures[asset]).to.deep.equal(PICTURES[asset]);
          expect(back.remarks).to.deep.equal([]);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('counts numbers below a bullet from 1 again', () => {
    const items = [item('a', 1, true), item('b', 0, false), item('c', 1, true), item('d', 1, true)];
    const made = book([{ ...chapter('One', 'x'), blocks: items }]);
    const back = drain(readManuscript('back.docx', copyFile(made, 'docx', PICTURES)));
    expect(plain(back)).to.deep.equal(plain(manuscriptOf(made)));
  });

  it('is read by another reader too', async () => {
    const { value, messages } = await mammoth.extractRawText({
      buffer: Buffer.from(copyFile(sample(), 'docx', PICTURES)),
    });
    expect(value).to.include('He went & came <b>.');
    expect(value).to.include('12 & a half');
    expect(messages.filter((message) => message.type === 'error')).to.deep.equal([]);
  });
});

describe('the copy as text', () => {
  it('keeps headings, looks, notes, lists and tables in Markdown', () => {
    const back = arrived('back.md', writeMarkdown(sample(), PICTURES));
    expect(back).to.include({ title: 'A Book', author: 'A. Writer', language: 'en', lists: 1 });
    expect(back.headings.map(({ level, text }) => `${level} ${text}`)).to.deep.equal([
      '1 A Book',
      '2 One & “Two”',
      '2 Two',
    ]);
    expect(back.text).to.include('He went & came <b>. So.');
    expect(back.footnotes.map((one) => one.text)).to.deep.equal(['A note <i>.\nSecond.', 'Drawn.', 'End note.']);
    expect(back.images).to.deep.equal([{ name: 'embedded', width: 30, height: 20, alt: 'A “weir” & <water>' }]);
    expect(back.tables[0].text).to.equal('Day\tLevel\nOne\t12 & a half');
    expect(back.italicCharacters).to.equal(8);
  });

  it('keeps them in HTML, and the kinds of notes', () => {
    const back = arrived('back.html', writeHtml(sample(), PICTURES));
    expect(back).to.include({ title: 'A Book', author: 'A. Writer', language: 'en', lists: 1 });
    expect(back.text).to.include('He went & came <b>. So.');
    expect(back.text.split('\n')).to.include.members(['A letter.', 'a', 'b', '* * *']);
    expect(back.footnotes.map((one) => one.paragraphs)).to.deep.equal([2, 1]);
    expect(back.images).to.deep.equal([{ name: 'embedded', width: 30, height: 20, alt: 'A “weir” & <water>' }]);
    expect(back.styles.map(({ mappedTo }) => mappedTo)).to.include('CAP');
    expect(back.endnotes).to.have.length(1);
    expect(back.tables[0]).to.include({ rows: 2, columns: 2 });
  });

  it('has every word in plain text, notes at the end', () => {
    const text = writePlainText(sample());
    expect(text).to.match(/^A Book\n\nA\. Writer\n\nFor nobody/);
    expect(text).to.include('came <b>.[1] So.');
    expect(text).to.match(/\[1\] A note <i>\.\nSecond\.\n\n\[2\] Drawn\.\n\n\[e1\] End note\.\n$/);
    expect(text).to.include('\n\n[A “weir” & <water>]\n\nThe weir[2].\n');
  });
});

describe('the plain EPUB', () => {
  /** The EPUB of a book; epubcheck reads it when the run is over. */
  const check = (made: Book) => {
    const bytes = epubFile(made, DATE, PICTURES);
    checkEpub(made.particulars.title, bytes);
    return bytes;
  };

  it('has notes of both kinds, lists, tables and pictures, and is read back', () => {
    const back = arrived('back.epub', check(sample()));
    expect(back).to.include({ title: 'A Book', author: 'A. Writer', language: 'en' });
    expect(back.text).to.include('He went & came <b>. So.');
    expect(back.footnotes).to.have.length(2);
    expect(back.endnotes).to.have.length(1);
    expect(back.lists).to.equal(1);
    expect(back.images).to.deep.equal([{ name: SHOWN[0].name, width: 30, height: 20, alt: 'A “weir” & <water>' }]);
  });

  it('holds pictures that readers do not show as PNG, and drawings without what runs', async () => {
    await loadDecoders(['webp'], readAsset);
    const files = [WEBP, tiffOf(6, 4, 3), svgOf('<script>run()</script><circle r="9"/>'), WEBP.slice(0, 40)];
    const facts = files.map((bytes, k) => factsOf(bytes, `${k}`, 'A weir'));
    const made = book([chapter('One')]);
    const [first] = made.divisions;
    const blocks = [...first.blocks, ...facts.map((one, k) => picture(`p9${k}`, one))];
    const whole = { ...made, divisions: [{ ...first, blocks }] };
    const bytes = epubFile(whole, DATE, Object.fromEntries(facts.map((one, k) => [one.asset, files[k]])));
    checkEpub('kinds of pictures', bytes);
    const members = unzipSync(bytes);
    const held = facts.map(({ asset }) => Object.keys(members).find((name) => name.includes(asset))!);
    expect(held.map((name) => name.split('.').pop())).to.deep.equal(['png', 'png', 'svg', 'png']);
    expect(held.filter((name) => name.endsWith('png')).map((name) => imageSize(members[name]))).to.deep.equal([
      { width: 8, height: 4 },
      { width: 6, height: 4 },
      { width: 1, height: 1 },
    ]);
    expect(new TextDecoder().decode(members[held[2]])).to.include('circle').and.not.include('script');
    const drawing = { [facts[2].asset]: files[2] };
    const media = Object.entries(unzipSync(copyFile(whole, 'docx', drawing))).filter(([name]) => name.endsWith('.svg'));
    expect(media.map(([, bytes]) => new TextDecoder().decode(bytes)).join())
      .to.include('circle')
      .and.not.include('script');
  });

  it('lists heads to their levels, and leads from references to them', () => {
    const made = dressHandbook(
      makeBook(drain(readManuscript('g.docx', readAsset('demo/keeping-a-tidal-garden.docx'))), {
        bookId: 'b1',
        fileName: 'g.docx',
      }),
    );
    const [first, second] = made.divisions.filter(({ role }) => role === 'chapter');
    const head = second.blocks.find(({ style }) => style === 'AH')!;
    const refers: Paragraph = {
      ...p('See \uFFFC.'),
      objects: [{ at: 4, kind: 'reference', target: head.id, shows: 'page' }],
    };
    const divisions = made.divisions.map((one) => (one === first ? { ...one, blocks: [...one.blocks, refers] } : one));
    const members = unpack(check({ ...made, divisions }), () => true);
    const read = (name: string) => new TextDecoder().decode(members[`OPS/${name}`]);
    const nav = read('nav.xhtml');
    expect(nav).to.match(
      /1 The Ground That Leaves Twice a Day<\/a><ol><li><a[^>]*>1\.1 What this book is for<\/a><\/li><li><a[^>]*>1\.2 Reading the water<\/a><ol><li>/,
    );
    const link = /See <a href="(d\d+\.xhtml)#b-(p\d+)" data-shows="[a-zA-Z]+">([^<]*)<\/a>/.exec(
      Object.keys(members)
        .map((name) => read(name.slice(4)) ?? '')
        .join(''),
    )!;
    expect(link[3]).to.equal('The wall');
    expect(read(link[1])).to.include(`id="b-${link[2]}"`);
  });

  it('has the divisions that can be read and are wished in it, and no half-title unless it is', () => {
    const half = (notInEbook: boolean) => ({
      ...division('half-title', [p('A Half Title', 'TOH')], { matter: 'front' }),
      ...(notInEbook ? { notInEbook } : {}),
    });
    const contents = division('contents', [p('What It Holds', 'TOH')], { matter: 'front' });
    const read = (...front: Division[]) =>
      Object.values(unpack(check({ ...sample(), divisions: [...front, ...sample().divisions] }), () => true))
        .map((bytes) => new TextDecoder().decode(bytes))
        .join('');
    const neither = read(half(true), contents);
    expect(neither).to.include('A Book').and.not.include('A Half Title');
    // The contents page has the head that it has in the book.
    expect(neither).to.match(/data-style="TOH">What It Holds<\/h1>\s*<nav epub:type="toc"/);
    const blank = division('blank', [], { matter: 'front' });
    expect([half(true), contents, blank].map(canBeRead)).to.deep.equal([true, true, false]);
    const both = read(half(false), contents);
    expect(both).to.include('A Half Title');
    expect(both).to.include('halftitlepage');
  });

  it('has notes of every kind at their place, each with the way there and back', () => {
    const kindOf = (id: number, kind: string, text: string) => ({ ...note(id, text), kind });
    const kinds = {
      ...NOVEL_SPEC.notes.kinds,
      letter: { ...FOOTNOTE, name: 'Letter', numerals: 'letters' as const, place: 'divisionEnd' as const },
      aside: { ...FOOTNOTE, name: 'Aside', numerals: 'symbols' as const, place: 'margin' as const },
      key: { ...ENDNOTE, name: 'Key', keyed: true },
    };
    const gathered = division('notes', [p('Notes to the Book', 'CT')], { matter: 'back', listed: true });
    const start = book(
      [chapter('One', 'a{1} b{2} c{3} d{4} e{5}'), chapter('Two', 'f{6} g{7}'), gathered],
      [
        note(1, 'At the foot.'),
        kindOf(2, 'letter', 'At the end of one.'),
        kindOf(3, 'aside', 'Beside.'),
        kindOf(4, 'endnote', 'Gathered, with another.{1}'),
        kindOf(5, 'key', 'Without a mark.'),
        kindOf(6, 'endnote', 'Gathered too.'),
        note(7, 'Last.'),
      ],
    );
    const made = { ...start, spec: { ...start.spec, notes: { ...start.spec.notes, kinds } } };
    const members = unpack(check(made), () => true);
    const read = (name: string) => new TextDecoder().decode(members[`OPS/${name}`]);
    const [one, notes] = [read('d1.xhtml'), read('d3.xhtml')];
    expect(one).to.match(/<a id="ref-n1" href="#n1" epub:type="noteref" role="doc-noteref">1<\/a>/);
    expect(one).to.match(/<aside id="n1" epub:type="footnote" role="doc-footnote">/);
    expect(one).to.match(/<aside id="n3"[^>]*><p[^>]*><a href="#ref-n3" role="doc-backlink">\*\.<\/a>/);
    expect(one).to.match(
      /<h2 class="made" data-made="">Notes<\/h2>\s*<ol class="notes"><li id="n2"[^>]*><p[^>]*><a href="#ref-n2"[^>]*>a\.<\/a>/,
    );
    expect(one).to.match(/<a id="ref-n4" href="d3\.xhtml#n4"/);
    expect(notes).to.match(
      /Notes to the Book[\s\S]*<h2 class="made" data-made="">One<\/h2>[\s\S]*id="n4"[\s\S]*id="n5"[\s\S]*<h2 class="made" data-made="">Two<\/h2>[\s\S]*id="n6"/,
    );
    expect(notes).to.include('<a href="d1.xhtml#ref-n4" role="doc-backlink">1.</a>');
    // Without a notes division they have a file of their own.
    const bare = unpack(check({ ...made, divisions: made.divisions.slice(0, 2) }), () => true);
    expect(new TextDecoder().decode(bare['OPS/notes.xhtml'])).to.include('id="n6"');
  });

  it('is written of any copy', () => {
    for (const seed of [1, 2]) {
      const makes = fc.sample(blocks(1), { numRuns: 25, seed });
      expect(arrived('back.epub', check(bookWith(makes, [true, false]))).text).not.to.equal('');
    }
  });

  it('begins with its type, unpacked, and is the same bytes each time', () => {
    const made = sample();
    const [once, twice] = [epubFile(made, DATE), epubFile(made, DATE)];
    expect(new TextDecoder().decode(once.slice(30, 58))).to.equal('mimetypeapplication/epub+zip');
    expect(once).to.deep.equal(twice);
  });
});

describe('the copy of any words', () => {
  const anything = fc
    .string({ unit: fc.constantFrom(...'ab é“”’—…&<>"\'*_#[]()|~`\\-+=1.!:;{}^$@/'), minLength: 1, maxLength: 40 })
    .map((text) => `x${text.replace(/\s+/g, ' ')}x`);

  it('keeps them in Markdown and in HTML, whatever signs they hold', () => {
    fc.assert(
      fc.property(fc.array(anything, { minLength: 1, maxLength: 5 }), (lines) => {
        const made = book([chapter('One', ...lines.map(() => ''))]);
        const blocks = [made.divisions[0].blocks[0], ...lines.map((line, k) => paragraph(`p9${k}`, 'TX', line))];
        const whole = { ...made, divisions: [{ ...made.divisions[0], blocks }] };
        for (const [name, text] of [
          ['a.md', writeMarkdown(whole)],
          ['a.html', writeHtml(whole)],
        ])
          expect(arrived(name, text).text.split('\n').slice(2), name).to.deep.equal(lines);
        expect(writePlainText(whole)).to.include(lines.join('\n\n'));
      }),
      { numRuns: 400 },
    );
  });

  it('keeps words of machines, which stay as they were typed', () => {
    const text = 'Run tide --create now, then see "ponds".';
    const block = paragraph('p91', 'TX', text, { spans: [{ from: 4, to: 17, style: 'code' }] });
    const made = book([chapter('One')]);
    const whole = { ...made, divisions: [{ ...made.divisions[0], blocks: [...made.divisions[0].blocks, block] }] };
    const files: [string, Uint8Array][] = [
      ['a.md', new TextEncoder().encode(writeMarkdown(whole))],
      ['a.html', new TextEncoder().encode(writeHtml(whole))],
      ['a.docx', copyFile(whole, 'docx')],
    ];
    for (const [name, bytes] of files) {
      const last = drain(readManuscript(name, bytes)).blocks.at(-1) as Paragraph;
      expect(last.text, name).to.equal(text);
      expect(last.spans, name).to.deep.equal(block.spans);
    }
  });

  it('keeps every look, one beside another', () => {
    const looked = fc.array(
      fc.tuple(anything, fc.constantFrom(undefined, 'em', 'strong', 'sc', 'sup', 'sub', 'code')),
      {
        minLength: 1,
        maxLength: 4,
      },
    );
    fc.assert(
      fc.property(looked, (parts) => {
        let text = '';
        const spans: Span[] = [];
        for (const [words_, style] of parts) {
          if (style !== undefined) spans.push({ from: text.length, to: text.length + words_.length, style });
          text += `${words_} `;
        }
        const made = book([chapter('One')]);
        const block = paragraph('p91', 'TX', text.trimEnd(), { spans });
        const whole = { ...made, divisions: [{ ...made.divisions[0], blocks: [...made.divisions[0].blocks, block] }] };
        const back = drain(readManuscript('a.html', new TextEncoder().encode(writeHtml(whole))));
        const last = back.blocks.at(-1) as Paragraph;
        expect(last.text).to.equal(text.trimEnd());
        expect(last.spans).to.deep.equal(spans);
      }),
      { numRuns: 300 },
    );
  });
});

describe('the subtitle of a book', () => {
  it('is in the copy as Markdown and web page, and comes back with it', () => {
    const made: Book = {
      ...sample(),
      particulars: { ...sample().particulars, title: 'A Book', subtitle: 'A novel of the weir' },
    };
    for (const format of ['md', 'html'] as const) {
      const back = drain(readManuscript(`back.${format}`, copyFile(made, format, PICTURES)));
      const { title, subtitle } = makeBook(back, { bookId: 'b1', fileName: `back.${format}` }).particulars;
      expect([title, subtitle], format).to.deep.equal(['A Book', 'A novel of the weir']);
    }
  });
});
