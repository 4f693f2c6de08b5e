import { expect } from 'chai';
import { fileBytes } from '../../../src/core/base/fileJob';
import { makeBook, readManuscript } from '../../../src/core/import';
import { linkOfField, Slugs } from '../../../src/core/import/links';
import type { Book } from '../../../src/core/model/copy/book';
import type { Manuscript } from '../../../src/core/model/copy/manuscript';
import type { Block, Paragraph } from '../../../src/core/model/copy/streams';
import { writeCopy } from '../../../src/core/write/copy';
import { writeEpub } from '../../../src/core/write/epub';
import { unzipSync } from 'fflate';
import { checkEpub } from '../../build/epubCheck';
import { epub, odt, packed, taken } from '../../build/incoming';

const bytesOf = (text: string) => new TextEncoder().encode(text);
const read = (name: string, content: string | Uint8Array): Manuscript =>
  taken(readManuscript(name, typeof content === 'string' ? bytesOf(content) : content));
const paragraphs = (blocks: readonly Block[]): Paragraph[] =>
  blocks.flatMap((block) =>
    block.kind === 'paragraph' ? [block] : block.rows.flatMap((row) => row.flatMap((cell) => paragraphs(cell.blocks))),
  );
/** Each link as `words -> words of the paragraph that it leads to`, or its address. */
function led(blocks: readonly Block[], notes: readonly Block[] = []): string[] {
  const all = [...paragraphs(blocks), ...paragraphs(notes)];
  return all.flatMap(({ text, spans }) =>
    spans.flatMap(({ from, to, link }) => {
      if (link === undefined) return [];
      const goal = all.find(({ names = [] }) => names.includes(link.slice(1)));
      return [`${text.slice(from, to)} -> ${link.startsWith('#') ? (goal?.text ?? 'nothing') : link}`];
    }),
  );
}
const lost = ({ remarks }: Manuscript) => remarks.find(({ what }) => what === 'Links that lead nowhere')?.count ?? 0;

const W =
  'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"';
const t = (text: string) => `<w:r><w:t xml:space="preserve">${text}</w:t></w:r>`;
const field = (code: string, text: string) =>
  `<w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText>${code}</w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r>${t(text)}<w:r><w:fldChar w:fldCharType="end"/></w:r>`;

