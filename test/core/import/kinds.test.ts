import { expect } from 'chai';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { ImportError } from '../../../src/core/base/errors';
import { makeBook, readManuscript } from '../../../src/core/import';
import { arrived, epub, odt, packed, png, taken } from '../../build/incoming';

const fails = (name: string, content: string | Uint8Array, code: string) =>
  expect(() => arrived(name, content))
    .to.throw(ImportError)
    .with.property('code', code);

describe('reading Markdown', () => {
  const text = `---
title: "The Weir Book"
author: Mina Tolliver
lang: en-GB
---

# The Weir Book

## Low Water

The first *boat* came **down** before it was *light*.[^1] See [the *weir*](https://weir.example/a "x")
and go on.\\
A new line, <sub>2</sub> and <script>alert(1)</script> H~2~O.

> A letter.

1. one
2. two
   - inner

| Day | Level |
|-----|------:|
| One | 12.5  |

![The landing](pics/landing.png)

* * *

## High Water

It rained.[^b]

[^1]: Nobody *saw* it.

    A second paragraph.
[^b]: Nine days.
`;
  const report = arrived('book.md', text);

  it('finds what a page of its kind says', () => {
    expect(report).to.include({ title: 'The Weir Book', author: 'Mina Tolliver', language: 'en-GB', lists: 1 });
    expect(report.headings.map(({ level, text: words }) => `${level} ${words}`)).to.deep.equal([
      '1 The Weir Book',
      '2 Low Water',
      '2 High Water',
    ]);
    expect(report.footnotes).to.deep.equal([
      { text: 'Nobody saw it.\nA second paragraph.', paragraphs: 2 },
      { text: 'Nine days.', paragraphs: 1 },
    ]);
    expect(report.tables).to.deep.equal([{ rows: 2, columns: 2, text: 'Day\tLevel\nOne\t12.5' }]);
    expect(report.images).to.deep.equal([{ name: 'landing.png', width: 0, height: 0, alt: 'The landing' }]);
    expect(report.links).to.deep.equal([{ text: 'the weir', href: 'https://weir.example/a' }]);
    expect([report.italicCharacters, report.boldCharacters, report.subscriptCharacters]).to.deep.equal([16, 4, 1]);
    expect(report.text).to.include('and go on. A new line, 2 and H~2~O.');
    expect(report.text).to.not.include('alert');
  });

  it('takes a lone first heading for the title, and those below it for the chapters', () => {
    const made = makeBook(taken(readManuscript('book.md', new TextEncoder().encode(text))), {
      bookId: 'b1',
      fileName: 'book.md',
    });
    expect(made.particulars.title).to.equal('The Weir Book');
    expect(made.divisions.filter((division) => division.role === 'chapter')).to.have.length(2);
  });
});

