// EPUBs that come in: ours as the copy that they were made of, others with what is wrong in them told.
import { expect } from 'chai';
import { fileBytes } from '../../../src/core/base/fileJob';
import { ImportError } from '../../../src/core/base/errors';
import { makeBook, readManuscript, writeEpub } from '../../../src/core/index';
import type { Book } from '../../../src/core/model/copy/book';
import type { Block, Paragraph } from '../../../src/core/model/copy/streams';
import { book, chapter, division, note, p, resetIds, table, words } from '../../build/book';
import { pngOf } from '../../build/pictures';
import { arrived, epub, packed, taken } from '../../build/incoming';

const DATE = '2026-01-01T00:00:00Z';
const again = (of: Book) =>
  makeBook(taken(readManuscript('a.epub', fileBytes(writeEpub(of, { date: DATE })))), {
    bookId: 'b2',
    fileName: 'a.epub',
  });

/** What a book says, block by block: its style, its words, what stands in them. */
const said = (blocks: readonly Block[]): unknown[] =>
  blocks.map((block) =>
    block.kind === 'table'
      ? block.rows.map((row) => row.map((cell) => said(cell.blocks)))
      : [
          block.style,
          block.text,
          block.list ?? null,
          block.objects.map(({ kind, ...rest }) => (kind === 'note' ? [kind, rest.at] : [kind, rest])),
        ],
  );

describe('an EPUB of ours', () => {
  beforeEach(() => resetIds());

  it('is the same copy when it comes back: notes, lists, tables, index marks; what the book makes is made again', () => {
    const mark = {
      kind: 'index' as const,
      term: 'Weir',
      sub: 'upper',
      see: '',
      seeAlso: 'Ford',
      range: 'here' as const,
    };
    const marked = { ...p('The weir\uFFFC stands.'), objects: [{ ...mark, at: 8 }] };
    const noted = { ...p('Read on\uFFFC.'), objects: [{ at: 7, kind: 'note' as const, note: 'n1' }] };
    const item = (text: string) => ({ ...p(text, 'LI'), list: { level: 0, ordered: true } });
    const of = book(
      [
        {
          ...chapter('One', words(12, 1)),
          blocks: [
            ...[p('One', 'CT'), marked, noted, p('Kept as it was.', 'EXT'), item('first'), item('second')],
            ...[
              table(['Post', 'Depth'], ['Upper', '4.2']),
              { ...p('', 'SBO'), text: '* * *' },
              p('Below', 'AH'),
              p('And on.'),
            ],
          ] as never,
        },
        chapter('Two', words(20, 2)),
      ],
      [note(1, 'Measured at low water.')],
    );
    const back = again(of);
    const chapters = (from: Book) => from.divisions.filter(({ role }) => role === 'chapter');
    expect(chapters(back).map(({ blocks }) => said(blocks))).to.deep.equal(
      chapters(of).map(({ blocks }) => said(blocks)),
    );
    const notes = Object.values(back.notes);
    expect(notes.map(({ blocks }) => said(blocks))).to.deep.equal([said(of.notes.n1.blocks)]);
  });

  it('has its divisions by their roles, whatever they are called', () => {
    const of = book([
      division('dedication', [p('To the river', 'DED')], { matter: 'front' }),
      division('foreword', [p('Before the Flood', 'CT'), p(words(15, 3))], { matter: 'front' }),
      division('part', [p('Upstream', 'PT')], { matter: 'body' }),
      chapter('One', words(20, 1)),
      division('afterword', [p('Since Then', 'CT'), p(words(15, 4))], { matter: 'back' }),
    ]);
    const roles = (from: Book) => from.divisions.map(({ role, matter }) => `${matter} ${role}`);
    expect(roles(again(of)).filter((own) => !/half-title|title|imprint|contents/.test(own))).to.deep.equal(roles(of));
  });

  it('has its cross-references, each to the head that it went to', () => {
    const head = p('Below the Weir', 'AH');
    const referring = {
      ...p('See \uFFFC.'),
      objects: [{ at: 4, kind: 'reference' as const, target: head.id, shows: 'title' as const }],
    };
    const of = book([
      { ...chapter('One'), blocks: [p('One', 'CT'), referring] as never },
      { ...chapter('Two'), blocks: [p('Two', 'CT'), p(words(9, 1)), head, p(words(9, 2))] as never },
    ]);
    const back = again(of);
    const paragraphs = back.divisions.flatMap(({ blocks }) => blocks as Paragraph[]);
    const [reference] = paragraphs.flatMap(({ objects }) => objects.filter(({ kind }) => kind === 'reference'));
    expect(reference).to.include({ kind: 'reference', shows: 'title' });
    const target = (reference as { readonly target: string }).target;
    expect(paragraphs.find(({ id }) => id === target)?.text).to.equal('Below the Weir');
  });

  it('has no index and no numbers twice', () => {
    const mark = { kind: 'index' as const, term: 'Weir', sub: '', see: '', seeAlso: '', range: 'here' as const };
    const of = book([
      {
        ...chapter('One'),
        blocks: [p('One', 'CT'), { ...p('The weir\uFFFC.'), objects: [{ ...mark, at: 8 }] }] as never,
      },
      division('index', []),
    ]);
    const text = taken(readManuscript('a.epub', fileBytes(writeEpub(of, { date: DATE })))).blocks;
    expect(said(text).flat(3)).to.include('The weir\uFFFC.');
    expect(JSON.stringify(text)).not.to.include('Index');
  });
});

