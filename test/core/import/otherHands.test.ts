// Documents as other programs write them: what wraps the text, where the parts lie, what only looks like something else.
import { expect } from 'chai';
import { ImportError } from '../../../src/core/base/errors';
import { readManuscript } from '../../../src/core/import';
import { drain } from '../../build/assets';
import { docx, para, run } from '../../build/docx';
import { arrived, odt, packed, taken } from '../../build/incoming';

const W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006/relationships';

const remarked = (name: string, content: string | Uint8Array) => {
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  return taken(readManuscript(name, bytes)).remarks.map(({ what, count }) => [what, count]);
};

describe('a Word document set by hand', () => {
  const paragraph = (properties: string, words: string) => `<w:p><w:pPr>${properties}</w:pPr>${run(words)}</w:p>`;

  it('has the drop capital at its word, headings by their outline level, and pages that end inside a paragraph', () => {
    const body =
      paragraph('<w:framePr w:dropCap="drop" w:lines="3"/>', 'T') +
      para(run('he ferry was late.')) +
      paragraph('<w:outlineLvl w:val="0"/>', 'Low Water') +
      `<w:p>${run('Before the break.')}<w:r><w:br w:type="page"/></w:r>${run('After it.')}</w:p>` +
      para(run('Next.'));
    const { blocks, headings } = taken(readManuscript('a.docx', docx({ body })));
    const rows = blocks.map((block) =>
      block.kind === 'table' ? '' : `${block.style}${block.touches?.breakBefore ? '!' : ''} ${block.text}`,
    );
    expect(rows).to.deep.equal([
      'TX The ferry was late.',
      'CT Low Water',
      'TX Before the break.',
      'TX! After it.',
      'TX Next.',
    ]);
    expect(headings.map(({ level, text }) => [level, text])).to.deep.equal([[1, 'Low Water']]);
  });

  it('keeps what a field inside another field comes to out of the text', () => {
    const char = (type: string) => `<w:r><w:fldChar w:fldCharType="${type}"/></w:r>`;
    const code = (words: string) => `<w:r><w:instrText>${words}</w:instrText></w:r>`;
    const inner = `${char('begin')}${code('DOCPROPERTY x')}${char('separate')}${run('INNER')}${char('end')}`;
    const body = `<w:p>${run('A ')}${char('begin')}${code('IF ')}${inner}${code(' = 1')}${char('separate')}${run('shown')}${char('end')}${run('.')}</w:p>`;
    expect(arrived('a.docx', docx({ body })).text).to.equal('A shown.');
  });
});

describe('Markdown whose lines are not what the format means', () => {
  const long = (k: number) =>
    `Line ${k} of a text that was typed without empty lines, ${'and so it went on '.repeat(6)}to its end.`;

  it('takes long lines without empty lines between them for paragraphs, and says so', () => {
    const text = Array.from({ length: 8 }, (_, k) => long(k)).join('\n');
    expect(arrived('a.md', text).paragraphs).to.equal(8);
    expect(remarked('a.md', text)).to.deep.include(['Lines read as paragraphs', 8]);
    // What was wrapped at a margin, and what is marked otherwise, stays.
    expect(
      arrived('a.md', Array.from({ length: 8 }, () => 'a line of some forty letters, no more').join('\n')).paragraphs,
    ).to.equal(1);
    expect(
      arrived('a.md', ['```', ...Array.from({ length: 8 }, (_, k) => long(k)), '```'].join('\n')).paragraphs,
    ).to.equal(1);
    expect(arrived('a.md', Array.from({ length: 8 }, (_, k) => `- ${long(k)}`).join('\n')).paragraphs).to.equal(8);
  });

  it('keeps breaks of two spaces, and parts what no parser reads in a line’s time', () => {
    const { blocks } = drain(
      readManuscript('a.md', new TextEncoder().encode('one  \ntwo\n\n```\nthree  \nfour\n```\n\nend  \n')),
    );
    const rows = (blocks as unknown as { text: string }[]).map(({ text }) => text);
    expect(rows).to.deep.equal(['one\uFFFCtwo', 'three  \uFFFCfour', 'end']);
    const verse = Array.from({ length: 2500 }, (_, k) => `line ${k} of it  `).join('\n');
    const came = arrived('a.md', verse);
    expect(came.paragraphs).to.equal(3);
    expect(came.text.match(/line \d+/g)).to.have.length(2500);
    expect(remarked('a.md', verse)).to.deep.include(['Paragraphs of more than 1,000 lines parted', 1]);
  });
});

