// Builds the demonstration manuscript as a .docx from its readable source, with the faults that real copy has: doubled
// spaces, empty paragraphs as spacing, straight quotes in a chapter, italics by hand, a style that fits nothing of ours,
// a passage with a paragraph mark at the end of every line, a character that no text face has.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Document, FootnoteReferenceRun, HeadingLevel, Packer, Paragraph, TextRun, type ParagraphChild } from 'docx';

interface Source {
  readonly title: string;
  readonly author: string;
  readonly dedication: string;
  readonly paragraphs: Paragraph[];
  readonly notes: Record<string, { children: Paragraph[] }>;
}

/** The .docx as bytes; `root` is the project's folder. */
export async function buildDemoManuscript(root: string): Promise<Uint8Array> {
  const source = readSource(readFileSync(join(root, 'demo/the-ferry-register.txt'), 'utf8'));
  const document = new Document({
    title: source.title,
    creator: source.author,
    styles: {
      default: { document: { run: { language: { value: 'en-GB' } } } },
      paragraphStyles: ['Dedication', 'Extract', 'Verse', 'Letter ends Harrow'].map((name) => ({
        id: name.replace(/ /g, ''),
        name: name === 'Letter ends Harrow' ? 'After letter, Harrow' : name,
        basedOn: 'Normal',
      })),
    },
    footnotes: source.notes,
    sections: [
      {
        children: [
          new Paragraph({ text: source.title, heading: HeadingLevel.TITLE }),
          new Paragraph({ text: '' }),
          new Paragraph({ text: source.dedication, style: 'Dedication' }),
          new Paragraph({ text: '' }),
          ...source.paragraphs,
        ],
      },
    ],
  });
  return new Uint8Array(await Packer.toBuffer(document));
}

function readSource(text: string): Source {
  const facts = new Map([...text.matchAll(/^@(\w+) (.*)$/gm)].map((match) => [match[1], match[2]]));
  const notes: Source['notes'] = {};
  const paragraphs: Paragraph[] = [];
  for (const block of text.replace(/^@.*$/gm, '').split(/\n{2,}/)) {
    const note = /^\[\^(\d+)\]: ([\s\S]*)$/.exec(block.trim());
    if (note !== null) notes[note[1]] = { children: [new Paragraph({ children: inline(note[2]) })] };
    else if (block.trim() !== '') paragraphs.push(...readBlock(block.trim()));
  }
  return {
    title: facts.get('title')!,
    author: facts.get('author')!,
    dedication: facts.get('dedication')!,
    paragraphs,
    notes,
  };
}

function readBlock(block: string): Paragraph[] {
  if (block === '{empty}') return [new Paragraph({ text: '' })];
  if (block === '***') return [new Paragraph({ text: '* * *' })];
  if (block.startsWith('## '))
    return [new Paragraph({ text: block.slice(3), heading: HeadingLevel.HEADING_1 }), new Paragraph({ text: '' })];
  if (block.startsWith('# '))
    return [new Paragraph({ text: '' }), new Paragraph({ text: block.slice(2), heading: HeadingLevel.HEADING_1 })];
  const lines = block.split('\n');
  if (block.startsWith('> ')) return lines.map((line) => styled(line.slice(2), 'Extract'));
  if (block.startsWith('| ')) return lines.map((line) => styled(line.slice(2), 'Verse'));
  if (block.startsWith('{wrapped}')) return lines.map((line) => styled(line.replace('{wrapped}', '')));
  if (block.startsWith('{style Letter ends Harrow}'))
    return [styled(block.replace(/^\{[^}]*\}/, ''), 'LetterendsHarrow')];
  return [styled(lines.join(' '))];
}

function styled(text: string, style?: string): Paragraph {
  return new Paragraph({ children: inline(text), ...(style ? { style } : {}) });
}

/** Text with _italics_ by hand and [^n] references. */
function inline(text: string): ParagraphChild[] {
  return text
    .split(/(\[\^\d+\]|_[^_]+_)/)
    .filter((piece) => piece !== '')
    .map((piece) => {
      const note = /^\[\^(\d+)\]$/.exec(piece);
      if (note !== null) return new FootnoteReferenceRun(Number(note[1]));
      if (/^_.*_$/.test(piece)) return new TextRun({ text: piece.slice(1, -1), italics: true });
      return new TextRun(piece);
    });
}
