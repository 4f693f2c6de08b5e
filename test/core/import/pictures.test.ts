import { expect } from 'chai';
import { cleanSvg } from '../../../src/core/base/images/svg';
import { unzipSync } from 'fflate';
import { Document, ImageRun, Packer, Paragraph as DocxParagraph, TextRun } from 'docx';
import { makeBook, readManuscript } from '../../../src/core/import';
import { toBase64 } from '../../../src/core/base/base64';
import { picturesOf } from '../../../src/core/model/copy/book';
import type { Manuscript } from '../../../src/core/model/copy/manuscript';
import { picturesIn } from '../../../src/core/model/copy/holders';
import type { PictureObject } from '../../../src/core/model/copy/streams';
import { epub, odt, packed, taken } from '../../build/incoming';
import { jpegOf, pngOf } from '../../build/pictures';

const PNG = pngOf(40, 20);
const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');

function read(name: string, content: string | Uint8Array): { manuscript: Manuscript; pictures: PictureObject[] } {
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  const manuscript = taken(readManuscript(name, bytes));
  return { manuscript, pictures: manuscript.blocks.flatMap(picturesIn) };
}

/** The only picture, whose bytes are those that went in. */
function onlyPicture({ manuscript, pictures }: ReturnType<typeof read>, bytes = PNG): PictureObject {
  expect(pictures).to.have.length(1);
  expect(manuscript.pictures[pictures[0].asset]).to.deep.equal(bytes);
  return pictures[0];
}

describe('pictures that come in', () => {
  it('from a Word document, with their words and the size at which it shows them', async () => {
    const document = new Document({
      sections: [
        {
          children: [
            new DocxParagraph({
              children: [
                new TextRun('Before '),
                new ImageRun({
                  type: 'png',
                  data: PNG,
                  transformation: { width: 96, height: 48 },
                  altText: { name: 'weir.png', description: 'The weir in May', title: '' },
                }),
                new TextRun(' after'),
              ],
            }),
          ],
        },
      ],
    });
    const came = read('a.docx', new Uint8Array(await Packer.toBuffer(document)));
    const made = onlyPicture(came);
    expect(made).to.include({ at: 7, format: 'png', width: 40, height: 20, alt: 'The weir in May' });
    expect([made.shownWidth, made.shownHeight]).to.deep.equal([72, 36]);
    expect((came.manuscript.blocks[0] as { text: string }).text).to.equal('Before \uFFFC after');
    expect(came.manuscript.images[0]).to.include({ width: 40, height: 20, alt: 'The weir in May' });
    expect(picturesOf(makeBook(came.manuscript, { bookId: 'b1', fileName: 'a.docx' }))).to.deep.equal([made.asset]);
  });

  it('from an OpenDocument text, in a paragraph and beside one', () => {
    const frame = (path: string) =>
      `<draw:frame svg:width="2.54cm" svg:height="1.27cm"><draw:image xlink:href="${path}"/><svg:desc>A weir</svg:desc></draw:frame>`;
    const came = read(
      'a.odt',
      odt({
        body: `<text:p>Text ${frame('Pictures/a.png')}</text:p>${frame('Pictures/a.png')}`,
        files: { 'Pictures/a.png': PNG },
      }),
    );
    expect(came.pictures).to.have.length(2);
    for (const one of came.pictures) expect(one).to.include({ name: 'a.png', alt: 'A weir', shownWidth: 72 });
    expect(Object.keys(came.manuscript.pictures)).to.have.length(1);
  });

  it('from rich text, in hexadecimal digits and as bytes, whatever its groups hold besides', () => {
    const pict = (data: string) =>
      `{\\*\\shppict{\\pict{\\*\\picprop{\\sp{\\sn fade}{\\sv 1}}}\\pngblip\\picw40\\pich20\\picwgoal1440\\pichgoal720 {\\*\\blipuid abcdef}${data}}}`;
    const came = read('a.rtf', `{\\rtf1 One ${pict(hex(PNG).replace(/(.{30})/g, '$1\n'))} two.\\par}`);
    expect(onlyPicture(came)).to.include({ format: 'png', width: 40, shownWidth: 72, shownHeight: 36 });
    const latin = (text: string) => Uint8Array.from(text, (char) => char.charCodeAt(0));
    const binary = Uint8Array.from([
      ...latin(`{\\rtf1 One {\\pict\\jpegblip\\bin${jpegOf(8, 8).length} `),
      ...jpegOf(8, 8),
      ...latin('} two.\\par}'),
    ]);
    expect(onlyPicture(read('b.rtf', binary), jpegOf(8, 8))).to.include({ format: 'jpeg', width: 8, height: 8 });
  });

  it('from HTML and Markdown, where the file itself holds them', () => {
    const address = `data:image/png;base64,${toBase64(PNG)}`;
    const html = read(
      'a.html',
      `<p>One</p><figure><img src="${address}" alt="A weir"><figcaption>The weir.</figcaption></figure>`,
    );
    expect(onlyPicture(html).alt).to.equal('A weir');
    expect(html.manuscript.blocks.map(({ style }) => style)).to.deep.equal(['TX', 'TX', 'CAP']);
    expect(onlyPicture(read('a.md', `One\n\n![A weir][w]\n\n[w]: ${address}\n`)).alt).to.equal('A weir');
  });

  it('from an EPUB, by the place of the text that shows them', () => {
    const bytes = epub('<h1>One</h1><p>Text</p><p><img src="../img/a%20b.png" alt="A"/></p>');
    const members = { ...unzipSync(bytes), 'OPS/img/a b.png': PNG };
    expect(onlyPicture(read('a.epub', packed(members)))).to.include({ name: 'a%20b.png', alt: 'A', width: 40 });
  });

  it('keep their place when the file only refers to them', () => {
    const { manuscript, pictures } = read('a.md', 'One\n\n![The *weir*](img/weir.png)\n\nTwo');
    expect(pictures).to.have.length(1);
    expect(pictures[0]).to.include({ asset: '', name: 'weir.png', alt: 'The weir', format: 'other' });
    expect(manuscript.remarks.map(({ what }) => what)).to.deep.equal(['Pictures that are not in the file']);
  });

  it('are nothing but bytes: a hostile picture runs nothing and leads nowhere', () => {
    const svg = 'data:image/svg+xml;base64,' + toBase64(new TextEncoder().encode('<svg onload="x()"/>'));
    const drawing = read('a.html', `<p>One<img src="${svg}" onerror="x()"></p>`);
    expect(onlyPictureFormat(drawing)).to.equal('svg');
    // It is kept as it came; what is drawn and written of it is cleaned.
    const bytes = drawing.manuscript.pictures[drawing.pictures[0].asset];
    expect(cleanSvg(new TextDecoder().decode(bytes))).to.equal('<svg xmlns="http://www.w3.org/2000/svg"/>');
    const far = read('a.html', '<p>One<img src="https://far.example/x.png"></p>');
    expect(far.pictures[0]).to.include({ asset: '', name: 'x.png' });
    expect(Object.keys(far.manuscript.pictures)).to.deep.equal([]);
  });
});

const onlyPictureFormat = ({ pictures }: ReturnType<typeof read>) => pictures[0].format;