describe('Markdown that opens with a line of dashes', () => {
  it('keeps a scene between two breaks as text, and says so', () => {
    const text = '---\n\nThe ferry was late.\n\nShe waited: an hour, no more.\n\n---\n\nIt came.\n';
    const came = arrived('a.md', text);
    expect(came.text).to.include('The ferry was late.').and.to.include('an hour, no more.').and.to.include('It came.');
    expect(remarked('a.md', text)).to.deep.include(['Lines between dashes at the start read as text', 1]);
  });

  it('takes lines of keys as its head, with lists, quotes and indented values', () => {
    const head = [
      'title: "Tides"',
      'author:',
      '  - Odile Brackwater',
      'tags: [a, b]',
      '# a comment',
      '',
      'lang: en-GB',
    ];
    const text = `---\n${head.join('\n')}\n---\n\nThe first words.\n`;
    const came = arrived('a.md', text);
    expect(came.text).to.equal('The first words.');
    const { metadata } = taken(readManuscript('a.md', new TextEncoder().encode(text)));
    expect(metadata).to.deep.include({ title: 'Tides', language: 'en-GB' });
    expect(remarked('a.md', text)).to.deep.equal([]);
  });

  it('is not taken in by a colon in a line of speech', () => {
    const came = arrived('a.md', '---\nShe said: no.\nHe went.\n---\n\nAnd then.\n');
    expect(came.text).to.include('She said: no.').and.to.include('He went.');
  });
});

describe('Word documents', () => {
  const cell = (words: string) => `<w:tc>${para(run(words))}</w:tc>`;
  const control = (inside: string) => `<w:sdt><w:sdtContent>${inside}</w:sdtContent></w:sdt>`;

  it('have rows and cells inside content controls, custom XML and insertions, at any depth', () => {
    const rows = [
      `<w:tr>${cell('a')}${control(cell('b'))}</w:tr>`,
      control(
        `<w:customXml>${control(`<w:tr>${cell('c')}<w:customXml>${cell('d')}</w:customXml></w:tr>`)}</w:customXml>`,
      ),
      `<w:ins><w:tr>${cell('e')}${cell('f')}</w:tr></w:ins>`,
    ];
    const came = arrived('a.docx', docx({ body: `<w:tbl>${rows.join('')}</w:tbl>${para(run('After.'))}` }));
    expect(came.text.match(/[a-f](?![a-z])/g)?.join('')).to.equal('abcdef');
    expect(came.tables).to.have.length(1);
  });

  it('say blocks in two ways, of which the first is taken, and the second where there is no other', () => {
    const choice = (inside: string) => `<mc:Choice Requires="wps">${inside}</mc:Choice>`;
    const fallback = (inside: string) => `<mc:Fallback>${inside}</mc:Fallback>`;
    const both = `<mc:AlternateContent>${choice(para(run('First way.')))}${fallback(para(run('Second way.')))}</mc:AlternateContent>`;
    const one = `<mc:AlternateContent>${fallback(para(run('Only way.')))}</mc:AlternateContent>`;
    const came = arrived('a.docx', docx({ body: `${both}${one}${para(run('After.'))}` }));
    expect(came.text).to.equal('First way.\nOnly way.\nAfter.');
  });

  it('keep the words under a ruby annotation', () => {
    const ruby = `<w:r><w:ruby><w:rt>${run('over')}</w:rt><w:rubyBase>${run('base')}</w:rubyBase></w:ruby></w:r>`;
    const bytes = docx({ body: para(`${run('The ')}${ruby}${run(' stands.')}`) });
    expect(arrived('a.docx', bytes).text).to.equal('The base stands.');
    expect(remarked('a.docx', bytes)).to.deep.include(['Ruby annotations left out', 1]);
  });

  it('say which elements with words were left out, equations by their name', () => {
    const equation = '<m:oMath><m:r><m:t>a=b</m:t></m:r></m:oMath>';
    const strange = '<w:odd><w:r><w:t>lost</w:t></w:r></w:odd>';
    const bytes = docx({ body: `${para(`${run('So ')}${equation}${equation}`)}${strange}` });
    expect(arrived('a.docx', bytes).text.trim()).to.equal('So');
    expect(remarked('a.docx', bytes)).to.deep.include(['Equations left out', 2]);
    expect(remarked('a.docx', bytes)).to.deep.include(['Text inside “w:odd” left out', 1]);
  });

  it('are found by their relations, whatever their parts are called', () => {
    const relation = (id: string, type: string, target: string) =>
      `<Relationship Id="${id}" Type="${type}" Target="${target}"/>`;
    const relations = (inside: string) => `<Relationships xmlns="${PACKAGE}">${inside}</Relationships>`;
    const note = '<w:r><w:footnoteReference w:id="2"/></w:r>';
    const came = arrived(
      'a.docx',
      packed({
        '_rels/.rels': relations(relation('r1', `${OFFICE}/officeDocument`, '/story/main7.xml')),
        'story/main7.xml': `<w:document ${W}><w:body>${para(`${run('Words.')}${note}`, 'S9')}</w:body></w:document>`,
        'story/_rels/main7.xml.rels': relations(
          relation('r1', `${OFFICE}/footnotes`, 'notes/feet.xml') + relation('r2', `${OFFICE}/styles`, '../looks.xml'),
        ),
        'story/notes/feet.xml': `<w:footnotes ${W}><w:footnote w:id="2">${para(run('The note.'))}</w:footnote></w:footnotes>`,
        'looks.xml': `<w:styles ${W}><w:style w:type="paragraph" w:styleId="S9"><w:name w:val="heading 1"/></w:style></w:styles>`,
        // Another document lies in the usual place.
        'word/document.xml': `<w:document ${W}><w:body>${para(run('An old copy.'))}</w:body></w:document>`,
      }),
    );
    expect(came.text).to.include('Words.').and.not.to.include('old copy');
    expect(came.footnotes).to.deep.equal([{ text: 'The note.', paragraphs: 1 }]);
    expect(came.headings.map(({ level }) => level)).to.deep.equal([1]);
  });
});

