// Tables as files have them: merged cells, heads, sides of columns, widths; and there and back through our own copies.
import { expect } from 'chai';
import fc from 'fast-check';
import { makeBook, readManuscript } from '../../../src/core/import';
import type { Block, Table, TableCell, TableRowKind } from '../../../src/core/model/copy/streams';
import { taken } from '../../build/incoming';
import { book, chapter, p, resetIds } from '../../build/book';
import { docx, para, run } from '../../build/docx';
import { copyFile, pack } from '../../build/files';

const tablesIn = (blocks: readonly Block[]) => blocks.filter((block): block is Table => block.kind === 'table');
const read = (name: string, bytes: Uint8Array) => taken(readManuscript(name, bytes));
const readText = (name: string, text: string) => read(name, new TextEncoder().encode(text));
const words = ({ blocks }: TableCell) =>
  blocks.map((block) => (block.kind === 'paragraph' ? block.text : '?')).join('|');
/** What a table says: its words, and what is said of cells, rows and columns. */
const told = ({ rows, rowLooks, columnLooks, columns }: Table) => ({
  columns,
  rows: rows.map((row) =>
    row.map((cell) => [words(cell), cell.across ?? 1, cell.down ?? 1, cell.align ?? ''].join(' ')),
  ),
  kinds: rowLooks?.map(({ kind }) => kind[0]).join('') ?? '',
  aligns: columnLooks?.map(({ align = '' }) => align) ?? [],
});

const MERGED = {
  columns: 3,
  rows: [
    ['Year 1 2 ', 'Tides 2 1 '],
    ['High 1 1 ', 'Low 1 1 '],
    ['1890 1 1 ', '4.2 1 1 ', '0.3 1 1 '],
  ],
  kinds: 'hhb',
  aligns: [],
};

