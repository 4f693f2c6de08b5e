// Builds the demonstration manuscripts as .docx from their readable sources, with the faults that real copy has: doubled
// spaces, empty paragraphs as spacing, straight quotes in a chapter, italics by hand, a style that fits nothing of ours,
// a passage with a paragraph mark at the end of every line, a character that no text face has; in the nonfiction ranges and
// dashes as typed, tabs, a tracked change, a comment, and titles of parts of glossary entries in italics by hand.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  CommentReference,
  DeletedTextRun,
  Document,
  EndnoteReferenceRun,
  ExternalHyperlink,
  FootnoteReferenceRun,
  HeadingLevel,
  ImageRun,
  InsertedTextRun,
  LevelFormat,
  Packer,
  PageBreak,
  Paragraph,
  SimpleField,
  Table,
  TableCell,
  TableRow,
  Textbox,
  TextRun,
  type ParagraphChild,
} from 'docx';
import { DEMO_PICTURES } from './demoPictures';

type Notes = Record<string, { children: Paragraph[] }>;

interface Comment {
  readonly id: number;
  readonly author: string;
  readonly date: Date;
  readonly children: Paragraph[];
}

/** Tracked changes and comments need a date; it is never read. */
const DATE = new Date(Date.UTC(2026, 0, 1));
const EDITOR = 'Perpetua Quill';
const NUMBERING = 'numbered';

/** The .docx of a source in the folder `demo` as bytes; `root` is the project's folder. */
export async function buildDemoManuscript(root: string, name: string): Promise<Uint8Array> {
  const source = new SourceReader(readFileSync(join(root, `demo/${name}.txt`), 'utf8'));
  const children = source.read();
  const { title, author, dedication } = source.facts;
  const document = new Document({
    title,
    creator: author,
    styles: {
      default: { document: { run: { language: { value: 'en-GB' } } } },
      paragraphStyles: ['Dedication', 'Extract', 'Verse', 'Caption', 'Letter ends Harrow'].map((style) => ({
        id: style.replace(/ /g, ''),
        name: style === 'Letter ends Harrow' ? 'After letter, Harrow' : style,
        basedOn: 'Normal',
      })),
    },
    numbering: {
      config: [{ reference: NUMBERING, levels: [{ level: 0, format: LevelFormat.DECIMAL, text: '%1.' }] }],
    },
    footnotes: source.footnotes,
    ...(Object.keys(source.endnotes).length > 0 ? { endnotes: source.endnotes } : {}),
    ...(source.comments.length > 0 ? { comments: { children: source.comments } } : {}),
    sections: [
      {
        children: [
          new Paragraph({ text: title, heading: HeadingLevel.TITLE }),
          new Paragraph({ text: '' }),
          new Paragraph({ text: dedication, style: 'Dedication' }),
          new Paragraph({ text: '' }),
          ...children,
        ],
      },
    ],
  });
  return new Uint8Array(await Packer.toBuffer(document));
}

class SourceReader {
  readonly facts: Record<string, string>;
  readonly footnotes: Notes = {};
  readonly endnotes: Notes = {};
  readonly comments: Comment[] = [];

  constructor(private readonly text: string) {
    this.facts = Object.fromEntries([...text.matchAll(/^@(\w+) (.*)$/gm)].map((match) => [match[1], match[2]]));
  }

  read(): (Paragraph | Table)[] {
    const made: (Paragraph | Table)[] = [];
    let rows: string[] = [];
    const closeTable = () => {
      if (rows.length > 0) made.push(this.table(rows));
      rows = [];
    };
    for (const raw of this.text.replace(/^@.*$/gm, '').split(/\n{2,}/)) {
      const block = raw.trim();
      const note = /^\[([\^~])(\d+)\]: ([\s\S]*)$/.exec(block);
      if (block.startsWith('|| ')) {
        rows.push(block.slice(3));
        continue;
      }
      closeTable();
      if (note !== null) {
        const notes = note[1] === '^' ? this.footnotes : this.endnotes;
        notes[note[2]] = { children: [new Paragraph({ children: this.inline(note[3]) })] };
      } else if (block !== '') made.push(...this.block(block));
    }
    closeTable();
    return made;
  }

  private table(rows: readonly string[]): Table {
    return new Table({
      rows: rows.map(
        (row) =>
          new TableRow({
            children: row
              .split(' || ')
              .map((cell) => new TableCell({ children: [new Paragraph({ children: this.inline(cell) })] })),
          }),
      ),
    });
  }