describe('documents that nobody else can read', () => {
  const refusal = (name: string, bytes: Uint8Array): string => {
    try {
      arrived(name, bytes);
    } catch (error) {
      expect(error).to.be.instanceOf(ImportError);
      return (error as Error).message;
    }
    throw new Error('it was read');
  };
  const compound = (words: string) => {
    const utf16 = [...words].flatMap((char) => [char.charCodeAt(0), 0]);
    return Uint8Array.from([
      0xd0,
      0xcf,
      0x11,
      0xe0,
      0xa1,
      0xb1,
      0x1a,
      0xe1,
      ...new Array<number>(600).fill(69),
      ...utf16,
    ]);
  };

  it('say that they have a password', () => {
    expect(refusal('a.docx', compound('EncryptedPackage'))).to.match(/^a\.docx is protected by a password\. /);
    const manifest = '<manifest:manifest><manifest:encryption-data/></manifest:manifest>';
    const files = { 'META-INF/manifest.xml': new TextEncoder().encode(manifest) };
    expect(refusal('a.odt', odt({ body: '', files }))).to.match(/^This file is protected by a password\. /);
  });

  it('say that they are of the older kind', () => {
    expect(refusal('a.docx', compound('WordDocument'))).to.equal(
      'a.docx is a Word document of the older kind (.doc). Save it as .docx, and take that.',
    );
  });
});

describe('rich text', () => {
  const text = (body: string) => arrived('a.rtf', body).text;
  const hex = (bytes: readonly number[]) => bytes.map((byte) => `\\'${byte.toString(16).padStart(2, '0')}`).join('');

  it('is read by the page of its face, by its character set or its number, and else by that of the file', () => {
    const faces =
      '{\\fonttbl{\\f0\\fcharset0 Times;}{\\f1\\fcharset204 Times;}{\\f2\\fcharset161\\cpg1250 Times;}{\\f3 Times;}}';
    const body = `{\\rtf1\\ansi\\ansicpg1253${faces}\\f0 ${hex([0xe9])}\\f1 ${hex([0xe9])}{\\f2 ${hex([0xb9])}}${hex([0xe9])}\\f3 ${hex([0xe1])}\\plain ${hex([0xe2])}\\par}`;
    expect(text(body)).to.equal('éйąйαβ');
  });

  it('is read by the pages of the first PCs and of the Mac', () => {
    expect(text(`{\\rtf1\\pc ${hex([0x82, 0x9b, 0xe1])}\\par}`)).to.equal('é¢ß');
    expect(text(`{\\rtf1\\pca ${hex([0x82, 0x9b, 0xe1])}\\par}`)).to.equal('éøß');
    expect(text(`{\\rtf1\\mac ${hex([0x8e, 0xa7])}\\par}`)).to.equal('éß');
    expect(text(`{\\rtf1\\ansi\\ansicpg437 ${hex([0x82, 0xe1])}\\par}`)).to.equal('éß');
  });

  it('has characters of two and more bytes, whose second may be written as plain text', () => {
    expect(text(`{\\rtf1\\ansi\\ansicpg932 ${hex([0x83, 0x65])}${hex([0x83])}X${hex([0x83, 0x67])} a\\par}`)).to.equal(
      'テスト a',
    );
    expect(text(`{\\rtf1\\ansi\\ansicpg936 ${hex([0xb6, 0xc9])}\\par}`)).to.equal('渡');
    expect(text(`{\\rtf1\\ansi\\ansicpg949 ${hex([0xb3, 0xaa])}\\par}`)).to.equal('나');
    expect(text(`{\\rtf1\\ansi\\ansicpg950 ${hex([0xb4, 0xe7])}\\par}`)).to.equal('渡');
    expect(text(`{\\rtf1\\ansi\\ansicpg65001 ${hex([0xe2, 0x80, 0x94])}\\par}`)).to.equal('—');
  });
});