describe('links inside a file', () => {
  it('of a Word document lead to its bookmarks, in paragraphs or between them', () => {
    const body = [
      `<w:p><w:hyperlink w:anchor="mud">${t('to mud')}</w:hyperlink>${t(', ')}${field(' HYPERLINK \\l "salt" ', 'to salt')}</w:p>`,
      `<w:p><w:fldSimple w:instr=" HYPERLINK \\l &quot;mud&quot; ">${t('again')}</w:fldSimple><w:hyperlink w:anchor="gone">${t('gone')}</w:hyperlink></w:p>`,
      `<w:bookmarkStart w:id="1" w:name="mud"/><w:p/><w:p>${t('Of mud.')}</w:p>`,
      `<w:tbl><w:tr><w:tc><w:p>${t('Of ')}<w:bookmarkStart w:id="2" w:name="salt"/>${t('salt.')}</w:p></w:tc></w:tr></w:tbl>`,
      `<w:p><w:bookmarkStart w:id="3" w:name="_unused"/>${t('End.')}</w:p>`,
    ].join('');
    const made = read(
      'a.docx',
      packed({ 'word/document.xml': `<w:document ${W}><w:body>${body}</w:body></w:document>` }),
    );
    expect(led(made.blocks)).to.deep.equal(['to mud -> Of mud.', 'to salt -> Of salt.', 'again -> Of mud.']);
    expect(lost(made)).to.equal(1);
    expect(paragraphs(made.blocks).filter(({ names }) => names !== undefined)).to.have.length(2);
  });

  it('of Markdown lead to headings by their words, and to names in its HTML', () => {
    const made = read(
      'a.md',
      '# Tide\n\n[a](#low-water) [b](#low-water-1) [c](#what-tobit-said) [d](#mark) [e](other.md) [f](#nothing) [g](https://weir.example/)\n\n## Low Water\n\nWords.\n\n## Low Water\n\n<a id="mark"></a>More words.\n\n## What Tobit *said?*\n\nEnd.\n',
    );
    expect(led(made.blocks)).to.deep.equal([
      'a -> Low Water',
      'b -> Low Water',
      'c -> What Tobit said?',
      'd -> More words.',
      'g -> https://weir.example/',
    ]);
    expect(lost(made)).to.equal(2);
    const [first, second] = paragraphs(made.blocks).filter(({ text }) => text === 'Low Water');
    expect([first.names, second.names]).to.deep.equal([['low-water'], ['low-water-1']]);
    const slugs = new Slugs();
    expect(['A B', 'a  b!', 'A b', 'Überfahrt_2'].map((words) => slugs.of(words))).to.deep.equal([
      ...['a-b', 'a--b', 'a-b-1', 'überfahrt_2'],
    ]);
  });

  it('of a web page lead to ids of any element and names of anchors', () => {
    const made = read(
      'a.html',
      '<h1>Tide</h1><p><a href="#x">a</a> <a href="#y%20z">b</a> <a href="#div">c</a> <a href="b.html#x">d</a> <a href="www.weir.example">e</a> <a href="">f</a></p><div id="div"><h2>Mud</h2><p>Deep <span id="x">mud</span>.</p></div><a name="y z"></a><p>Salt.</p>',
    );
    expect(led(made.blocks)).to.deep.equal([
      'a -> Deep mud.',
      'b -> Salt.',
      'c -> Mud',
      'e -> http://www.weir.example',
    ]);
    expect(lost(made)).to.equal(1);
  });

  it('of an EPUB lead from file to file, to its ids or its beginning', () => {
    const made = read(
      'a.epub',
      epub(
        '<h1 id="h">One</h1><p><a href="t1.xhtml">to two</a> <a href="../text/t1.xhtml#h">to its head</a> <a href="#h">here</a> <a href="none.xhtml">gone</a></p>',
        '<p>Before.</p><h1 id="h">Two</h1>',
      ),
    );
    expect(led(made.blocks)).to.deep.equal(['to two -> Before.', 'to its head -> Two', 'here -> One']);
    expect(lost(made)).to.equal(1);
  });

  it('of rich text and OpenDocument text lead to bookmarks, reference marks and headings', () => {
    const rtf =
      '{\\rtf1 {\\field{\\*\\fldinst HYPERLINK \\\\l "mud"}{\\fldrslt to mud}}\\par Plain.\\par {\\*\\bkmkstart mud}Of mud.{\\*\\bkmkend mud}\\par}';
    expect(led(read('a.rtf', rtf).blocks)).to.deep.equal(['to mud -> Of mud.']);
    const link = (href: string, words: string) => `<text:a xlink:href="${href}">${words}</text:a>`;
    const body = `<text:p>${link('#mud', 'a')}${link('#salt', 'b')}${link('#1.2.Low Water|outline', 'c')}${link('#T|table', 'd')}</text:p><text:p><text:bookmark text:name="mud"/>Mud.</text:p><text:p>Of <text:reference-mark-start text:name="salt"/>salt.</text:p><text:h text:outline-level="1">Low Water</text:h>`;
    const made = read('a.odt', odt({ body }));
    expect(led(made.blocks)).to.deep.equal(['a -> Mud.', 'b -> Of salt.', 'c -> Low Water']);
    expect(lost(made)).to.equal(1);
  });

  it('reads what a field says', () => {
    expect(linkOfField(' HYPERLINK "https://weir.example/a b" \\o "tip" ')).to.equal('https://weir.example/a b');
    expect(linkOfField('HYPERLINK \\l "mud" \\h')).to.equal('#mud');
    expect(linkOfField('HYPERLINK https://weir.example/')).to.equal('https://weir.example/');
    expect(linkOfField('HYPERLINK')).to.equal(undefined);
    expect(linkOfField('PAGEREF mud \\h')).to.equal(undefined);
  });

  const book = (): Book =>
    makeBook(
      read(
        'a.md',
        '# Tide\n\n## One\n\nSee [two](#two), [the mark](#mark) and [a note](#in-note).[^1]\n\n## Two\n\nWords. <a id="mark"></a>\n\n| a |\n|---|\n| <a id="cell"></a>Cell, [back](#one) |\n\n[^1]: <a id="in-note"></a>A note that [leads back](#one).\n\nTo [the cell](#cell).\n',
      ),
      { bookId: 'b', fileName: 'a.md' },
    );
  const expected = [
    'two -> Two',
    'the mark -> Words. ',
    'a note -> A note that leads back.',
    'back -> One',
    'the cell -> Cell, back',
    'leads back -> One',
  ];
  const ledIn = ({ divisions, notes }: Pick<Book, 'divisions' | 'notes'>) =>
    led(
      divisions.flatMap(({ blocks }) => blocks),
      Object.values(notes).flatMap(({ blocks }) => blocks),
    );

  it('go out with every copy and come back', () => {
    const made = book();
    const trimmed = (list: readonly string[]) => list.map((one) => one.trim()).sort();
    expect(trimmed(ledIn(made))).to.deep.equal(trimmed(expected));
    for (const kind of ['docx', 'html', 'md'] as const) {
      const back = makeBook(read(`a.${kind}`, fileBytes(writeCopy(made, kind, new Set()))), {
        bookId: 'c',
        fileName: 'a',
      });
      expect(trimmed(ledIn(back)), kind).to.deep.equal(trimmed(expected));
    }
  });

  it('are links of the EPUB, and words where their place is gone', () => {
    const made = book();
    const gone = JSON.parse(JSON.stringify(made).replace('"names":["mark"]', '"names":["other"]')) as Book;
    for (const [one, count] of [
      [made, 6],
      [gone, 5],
    ] as const) {
      const bytes = fileBytes(writeEpub(one, { date: '2026-01-01T00:00:00Z' }));
      const files = Object.entries(unzipSync(bytes)).filter(([name]) => /d\d+\.xhtml$|notes\.xhtml$/.test(name));
      const links = files.flatMap(
        ([, file]) => new TextDecoder().decode(file).match(/<a href="[^"]*#b-[^"]*">/g) ?? [],
      );
      expect(links).to.have.length(count);
      checkEpub(`links ${count}`, bytes);
    }
  });
});
