import { expect } from 'chai';
import { strToU8 } from 'fflate';
import { makeBook, readManuscript } from '../../../src/core/import';
import type { Book } from '../../../src/core/model/copy/book';
import { namesOf } from '../../../src/core/model/copy/book';
import { docx, para, run, style } from '../../build/docx';
import { epub, odt, png, taken } from '../../build/incoming';

/** A line of a made-up opening; `page`: it begins a page; `gap`: an empty line before it. */
interface Made {
  readonly words: string;
  readonly centred?: boolean;
  readonly italic?: boolean;
  readonly right?: boolean;
  readonly page?: boolean;
  readonly gap?: boolean;
  readonly head?: boolean;
}

const STYLES = style('Heading1', 'heading 1');

function asDocx(lines: readonly Made[], core = ''): Uint8Array {
  const body = lines
    .map(({ words, centred, italic, right, page, gap, head }) => {
      const jc = centred ? '<w:jc w:val="center"/>' : right ? '<w:jc w:val="right"/>' : '';
      const own = `<w:pPr>${head ? '<w:pStyle w:val="Heading1"/>' : ''}${jc}</w:pPr>`;
      const brk = page ? '<w:p><w:r><w:br w:type="page"/></w:r></w:p>' : '';
      return `${brk}${gap ? para('') : ''}<w:p>${own}${run(words, italic ? '<w:i/>' : '')}</w:p>`;
    })
    .join('');
  return docx({ body, styles: STYLES, core });
}

function asRtf(lines: readonly Made[]): Uint8Array {
  const body = lines
    .map(({ words, centred, italic, right, page, gap, head }) => {
      const escaped = words.replace(/[^\x20-\x7e]/g, (char) => `\\u${char.charCodeAt(0)}?`);
      const look = `\\pard ${head ? '\\s1 ' : ''}${centred ? '\\qc ' : right ? '\\qr ' : ''}`;
      return `${page ? '\\page ' : ''}${gap ? '\\pard\\par ' : ''}${look}{${italic ? '\\i ' : ''}${escaped}}\\par `;
    })
    .join('\n');
  return strToU8(`{\\rtf1\\ansi{\\stylesheet{\\s0 Normal;}{\\s1 heading 1;}}${body}}`);
}

function asOdt(lines: readonly Made[]): Uint8Array {
  const automatic = ['', 'c', 'r', 'b', 'cb', 'rb']
    .map((name) => {
      const align = name.startsWith('c') ? 'center' : name.startsWith('r') ? 'end' : 'start';
      const brk = name.endsWith('b') ? ' fo:break-before="page"' : '';
      return `<style:style style:name="P${name}" style:family="paragraph"><style:paragraph-properties fo:text-align="${align}"${brk}/></style:style>`;
    })
    .join('');
  const body = lines
    .map(({ words, centred, italic, right, page, gap, head }) => {
      const text = italic ? `<text:span text:style-name="I">${words}</text:span>` : words;
      const name = `P${centred ? 'c' : right ? 'r' : ''}${page ? 'b' : ''}`;
      const own = head
        ? `<text:h text:outline-level="1">${text}</text:h>`
        : `<text:p text:style-name="${name}">${text}</text:p>`;
      return `${gap ? '<text:p/>' : ''}${own}`;
    })
    .join('');
  const italics =
    '<style:style style:name="I" style:family="text"><style:text-properties fo:font-style="italic"/></style:style>';
  return odt({ body, automatic: automatic + italics });
}

function asHtml(lines: readonly Made[]): Uint8Array {
  const body = lines
    .map(({ words, centred, italic, right, page, head }) => {
      const css = `${centred ? 'text-align:center;' : right ? 'text-align:right;' : ''}${page ? 'page-break-before:always' : ''}`;
      const text = italic ? `<i>${words}</i>` : words;
      return head ? `<h1>${text}</h1>` : `<p${css ? ` style="${css}"` : ''}>${text}</p>`;
    })
    .join('\n');
  return strToU8(`<html><body>${body}</body></html>`);
}

function asMarkdown(lines: readonly Made[]): Uint8Array {
  const body = lines
    .map(
      ({ words, italic, page, head }) => `${page ? '---\n\n' : ''}${head ? '# ' : ''}${italic ? `*${words}*` : words}`,
    )
    .join('\n\n');
  return strToU8(body);
}

