// The files that are damaged: small ones of every kind that is read, with all that its reader looks at; those that this program
// writes of the first of them; and kept projects of every format.
import { strToU8, zipSync } from 'fflate';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileBytes, makeBook, readManuscript, writeCopy, writeEpub, writeProject } from '../src/core/index';

export interface CorpusFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

const W = 'xmlns:w="w" xmlns:r="r" xmlns:a="a" xmlns:wp="wp" xmlns:mc="mc" xmlns:v="v" xmlns:pic="pic"';
const zip = (members: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(members).map(([name, text]) => [name, strToU8(text)])));
const p = (text: string, properties = '', run = '') =>
  `<w:p>${properties && `<w:pPr>${properties}</w:pPr>`}<w:r>${run && `<w:rPr>${run}</w:rPr>`}<w:t xml:space="preserve">${text}</w:t></w:r></w:p>`;
const note = (kind: string, id: number) => `<w:r><w:${kind}Reference w:id="${id}"/></w:r>`;

const DOCX = zip({
  'word/document.xml': `<w:document ${W}><w:body>${p('The Weir', '<w:pStyle w:val="Title"/>')}${p('by Odile Brackwater', '<w:pStyle w:val="Author"/>')}${p('One', '<w:pStyle w:val="Heading1"/>')}<w:p><w:pPr><w:jc w:val="center"/><w:numPr><w:ilvl w:val="1"/><w:numId w:val="1"/></w:numPr></w:pPr><w:r><w:t>It began</w:t></w:r>${note('footnote', 2)}<w:ins><w:r><w:rPr><w:i/><w:sz w:val="28"/><w:color w:val="A03020"/><w:rFonts w:ascii="Weir Sans"/></w:rPr><w:t> here “so” it’s</w:t></w:r></w:ins><w:del><w:r><w:delText>gone</w:delText></w:r></w:del>${note('endnote', 2)}<w:r><w:tab/><w:br/><w:br w:type="page"/><w:noBreakHyphen/><w:softHyphen/></w:r><w:hyperlink r:id="r1" w:anchor="x"><w:r><w:t>a link</w:t></w:r></w:hyperlink></w:p><w:tbl><w:tr><w:tc>${p('cell')}</w:tc><w:tc>${p('other')}<w:tbl><w:tr><w:tc>${p('inner')}</w:tc></w:tr></w:tbl></w:tc></w:tr></w:tbl><w:p><w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText> XE "weir:old" </w:instrText></w:r><w:r><w:fldChar w:fldCharType="end"/></w:r><w:r><mc:AlternateContent><mc:Choice><w:drawing><wp:inline><wp:extent cx="914400" cy="457200"/><wp:docPr id="1" name="weir.png" descr="A weir"/><a:blip r:embed="r2"/></wp:inline></w:drawing></mc:Choice></mc:AlternateContent></w:r><w:r><w:pict><w:txbxContent>${p('in a box')}</w:txbxContent></w:pict></w:r></w:p>${p('***')}${p('Two', '<w:pStyle w:val="Heading1"/>')}${p('An unknown style -- so...', '<w:pStyle w:val="Odd"/>', '<w:vertAlign w:val="superscript"/><w:smallCaps/>')}<w:sdt><w:sdtContent>${p('inside')}</w:sdtContent></w:sdt></w:body></w:document>`,
  'word/styles.xml': `<w:styles ${W}><w:docDefaults><w:rPrDefault><w:rPr><w:sz w:val="22"/><w:lang w:val="en-GB"/></w:rPr></w:rPrDefault></w:docDefaults><w:style w:type="paragraph" w:default="1" w:styleId="Normal"><w:name w:val="Normal"/></w:style><w:style w:type="paragraph" w:styleId="Heading1"><w:name w:val="heading 1"/><w:basedOn w:val="Normal"/><w:pPr><w:outlineLvl w:val="0"/></w:pPr></w:style><w:style w:type="paragraph" w:styleId="Odd"><w:name w:val="Odd one"/><w:basedOn w:val="Normal"/><w:pPr><w:ind w:left="720" w:firstLine="360"/><w:spacing w:before="120" w:line="360"/></w:pPr><w:rPr><w:b/></w:rPr></w:style></w:styles>`,
  'word/footnotes.xml': `<w:footnotes ${W}><w:footnote w:type="separator" w:id="0"/><w:footnote w:id="2">${p('A note')}</w:footnote></w:footnotes>`,
  'word/endnotes.xml': `<w:endnotes ${W}><w:endnote w:id="2">${p('An endnote')}</w:endnote></w:endnotes>`,
  'word/numbering.xml': `<w:numbering ${W}><w:abstractNum w:abstractNumId="1"><w:lvl w:ilvl="0"><w:numFmt w:val="decimal"/></w:lvl></w:abstractNum><w:num w:numId="1"><w:abstractNumId w:val="1"/></w:num></w:numbering>`,
  'word/comments.xml': `<w:comments ${W}><w:comment w:id="1" w:author="T. Okonjo-Reyes">${p('why?')}</w:comment></w:comments>`,
  'word/_rels/document.xml.rels':
    '<Relationships><Relationship Id="r1" Target="https://example.org/" TargetMode="External"/><Relationship Id="r2" Target="media/weir.png"/></Relationships>',
  'docProps/core.xml':
    '<cp:coreProperties xmlns:cp="cp" xmlns:dc="dc"><dc:title>The Weir</dc:title><dc:creator>Odile Brackwater; Tamsin Okonjo-Reyes</dc:creator><dc:language>en-GB</dc:language></cp:coreProperties>',
});

