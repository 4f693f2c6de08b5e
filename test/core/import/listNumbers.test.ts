import { expect } from 'chai';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import { readManuscript } from '../../../src/core/import';
import { numbersOfMark } from '../../../src/core/import/listNumbers';
import { ListMarks } from '../../../src/core/numbering/listMarks';
import type { Block, Paragraph } from '../../../src/core/model/copy/streams';
import { writeCopy } from '../../../src/core/write/copy';
import { fileBytes } from '../../../src/core/base/fileJob';
import { book, chapter, p } from '../../build/book';
import { odt, taken } from '../../build/incoming';

const bytesOf = (text: string) => new TextEncoder().encode(text);
const blocksOf = (name: string, bytes: Uint8Array) => taken(readManuscript(name, bytes)).blocks as Paragraph[];

/** The marks that the items come to in a book, `-` for what is none. */
function marksOf(blocks: readonly Block[]): string {
  const marks = new ListMarks({ ordered: ['arabic'], bullets: ['•'] }, 'en');
  return blocks.flatMap((block) => (block.kind === 'paragraph' ? [marks.next(block) ?? '-'] : [])).join(' ');
}

const W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';

/** A Word document with two numberings of one list, and one that begins again at 7. */
function numbered(body: string): Uint8Array {
  const level = (k: number, start = 1) =>
    `<w:lvl w:ilvl="${k}"><w:start w:val="${start}"/><w:numFmt w:val="decimal"/></w:lvl>`;
  const numbering = `<w:numbering ${W}><w:abstractNum w:abstractNumId="0">${level(0)}${level(1)}</w:abstractNum><w:abstractNum w:abstractNumId="1">${level(0, 4)}</w:abstractNum>
    <w:num w:numId="1"><w:abstractNumId w:val="0"/></w:num><w:num w:numId="2"><w:abstractNumId w:val="0"/><w:lvlOverride w:ilvl="0"><w:startOverride w:val="7"/></w:lvlOverride></w:num><w:num w:numId="3"><w:abstractNumId w:val="1"/></w:num></w:numbering>`;
  return zipSync({
    'word/document.xml': bytesOf(`<w:document ${W}><w:body>${body}</w:body></w:document>`),
    'word/numbering.xml': bytesOf(numbering),
  });
}
const item = (number: number, level: number, words: string) =>
  `<w:p><w:pPr><w:numPr><w:ilvl w:val="${level}"/><w:numId w:val="${number}"/></w:numPr></w:pPr><w:r><w:t>${words}</w:t></w:r></w:p>`;
const text = (words: string) => `<w:p><w:r><w:t>${words}</w:t></w:r></w:p>`;

