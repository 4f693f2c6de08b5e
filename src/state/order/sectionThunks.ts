// Sections of the running order: begun at a paragraph or at a folio, named, and changed in what they say of their pages.
import {
  dropSectionEdits,
  sectionFurnitureEdits,
  sectionRunEdits,
  sectionStartEdits,
  setTouchesEdit,
  type FirstPageFurniture,
} from '../../core/edit';
import type { Book } from '../../core/model/copy/book';
import type { BookEdit } from '../../core/model/copy/bookEdit';
import type { StreamId } from '../../core/model/copy/streams';
import type { FolioRun } from '../../core/model/spec/numbering';
import type { SectionStart } from '../../core/numbering/sections';
import type { PageSummary } from '../../worker/typesetClient';
import { edit } from '../book/bookThunks';
import type { AppThunk } from '../store';

/** Begins a named section at a paragraph, or ends the one that begins there (undefined) with what it said of its first page. */
export function setSection(stream: StreamId, block: string, section: string | undefined): AppThunk {
  return change(section === undefined ? 'Section taken back' : 'Section named', (book) => {
    if (section === undefined) return dropSectionEdits(book, stream, block);
    const made = setTouchesEdit(book, stream, block, { section });
    return made === null ? [] : [made];
  });
}

/** On which page a section begins. */
export const setSectionStart = (block: string, start: SectionStart): AppThunk =>
  change('Section: where it begins', (book) => sectionStartEdits(book, block, start));

/** The folio run that begins with a section; undefined: none. */
export const setSectionRun = (block: string, run: FolioRun | undefined): AppThunk =>
  change('Section: folio run', (book, page) => sectionRunEdits(book, block, run, page(block)));

/** The furniture of the first page of a section. */
export const setSectionFurniture = (block: string, furniture: FirstPageFurniture): AppThunk =>
  change('Section: its first page', (book, page) => sectionFurnitureEdits(book, block, furniture, page(block)));

/**
 * Begins a section, named by its words, at the first paragraph that begins on the page of a folio. Answers what is wrong with
 * the folio, or null.
 */
export function beginSectionAtFolio(folio: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    const pages = getState().compose.summary?.pages ?? [];
    if (book === null) return null;
    const at = paragraphOnFolio(book, pages, folio);
    if (typeof at === 'string') return at;
    dispatch(setSection(at.stream, at.block, ''));
    return null;
  };
}

/** The first paragraph of the copy that begins on the page of a folio, or a sentence on why there is none. */
export function paragraphOnFolio(
  book: Book,
  pages: readonly PageSummary[],
  folio: string,
): { readonly stream: StreamId; readonly block: string } | string {
  const wanted = folio.trim();
  const at = pages.findIndex((page) => page.folio !== '' && page.folio === wanted);
  if (at < 0) return wanted === '' ? 'Type the folio of a page.' : `No page has the folio ${wanted}.`;
  const none = `No paragraph begins on folio ${wanted}.`;
  const { start } = pages[at];
  const division = book.divisions.find(({ id }) => id === start?.stream);
  const first = division?.blocks.findIndex(({ id }) => id === start?.block) ?? -1;
  if (start === null || division === undefined || first < 0) return none;
  const next = pages.slice(at + 1).find((page) => page.start !== null)?.start;
  const from = start.offset === 0 ? first : first + 1;
  for (const block of division.blocks.slice(from)) {
    if (block.id === next?.block && next.offset === 0) break;
    if (block.kind === 'paragraph') return { stream: division.id, block: block.id };
    if (block.id === next?.block) break;
  }
  return none;
}

/** An act on the open book; `page` tells where a paragraph's section begins as last composed, -1 when it is not known. */
function change(name: string, editsOf: (book: Book, page: (block: string) => number) => BookEdit[]): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const { summary } = getState().compose;
    const edits = editsOf(book, (id) => summary?.sections.find(({ block }) => block === id)?.page ?? -1);
    if (edits.length > 0) dispatch(edit(name, edits));
  };
}
