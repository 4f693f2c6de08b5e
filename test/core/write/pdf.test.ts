import { expect } from 'chai';
import { writePressPdf } from '../../../src/core/index';
import { specFromFile } from '../../../src/core/validate';
import { pdfDictionary, PdfFile, pdfName, pdfNumber, pdfText as pdfString } from '../../../src/core/write/pdf/objects';
import { compose, newContext, newSubsetter, textOfPages } from '../../build/assets';
import { book, chapter, division, note, p, words } from '../../build/book';
import { pdfFonts, pdfInfo, pdfText, qpdfCheck } from '../../build/tools';
import { fileBytes } from '../../../src/core/base/fileJob';

const made = {
  ...book(
    [
      division('half-title', []),
      division('title', [p('A Book', 'BT')]),
      chapter('Office', `The *office* waffles. ${words(900, 3)} Affix{1} it.`),
      chapter('Two', words(300, 8)),
    ],
    [note(1, 'A note.')],
  ),
};
const context = newContext();
const composed = compose(made, context);
const write = () => fileBytes(writePressPdf(made, composed, context, newSubsetter(), '2026-01-02T03:04:05Z'));
const bytes = write();

describe('the press PDF of a drop capital of several letters', () => {
  it('is written, with its words whole, though an empty paragraph stands before them', () => {
    const own = book([
      {
        ...chapter('One'),
        blocks: [...chapter('One').blocks, p(''), p('Mississippi steamers came and went all day long. '.repeat(12))],
      },
    ]);
    const set = { ...own, spec: specFromFile({ openers: { dropLines: 3, dropLetters: 4 } }) };
    const file = fileBytes(writePressPdf(set, compose(set, context), context, newSubsetter(), '2026-01-02T03:04:05Z'));
    expect(qpdfCheck(file)).to.include('No syntax or stream encoding errors');
    expect(pdfText(file).replace(/\s+/g, ' ')).to.include('steamers came and went');
  });
});

describe('the press PDF', () => {
  it('is a clean file by an outside check', () =>
    expect(qpdfCheck(bytes)).to.include('No syntax or stream encoding errors'));

  it('has the trim as its boxes, on every page', () => {
    const info = pdfInfo(bytes);
    expect(info).to.match(/Pages:\s+(\d+)/);
    expect(Number(/Pages:\s+(\d+)/.exec(info)![1])).to.equal(composed.pages.length);
    for (const box of ['MediaBox', 'TrimBox']) {
      const found = [...info.matchAll(new RegExp(`${box}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`, 'g'))];
      expect(found.length).to.be.above(0);
      for (const match of found) expect(match.slice(1).map(Number)).to.deep.equal([0, 0, 396, 612]);
    }
  });

  it('has bleed and sheet edge around the trim, mirrored, and the words where they were', () => {
    const mm = (value: number) => ({ pt: (value * 72) / 25.4, unit: 'mm' as const });
    const bleed = { head: mm(3), foot: mm(4), back: mm(1), foreEdge: mm(5) };
    const page = { ...made.spec.page, bleed, sheetEdge: mm(10) };
    const out = fileBytes(
      writePressPdf(
        { ...made, spec: { ...made.spec, page } },
        composed,
        context,
        newSubsetter(),
        '2026-01-02T03:04:05Z',
      ),
    );
    const info = pdfInfo(out);
    const boxesOf = (name: string) =>
      [...info.matchAll(new RegExp(`${name}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`, 'g'))].map((match) =>
        match.slice(1).map((value) => Math.round((Number(value) * 25.4 * 10) / 72) / 10),
      );
    const [width, height] = [139.7, 215.9];
    const near = (found: number[], wished: number[]) =>
      found.forEach((value, k) => expect(value).to.be.closeTo(wished[k], 0.11));
    near(boxesOf('TrimBox')[0], [11, 14, 11 + width, 14 + height]);
    near(boxesOf('BleedBox')[0], [10, 10, 10 + 1 + width + 5, 10 + 4 + height + 3]);
    near(boxesOf('MediaBox')[0], [0, 0, 20 + width + 6, 20 + height + 7]);
    near(boxesOf('TrimBox')[1], [15, 14, 15 + width, 14 + height]);
    expect(pdfText(out)).to.equal(pdfText(bytes));
    expect(qpdfCheck(out)).to.include('No syntax or stream encoding errors');
  });

  it('has title and author in its metadata', () => {
    const info = pdfInfo(bytes);
    expect(info).to.match(/Title:\s+A Book/);
    expect(info).to.match(/Author:\s+A\. Writer/);
    expect(info).to.match(/CreationDate:.*2026/);
  });

  it('embeds every font as a subset with its Unicode map', () => {
    const rows = pdfFonts(bytes).trim().split('\n').slice(2);
    expect(rows.length).to.be.above(1);
    for (const row of rows) {
      expect(row).to.match(/^[A-Z]{6}\+EBGaramond/);
      expect(row).to.match(/yes yes yes/);
    }
  });

  it('gives its text back in order, ligatures and all', () => {
    const squeeze = (text: string) => text.replace(/\u00AD\s*/g, '').replace(/\s+/g, ' ');
    const out = squeeze(pdfText(bytes));
    const body = squeeze(textOfPages(composed));
    // Between pages stand folio and head: words are compared one by one, in order.
    let at = 0;
    for (const word of body.trim().split(' ')) {
      const found = out.indexOf(word, at);
      expect(found, `“${word}” after ${at}`)
        .to.be.at.least(0)
        .and.below(at + 160);
      at = found + word.length;
    }
  });

  it('is the same bytes each time', () => expect(write()).to.deep.equal(bytes));
});

describe('PDF objects', () => {
  it('writes names, texts and numbers as the standard has them', () => {
    expect(pdfName('A B#')).to.equal('/A#20B#23');
    expect(pdfString('é')).to.equal('<FEFF00E9>');
    expect([pdfNumber(1.5), pdfNumber(2), pdfNumber(-0.00001), pdfNumber(0.12345)]).to.deep.equal([
      '1.5',
      '2',
      '0',
      '0.123',
    ]);
    expect(pdfDictionary({ A: '1', B: undefined })).to.equal('<< /A 1 >>');
  });

  it('refuses to write a file with an object that was reserved and never set', () => {
    const file = new PdfFile();
    file.reserve();
    expect(() => fileBytes(file.end({}))).to.throw('never written');
  });
});
