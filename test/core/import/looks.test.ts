import { expect } from 'chai';
import { Document, Packer, Paragraph as DocxParagraph, TextRun } from 'docx';
import { readManuscript } from '../../../src/core/import';
import { lookInWords } from '../../../src/core/looks/lookInWords';
import type { Manuscript } from '../../../src/core/model/copy/manuscript';
import type { Paragraph, Span } from '../../../src/core/model/copy/streams';
import { compose, newContext } from '../../build/assets';
import { book, chapter } from '../../build/book';
import { odt, taken } from '../../build/incoming';

function read(name: string, content: string | Uint8Array): Manuscript {
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  return taken(readManuscript(name, bytes));
}

/** Words that have touches, with them. */
function touched(manuscript: Manuscript): [string, Span['touches']][] {
  return (manuscript.blocks as readonly Paragraph[]).flatMap(({ text, spans }) =>
    spans.flatMap((span): [string, Span['touches']][] =>
      span.touches === undefined ? [] : [[text.slice(span.from, span.to), span.touches]],
    ),
  );
}

const lookOf = ({ styles }: Manuscript, name: string) => styles.find((style) => style.name === name)!;

describe('faces, sizes and colours by hand', () => {
  const LOCAL = { face: 'Weir Sans', size: 9.5, colour: '#a03020' };
  const sentence = 'A long sentence around it, so that the paragraph has a look of its own: ';

  it('come from a Word document where they differ from the paragraph around', async () => {
    const run = (text: string, own: object = {}) => new TextRun({ text, font: 'Weir Serif', size: 24, ...own });
    const children = [
      new DocxParagraph({
        children: [run(sentence), run('odd', { font: 'Weir Sans', size: 19, color: 'A03020' }), run(' words.')],
      }),
      new DocxParagraph({ children: [run('Wholly of one look.', { color: '000000' })] }),
    ];
    const bytes = new Uint8Array(await Packer.toBuffer(new Document({ sections: [{ children }] })));
    expect(touched(read('a.docx', bytes))).to.deep.equal([['odd', LOCAL]]);
  });

  it('come from an OpenDocument text', () => {
    const made = read(
      'a.odt',
      odt({
        automatic:
          '<style:style style:name="T1" style:family="text"><style:text-properties style:font-name="Weir Sans" fo:font-size="9.5pt" fo:color="#a03020" fo:font-weight="bold"/></style:style>',
        body: `<text:p>${sentence}<text:span text:style-name="T1">odd</text:span></text:p><text:p><text:span text:style-name="T1">Wholly so.</text:span></text:p>`,
      }),
    );
    expect(touched(made)).to.deep.equal([
      ['odd', { ...LOCAL, bold: true }],
      ['Wholly so.', { bold: true }],
    ]);
  });

  it('come from rich text by its tables', () => {
    const made = read(
      'a.rtf',
      `{\\rtf1\\ansi\\deff0{\\fonttbl{\\f0\\froman{\\*\\panose 0202}Weir Serif;}{\\f1\\fswiss Weir Sans{\\*\\falt Other};}}{\\colortbl;\\red0\\green0\\blue0;\\red160\\green48\\blue32;}\\pard\\f0\\fs24\\cf1 ${sentence}{\\f1\\fs19\\cf2\\i odd} words.\\par\\pard\\plain\\f1\\fs19 Wholly so.\\par}`,
    );
    expect((made.blocks as Paragraph[])[0].text).to.equal(`${sentence}odd words.`);
    expect(touched(made)).to.deep.equal([['odd', { ...LOCAL, italic: true }]]);
  });

  it('come from HTML', () => {
    const made = read(
      'a.html',
      `<p>${sentence}<span style="font-family: 'Weir Sans', serif; font-size: 9.5pt; color: rgb(160, 48, 32)">odd</span> and <font face="Weir Sans" color="#A03020">old</font> words.</p>`,
    );
    const { size: _, ...old } = LOCAL;
    expect(touched(made)).to.deep.equal([
      ['odd', LOCAL],
      ['old', old],
    ]);
  });

  it('are set: the size, no larger than the leading, and a face that ships under its name', () => {
    const one = chapter('One', 'Words of several sizes');
    const spans: Span[] = [
      { from: 0, to: 5, touches: { size: 8, face: 'Spectral' } },
      { from: 9, to: 16, touches: { size: 70, face: 'Weir Sans', colour: '#a03020' } },
    ];
    const blocks = [one.blocks[0], { ...(one.blocks[1] as Paragraph), spans }];
    const { pages } = compose(book([{ ...one, blocks }]), newContext());
    const { styled } = pages[0].fragments[pages[0].fragments.length - 1].paragraph;
    const runAt = (at: number) => styled.runs.find((run) => run.from <= at && at < run.to)!;
    expect([runAt(0).size, runAt(0).face]).to.deep.equal([8, 'spectral/400']);
    expect(runAt(10).size).to.equal(styled.style.leading);
    expect([runAt(7).size, runAt(7).face, runAt(10).face]).to.deep.equal([
      styled.style.size,
      'eb-garamond/400',
      'eb-garamond/400',
    ]);
  });
});