describe('reading HTML', () => {
  const page = (body: string, head = '') =>
    `<!doctype html><html lang="fr"><head>${head}</head><body>${body}</body></html>`;

  it('reads looks, lists, quotations, breaks and metadata, and lets nothing run', () => {
    const report = arrived(
      'a.html',
      page(
        '<h1>Un</h1><p onclick="x()">Le <i>premier</i> <b>bateau<i>x</i></b> <span style="font-variant:small-caps">bas</span><sup>2</sup><br>ligne</p>' +
          '<script>bad()</script><iframe src="http://x.example/"></iframe><blockquote><p>Cité</p></blockquote><ul><li>a<ul><li>b</li></ul></li></ul>' +
          '<a href="javascript:bad()">mots</a><p>x<del>gone</del><ins>y</ins></p><hr><p class="verse">vers</p>',
        '<title> Le  livre </title><meta name="author" content="M. Tolliver">',
      ),
    );
    expect(report).to.include({
      title: 'Le livre',
      author: 'M. Tolliver',
      language: 'fr',
      lists: 1,
      smallCapitalCharacters: 3,
    });
    expect(report.text.split('\n')).to.deep.equal([
      'Un',
      'Le premier bateaux bas2 ligne',
      'Cité',
      'a',
      'b',
      'mots',
      'xy',
      '* * *',
      'vers',
    ]);
    expect(report.links).to.deep.equal([]);
    expect(report.styles.find((style) => style.name === 'verse')!.mappedTo).to.equal('VRS');
    expect(report.dropped.map((one) => one.what)).to.include.members([
      'Scripts, forms and embedded objects left out',
      'Links that would run something left out',
      'Deletions taken as accepted',
    ]);
  });

  it('takes notes by their role, and gives a note that is referred to twice two places', () => {
    const report = arrived(
      'a.html',
      page(
        '<p>One<a href="#n1" role="doc-noteref">1</a> two<a href="#n1" role="doc-noteref">1</a> three<a href="#e1">2</a></p>' +
          '<section role="doc-endnotes" class="endnotes"><ol><li id="e1"><p>End <a href="#r" role="doc-backlink">↩</a></p></li></ol></section>' +
          '<aside id="n1" role="doc-footnote">Foot</aside>',
      ),
    );
    expect(report.text).to.equal('One two three');
    expect(report.footnotes.map((note) => note.text)).to.deep.equal(['Foot', 'Foot']);
    expect(report.endnotes.map((note) => note.text)).to.deep.equal(['End']);
  });

  it('reads tags nested thousands deep', () => {
    const deep = `${'<div>'.repeat(20_000)}words${'</div>'.repeat(20_000)}`;
    expect(arrived('a.html', deep).text).to.equal('words');
  });
});

describe('reading OpenDocument text', () => {
  const automatic =
    '<style:style style:name="T1" style:family="text"><style:text-properties fo:font-style="italic"/></style:style>' +
    '<style:style style:name="T2" style:family="text"><style:text-properties fo:font-weight="bold" fo:font-variant="small-caps"/></style:style>' +
    '<style:style style:name="T3" style:family="text"><style:text-properties style:text-position="super 58%"/></style:style>' +
    '<style:style style:name="P1" style:family="paragraph" style:parent-style-name="Quotations"><style:paragraph-properties fo:break-before="page"/></style:style>' +
    '<text:list-style style:name="L1"><text:list-level-style-number/><text:list-level-style-bullet/></text:list-style>';
  const report = arrived(
    'a.odt',
    odt({
      automatic,
      styles:
        '<style:style style:name="Heading_20_1" style:display-name="Heading 1" style:family="paragraph"/><style:style style:name="Quotations" style:family="paragraph"/>',
      meta: '<dc:title>The Weir Book</dc:title><meta:initial-creator>Mina Tolliver</meta:initial-creator><dc:language>en-GB</dc:language>',
      files: { 'Pictures/one.png': png(40, 30) },
      body:
        '<text:tracked-changes><text:changed-region><text:deletion><text:p>gone</text:p></text:deletion></text:changed-region></text:tracked-changes>' +
        '<text:h text:style-name="Heading_20_1" text:outline-level="1">One</text:h>' +
        '<text:p>A <text:span text:style-name="T1">boat</text:span><text:s text:c="2"/>x<text:tab/>y<text:line-break/>z <text:span text:style-name="T2">Caps</text:span><text:span text:style-name="T3">2</text:span>' +
        '<text:note text:note-class="footnote"><text:note-citation>1</text:note-citation><text:note-body><text:p>Foot <text:span text:style-name="T1">note</text:span></text:p></text:note-body></text:note>' +
        '<text:note text:note-class="endnote"><text:note-body><text:p>End</text:p></text:note-body></text:note><office:annotation><text:p>comment</text:p></office:annotation></text:p>' +
        '<text:p text:style-name="P1">Quoted</text:p>' +
        '<text:list text:style-name="L1"><text:list-item><text:p>first</text:p><text:list><text:list-item><text:p>inner</text:p></text:list-item></text:list></text:list-item></text:list>' +
        '<table:table><table:table-header-rows><table:table-row><table:table-cell><text:p>a</text:p></table:table-cell><table:table-cell><text:p>b</text:p></table:table-cell></table:table-row></table:table-header-rows></table:table>' +
        '<text:p>See <text:a xlink:href="https://weir.example/">weir</text:a><draw:frame><draw:image xlink:href="Pictures/one.png"/><svg:desc>The landing</svg:desc></draw:frame></text:p>' +
        '<text:table-of-content><text:index-body><text:p>One 1</text:p></text:index-body></text:table-of-content>',
    }),
  );

  it('finds everything that a text of its kind holds', () => {
    expect(report).to.include({
      title: 'The Weir Book',
      author: 'Mina Tolliver',
      language: 'en-GB',
      lists: 1,
      pageBreaks: 1,
    });
    expect(report.headings).to.deep.equal([{ level: 1, text: 'One' }]);
    expect(report.text.split('\n')).to.deep.equal([
      'One',
      'A boat  x\ty z Caps2',
      'Quoted',
      'first',
      'inner',
      'a',
      'b',
      'See weir',
    ]);
    expect(report.footnotes).to.deep.equal([{ text: 'Foot note', paragraphs: 1 }]);
    expect(report.endnotes).to.deep.equal([{ text: 'End', paragraphs: 1 }]);
    expect(report.images).to.deep.equal([{ name: 'one.png', width: 40, height: 30, alt: 'The landing' }]);
    expect(report.tables).to.deep.equal([{ rows: 1, columns: 2, text: 'a\tb' }]);
    expect(report.links).to.deep.equal([{ text: 'weir', href: 'https://weir.example/' }]);
    expect([report.italicCharacters, report.smallCapitalCharacters, report.superscriptCharacters]).to.deep.equal([
      8, 4, 1,
    ]);
    expect(report.styles.find((style) => style.name === 'Quotations')!.mappedTo).to.equal('EXT');
    expect(report.dropped.map((one) => one.what)).to.include.members([
      'Deletions taken as accepted',
      'Comments left out',
      'Contents list or index left out',
    ]);
  });
});