function asTxt(lines: readonly Made[]): Uint8Array {
  const body = lines
    .map(({ words, centred, page, gap, head }) => {
      const indent = centred ? ' '.repeat(Math.max(0, Math.floor((70 - words.length) / 2))) : '';
      const wrapped = words.replace(/(.{1,70})(?:\s+|$)/g, '$1\n').trimEnd();
      return `${page ? '\f' : gap || head ? '\n' : ''}${indent}${wrapped}${head ? '\n' : ''}`;
    })
    .join('\n');
  return strToU8(body);
}

const WRITERS: Readonly<Record<string, (lines: readonly Made[]) => Uint8Array>> = {
  docx: (lines) => asDocx(lines),
  rtf: asRtf,
  odt: asOdt,
  html: asHtml,
  md: asMarkdown,
  txt: asTxt,
};

const TEXT =
  'The register had been kept in the same hand for thirty years, and nobody had thought to ask whose hand it was until the morning on which it changed, a little after the turn of the tide and well before the first crossing.';
const CHAPTERS: readonly Made[] = [
  { words: 'Chapter One', head: true, page: true },
  ...[1, 2, 3].map(() => ({ words: TEXT, gap: true })),
  { words: 'Chapter Two', head: true, page: true },
  ...[1, 2, 3].map(() => ({ words: TEXT, gap: true })),
];

/** What a book's first pages came to, in a line each. */
function outcome(book: Book): string[] {
  const { title, subtitle, publisher, place, year } = book.particulars;
  const facts = { title, subtitle, author: namesOf(book.particulars, 'author'), publisher, place, year };
  const words = (index: number) =>
    book.divisions[index].blocks
      .flatMap((block) => (block.kind === 'paragraph' && block.text !== '' ? [block.text] : []))
      .join(' / ')
      .slice(0, 80);
  return [
    ...Object.entries(facts).flatMap(([key, value]) => (value === '' ? [] : [`${key}: ${value}`])),
    ...book.divisions.flatMap(({ role }, index) =>
      ['half-title', 'title', 'contents'].includes(role) ||
      (role === 'imprint' && book.divisions[index].blocks.length <= 5)
        ? []
        : [`${role}: ${role === 'imprint' ? words(index).replace(/^[\uFFFC/ ]+/, '') : words(index)}`],
    ),
    ...(book.source.firstPages ?? []).flatMap(({ part, words: first }) =>
      ['contents', 'toTypesetter', 'cover'].includes(part) ? [`beside: ${part} ${first.slice(0, 30)}`] : [],
    ),
  ];
}

const C1 = `chapter: Chapter One / ${TEXT}`.slice(0, 89);
const C2 = `chapter: Chapter Two / ${TEXT}`.slice(0, 89);

interface Opening {
  readonly what: string;
  readonly lines: readonly Made[];
  readonly outcome: readonly string[];
  /** Formats that cannot say it. */
  readonly not?: readonly string[];
}