describe('numbers of list items', () => {
  it('of a Word document go on over a paragraph between its items, and begin again where it says so', () => {
    const body = `${item(1, 0, 'a')}${item(1, 0, 'b')}${text('between')}${item(1, 0, 'c')}${item(1, 1, 'd')}${item(1, 1, 'e')}${item(1, 0, 'f')}${item(1, 1, 'g')}${text('on')}${item(2, 0, 'h')}${item(2, 0, 'i')}${text('and')}${item(3, 0, 'j')}`;
    const blocks = blocksOf('a.docx', numbered(body));
    expect(marksOf(blocks)).to.equal('1. 2. - 3. 1. 2. 4. 1. - 7. 8. - 4.');
    // Only what does not go on by itself says its number.
    expect(blocks.flatMap(({ list }) => (list?.start === undefined ? [] : [list.start]))).to.deep.equal([3, 7, 4]);
  });

  it('of OpenDocument text: continued by its style or by a list’s id, with values of their own', () => {
    const automatic =
      '<text:list-style style:name="L"><text:list-level-style-number text:level="1" text:start-value="2"/></text:list-style>';
    const list = (attributes: string, ...items: string[]) =>
      `<text:list text:style-name="L"${attributes}>${items.join('')}</text:list>`;
    const one = (words: string, attributes = '') =>
      `<text:list-item${attributes}><text:p>${words}</text:p></text:list-item>`;
    const body = `${list(' xml:id="x"', one('a'), one('b'))}<text:p>-</text:p>${list(' text:continue-numbering="true"', one('c'))}<text:p>-</text:p>${list('', one('d'), one('e', ' text:start-value="9"'), one('f'))}<text:p>-</text:p>${list(' text:continue-list="x"', one('g'))}`;
    expect(marksOf(blocksOf('a.odt', odt({ body, automatic })))).to.equal('2. 3. - 4. - 2. 9. 10. - 5.');
  });

  it('of several paragraphs are counted once, in HTML, Markdown and OpenDocument text', () => {
    const item = (words: string, more: string) => `<li><p>${words}</p><p>${more}</p></li>`;
    expect(
      marksOf(blocksOf('a.html', bytesOf(`<ol>${item('a', 'b')}${item('c', 'd')}</ol><ul>${item('e', 'f')}</ul>`))),
    ).to.equal('1. - 2. - • -');
    expect(marksOf(blocksOf('a.md', bytesOf('1. a\n\n   b\n\n2. c\n\n- e\n\n  f\n- g\n')))).to.equal('1. - 2. • - •');
    const automatic =
      '<text:list-style style:name="L"><text:list-level-style-number text:level="1" text:start-value="1"/></text:list-style>';
    const body = `<text:list text:style-name="L"><text:list-item><text:p>a</text:p><text:p>b</text:p></text:list-item><text:list-item><text:p>c</text:p></text:list-item></text:list>`;
    expect(marksOf(blocksOf('a.odt', odt({ body, automatic })))).to.equal('1. - 2.');
  });

  it('of rich text are those that the program typed before the words', () => {
    const one = (mark: string, words: string) => `{\\listtext\\pard\\plain ${mark}\\tab}\\ls1 ${words}\\par\n`;
    const rtf = `{\\rtf1\\ansi ${one('1.', 'a')}${one('2.', 'b')}\\pard between\\par\n${one('3.', 'c')}\\pard -\\par\n${one('iv)', 'd')}${one('v)', 'e')}\\pard -\\par\n${one("\\'b7", 'f')}}`;
    const blocks = blocksOf('a.rtf', bytesOf(rtf));
    expect(marksOf(blocks)).to.equal('1. 2. - 3. - 4. 5. - •');
    expect(blocks.map((block) => block.text).join(' ')).to.equal('a b between c - d e - f');
  });

  it('of a web page and of Markdown, by `start` and `value`', () => {
    const html =
      '<ol><li>a</li><li>b</li></ol><p>-</p><ol start="3"><li>c</li><li value="9">d</li><li>e<ol><li>f</li></ol></li></ol>';
    expect(marksOf(blocksOf('a.html', bytesOf(html)))).to.equal('1. 2. - 3. 9. 10. 1.');
    expect(marksOf(blocksOf('a.md', bytesOf('1. a\n2. b\n\nbetween\n\n3. c\n4. d\n')))).to.equal('1. 2. - 3. 4.');
  });

  it('are read off marks of all kinds', () => {
    for (const [mark, numbers] of [
      ['12.', [12]],
      ['(c)', [100, 3]],
      ['iv)', [4]],
      ['i.', [1, 9]],
      ['•', []],
      ['–', []],
      ['word', []],
    ] as const)
      expect(numbersOfMark(mark), mark).to.deep.equal(numbers);
  });

  it('go out as a Word document and come back the same, for any lists', () => {
    const line = fc.record({
      isItem: fc.boolean(),
      level: fc.nat(2),
      ordered: fc.boolean(),
      start: fc.option(fc.integer({ min: 1, max: 40 })),
    });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 10 }), (lines) => {
        const blocks = lines.map(({ isItem, level, ordered, start }, k): Paragraph => {
          if (!isItem) return p(`Text ${k}`);
          const own = ordered && start !== null ? { start } : {};
          return { ...p(`Item ${k}`), style: 'LI', list: { level, ordered, ...own } };
        });
        const made = chapter('One');
        const source = book([{ ...made, blocks: [...made.blocks, ...blocks] }]);
        const back = blocksOf('copy.docx', fileBytes(writeCopy(source, 'docx', new Set())));
        expect(marksOf(back.slice(-blocks.length))).to.equal(marksOf(blocks));
      }),
      { numRuns: 60 },
    );
  });
});

describe('an OpenDocument text of other programs', () => {
  it('keeps its bibliography, leaves sections out that are not displayed, and parts the paragraphs of a shape', () => {
    const body = `<text:p>Text.<draw:custom-shape><svg:title>Box 1</svg:title><text:p>In the box.</text:p><text:p>And again.</text:p></draw:custom-shape></text:p>
      <text:section text:display="none"><text:p>Not to be seen.</text:p></text:section>
      <text:bibliography><text:bibliography-source/><text:index-body><text:index-title><text:p>Works</text:p></text:index-title><text:p>Brackwater, Ferries.</text:p></text:index-body></text:bibliography>`;
    const words = blocksOf('a.odt', odt({ body })).map((block) => block.text);
    expect(words).to.deep.equal(['Text.', 'In the box.', 'And again.', 'Works', 'Brackwater, Ferries.']);
  });
});
