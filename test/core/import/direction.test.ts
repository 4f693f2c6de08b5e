import { expect } from 'chai';
import { fileBytes } from '../../../src/core/base/fileJob';
import { readManuscript } from '../../../src/core/import';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { writeCopy } from '../../../src/core/write/copy';
import { book, division, p } from '../../build/book';
import { epub, odt, packed, taken } from '../../build/incoming';

const SALT = 'מלח ומים';
const bytesOf = (text: string) => new TextEncoder().encode(text);
const read = (name: string, bytes: Uint8Array) => taken(readManuscript(name, bytes)).blocks as Paragraph[];
/** Text and direction of each paragraph. */
const told = (blocks: readonly Paragraph[]) => blocks.map(({ text, touches }) => [text, touches?.direction ?? '']);

const W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
const docx = (body: string, styles = '') =>
  packed({
    'word/document.xml': `<w:document ${W}><w:body>${body}</w:body></w:document>`,
    'word/styles.xml': `<w:styles ${W}>${styles}</w:styles>`,
  });
const run = (text: string, properties = '') =>
  `<w:r><w:rPr>${properties}</w:rPr><w:t xml:space="preserve">${text}</w:t></w:r>`;
const RTL = '<w:rtl/>';

describe('the direction of what comes in', () => {
  it('is that of a Word document’s paragraphs, by themselves or by their styles', () => {
    const styles =
      '<w:style w:type="paragraph" w:styleId="Back"><w:name w:val="Back"/><w:pPr><w:bidi/></w:pPr></w:style><w:style w:type="paragraph" w:styleId="Deep"><w:name w:val="Deep"/><w:basedOn w:val="Back"/></w:style>';
    const body = [
      `<w:p><w:pPr><w:bidi/></w:pPr>${run(SALT, RTL)}</w:p>`,
      `<w:p><w:pPr><w:pStyle w:val="Deep"/></w:pPr>${run(SALT, RTL)}</w:p>`,
      `<w:p><w:pPr><w:pStyle w:val="Deep"/><w:bidi w:val="0"/></w:pPr>${run(SALT)}</w:p>`,
      `<w:p>${run(SALT, RTL)}</w:p>`,
      `<w:p><w:pPr><w:bidi/><w:jc w:val="right"/></w:pPr>${run('Words.')}</w:p>`,
    ];
    const blocks = read('a.docx', docx(body.join(''), styles));
    expect(told(blocks)).to.deep.equal([
      [SALT, 'rtl'],
      [SALT, 'rtl'],
      [SALT, 'ltr'],
      [SALT, ''],
      ['\u2066Words.\u2069', 'rtl'],
    ]);
    expect(blocks[4].touches?.align).to.equal('left');
  });

  it('isolates runs whose marks would go the wrong way, and no others', () => {
    const body = [
      `<w:p>${run('She said ')}${run(`(${SALT}`, RTL)}${run('!)', RTL)}${run(' and left.')}</w:p>`,
      `<w:p>${run('She said ')}${run(SALT, `${RTL}<w:i/>`)}${run(' and left.')}</w:p>`,
      `<w:p><w:pPr><w:bidi/></w:pPr>${run(`${SALT} `, RTL)}${run('C++')}${run(` ${SALT}`, RTL)}</w:p>`,
    ];
    const [marked, plain, inside] = read('a.docx', docx(body.join('')));
    expect(marked.text).to.equal(`She said \u2067(${SALT}!)\u2069 and left.`);
    expect(plain.text).to.equal(`She said ${SALT} and left.`);
    expect(plain.spans.map(({ from, to }) => plain.text.slice(from, to))).to.deep.equal([SALT]);
    expect(inside.text).to.equal(`${SALT} \u2066C++\u2069 ${SALT}`);
  });

  it('is that of HTML’s dir, from the root down, and of bdi and bdo', () => {
    const html = `<html dir="rtl"><body><p>${SALT}</p><div dir="ltr"><p>${SALT}</p><p>Words.</p></div><h1 dir="auto">Words</h1><p dir="auto">${SALT}</p><p>Words <bdi>${SALT}!</bdi> <span dir="rtl">1 ${SALT}</span> <bdo dir="rtl">abc</bdo></p></body></html>`;
    const expected = [
      [SALT, 'rtl'],
      [SALT, 'ltr'],
      ['Words.', ''],
      ['Words', ''],
      [SALT, 'rtl'],
      [`Words \u2068${SALT}!\u2069 \u20671 ${SALT}\u2069 \u202Eabc\u202C`, 'rtl'],
    ];
    expect(told(read('a.html', bytesOf(html)))).to.deep.equal(expected);
    const inEpub = read('a.epub', epub(`<section dir="rtl"><p>${SALT}</p></section><p>${SALT}</p>`));
    expect(told(inEpub)).to.deep.equal([
      [SALT, 'rtl'],
      [SALT, ''],
    ]);
  });

  it('is that of rich text and of OpenDocument text', () => {
    const escaped = [...SALT].map((char) => `\\u${char.charCodeAt(0)}?`).join('');
    const rtf = `{\\rtf1\\ansi\\pard\\rtlpar ${escaped}\\par\\pard\\ltrpar ${escaped}\\par\\pard ${escaped}\\par}`;
    expect(told(read('a.rtf', bytesOf(rtf)))).to.deep.equal([
      [SALT, 'rtl'],
      [SALT, 'ltr'],
      [SALT, ''],
    ]);
    const automatic = (name: string, mode: string) =>
      `<style:style style:name="${name}" style:family="paragraph"><style:paragraph-properties style:writing-mode="${mode}"/></style:style>`;
    const body = ['R', 'P', 'N'].map((name) => `<text:p text:style-name="${name}">${SALT}</text:p>`).join('');
    const file = odt({ body, automatic: automatic('R', 'rl-tb') + automatic('P', 'page') });
    expect(told(read('a.odt', file))).to.deep.equal([
      [SALT, 'rtl'],
      [SALT, ''],
      [SALT, ''],
    ]);
  });

  it('goes out with copies and comes back', () => {
    const touches = { direction: 'rtl' } as const;
    const made = book([
      division('chapter', [{ ...p(SALT, 'CT'), touches }, { ...p(`${SALT}.`), touches }, p('Words.')]),
    ]);
    for (const kind of ['docx', 'html'] as const) {
      const bytes = fileBytes(writeCopy(made, kind));
      const blocks = read(`a.${kind}`, bytes).filter(({ text }) => text !== '');
      expect(told(blocks).slice(-3), kind).to.deep.equal([
        [SALT, 'rtl'],
        [`${SALT}.`, 'rtl'],
        ['Words.', ''],
      ]);
    }
  });
});
