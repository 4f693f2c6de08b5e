import { expect } from 'chai';
import { ImportError } from '../../../src/core/base/errors';
import { DEEPEST_TABLES, MOST_PARAGRAPHS } from '../../../src/core/base/limits';
import { makeBook, readManuscript } from '../../../src/core/import';
import type { Block, Paragraph } from '../../../src/core/model/copy/streams';
import { checkBook } from '../../../src/core/validate';
import { arrived, packed, taken } from '../../build/incoming';
import { projectFile, openProject } from '../../build/files';

const encode = (text: string) => new TextEncoder().encode(text);
const docx = (body: string, more: Record<string, string> = {}) =>
  packed({ 'word/document.xml': `<w:document xmlns:w="w"><w:body>${body}</w:body></w:document>`, ...more });
const odt = (body: string) =>
  packed({
    'content.xml': `<office:document-content><office:body><office:text>${body}</office:text></office:body></office:document-content>`,
  });
const p = (text: string) => `<w:p><w:r><w:t>${text}</w:t></w:r></w:p>`;

/** A book of the file, valid, and the same again by way of a project file. */
function bookOf(name: string, bytes: Uint8Array) {
  const book = makeBook(taken(readManuscript(name, bytes)), { bookId: 'b1', fileName: name });
  expect(checkBook(book)).to.deep.equal(book);
  expect(openProject(projectFile(book), checkBook).book).to.deep.equal(book);
  return book;
}

const tablesDeep = (blocks: readonly Block[]): number =>
  Math.max(
    0,
    ...blocks.map((block) =>
      block.kind === 'table' ? 1 + Math.max(0, ...block.rows.flat().map((cell) => tablesDeep(cell.blocks))) : 0,
    ),
  );
const refusal = (name: string, bytes: Uint8Array): ImportError => {
  try {
    taken(readManuscript(name, bytes));
  } catch (error) {
    if (error instanceof ImportError) return error;
    throw error;
  }
  throw new Error('it was read');
};