describe('styles of a file by their look', () => {
  const style = (id: string, paragraph: string, run = '') =>
    `<w:style w:type="paragraph" w:styleId="${id}"><w:name w:val="${id}"/><w:pPr>${paragraph}</w:pPr><w:rPr>${run}</w:rPr></w:style>`;

  it('say what they are where their name does not', async () => {
    const { unzipSync, zipSync } = await import('fflate');
    const plain = new Document({
      sections: [
        {
          children: ['Head', 'Quote-like', 'Odd'].map(
            (text) => new DocxParagraph({ children: [new TextRun(text)], style: text.replace('-', '') }),
          ),
        },
      ],
    });
    const members = unzipSync(new Uint8Array(await Packer.toBuffer(plain)));
    members['word/styles.xml'] = new TextEncoder().encode(
      `<w:styles xmlns:w="x"><w:docDefaults><w:rPrDefault><w:rPr><w:sz w:val="22"/></w:rPr></w:rPrDefault></w:docDefaults>${style(
        'Head',
        '<w:keepNext/><w:jc w:val="center"/><w:spacing w:before="480" w:after="240" w:line="360" w:lineRule="auto"/>',
        '<w:rFonts w:ascii="Weir Sans"/><w:b/><w:sz w:val="28"/>',
      )}${style('Quotelike', '<w:ind w:left="567" w:right="567" w:hanging="120"/>')}${style('Odd', '<w:ind w:left="200"/>')}</w:styles>`,
    );
    const made = read('a.docx', zipSync(members));
    expect((made.blocks as Paragraph[]).map((block) => block.style)).to.deep.equal(['AH', 'EXT', 'TX']);
    expect(lookOf(made, 'Head').look).to.deep.equal({
      face: 'Weir Sans',
      size: 14,
      bold: true,
      above: 24,
      below: 12,
      leadingLines: 1.5,
      align: 'centre',
      withNext: true,
    });
    expect(lookInWords(lookOf(made, 'Head').look!)).to.equal(
      'Weir Sans, 14 pt, bold, centred, leading × 1.5, above 24 pt, below 12 pt, with the next',
    );
    expect(lookOf(made, 'Quotelike').look).to.deep.equal({ firstIndent: -6, leftIndent: 28.35, rightIndent: 28.35 });
    expect(made.remarks.map(({ what }) => what)).to.deep.equal(['Paragraphs of style “Odd” read as text']);
  });

  it('of OpenDocument and rich text too', () => {
    const opened = read(
      'a.odt',
      odt({
        styles:
          '<style:style style:name="Standard" style:family="paragraph"><style:text-properties fo:font-size="11pt"/></style:style><style:style style:name="Kopf" style:family="paragraph" style:parent-style-name="Standard"><style:paragraph-properties fo:text-align="center" fo:keep-with-next="always" fo:margin-top="0.5cm" fo:line-height="120%"/><style:text-properties fo:font-size="16pt"/></style:style>',
        body: '<text:p text:style-name="Kopf">Head</text:p><text:p text:style-name="Standard">Text</text:p>',
      }),
    );
    expect((opened.blocks as Paragraph[]).map((block) => block.style)).to.deep.equal(['AH', 'TX']);
    const { look } = lookOf(opened, 'Kopf');
    expect(look).to.include({ size: 16, align: 'centre', withNext: true, leadingLines: 1.2 });
    expect(look!.above).to.be.closeTo(14.17, 0.01);
    const rich = read(
      'a.rtf',
      '{\\rtf1{\\fonttbl{\\f0 Weir Serif;}}{\\stylesheet{\\f0\\fs22 Normal;}{\\s5\\qc\\keepn\\b\\fs32\\sb240 Kopf;}{\\s6\\li720\\ri720 Brief;}}\\pard\\s5 Head\\par\\pard\\s6 Letter\\par\\pard Text\\par}',
    );
    expect((rich.blocks as Paragraph[]).map((block) => block.style)).to.deep.equal(['AH', 'EXT', 'TX']);
    expect(lookOf(rich, 'Kopf').look).to.deep.equal({
      align: 'centre',
      withNext: true,
      bold: true,
      size: 16,
      above: 12,
    });
  });
});