const OPENINGS: readonly Opening[] = [
  {
    what: 'a title page and a dedication',
    lines: [
      { words: 'The Ferry Register', centred: true },
      { words: 'by Odile Brackwater', centred: true, gap: true },
      { words: 'For Tam, who rowed', centred: true, italic: true, page: true },
    ],
    outcome: ['title: The Ferry Register', 'author: Odile Brackwater', 'dedication: For Tam, who rowed', C1, C2],
  },
  {
    what: 'an address and a count of words above the title',
    lines: [
      { words: 'Odile Brackwater' },
      { words: '14 Ferry Lane, Saltmarket' },
      { words: 'odile@saltmarket.example' },
      { words: 'About 58,000 words' },
      { words: 'THE FERRY REGISTER', centred: true, gap: true },
      { words: 'by', centred: true, gap: true },
      { words: 'Odile Brackwater', centred: true },
    ],
    outcome: [
      'title: THE FERRY REGISTER',
      'author: Odile Brackwater',
      C1,
      C2,
      'beside: toTypesetter Odile Brackwater 14 Ferry Lane',
    ],
    not: ['html', 'md'],
  },
  {
    what: 'a kind of book, and the year under it',
    lines: [
      { words: 'The Ferry Register', centred: true },
      { words: 'A novel of the river', centred: true, gap: true },
      { words: 'By Odile Brackwater and Corin Slate', centred: true, gap: true },
      { words: 'Weir Press, Saltmarket, 2024', centred: true, gap: true },
    ],
    outcome: [
      'title: The Ferry Register',
      'subtitle: A novel of the river',
      'author: Odile Brackwater and Corin Slate',
      'publisher: Weir Press',
      'place: Saltmarket',
      'year: 2024',
      C1,
      C2,
    ],
  },
  {
    what: 'an epigraph with its source',
    lines: [
      { words: 'The Ferry Register', centred: true },
      { words: 'by Odile Brackwater', centred: true, gap: true },
      { words: 'The river gives back what it has no use for.', italic: true, page: true },
      { words: '— The Boatmen’s Almanack', right: true },
    ],
    outcome: [
      'title: The Ferry Register',
      'author: Odile Brackwater',
      'epigraph: The river gives back what it has no use for. / — The Boatmen’s Almanack',
      C1,
      C2,
    ],
  },
  {
    what: 'a typed contents list',
    lines: [
      { words: 'The Ferry Register', centred: true },
      { words: 'by Odile Brackwater', centred: true, gap: true },
      { words: 'Contents', centred: true, page: true },
      { words: 'Chapter One ........ 1', gap: true },
      { words: 'Chapter Two ........ 9' },
    ],
    outcome: [
      'title: The Ferry Register',
      'author: Odile Brackwater',
      C1,
      C2,
      'beside: contents Contents Chapter One ........ ',
    ],
  },
  {
    what: 'an author’s note under its name',
    lines: [
      { words: 'The Ferry Register', centred: true },
      { words: 'by Odile Brackwater', centred: true, gap: true },
      { words: 'Author’s Note', page: true },
      { words: TEXT, gap: true },
    ],
    outcome: [
      'title: The Ferry Register',
      'author: Odile Brackwater',
      `note-on-text: Author’s Note / ${TEXT}`.slice(0, 94),
      C1,
      C2,
    ],
  },
  {
    what: 'a page of copyright',
    lines: [
      { words: 'The Ferry Register', centred: true },
      { words: 'by Odile Brackwater', centred: true, gap: true },
      { words: 'Copyright © 2024 Odile Brackwater', page: true },
      { words: 'All rights reserved. This is a work of fiction.', gap: true },
      { words: 'ISBN 978-1-4028-9462-6', gap: true },
    ],
    outcome: [
      'title: The Ferry Register',
      'author: Odile Brackwater',
      'imprint: All rights reserved. This is a work of fiction.',
      C1,
      C2,
    ],
  },
  {
    what: 'a dedication that nothing but its place tells',
    lines: [
      { words: 'The Ferry Register', centred: true },
      { words: 'by Odile Brackwater', centred: true, gap: true },
      { words: 'Three boats, one rope', centred: true, page: true },
    ],
    outcome: ['title: The Ferry Register', 'author: Odile Brackwater', 'dedication: Three boats, one rope', C1, C2],
    not: ['md'],
  },
  {
    what: 'a page that cannot be told, by its first words',
    lines: [
      { words: 'The Ferry Register', centred: true },
      { words: 'by Odile Brackwater', centred: true, gap: true },
      { words: TEXT, page: true },
    ],
    outcome: ['title: The Ferry Register', 'author: Odile Brackwater', `preface: ${TEXT}`.slice(0, 89), C1, C2],
  },
  {
    what: 'everything at once',
    lines: [
      { words: 'The Ferry Register', centred: true },
      { words: 'by Odile Brackwater', centred: true, gap: true },
      { words: '© 2024 Odile Brackwater', page: true },
      { words: 'In memory of the weir', centred: true, page: true },
      { words: 'We go over and we come back.', italic: true, page: true },
      { words: '— A ferry song', right: true },
      { words: 'Acknowledgements', page: true },
      { words: TEXT, gap: true },
    ],
    outcome: [
      'title: The Ferry Register',
      'author: Odile Brackwater',
      'dedication: In memory of the weir',
      'epigraph: We go over and we come back. / — A ferry song',
      `acknowledgements: Acknowledgements / ${TEXT}`.slice(0, 98),
      C1,
      C2,
    ],
  },
  {
    what: 'chapters alone',
    lines: [],
    outcome: ['title: opening', C1, C2],
  },
  {
    what: 'a title alone, in capitals',
    lines: [{ words: 'THE FERRY REGISTER', centred: true }],
    outcome: ['title: THE FERRY REGISTER', C1, C2],
  },
];

const arrive = (name: string, bytes: Uint8Array) =>
  makeBook(taken(readManuscript(name, bytes)), { bookId: 'b1', fileName: name });

describe('the first pages of a manuscript', () => {
  for (const { what, lines, outcome: wished, not = [] } of OPENINGS)
    for (const [format, write] of Object.entries(WRITERS)) {
      if (not.includes(format)) continue;
      it(`are taken for what they are: ${what} (${format})`, () => {
        expect(outcome(arrive(`opening.${format}`, write([...lines, ...CHAPTERS])))).to.deep.equal(wished);
      });
    }
});
void [epub, png];