const ODT = zip({
  mimetype: 'application/vnd.oasis.opendocument.text',
  'content.xml':
    '<office:document-content><office:automatic-styles><style:style style:name="P1" style:family="paragraph" style:parent-style-name="Standard"><style:paragraph-properties fo:break-before="page" fo:text-align="center"/></style:style><style:style style:name="T1" style:family="text"><style:text-properties fo:font-style="italic" fo:color="#a03020" fo:font-size="9pt"/></style:style></office:automatic-styles><office:body><office:text><text:tracked-changes><text:changed-region><text:deletion/></text:changed-region></text:tracked-changes><text:h text:outline-level="1">One</text:h><text:p text:style-name="P1">It <text:span text:style-name="T1">began<text:s text:c="3"/></text:span><text:tab/>here<text:line-break/><text:note text:note-class="footnote"><text:note-citation>1</text:note-citation><text:note-body><text:p>A note</text:p></text:note-body></text:note><text:a xlink:href="https://example.org/">link</text:a><office:annotation><dc:creator>T.</dc:creator><text:p>why?</text:p></office:annotation></text:p><text:list text:style-name="L1"><text:list-item><text:p>item</text:p><text:list><text:list-item><text:p>deeper</text:p></text:list-item></text:list></text:list-item></text:list><table:table><table:table-header-rows><table:table-row><table:table-cell><text:p>head</text:p></table:table-cell></table:table-row></table:table-header-rows><table:table-row><table:table-cell><text:p>cell</text:p></table:table-cell></table:table-row></table:table><text:section><text:p>in a section</text:p></text:section><text:p><draw:frame svg:width="3cm" svg:height="2cm"><draw:text-box><text:p>boxed</text:p></draw:text-box></draw:frame><draw:frame><draw:image xlink:href="Pictures/a.png"/></draw:frame></text:p></office:text></office:body></office:document-content>',
  'styles.xml':
    '<office:document-styles><office:styles><style:style style:name="Standard" style:family="paragraph"/><text:list-style style:name="L1"><text:list-level-style-number text:level="1"/></text:list-style></office:styles></office:document-styles>',
  'meta.xml':
    '<office:document-meta><office:meta><dc:title>The Weir</dc:title><meta:initial-creator>Odile</meta:initial-creator><dc:language>de</dc:language></office:meta></office:document-meta>',
});