describe('files nested without end', () => {
  const nested = (depth: number, open: string, inner: string, close: string) =>
    `${open.repeat(depth)}${inner}${close.repeat(depth)}`;
  const cell = ['<w:tbl><w:tr><w:tc>', '</w:tc></w:tr></w:tbl>'] as const;
  const files: readonly (readonly [string, string, Uint8Array])[] = [
    ['tables 4,000 deep', 'a.docx', docx(p('before') + nested(4000, cell[0], p('inside'), cell[1]) + p('after'))],
    [
      'controls 9,000 deep',
      'a.docx',
      docx(p('before') + nested(9000, '<w:sdt><w:sdtContent>', p('inside'), '</w:sdtContent></w:sdt>') + p('after')),
    ],
    [
      'insertions 9,000 deep',
      'a.docx',
      docx(
        `${p('before')}<w:p>${nested(9000, '<w:ins>', '<w:r><w:t>inside</w:t></w:r>', '</w:ins>')}</w:p>${p('after')}`,
      ),
    ],
    [
      'boxes 3,000 deep',
      'a.docx',
      docx(
        p('before') +
          nested(3000, '<w:p><w:r><w:pict><w:txbxContent>', p('inside'), '</w:txbxContent></w:pict></w:r></w:p>') +
          p('after'),
      ),
    ],
    [
      'tables 4,000 deep',
      'a.odt',
      odt(
        `<text:p>before</text:p>${nested(4000, '<table:table><table:table-row><table:table-cell>', '<text:p>inside</text:p>', '</table:table-cell></table:table-row></table:table>')}<text:p>after</text:p>`,
      ),
    ],
    [
      'lists and spans 9,000 deep',
      'a.odt',
      odt(
        `<text:p>before</text:p>${nested(9000, '<text:list><text:list-item>', '<text:p>in</text:p>', '</text:list-item></text:list>')}<text:p>${nested(9000, '<text:span>', 'side', '</text:span>')}</text:p><text:p>after</text:p>`,
      ),
    ],
    [
      'elements 20,000 deep',
      'a.html',
      encode(`<p>before</p>${nested(20_000, '<div>', 'inside', '</div>')}<p>after</p>`),
    ],
    [
      'tables 2,000 deep',
      'a.html',
      encode(`<p>before</p>${nested(2000, '<table><tr><td>', 'inside', '</td></tr></table>')}<p>after</p>`),
    ],
    ['quotes 20,000 deep', 'a.md', encode(`before\n\n${'>'.repeat(20_000)} inside\n\nafter`)],
    ['list marks 2,600 deep', 'a.md', encode(`before\n\n${'- '.repeat(2600)}inside\n\nafter`)],
    ['emphasis 4,000 deep', 'a.md', encode(`before\n\n${nested(4000, '*a **b ', 'inside', '** *')}\n\nafter`)],
    ['tags that never close', 'a.md', encode(`before\n\nx ${'<b>'.repeat(20_000)} inside\n\nafter`)],
    ['groups 100,000 deep', 'a.rtf', encode(`{\\rtf1 before ${nested(100_000, '{', 'inside', '}')} after\\par}`)],
  ];
  for (const [what, name, bytes] of files)
    it(`keep their text: ${what} in ${name}`, () => {
      const { text, tables } = arrived(name, bytes);
      const all = `${text} ${tables.map((table) => table.text).join(' ')}`.replace(/\s+/g, '');
      for (const words of ['before', 'inside', 'after']) expect(all).to.include(words);
      const { divisions } = bookOf(name, bytes);
      expect(tablesDeep(divisions.flatMap(({ blocks }) => blocks))).to.be.at.most(DEEPEST_TABLES);
    });

  it('say so', () => {
    const { dropped } = arrived('a.docx', docx(nested(40, cell[0], p('inside'), cell[1])));
    expect(dropped.map(({ what }) => what)).to.include('Tables nested too deep read as text');
  });

  it('read notes that refer to notes to the last one', () => {
    const count = 6000;
    const notes = Array.from(
      { length: count },
      (_, k) =>
        `<aside id="n${k}" role="doc-footnote"><p>Note ${k}<a role="doc-noteref" href="#n${k + 1}">x</a></p></aside>`,
    );
    const html = `<p>Text<a role="doc-noteref" href="#n0">1</a></p>${notes.join('')}<aside id="n${count}" role="doc-footnote"><p>The last</p></aside>`;
    expect(arrived('a.html', html).footnotes).to.have.length(count + 1);
    expect(Object.keys(bookOf('a.html', encode(html)).notes)).to.have.length(count + 1);
  });
});

describe('files over the limits', () => {
  it('of a million paragraphs are refused with a sentence', () => {
    const many = '<w:p/>'.repeat(1_000_000);
    expect(refusal('a.docx', docx(p('x') + many))).to.include({ code: 'too-large' });
    expect(refusal('a.odt', odt('<text:p>x</text:p>'.repeat(MOST_PARAGRAPHS + 2))).message).to.match(
      /more than 100,000 paragraphs, so it was not opened\.$/,
    );
    expect(refusal('a.txt', encode('x\n\n'.repeat(MOST_PARAGRAPHS + 2)))).to.include({ code: 'too-large' });
    expect(refusal('a.rtf', encode(`{\\rtf1 ${'x\\par '.repeat(MOST_PARAGRAPHS + 2)}}`))).to.include({
      code: 'too-large',
    });
    expect(refusal('a.html', encode('<br>'.repeat(2_100_000)))).to.include({ code: 'too-large' });
  });

  it('of one part that unpacks to over 64 MB are refused before it is read', () => {
    expect(refusal('a.docx', docx(' '.repeat(65 * 1024 * 1024))).message).to.match(/more than 64 MB/);
  });

  it('may have more paragraphs in one container than a stack holds', () => {
    const inner = p('x').repeat(MOST_PARAGRAPHS - 10);
    expect(arrived('a.docx', docx(`<w:sdt><w:sdtContent>${inner}</w:sdtContent></w:sdt>`)).paragraphs).to.equal(
      MOST_PARAGRAPHS - 10,
    );
  });
});