describe('reading rich text', () => {
  const rtf = (body: string) =>
    `{\\rtf1\\ansi\\ansicpg1252{\\fonttbl{\\f0 Times;}}{\\stylesheet{\\s0 Normal;}{\\s1 heading 1;}{\\s2 Quote;}}{\\info{\\title The Weir Book}{\\author Mina Tolliver}}${body}}`;

  it('finds everything that a file of its kind holds', () => {
    const report = arrived(
      'a.rtf',
      rtf(
        "\\pard\\s1 One\\par\\pard\\s0 A {\\i boat} \\b down\\b0  caf\\'e9 \\u8212?x{\\footnote \\pard {\\super\\chftn } A {\\i note}.\\par Second.} {\\scaps Small}{\\sub 2}\\tab y\\line z\\par" +
          '\\pard\\page\\s2 Quoted\\par\\trowd\\pard\\intbl a\\cell b\\cell\\row\\trowd\\pard\\intbl c\\cell d\\cell\\row' +
          '\\pard {\\field{\\*\\fldinst HYPERLINK "https://weir.example/"}{\\fldrslt weir}} after{\\footnote\\ftnalt End}\\par' +
          '{\\pntext\\bullet\\tab}\\pard\\ls1 item\\par\\pard {\\v hidden}{\\deleted gone}{\\pict\\pngblip\\picw12\\pich9 89504e47}last{\\*\\annotation note}\\par',
      ),
    );
    expect(report).to.include({ title: 'The Weir Book', author: 'Mina Tolliver', pageBreaks: 1, lists: 1 });
    expect(report.text.split('\n')).to.deep.equal([
      'One',
      'A boat down café —x Small2\ty z',
      'Quoted',
      'a',
      'b',
      'c',
      'd',
      'weir after',
      'item',
      'last',
    ]);
    expect(report.footnotes).to.deep.equal([{ text: 'A note.\nSecond.', paragraphs: 2 }]);
    expect(report.endnotes).to.deep.equal([{ text: 'End', paragraphs: 1 }]);
    expect(report.tables).to.deep.equal([{ rows: 2, columns: 2, text: 'a\tb\nc\td' }]);
    expect(report.links).to.deep.equal([{ text: 'weir', href: 'https://weir.example/' }]);
    expect(report.images).to.deep.equal([{ name: 'picture 1', width: 12, height: 9, alt: '' }]);
    expect([
      report.italicCharacters,
      report.boldCharacters,
      report.smallCapitalCharacters,
      report.subscriptCharacters,
    ]).to.deep.equal([8, 4, 5, 1]);
  });

  it('decodes other code pages, and characters with their replacements', () => {
    const greek = "{\\rtf1\\ansi\\ansicpg1253 \\'e1\\'e2\\par\\uc2\\u8364 EUx\\uc0\\u945y\\par}";
    expect(arrived('a.rtf', greek).text).to.equal('αβ\n€xαy');
  });

  it('reads ten thousand nested groups, and says of what is none that it is none', () => {
    expect(arrived('a.rtf', `{\\rtf1 ${'{'.repeat(10_000)}words${'}'.repeat(10_000)}}`).text).to.equal('words');
    fails('a.rtf', 'plain words', 'not-a-document');
    fails('a.rtf', packed({ a: 'b' }), 'not-a-document');
  });
});

