// Files that come together: manuscripts, and the pictures that some of them refer to by name.
import { isPictureName } from '../../core/copy/pictureNames';
import type { NamedFile } from '../../worker/writeClient';

export interface FilesTogether {
  readonly manuscripts: readonly File[];
  /** What a manuscript of only text may refer to; empty where none came. */
  readonly pictures: readonly NamedFile[];
}

/** Kinds of manuscripts that only say where their pictures are. */
const REFERS = /\.(?:md|markdown|html?|xhtml)$/i;

/** Pictures stand beside manuscripts that can refer to them; without such a one they are files like any other. */
export function filesTogether(files: readonly File[]): FilesTogether {
  if (!files.some(({ name }) => REFERS.test(name))) return { manuscripts: files, pictures: [] };
  return {
    manuscripts: files.filter(({ name }) => !isPictureName(name)),
    pictures: files.filter(({ name }) => isPictureName(name)).map((file) => ({ name: file.name, file })),
  };
}

/** What is said of pictures to which nothing refers; null where there are none. */
export function unplacedWords(pictures: readonly NamedFile[], placed: ReadonlySet<string>): string | null {
  const names = pictures.map(({ name }) => name).filter((name) => !placed.has(name));
  if (names.length === 0) return null;
  const shown = names.slice(0, 3).join(', ') + (names.length > 3 ? ` and ${names.length - 3} more` : '');
  return `${shown}: no text that came with ${names.length === 1 ? 'it' : 'them'} refers to ${names.length === 1 ? 'it' : 'them'}.`;
}