const RTF = strToU8(
  String.raw`{\rtf1\ansi\ansicpg1252\deff0{\fonttbl{\f0 Weir;}{\f1\fcharset2 Symbol;}}{\colortbl;\red160\green48\blue32;}{\stylesheet{\s0 Normal;}{\s1\outlinelevel0 heading 1;}{\s2\qc\b Odd one;}}{\info{\title The Weir}{\author Odile}}\pard\s1 One\par\pard\s2\qc It {\i\cf1\fs28 began} \u8220?so\u8221? \'93x\'94\tab here{\footnote\pard A note\par}{\field{\*\fldinst HYPERLINK "https://example.org/"}{\fldrslt link}}\line more\par\trowd\cellx1000\cellx2000\pard\intbl a\cell b\cell\row\pard{\*\atnauthor T}{\*\annotation why?}{\pict\pngblip\picw10\pich10 89504e47}\ls1\ilvl1 item\par{\v hidden}{\deleted gone}\page end --- so...\par}`,
);

const MARKDOWN = strToU8(
  '---\ntitle: The Weir\nauthor: Odile\nlang: en\n---\n\n# One\n\nIt *began* **here**[^1] with `code` and <u>tags</u>, a [link](https://example.org/) ~~gone~~.\n\n> A quote\n> > deeper\n\n1. one\n   - two\n     - three\n\n| a | b |\n|---|:-:|\n| c | *d* |\n\n![A weir](weir.png "Weir")\n\n***\n\nLine  \nbreak\n\n<div class="verse"><p>html</p></div>\n\n## Two\n\n    pre\n\n[^1]: A note\n\n    goes on\n',
);

const HTML = strToU8(
  '<!doctype html><html lang="en"><head><title>The Weir</title><meta name="author" content="Odile"></head><body><h1>The Weir</h1><nav role="doc-toc"><ol><li><a href="#a">One</a></li></ol></nav><h2 id="a">One</h2><p class="odd">It <i>began</i> <b style="color:red">here</b><a role="doc-noteref" href="#n1">1</a> <a href="javascript:x">bad</a><br>more</p><blockquote><p>Quote</p></blockquote><ul><li>one<ol><li>two</li></ol></li></ul><table><caption>T</caption><thead><tr><th>a</th></tr></thead><tr><td>b<table><tr><td>c</td></tr></table></td></tr></table><figure><img src="data:image/png;base64,iVBORw0KGgo=" alt="A"><figcaption>Fig</figcaption></figure><pre>a\n b</pre><hr><h2>Two</h2><p style="page-break-before: always">x</p><script>1</script><section role="doc-endnotes"><ol><li id="n1" role="doc-endnote"><p>A note <a role="doc-backlink" href="#r">↩</a></p></li></ol></section></body></html>',
);

const TEXT = strToU8(
  'Title: The Weir\nAuthor: Odile\n\nCHAPTER ONE\n\nThe Mill\n\nIt began here, in a line that was ended by\nthe margin of a typewriter and goes on.\n\n   * * *\n\n_Italic_ words -- and so...\n\nCHAPTER II\n\nEnd.\n',
);

/** All of them, by name; `root`: the folder of the project. */
export function makeCorpus(root: string): readonly CorpusFile[] {
  const files: CorpusFile[] = [
    { name: 'a.docx', bytes: DOCX },
    { name: 'a.odt', bytes: ODT },
    { name: 'a.rtf', bytes: RTF },
    { name: 'a.md', bytes: MARKDOWN },
    { name: 'a.html', bytes: HTML },
    { name: 'a.txt', bytes: TEXT },
  ];
  const manuscript = drained(readManuscript('a.docx', DOCX));
  const book = makeBook(manuscript, { bookId: 'b1', fileName: 'a.docx' });
  const fixtures = join(root, 'test/fixtures');
  return [
    ...files,
    { name: 'b.docx', bytes: fileBytes(writeCopy(book, 'docx')) },
    { name: 'b.epub', bytes: fileBytes(writeEpub(book, { date: '2026-11-30T00:00:00Z' })) },
    { name: 'b.walnut', bytes: fileBytes(writeProject(book)) },
    ...readdirSync(fixtures)
      .filter((name) => name.endsWith('.walnut'))
      .map((name) => ({ name, bytes: new Uint8Array(readFileSync(join(fixtures, name))) })),
  ];
}

export function drained<T>(work: Generator<unknown, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