  private block(block: string): Paragraph[] {
    if (block === '{empty}') return [new Paragraph({ text: '' })];
    if (block === '{page}') return [new Paragraph({ children: [new PageBreak()] })];
    if (block.startsWith('{box} '))
      return [
        new Textbox({
          children: [this.styled(block.replace(/\n/g, ' ').slice(6))],
          style: { width: '6cm', height: '3cm' },
        }) as unknown as Paragraph,
      ];
    if (block === '***') return [new Paragraph({ text: '* * *' })];
    const heading = /^(#{1,3}) (.*)$/.exec(block);
    if (heading !== null) return this.heading(heading[1].length, heading[2]);
    const lines = block.split('\n');
    if (block.startsWith('> ')) return lines.map((line) => this.styled(line.slice(2), 'Extract'));
    if (block.startsWith('| ')) return lines.map((line) => this.styled(line.slice(2), 'Verse'));
    if (block.startsWith('{wrapped}')) return lines.map((line) => this.styled(line.replace('{wrapped}', '')));
    if (block.startsWith('{style Letter ends Harrow}'))
      return [this.styled(block.replace(/^\{[^}]*\}/, ''), 'LetterendsHarrow')];
    const picture = /^\{picture (\S+) ([\d.]+)in\} ([\s\S]*)$/.exec(block);
    if (picture !== null) return [this.picture(picture[1], Number(picture[2]), picture[3].replace(/\n/g, ' '))];
    if (block.startsWith('{caption} ')) return [this.styled(lines.join(' ').slice(10), 'Caption')];
    if (block.startsWith('- ')) return [new Paragraph({ children: this.inline(block.slice(2)), bullet: { level: 0 } })];
    const numbered = /^\d+\. ([\s\S]*)$/.exec(block);
    if (numbered !== null)
      return [new Paragraph({ children: this.inline(numbered[1]), numbering: { reference: NUMBERING, level: 0 } })];
    return [this.styled(lines.join(' '))];
  }

  /** A picture in a paragraph of its own, so many inches wide, with the words for those who do not see it. */
  private picture(name: string, inches: number, alt: string): Paragraph {
    const { bytes, type, width, height } = DEMO_PICTURES[name]();
    const pixels = { width: Math.round(inches * 96), height: Math.round((inches * 96 * height) / width) };
    const run = new ImageRun({
      type,
      data: bytes,
      transformation: pixels,
      altText: { name, description: alt, title: '' },
    });
    return new Paragraph({ children: [run] });
  }

  /** In a novel parts and chapters are heads of one level, parted by empty paragraphs: one of its faults. */
  private heading(level: number, text: string): Paragraph[] {
    if (this.facts.kind === 'nonfiction') {
      const levels = [HeadingLevel.HEADING_1, HeadingLevel.HEADING_2, HeadingLevel.HEADING_3];
      return [new Paragraph({ text, heading: levels[level - 1] })];
    }
    const head = new Paragraph({ text, heading: HeadingLevel.HEADING_1 });
    const empty = new Paragraph({ text: '' });
    return level === 1 ? [empty, head] : [head, empty];
  }

  private styled(text: string, style?: string): Paragraph {
    return new Paragraph({ children: this.inline(text), ...(style ? { style } : {}) });
  }

  /**
   * Text with _italics_ by hand, [^n] and [~n] references, {+insertions+}, {-deletions-}, {!comments}, and a look or a link
   * before a bar: {b|bold}, {link https://landing.example/|words}.
   */
  private inline(text: string): ParagraphChild[] {
    return text
      .split(/(\[[\^~]\d+\]|_[^_]+_|\{[+\-!][^}]*\}|\{[a-z]+[^|}]*\|[^}]*\})/)
      .filter((piece) => piece !== '')
      .map((piece) => this.piece(piece));
  }

  private piece(piece: string): ParagraphChild {
    const note = /^\[([\^~])(\d+)\]$/.exec(piece);
    if (note !== null)
      return note[1] === '^' ? new FootnoteReferenceRun(Number(note[2])) : new EndnoteReferenceRun(Number(note[2]));
    if (/^_.*_$/.test(piece)) return new TextRun({ text: piece.slice(1, -1), italics: true });
    const change = { id: 1000 + this.comments.length, author: EDITOR, date: DATE.toISOString() };
    if (piece.startsWith('{+')) return new InsertedTextRun({ text: piece.slice(2, -2), ...change });
    if (piece.startsWith('{-')) return new DeletedTextRun({ text: piece.slice(2, -2), ...change });
    const looked = /^\{([a-z]+) ?([^|}]*)\|([^}]*)\}$/.exec(piece);
    if (looked !== null) return looks(looked[1], looked[2], looked[3]);
    if (!piece.startsWith('{!')) return new TextRun(piece);
    const id = this.comments.length;
    this.comments.push({ id, author: EDITOR, date: DATE, children: [new Paragraph({ text: piece.slice(2, -1) })] });
    return new TextRun({ children: [new CommentReference(id)] });
  }
}

/** Words with a look by hand, a language, a link, the field that refers to a page, or that of an index entry. */
function looks(name: string, value: string, text: string): ParagraphChild {
  switch (name) {
    case 'b':
      return new TextRun({ text, bold: true });
    case 'u':
      return new TextRun({ text, underline: {} });
    case 's':
      return new TextRun({ text, strike: true });
    case 'sc':
      return new TextRun({ text, smallCaps: true });
    case 'sup':
      return new TextRun({ text, superScript: true });
    case 'sub':
      return new TextRun({ text, subScript: true });
    case 'look':
      return new TextRun({ text, font: 'Landing Typewriter', size: 20, color: '8A3B12' });
    case 'fr':
      return new TextRun({ text, language: { value: 'fr-FR' } });
    case 'link':
      return new ExternalHyperlink({ link: value, children: [new TextRun(text)] });
    case 'field':
      return new SimpleField('PAGEREF wall', text);
    case 'xe':
      return new SimpleField(`XE "${text}"`);
    default:
      throw new Error(`the source asks for a look that is not known: ${name}`);
  }
}
