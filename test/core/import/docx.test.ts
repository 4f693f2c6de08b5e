import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import mammoth from 'mammoth';
import { zipSync } from 'fflate';
import { ImportError } from '../../../src/core/base/errors';
import { readManuscript } from '../../../src/core/import';
import type { Manuscript } from '../../../src/core/model/copy/manuscript';
import type { Paragraph, Table } from '../../../src/core/model/copy/streams';
import { readAsset } from '../../build/assets';
import { taken } from '../../build/incoming';
import { docx, para, run, style, type DocxParts } from '../../build/docx';

const read = (parts: DocxParts): Manuscript => taken(readManuscript('book.docx', docx(parts)));
const paragraphs = (manuscript: Manuscript) => manuscript.blocks as Paragraph[];
const fails = (bytes: Uint8Array, code: string, name = 'book.docx') =>
  expect(() => taken(readManuscript(name, bytes)))
    .to.throw(ImportError)
    .with.property('code', code);

describe('reading a Word document', () => {
  it('keeps words that are split over many runs whole, with their looks', () => {
    const [only] = paragraphs(
      read({ body: para(run('Mar') + run('gin', '<w:i/>') + run('al', '<w:i/>') + run(' notes', '<w:i w:val="0"/>')) }),
    );
    expect(only.text).to.equal('Marginal notes');
    expect(only.spans).to.deep.equal(
      [
        { from: 3, to: 8, touches: { italic: true } },
        { from: 8, to: 14, touches: { italic: false } },
      ].slice(0, only.spans.length),
    );
    expect(only.spans[0]).to.deep.equal({ from: 3, to: 8, touches: { italic: true } });
  });

  it('reads bold, small capitals, superior and inferior figures, underline and strike', () => {
    const looks = [
      '<w:b/>',
      '<w:smallCaps/>',
      '<w:vertAlign w:val="superscript"/>',
      '<w:vertAlign w:val="subscript"/>',
      '<w:u w:val="single"/>',
      '<w:strike/>',
    ];
    const [only] = paragraphs(read({ body: para(looks.map((look, k) => run(`${k}`, look)).join('')) }));
    expect(only.spans.map((span) => span.style ?? Object.keys(span.touches!)[0])).to.deep.equal([
      'bold',
      'sc',
      'sup',
      'sub',
      'underline',
      'strike',
    ]);
  });

  it('takes styles by name, outline level and ancestor', () => {
    const styles = [
      style('h1', 'heading 1'),
      style('own', 'My Quote', '<w:basedOn w:val="q"/>'),
      style('q', 'Quote'),
      style('lvl', 'Something', '<w:pPr><w:outlineLvl w:val="1"/></w:pPr>'),
      style('odd', 'Odd one'),
      style('loop', 'Loop', '<w:basedOn w:val="loop"/>'),
    ].join('');
    const manuscript = read({
      styles,
      body: ['h1', 'own', 'lvl', 'odd', 'loop', ''].map((id) => para(run('x'), id)).join(''),
    });
    expect(paragraphs(manuscript).map((block) => block.style)).to.deep.equal([
      'CT',
      'EXT',
      'AH',
      'ODDONE',
      'LOOP',
      'TX',
    ]);
    expect(manuscript.remarks.map((remark) => remark.what)).to.include('Paragraphs in styles without a match');
  });

  it('takes emphasis of a character style as ours', () => {
    const styles =
      '<w:style w:type="character" w:styleId="E"><w:name w:val="Emphasis"/><w:rPr><w:i/></w:rPr></w:style>';
    const [only] = paragraphs(read({ styles, body: para(run('a ') + run('b', '<w:rStyle w:val="E"/>')) }));
    expect(only.spans).to.deep.equal([{ from: 2, to: 3, style: 'em' }]);
  });

  it('takes tracked changes as accepted, field results as text, and leaves out comments and pictures, counted', () => {
    const body = para(
      run('a') +
        `<w:ins>${run('b')}</w:ins><w:del><w:r><w:delText>gone</w:delText></w:r></w:del>` +
        '<w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText>PAGE</w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r>' +
        run('7') +
        '<w:r><w:fldChar w:fldCharType="end"/></w:r><w:r><w:drawing/></w:r><w:r><w:commentReference w:id="1"/></w:r>' +
        `<w:hyperlink>${run('link')}</w:hyperlink>`,
    );
    const manuscript = read({ body });
    expect(paragraphs(manuscript)[0].text).to.equal('ab7link');
    expect(manuscript.remarks.map((remark) => remark.what)).to.include.members([
      'Deletions taken as accepted',
      'Drawings left out',
      'Comments left out',
    ]);
  });

  it('keeps comments out of the text, as notes to the typesetter at their paragraphs', () => {
    const mark = (id: number) => `<w:r><w:commentReference w:id="${id}"/></w:r>`;
    const manuscript = read({
      body:
        para(run('First.')) + para(run('Second') + mark(3) + run(' one.') + mark(4)) + para(run('Third.') + mark(9)),
      comments:
        `<w:comment w:id="3" w:author="Mina Tolliver">${para(run('Is this'))}${para(run('a date?'))}</w:comment>` +
        `<w:comment w:id="4">${para(run('Small capitals, please.'))}</w:comment>`,
    });
    const [, second] = paragraphs(manuscript);
    expect(second.text).to.equal('Second one.');
    expect(manuscript.comments).to.deep.equal([
      { block: second.id, who: 'Mina Tolliver', text: 'Is this a date?' },
      { block: second.id, who: '', text: 'Small capitals, please.' },
    ]);
    expect(manuscript.remarks.find((remark) => remark.what === 'Comments left out')!.count).to.equal(3);
  });

  it('leaves out an incoming contents list', () => {
    const toc =
      '<w:p><w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText> TOC \\o </w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r>' +
      `${run('One 1')}</w:p>` +
      para(run('Two 2')) +
      '<w:p><w:r><w:fldChar w:fldCharType="end"/></w:r></w:p>' +
      para(run('Text'));
    const texts = paragraphs(read({ body: toc }))
      .map((block) => block.text)
      .filter((text) => text !== '');
    expect(texts).to.not.include('Two 2');
    expect(texts).to.include('Text');
  });

  it('keeps breaks, tabs, no-break hyphens and soft hyphens', () => {
    const [only] = paragraphs(
      read({
        body: para('<w:r><w:t>a</w:t><w:br/><w:t>b</w:t><w:tab/><w:t>c</w:t><w:noBreakHyphen/><w:softHyphen/></w:r>'),
      }),
    );
    expect(only.text).to.equal('a\uFFFCb\uFFFCc\u2011\u00AD');
    expect(only.objects).to.deep.equal([
      { at: 1, kind: 'break' },
      { at: 3, kind: 'tab' },
    ]);
  });

  it('keeps footnotes and endnotes as streams with their italics, separators left out', () => {
    const body = para(
      `${run('Text')}<w:r><w:footnoteReference w:id="2"/></w:r><w:r><w:endnoteReference w:id="1"/></w:r>`,
    );
    const footnotes = `<w:footnote w:id="0" w:type="separator"><w:p/></w:footnote><w:footnote w:id="2">${para(`<w:r><w:footnoteRef/></w:r>${run(' A ')}${run('note', '<w:i/>')}`)}</w:footnote>`;
    const endnotes = `<w:endnote w:id="1">${para(run('End'))}</w:endnote>`;
    const manuscript = read({ body, footnotes, endnotes });
    const [only] = paragraphs(manuscript);
    expect(only.objects.map((object) => object.kind)).to.deep.equal(['note', 'note']);
    const bodies = Object.values(manuscript.notes).map((note) => note.blocks[0] as Paragraph);
    expect(bodies.map((block) => block.text)).to.deep.equal(['A note', 'End']);
    expect(Object.values(manuscript.notes).map((note) => note.kind)).to.deep.equal(['footnote', 'endnote']);
    expect(bodies[0].spans).to.deep.equal([{ from: 2, to: 6, touches: { italic: true } }]);
    expect(bodies.every((block) => block.style === 'NT')).to.equal(true);
  });

  it('finds a space break drawn with marks, and keeps tables with their cells', () => {
    const table = `<w:tbl><w:tr><w:tc>${para(run('one'))}</w:tc><w:tc>${para(run('two'))}</w:tc></w:tr></w:tbl>`;
    const [mark, kept] = read({ body: para(run('* * *')) + table }).blocks;
    expect([mark.style, (mark as Paragraph).text]).to.deep.equal(['SBO', '* * *']);
    expect(kept).to.include({ kind: 'table', columns: 2 });
    const cells = (kept as Table).rows.map((row) => row.map((cell) => (cell.blocks[0] as Paragraph).text));
    expect(cells).to.deep.equal([['one', 'two']]);
  });

  it('takes title, author and language from the metadata', () => {
    const manuscript = read({
      body: para(run('x')),
      core: '<dc:title>The Book</dc:title><dc:creator>A. Writer</dc:creator>',
      styles: '<w:docDefaults><w:rPrDefault><w:rPr><w:lang w:val="de-DE"/></w:rPr></w:rPrDefault></w:docDefaults>',
    });
    expect(manuscript.metadata).to.deep.equal({ title: 'The Book', author: 'A. Writer', language: 'de-DE' });
  });

  it('reads the demonstration manuscript as an independent reader does', async () => {
    const bytes = readAsset('demo/the-ferry-register.docx');
    const manuscript = taken(readManuscript('the-ferry-register.docx', bytes));
    const { value } = await mammoth.extractRawText({ buffer: Buffer.from(bytes) });
    const squeeze = (text: string) => text.replace(/[\uFFFC\s]+/g, ' ').trim();
    const ours = squeeze(
      [...paragraphs(manuscript), ...Object.values(manuscript.notes).flat()]
        .map((block) => (block as Paragraph).text)
        .join(' '),
    );
    expect(ours.split(' ').length).to.be.above(9000);
    for (const sentence of squeeze(value)
      .split(/(?<=[.!?]) /)
      .slice(0, 400))
      expect(ours).to.include(sentence.replace(/ ?[↑]$/, '').replace(/\[\d+\]/g, ''));
  });
});