describe('tables of files', () => {
  beforeEach(() => resetIds());

  it('of Word keep merged cells, heads, and widths that somebody fixed', () => {
    const cell = (text: string, facts = '') => `<w:tc><w:tcPr>${facts}</w:tcPr>${para(run(text))}</w:tc>`;
    const head = '<w:trPr><w:tblHeader/></w:trPr>';
    const rows = [
      `<w:tr>${head}${cell('Year', '<w:vMerge w:val="restart"/>')}${cell('Tides', '<w:gridSpan w:val="2"/>')}</w:tr>`,
      `<w:tr>${head}${cell('', '<w:vMerge/>')}${cell('High')}${cell('Low')}</w:tr>`,
      `<w:tr>${cell('1890')}${cell('4.2')}${cell('0.3')}</w:tr>`,
    ].join('');
    const grid = '<w:tblGrid><w:gridCol w:w="2000"/><w:gridCol w:w="1000"/><w:gridCol w:w="1000"/></w:tblGrid>';
    const of = (layout: string) =>
      tablesIn(read('a.docx', docx({ body: `<w:tbl><w:tblPr>${layout}</w:tblPr>${grid}${rows}</w:tbl>` })).blocks)[0];
    expect(told(of(''))).to.deep.equal(MERGED);
    const fixed = of('<w:tblLayout w:type="fixed"/>');
    expect(fixed.columnLooks?.map(({ share }) => share)).to.deep.equal([1.5, 0.75, 0.75]);
  });

  it('of HTML keep sections, spans, sides and kinds of rows, and read a table in a cell as its paragraphs', () => {
    const html = `<table><caption>Table 1. Tides</caption><colgroup><col width="50%"><col width="25%"><col width="25%"></colgroup>
      <thead><tr><th rowspan="2">Year</th><th colspan="2">Tides</th></tr><tr><th>High</th><th>Low</th></tr></thead>
      <tbody><tr><td>1890</td><td style="text-align:center">a</td><td><table><tr><td>in</td><td>side</td></tr></table></td></tr></tbody>
      <tfoot><tr><td>All</td><td style="text-align: center">b</td><td align="right">9</td></tr></tfoot></table>`;
    const manuscript = readText('a.html', `<html><body>${html}</body></html>`);
    const [table] = tablesIn(manuscript.blocks);
    expect(told(table)).to.deep.equal({
      columns: 3,
      rows: [
        ['Year 1 2 ', 'Tides 2 1 '],
        ['High 1 1 ', 'Low 1 1 '],
        ['1890 1 1 ', 'a 1 1 ', 'in|side 1 1 '],
        ['All 1 1 ', 'b 1 1 ', '9 1 1 right'],
      ],
      kinds: 'hhbt',
      aligns: ['', 'centre', ''],
    });
    expect(table.columnLooks?.map(({ share }) => share)).to.deep.equal([1.5, 0.75, 0.75]);
    expect(manuscript.remarks.map(({ what }) => what)).to.include('Tables inside tables read as their paragraphs');
    expect(manuscript.blocks.map((block) => block.style)).to.deep.equal(['CAP', 'TB']);
  });

  it('of HTML with spans of any size and sign are read', () => {
    for (const span of ['0', '-3', '1e9', 'many', '2.7', '']) {
      const [table] = tablesIn(
        readText(
          'a.html',
          `<table><tr><td colspan="${span}" rowspan="${span}">a</td><td>b</td></tr><tr><td>c</td></tr></table>`,
        ).blocks,
      );
      expect(table.rows.flat().map(words).sort()).to.deep.equal(['a', 'b', 'c']);
      for (const { across = 1, down = 1 } of table.rows.flat())
        expect(across >= 1 && across <= 1000 && down >= 1 && down <= 1000).to.equal(true);
    }
  });

  it('of Markdown have a head, and stand as the row under it says', () => {
    const [table] = tablesIn(
      readText('a.md', '| A | B | C |\n| --- | :-: | --: |\n| a | b | words |\n| c | d | 1.5 |\n').blocks,
    );
    expect(told(table)).to.deep.include({ kinds: '', aligns: ['', 'centre', 'right'] });
  });

  it('of OpenDocument keep merged cells and heads', () => {
    const cell = (text: string, facts = '') => `<table:table-cell ${facts}><text:p>${text}</text:p></table:table-cell>`;
    const covered = '<table:covered-table-cell/>';
    const row = (...inner: string[]) => `<table:table-row>${inner.join('')}</table:table-row>`;
    const spaces = ['office', 'text', 'table']
      .map((name) => `xmlns:${name}="urn:oasis:names:tc:opendocument:xmlns:${name}:1.0"`)
      .join(' ');
    const rows = [
      '<table:table-header-rows>',
      row(cell('Year', 'table:number-rows-spanned="2"'), cell('Tides', 'table:number-columns-spanned="2"'), covered),
      row(covered, cell('High'), cell('Low')),
      '</table:table-header-rows>',
      row(cell('1890'), cell('4.2'), cell('0.3')),
    ].join('');
    const content = `<office:document-content ${spaces}><office:body><office:text><table:table>${rows}</table:table></office:text></office:body></office:document-content>`;
    const file = pack({
      mimetype: new TextEncoder().encode('application/vnd.oasis.opendocument.text'),
      'content.xml': new TextEncoder().encode(content),
    });
    expect(told(tablesIn(read('a.odt', file).blocks)[0])).to.deep.equal(MERGED);
  });

  it('of rich text keep merged cells and heads', () => {
    const row = (facts: string, ...texts: string[]) =>
      `\\trowd${facts}${texts.map((text) => `\\pard\\intbl ${text}\\cell`).join('')}\\row\n`;
    const rtf = `{\\rtf1\\ansi ${row('\\trhdr\\clvmgf\\cellx1000\\clmgf\\cellx2000\\clmrg\\cellx3000', 'Year', 'Tides', '')}${row('\\trhdr\\clvmrg\\cellx1000\\cellx2000\\cellx3000', '', 'High', 'Low')}${row('\\cellx1000\\cellx2000\\cellx3000', '1890', '4.2', '0.3')}\\pard After.\\par}`;
    expect(told(tablesIn(readText('a.rtf', rtf).blocks)[0])).to.deep.equal(MERGED);
  });

  it('come back from our own copies: words, spans and heads from Word and HTML, kinds of rows and sides from HTML too', () => {
    const kind = fc.constantFrom<TableRowKind>('body', 'body', 'body', 'group', 'total');
    const span = fc.constantFrom(1, 1, 1, 2);
    const text = fc.constantFrom('a', 'two words', '12.5', 'x & y');
    const row = fc.record({
      kind,
      cells: fc.array(fc.record({ text, across: span, down: span }), { minLength: 1, maxLength: 4 }),
    });
    fc.assert(
      fc.property(fc.array(row, { minLength: 2, maxLength: 6 }), (rows) => {
        let id = 0;
        const made: Table = {
          kind: 'table',
          id: 'p9000',
          style: 'TB',
          columns: 0,
          rows: rows.map(({ cells }) =>
            cells.map(({ text: own, across, down }) => ({
              id: `c${(id += 1)}`,
              blocks: [p(own)],
              ...(across > 1 ? { across } : {}),
              ...(down > 1 ? { down } : {}),
            })),
          ),
          rowLooks: rows.map((one, k) => ({ kind: k === 0 ? 'head' : one.kind })),
        };
        const of = (table: Table) => ({
          ...chapter('One', 'Before.'),
          blocks: [p('Before.'), p('Table 1. All', 'CAP'), table] as never,
        });
        const whole = book([of(made)]);
        const back = (type: 'docx' | 'html') => {
          const manuscript = read(`copy.${type}`, copyFile(whole, type));
          const { divisions } = makeBook(manuscript, { bookId: 'b2', fileName: `copy.${type}` });
          return { table: tablesIn(divisions.flatMap(({ blocks }) => blocks))[0], divisions };
        };
        const wanted = told(made);
        const html = back('html');
        // Cells that would cover more than there is are cut to the table.
        expect(told(html.table).rows.map((line) => line.map((one) => one.split(' ')[0]))).to.deep.equal(
          wanted.rows.map((line) => line.map((one) => one.split(' ')[0])),
        );
        const plain = (kinds: string) => (/^hb*$/.test(kinds) ? '' : kinds);
        expect(told(html.table).kinds).to.equal(plain(wanted.kinds));
        const word = back('docx');
        // A column without a cell has an empty one in Word.
        const filled = (of: Table) =>
          told({ ...of, rows: of.rows.map((line) => line.filter((one) => words(one) !== '')) });
        expect(word.table.rows.map((line) => line.map(words).filter((one) => one !== ''))).to.deep.equal(
          made.rows.map((line) => line.map(words)),
        );
        expect(filled(word.table).rows).to.deep.equal(told(html.table).rows);
        for (const { divisions } of [html, word]) {
          const blocks = divisions.flatMap((one) => one.blocks);
          const at = blocks.findIndex((block) => block.kind === 'table');
          expect(blocks[at - 1]).to.include({ style: 'CAP', text: 'Table 1. All' });
        }
      }),
      { numRuns: 60 },
    );
  });

  it('keep what a typesetter said of them in HTML: sides of columns and of cells', () => {
    const cell = (text: string, rest: Partial<TableCell> = {}): TableCell => ({
      id: `c${text}`,
      blocks: [p(text)],
      ...rest,
    });
    const made: Table = {
      kind: 'table',
      id: 'p9000',
      style: 'TB',
      columns: 2,
      rows: [
        [cell('A'), cell('B')],
        [cell('x'), cell('1.5')],
        [cell('y', { align: 'right' }), cell('22')],
      ],
      columnLooks: [{ align: 'centre' }, { align: 'mark' }],
    };
    const whole = book([{ ...chapter('One', 'Before.'), blocks: [p('Before.'), made] as never }]);
    const [table] = tablesIn(read('copy.html', copyFile(whole, 'html')).blocks);
    expect(table.columnLooks?.[1].align).to.equal('mark');
    expect(table.rows[2][0].align).to.equal('right');
  });
});
