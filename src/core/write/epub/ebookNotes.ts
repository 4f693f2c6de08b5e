// The notes of an ebook: which file each stands in, and how those stand that come together.
import { escapeXml } from '../../base/xml';
import { notesIn } from '../../model/copy/holders';
import type { Division } from '../../model/copy/book';
import { noteKind, type NotesSpec } from '../../model/spec/notes';
import type { NumberedNote } from '../copy/copyOf';
import { clean } from '../copy/clean';
import { MADE, notesXhtml, type XhtmlContext } from '../copy/xhtml';
import type { TextFile } from './ebookFiles';

type Notes = ReadonlyMap<string, NumberedNote>;

/** The notes of a division, those of its notes among them, in the order of their references; without recursion, however many notes refer on. */
export function notesOfDivision({ blocks }: Pick<Division, 'blocks'>, notes: Notes): string[] {
  const ids = new Set<string>();
  const open = [blocks.flatMap(notesIn).values()];
  while (open.length > 0) {
    const { value: id, done } = open[open.length - 1].next();
    if (done) open.pop();
    else if (notes.has(id) && !ids.has(id)) {
      ids.add(id);
      open.push(notes.get(id)!.note.blocks.flatMap(notesIn).values());
    }
  }
  return [...ids];
}

/** Where notes stand: with their division; those of the end of the book in the division for them, or in a file of their own. */
export class NoteHomes {
  private readonly fileOf = new Map<string, string>();
  /** The notes at the end of the book, and the file that has them; null: there are none. */
  readonly gathered: readonly string[];
  readonly notesFile: string | null;

  constructor(
    private readonly files: readonly TextFile[],
    private readonly notes: Notes,
    private readonly spec: NotesSpec,
  ) {
    for (const { name, division, holds } of files) {
      if (holds !== 'copy') continue;
      for (const id of notesOfDivision(division, notes)) if (!this.fileOf.has(id)) this.fileOf.set(id, name);
    }
    this.gathered = [...this.fileOf.keys()].filter((id) => this.isGathered(id));
    const home = files.find(({ division }) => division.role === 'notes')?.name;
    this.notesFile = this.gathered.length === 0 ? null : (home ?? NOTES_FILE);
  }

  private isGathered(id: string): boolean {
    return noteKind(this.spec, this.notes.get(id)!.note.kind).place === 'bookEnd';
  }

  /** The file in which a note stands. */
  homeOf(id: string): string | null | undefined {
    return this.fileOf.has(id) && this.isGathered(id) ? this.notesFile : this.fileOf.get(id);
  }

  /** The notes that stand in a file with its text. */
  in(file: string): string[] {
    return [...this.fileOf].filter(([id, own]) => own === file && !this.isGathered(id)).map(([id]) => id);
  }

  /** The notes of the whole book, under the titles of their divisions. */
  gatheredXhtml(context: XhtmlContext): string {
    return this.files
      .map(({ name, title }) => {
        const own = this.gathered.filter((id) => this.fileOf.get(id) === name);
        const head = this.spec.heads ? title : '';
        return own.length === 0 ? '' : endnotesXhtml(own, head, context, (id) => `${this.fileOf.get(id)}#ref-${id}`);
      })
      .filter((part) => part !== '')
      .join('\n');
  }
}

/** The file of the notes of a book that has no division for them. */
export const NOTES_FILE = 'notes.xhtml';

/** Notes that stand together at the end of what they belong to; `head` empty: without one. */
export function endnotesXhtml(
  ids: readonly string[],
  head: string,
  context: XhtmlContext,
  backTo?: (id: string) => string,
): string {
  const title = head === '' ? '' : `<h2 class="made"${MADE}>${escapeXml(clean(head))}</h2>\n`;
  return `<section epub:type="endnotes" role="doc-endnotes">\n${title}<ol class="notes">${notesXhtml(ids, context, backTo)}</ol>\n</section>`;
}
