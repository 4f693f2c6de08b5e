// Manuscripts made by an independent library, and parts of .docx files as word processors write them.
import { expect } from 'chai';
import fc from 'fast-check';
import {
  Document,
  EndnoteReferenceRun,
  ExternalHyperlink,
  FootnoteReferenceRun,
  HeadingLevel,
  ImageRun,
  LevelFormat,
  Packer,
  PageBreak,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
} from 'docx';
import { ImportError } from '../../../src/core/base/errors';
import { describeManuscript, IMPORTERS, readManuscript } from '../../../src/core/import';
import { readAsset } from '../../build/assets';
import { arrived, epub, odt, packed, png, taken } from '../../build/incoming';

const WORD = 'xmlns:w="w" xmlns:r="r" xmlns:mc="mc" xmlns:wp="wp" xmlns:a="a" xmlns:wps="wps"';

/** A .docx of a body, its relations, numbering and other parts. */
function document(body: string, parts: Record<string, string | Uint8Array> = {}): Uint8Array {
  return packed({ 'word/document.xml': `<w:document ${WORD}><w:body>${body}</w:body></w:document>`, ...parts });
}

const t = (text: string) => `<w:r><w:t xml:space="preserve">${text}</w:t></w:r>`;

describe('a manuscript of an independent library', () => {
  it('comes in with all its kinds, counted', async () => {
    const made = new Document({
      title: 'The Weir Book',
      creator: 'Mina Tolliver',
      numbering: {
        config: [
          {
            reference: 'count',
            levels: [
              { level: 0, format: LevelFormat.DECIMAL, text: '%1.' },
              { level: 1, format: LevelFormat.LOWER_LETTER, text: '%2)' },
            ],
          },
        ],
      },
      footnotes: { 1: { children: [new Paragraph('A footnote.'), new Paragraph('Its second paragraph.')] } },
      endnotes: {
        1: { children: [new Paragraph({ children: [new TextRun({ text: 'An endnote', italics: true })] })] },
      },
      sections: [
        {
          children: [
            new Paragraph({ text: 'Low Water', heading: HeadingLevel.HEADING_1 }),
            new Paragraph({ text: 'The landing', heading: HeadingLevel.HEADING_2 }),
            new Paragraph({
              children: [
                new TextRun('Plain '),
                new TextRun({ text: 'italic', italics: true }),
                new TextRun({ text: 'bold', bold: true }),
                new TextRun({ text: 'Small', smallCaps: true }),
                new TextRun({ text: '2', superScript: true }),
                new TextRun({ text: '3', subScript: true }),
                new FootnoteReferenceRun(1),
                new EndnoteReferenceRun(1),
                new ExternalHyperlink({ link: 'https://weir.example/', children: [new TextRun('weir')] }),
                new PageBreak(),
              ],
            }),
            new Paragraph({ text: 'first', numbering: { reference: 'count', level: 0 } }),
            new Paragraph({ text: 'inner', numbering: { reference: 'count', level: 1 } }),
            new Paragraph({ text: 'dot', bullet: { level: 0 } }),
            new Table({
              rows: ['a', 'b'].map(
                (name) =>
                  new TableRow({
                    children: ['1', '2'].map((cell) => new TableCell({ children: [new Paragraph(name + cell)] })),
                  }),
              ),
            }),
            new Paragraph({
              children: [
                new ImageRun({
                  type: 'png',
                  data: png(30, 20),
                  transformation: { width: 60, height: 40 },
                  altText: { name: 'p', description: 'The landing', title: '' },
                }),
              ],
            }),
          ],
        },
      ],
    });
    const report = arrived('weir.docx', new Uint8Array(await Packer.toBuffer(made)));
    expect(report).to.include({ title: 'The Weir Book', author: 'Mina Tolliver', lists: 1, pageBreaks: 1 });
    expect(report.headings).to.deep.equal([
      { level: 1, text: 'Low Water' },
      { level: 2, text: 'The landing' },
    ]);
    expect(report.text).to.include('Plain italicboldSmall23weir');
    expect(report.footnotes).to.deep.equal([{ text: 'A footnote.\nIts second paragraph.', paragraphs: 2 }]);
    expect(report.endnotes).to.deep.equal([{ text: 'An endnote', paragraphs: 1 }]);
    expect(report.tables).to.deep.equal([{ rows: 2, columns: 2, text: 'a1\ta2\nb1\tb2' }]);
    expect(report.images.map(({ width, height, alt }) => [width, height, alt])).to.deep.equal([
      [30, 20, 'The landing'],
    ]);
    expect(report.links).to.deep.equal([{ text: 'weir', href: 'https://weir.example/' }]);
    const { italicCharacters, boldCharacters, smallCapitalCharacters, superscriptCharacters, subscriptCharacters } =
      report;
    expect([
      italicCharacters,
      boldCharacters,
      smallCapitalCharacters,
      superscriptCharacters,
      subscriptCharacters,
    ]).to.deep.equal([16, 4, 5, 1, 1]);
  });

  it('keeps which lists count and how deep they are', async () => {
    const made = new Document({
      sections: [{ children: [new Paragraph({ text: 'dot', bullet: { level: 1 } }), new Paragraph('after')] }],
    });
    const manuscript = taken(readManuscript('a.docx', new Uint8Array(await Packer.toBuffer(made))));
    expect(manuscript.blocks.map((block) => (block.kind === 'paragraph' ? (block.list ?? null) : null))).to.deep.equal([
      { level: 1, ordered: false },
      null,
    ]);
  });
});