describe('an EPUB of others', () => {
  const fails = (members: Readonly<Record<string, string>>, code: string, message: RegExp) => {
    try {
      arrived('a.epub', packed(members));
    } catch (error) {
      expect(error).to.be.instanceOf(ImportError);
      expect((error as ImportError).code).to.equal(code);
      expect((error as ImportError).message).to.match(message);
      return;
    }
    throw new Error('it was read');
  };
  const parts = (spine: string, more: Readonly<Record<string, string>> = {}) => ({
    mimetype: 'application/epub+zip',
    'META-INF/container.xml': '<container><rootfiles><rootfile full-path="OPS/book.opf"/></rootfiles></container>',
    'OPS/book.opf': `<package><metadata/><manifest><item id="a" href="a.xhtml"/><item id="b" href="../../b.xhtml"/></manifest><spine>${spine}</spine></package>`,
    ...more,
  });
  const PAGE = '<html><body><h1>One</h1><p>Words of the book.</p></body></html>';
  const encrypted = (algorithm: string) =>
    `<encryption><EncryptedData><EncryptionMethod Algorithm="${algorithm}"/><CipherData><CipherReference URI="OPS/a.xhtml"/></CipherData></EncryptedData></encryption>`;

  it('is refused where its text is encrypted, and read where only its fonts are scrambled', () => {
    const locked = encrypted('http://www.w3.org/2001/04/xmlenc#aes128-cbc');
    fails(
      parts('<itemref idref="a"/>', { 'OPS/a.xhtml': PAGE, 'META-INF/encryption.xml': locked }),
      'locked',
      /locked: its text is encrypted/,
    );
    const scrambled = encrypted('http://www.idpf.org/2008/embedding');
    const open = packed(parts('<itemref idref="a"/>', { 'OPS/a.xhtml': PAGE, 'META-INF/encryption.xml': scrambled }));
    expect(arrived('a.epub', open).text).to.include('Words of the book.');
  });

  it('is refused where no text is in it, and told where parts of it are missing', () => {
    fails(parts('<itemref idref="a"/>'), 'empty', /no text/);
    fails(parts(''), 'empty', /no text/);
    const some = packed(parts('<itemref idref="a"/><itemref idref="b"/>', { 'OPS/a.xhtml': PAGE }));
    const { remarks } = taken(readManuscript('a.epub', some));
    expect(remarks.map(({ what, count }) => [what, count])).to.deep.include(['Files of the ebook that are missing', 1]);
  });

  it('is read once where its order goes in circles, and whatever it says that it is', () => {
    const circles = {
      ...parts('<itemref idref="a"/><itemref idref="a"/><itemref idref="nav"/><itemref idref="a"/>', {
        'OPS/a.xhtml': PAGE,
      }),
      mimetype: 'text/plain',
      'OPS/book.opf':
        '<package><metadata/><manifest><item id="a" href="a.xhtml" fallback="b"/><item id="b" href="a.xhtml" fallback="a"/><item id="nav" href="nav.xhtml" properties="nav" fallback="nav"/></manifest><spine toc="nav"><itemref idref="a"/><itemref idref="a"/><itemref idref="nav"/><itemref idref="a"/></spine></package>',
      'OPS/nav.xhtml':
        '<html><body><nav epub:type="toc"><ol><li><a href="nav.xhtml">Contents</a><ol><li><a href="nav.xhtml#top">Contents</a></li></ol></li></ol></nav></body></html>',
    };
    const { text } = arrived('a.epub', packed(circles));
    expect(text.match(/Words of the book\./g)).to.have.length(1);
    expect(text).not.to.include('Contents');
  });

  it('gives its particulars and its cover, and the page of the cover is none of the text', () => {
    const cover = pngOf(30, 48);
    const opf = `<package xmlns:dc="x"><metadata>
      <dc:title id="t">The Weir</dc:title><meta refines="#t" property="title-type">main</meta>
      <dc:title id="s">A River Book</dc:title><meta refines="#s" property="title-type">subtitle</meta>
      <dc:creator id="c">Mina Tolliver</dc:creator><meta refines="#c" property="role">aut</meta>
      <dc:contributor id="d">Odile Brackwater</dc:contributor><meta refines="#d" property="role">trl</meta>
      <dc:contributor id="e">A Printer</dc:contributor><meta refines="#e" property="role">prt</meta>
      <dc:identifier>urn:isbn:9781402894626</dc:identifier><dc:source>urn:isbn:9781402894633</dc:source>
      <dc:publisher>Ninepenny Landing Press</dc:publisher><dc:date>2019-04-01</dc:date><dc:language>en-GB</dc:language>
      <dc:subject>Rivers</dc:subject><dc:subject>Weirs</dc:subject><dc:description>Of water.</dc:description>
      <meta property="belongs-to-collection" id="g">River Books</meta><meta refines="#g" property="group-position">2</meta>
      </metadata><manifest><item id="k" href="cover.png" media-type="image/png" properties="cover-image"/><item id="p" href="cover.xhtml"/><item id="a" href="a.xhtml"/></manifest><spine><itemref idref="p"/><itemref idref="a"/></spine></package>`;
    const bytes = packed({
      ...parts(''),
      'OPS/book.opf': opf,
      'OPS/cover.png': cover,
      'OPS/cover.xhtml': '<html><body><div><img src="cover.png" alt="Cover"/></div></body></html>',
      'OPS/a.xhtml': PAGE,
    });
    const manuscript = taken(readManuscript('a.epub', bytes));
    const { particulars, divisions } = makeBook(manuscript, { bookId: 'b2', fileName: 'a.epub' });
    expect(particulars).to.deep.include({
      ...{ title: 'The Weir', subtitle: 'A River Book', publisher: 'Ninepenny Landing Press', year: '2019' },
      ...{ series: 'River Books, 2', description: 'Of water.', subjects: 'Rivers; Weirs', language: 'en-GB' },
      people: [
        { name: 'Mina Tolliver', role: 'author' },
        { name: 'Odile Brackwater', role: 'translator' },
      ],
    });
    expect([particulars.isbnEbook, particulars.isbnPrint].map((isbn) => isbn.replace(/\D/g, ''))).to.deep.equal([
      '9781402894626',
      '9781402894633',
    ]);
    expect(particulars.cover).to.include({ name: 'cover.png', width: 30, height: 48 });
    expect(manuscript.pictures[particulars.cover!.asset]).to.deep.equal(cover);
    expect(JSON.stringify(divisions)).not.to.include('cover.png');
  });

  it('runs nothing, reaches out for nothing, and stays inside its package', () => {
    const bytes = epub(
      '<h1>One</h1><p>Seen.<script>document.title = 1</script></p><img src="https://elsewhere.invalid/a.png" alt="Far"/><object data="x.swf">inside</object><iframe src="https://elsewhere.invalid/"></iframe><p onclick="run()"><a href="javascript:run()">Words</a></p><p data-index="{broken">Kept.</p>',
    );
    const made = taken(readManuscript('a.epub', bytes));
    const text = JSON.stringify(made.blocks);
    expect(text).to.include('Seen.').and.include('Words').and.include('Kept.');
    expect(text).not.to.match(/javascript:|document\.title|onclick/);
    expect(made.remarks.map(({ what }) => what)).to.include.members([
      'Scripts, forms and embedded objects left out',
      'Links that would run something left out',
    ]);
    expect(Object.keys(made.pictures)).to.deep.equal([]);
  });
});