describe('files that are no manuscript', () => {
  it('refuses an empty file, one of another kind, and one with no text', () => {
    fails(new Uint8Array(0), 'empty');
    fails(new Uint8Array([1, 2]), 'unknown-kind', 'book.pages');
    fails(docx({ body: para('') }), 'empty');
  });

  it('refuses a picture that is called .docx', () =>
    fails(Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 0]), 'not-a-document'));

  it('refuses a zip without a document in it', () => fails(zipSync({ 'a.txt': new Uint8Array(3) }), 'not-a-document'));

  it('refuses a truncated document at any length', () => {
    const whole = readAsset('demo/the-ferry-register.docx');
    for (const share of [0.01, 0.3, 0.6, 0.9, 0.999])
      fails(whole.slice(0, Math.floor(whole.length * share)), 'truncated');
  });

  it('refuses a document whose XML is broken', () => {
    fails(zipSync({ 'word/document.xml': new TextEncoder().encode('<w:document><w:body><w:p></w:body>') }), 'damaged');
  });

  it('refuses a zip bomb without unpacking it', () => {
    const bomb = zipSync({ 'word/document.xml': new Uint8Array(300 * 1024 * 1024) }, { level: 9 });
    const start = process.memoryUsage().arrayBuffers;
    fails(bomb, 'too-large');
    expect(process.memoryUsage().arrayBuffers - start).to.be.below(100 * 1024 * 1024);
  });

  it('never throws anything but an ImportError, whatever bytes come', () => {
    const whole = readFileSync(new URL('../../../package.json', import.meta.url));
    const demo = readAsset('demo/the-ferry-register.docx');
    for (let k = 0; k < 60; k += 1) {
      const bytes = demo.slice();
      for (let n = 0; n < 20; n += 1) bytes[(k * 7919 + n * 104729) % bytes.length] = whole[(k + n) % whole.length];
      try {
        taken(readManuscript('x.docx', bytes));
      } catch (error) {
        expect(error, String((error as Error).stack)).to.be.instanceOf(ImportError);
      }
    }
  });
});