describe('parts of a Word document', () => {
  it('text boxes come once, after their paragraph, of two ways to draw them one', () => {
    const box = (words: string) => `<w:txbxContent><w:p>${t(words)}</w:p></w:txbxContent>`;
    const drawn = `<mc:AlternateContent><mc:Choice><w:drawing><wps:txbx>${box('In a box')}</wps:txbx></w:drawing></mc:Choice><mc:Fallback><w:pict>${box('In a box')}</w:pict></mc:Fallback></mc:AlternateContent>`;
    const report = arrived(
      'a.docx',
      document(`<w:p>${t('Before')}<w:r>${drawn}</w:r>${t(' after')}</w:p><w:p>${t('Next')}</w:p>`),
    );
    expect(report.text.split('\n')).to.deep.equal(['Before after', 'In a box', 'Next']);
  });

  it('links of fields and of relations lead where they say; nothing inside the file is a link', () => {
    const field = `<w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText> HYPERLINK "https://a.example/" </w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r>${t('one')}<w:r><w:fldChar w:fldCharType="end"/></w:r>`;
    const body = `<w:p>${field}${t(' and ')}<w:hyperlink r:id="r1">${t('two')}</w:hyperlink><w:hyperlink w:anchor="mark">${t('three')}</w:hyperlink></w:p><w:p><w:bookmarkStart w:id="1" w:name="mark"/>${t('Here')}</w:p>`;
    const relations =
      '<Relationships><Relationship Id="r1" Target="https://b.example/" TargetMode="External"/></Relationships>';
    const report = arrived('a.docx', document(body, { 'word/_rels/document.xml.rels': relations }));
    expect(report.links).to.deep.equal([
      { text: 'one', href: 'https://a.example/' },
      { text: 'two', href: 'https://b.example/' },
      { text: 'three', href: '#mark' },
    ]);
  });

  it('page breaks begin the next paragraph, wherever they were set', () => {
    const broken = '<w:r><w:br w:type="page"/></w:r>';
    const body = `<w:p>${t('one')}${broken}</w:p><w:p>${t('two')}</w:p><w:p>${broken}</w:p><w:p>${t('three')}</w:p><w:p><w:pPr><w:pageBreakBefore/></w:pPr>${t('four')}</w:p>`;
    const manuscript = taken(readManuscript('a.docx', document(body)));
    const begins = manuscript.blocks.map((block) => block.kind === 'paragraph' && block.touches?.breakBefore === true);
    expect(begins).to.deep.equal([false, true, false, true, true]);
    expect(manuscript.pageBreaks).to.equal(3);
  });

  it('hidden text and tracked changes are told with their reasons', () => {
    const body = `<w:p>${t('kept')}<w:r><w:rPr><w:vanish/></w:rPr><w:t>hidden</w:t></w:r><w:ins>${t(' added')}</w:ins><w:del><w:r><w:delText>gone</w:delText></w:r></w:del></w:p>`;
    const report = arrived('a.docx', document(body));
    expect(report.text).to.equal('kept added');
    expect(report.dropped.map(({ what, count }) => [what, count])).to.deep.equal([
      ['Hidden text left out', 1],
      ['Insertions taken as accepted', 1],
      ['Deletions taken as accepted', 1],
    ]);
    expect(report.dropped.every((one) => one.why.length > 10)).to.equal(true);
  });
});