describe('what a file says', () => {
  it('is brought within what a book can hold', () => {
    const long = 'Author '.repeat(60);
    const styles = `<w:styles xmlns:w="w"><w:style w:type="paragraph" w:styleId="L"><w:name w:val="${'long '.repeat(200)}"/></w:style><w:style w:type="paragraph" w:styleId="E"><w:name w:val=""/></w:style><w:style w:type="paragraph" w:styleId="C"><w:name w:val="constructor"/></w:style></w:styles>`;
    const styled = (id: string) =>
      `<w:p><w:pPr><w:pStyle w:val="${id}"/></w:pPr><w:r><w:rPr><w:sz w:val="99999"/><w:color w:val="zz"/><w:rFonts w:ascii="${'F'.repeat(200)}"/></w:rPr><w:t>words</w:t></w:r></w:p>`;
    const core = `<c xmlns:dc="dc"><dc:title>${'T'.repeat(900)}</dc:title><dc:creator>${long.repeat(3)}; ${'x; '.repeat(90)}</dc:creator><dc:language>__proto__</dc:language></c>`;
    const book = bookOf(
      'a.docx',
      docx(`${styled('L')}${styled('E')}${styled('C')}${p('One two three four five six.')}`, {
        'word/styles.xml': styles,
        'docProps/core.xml': core,
      }),
    );
    expect(book.particulars.title).to.have.length(400);
    expect(book.particulars.people.length).to.be.within(1, 40);
    expect(book.particulars.language).to.equal('en');
  });

  it('has none of the characters that no text has', () => {
    const { divisions } = bookOf('a.rtf', encode(String.raw`{\rtf1 a\u-4?b\u65532?c\u55357?d\u55357?\u56832?e\par}`));
    const [text] = divisions
      .flatMap(({ blocks }) => blocks)
      .map((block) => (block as Paragraph).text)
      .filter((one) => one.startsWith('a'));
    expect(text).to.equal('abc\uFFFDd😀e');
  });

  it('is not looked up among what every object has', () => {
    for (const word of ['constructor', 'toString', 'valueOf', 'hasOwnProperty', '__proto__']) {
      // `\\_` is a hyphen of its own there.
      if (!word.startsWith('_'))
        expect(arrived('a.rtf', `{\\rtf1\\ansi Text \\${word} here\\par}`).text.trim()).to.equal('Text here');
      expect(arrived('a.html', `<p class="${word}">Text <${word}>here</${word}></p>`).text).to.include('here');
      bookOf(
        'a.docx',
        docx(`<w:p><w:pPr><w:pStyle w:val="${word}"/><w:jc w:val="${word}"/></w:pPr><w:r><w:t>words</w:t></w:r></w:p>`),
      );
      bookOf('a.md', encode(`---\nlang: ${word}\n---\n\nText.`));
    }
  });

  it('gives a note that is referred to twice two notes with ids of their own', () => {
    const html =
      '<p>One<a role="doc-noteref" href="#n">1</a> and two<a role="doc-noteref" href="#n">1</a>.</p><aside id="n" role="doc-footnote"><p>Same</p><table><tr><td>c</td></tr></table></aside>';
    const book = bookOf('a.html', encode(html));
    const notes = Object.values(book.notes);
    expect(notes.map(({ blocks }) => (blocks[0] as Paragraph).text)).to.deep.equal(['Same', 'Same']);
    expect(notes[0].blocks[0].id).to.not.equal(notes[1].blocks[0].id);
  });

  it('in an EPUB may lack parts', () => {
    const bytes = packed({
      'META-INF/container.xml': '<container><rootfiles><rootfile full-path="a.opf"/></rootfiles></container>',
      'a.opf':
        '<package><manifest><item id="a"/><item id="b" href="b.xhtml"/><item href="constructor" id="c"/></manifest><spine><itemref idref="a"/><itemref/><itemref idref="c"/><itemref idref="b"/></spine></package>',
      'b.xhtml': '<html><body><p>Text <a href="#%zz">odd</a></p><img src="constructor"/></body></html>',
    });
    expect(arrived('a.epub', bytes).text).to.include('Text odd');
  });
});