describe('reading an EPUB', () => {
  it('takes the texts of its spine in order, notes of other files included, its contents list left out', () => {
    const report = arrived(
      'a.epub',
      epub(
        '<h1>One</h1><p>Text<a epub:type="noteref" href="t1.xhtml#n1">1</a><a id="x"/> more.</p><img src="../img/a.png" alt="A"/>',
        '<h1>Two</h1><p>End.</p><aside epub:type="footnote" id="n1"><p>A note.</p></aside>',
      ),
    );
    expect(report).to.include({ title: 'The Weir Book', author: 'Mina Tolliver', language: 'en-GB' });
    expect(report.text).to.equal('One\nText more.\n\nTwo\nEnd.');
    expect(report.footnotes.map((note) => note.text)).to.deep.equal(['A note.']);
    expect(report.images).to.deep.equal([{ name: 'a.png', width: 0, height: 0, alt: 'A' }]);
  });

  it('is refused when it is a zip of something else', () => {
    fails('a.epub', packed({ 'x.txt': 'x' }), 'not-a-document');
    fails('a.odt', packed({ 'x.txt': 'x' }), 'not-a-document');
    fails('a.odt', 'words', 'not-a-document');
    fails('a.md', packed({ x: 'y' }), 'not-a-document');
  });
});

describe('comments of other kinds of files', () => {
  it('are notes to the typesetter at their paragraphs', () => {
    const annotation =
      '<office:annotation><dc:creator>Mina Tolliver</dc:creator><text:p>Is this</text:p><text:p>a date?</text:p></office:annotation>';
    const files: [string, Uint8Array][] = [
      ['a.odt', odt({ body: `<text:p>First.</text:p><text:p>Second${annotation} one.</text:p>` })],
      [
        'a.rtf',
        new TextEncoder().encode(
          '{\\rtf1\\ansi First.\\par Second{\\*\\atnid MT}{\\*\\atnauthor Mina Tolliver}\\chatn{\\*\\annotation \\pard Is this {\\i a} date?} one.\\par}',
        ),
      ],
    ];
    for (const [name, bytes] of files) {
      const manuscript = taken(readManuscript(name, bytes));
      const second = manuscript.blocks[1] as Paragraph;
      expect(second.text, name).to.equal('Second one.');
      expect(manuscript.comments, name).to.deep.equal([
        { block: second.id, who: 'Mina Tolliver', text: 'Is this a date?' },
      ]);
    }
  });
});