describe('damaged manuscripts', () => {
  const encoder = new TextEncoder();
  const whole: Readonly<Record<string, Uint8Array>> = {
    'a.docx': readAsset('demo/the-ferry-register.docx'),
    'a.odt': odt({
      body: '<text:h text:outline-level="1">One</text:h><text:p>Words <text:span>and</text:span> more</text:p>',
    }),
    'a.epub': epub('<h1>One</h1><p>Words</p>'),
    'a.rtf': encoder.encode(
      "{\\rtf1\\ansi{\\stylesheet{\\s1 heading 1;}}\\pard\\s1 One\\par {\\i a}{\\footnote b}\\'e9\\u8212?\\trowd\\intbl c\\cell\\row\\par}",
    ),
    'a.html': encoder.encode(
      '<h1>One</h1><p>Words <i>and</i> <a href="#n">1</a></p><ul><li>x</li></ul><table><tr><td>y</td></tr></table>',
    ),
    'a.md': encoder.encode(
      '# One\n\nWords *and*[^1] `code`\n\n- a\n  - b\n\n| x | y |\n|---|---|\n| 1 | 2 |\n\n[^1]: note\n',
    ),
    'a.txt': encoder.encode('CHAPTER ONE\n\nWords of it.\n'),
  };

  it('of every kind are read, or refused with a sentence, whatever bytes of them are changed', () => {
    expect(IMPORTERS.flatMap((importer) => importer.extensions[0])).to.have.members(
      Object.keys(whole).map((name) => name.slice(1)),
    );
    const change = fc.record({
      name: fc.constantFrom(...Object.keys(whole)),
      at: fc.double({ min: 0, max: 1, noNaN: true }),
      bytes: fc.uint8Array({ minLength: 1, maxLength: 6 }),
      cut: fc.boolean(),
    });
    fc.assert(
      fc.property(change, ({ name, at, bytes, cut }) => {
        const source = whole[name];
        const place = Math.floor(at * (source.length - 1));
        const made = cut ? source.slice(0, place) : source.slice();
        if (!cut) made.set(bytes.slice(0, made.length - place), place);
        try {
          describeManuscript(taken(readManuscript(name, made)));
        } catch (error) {
          expect(error, `${name} at ${place}`).to.be.instanceOf(ImportError);
          expect((error as ImportError).message).to.match(/^[^\n]{10,300}\.$/);
        }
      }),
      { numRuns: 400 },
    );
  });

  it('with paths that lead out, entities from outside and doubled expansion do no harm', () => {
    const outside = '<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]>';
    expect(() =>
      arrived(
        'a.docx',
        packed({
          'word/document.xml': `${outside}<w:document ${WORD}><w:body><w:p>${'<w:r><w:t>&e;</w:t></w:r>'}</w:p></w:body></w:document>`,
        }),
      ),
    ).to.throw(ImportError);
    const laughs = `<!DOCTYPE x [<!ENTITY a "ha"><!ENTITY b "${'&a;'.repeat(50)}">]>`;
    expect(() =>
      arrived(
        'a.odt',
        packed({
          'content.xml': `${laughs}<office:document-content><office:body><office:text><text:p>&b;</text:p></office:text></office:body></office:document-content>`,
        }),
      ),
    ).to.throw(ImportError);
    expect(
      arrived(
        'a.docx',
        packed({
          '../../evil.txt': 'x',
          'word/document.xml': `<w:document ${WORD}><w:body><w:p>${t('safe')}</w:p></w:body></w:document>`,
        }),
      ).text,
    ).to.equal('safe');
  });
});
