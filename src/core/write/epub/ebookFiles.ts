// The files of an ebook in the order of reading: one for each division, and what each is. Contents are the package's own; lists and an index are made.
import { isTypedNumber } from '../../copy/meanings';
import { canBeRead, type Book, type Division } from '../../model/copy/book';
import { roleName } from '../../model/copy/roles';
import type { Paragraph } from '../../model/copy/streams';
import { plainWords } from '../../numbering/headWords';
import { levelOf, meaningOf, type HeadsOfCopy } from '../copy/copyOf';
import { clean } from '../copy/clean';

export interface TextFile {
  readonly name: string;
  readonly division: Division;
  readonly title: string;
  /** What is in it: words of the copy; or what the book makes of them. */
  readonly holds: 'copy' | 'contents' | 'figures' | 'tables' | 'index';
}

/** The contents of the package, in the order of reading where the book has a contents page. */
export const CONTENTS_FILE = 'nav.xhtml';

/** The cover, before all else. */
export const COVER_FILE = 'cover.xhtml';

/** `hasIndex`: the index can be made. */
export function ebookFiles(book: Book, heads: HeadsOfCopy, hasIndex: boolean): TextFile[] {
  const files: TextFile[] = [];
  for (const division of book.divisions) {
    const holds = holdsOf(division);
    if (division.notInEbook || !canBeRead(division) || (holds === 'index' && !hasIndex)) continue;
    const name = holds === 'contents' ? CONTENTS_FILE : `d${files.length + 1}.xhtml`;
    if (holds === 'contents' && files.some((file) => file.name === name)) continue;
    files.push({ name, division, title: titleOf(division, book, heads), holds });
  }
  return files;
}

function holdsOf({ role, blocks }: Division): TextFile['holds'] {
  if (role === 'contents' || role === 'figures' || role === 'tables') return role;
  return role === 'index' && blocks.length < 2 ? 'index' : 'copy';
}

/** Number and title of a division, or what its role is called. */
function titleOf(division: Division, book: Book, { numbers }: HeadsOfCopy): string {
  const heads = division.blocks.filter(
    (block): block is Paragraph =>
      block.kind === 'paragraph' && (levelOf(book, block) === 1 || isTypedNumber(meaningOf(book, block.style))),
  );
  const words = heads.flatMap((head) => [numbers.get(head.id)?.text ?? '', plainWords(head)]).filter(Boolean);
  return clean(words.join(' ')) || roleName(division.role);
}

/** Structural semantics of a division's section (EPUB Structural Semantics Vocabulary 1.1), and its role where there is one (DPUB-ARIA 1.1). */
export const SECTION_TYPES: Readonly<Partial<Record<Division['role'], string>>> = {
  title: 'titlepage',
  'half-title': 'halftitlepage',
  'second-half-title': 'halftitlepage',
  imprint: 'copyright-page',
  dedication: 'dedication',
  epigraph: 'epigraph',
  foreword: 'foreword',
  preface: 'preface',
  acknowledgements: 'acknowledgments',
  introduction: 'introduction',
  prologue: 'prologue',
  epilogue: 'epilogue',
  appendix: 'appendix',
  glossary: 'glossary',
  bibliography: 'bibliography',
  index: 'index',
  figures: 'loi',
  tables: 'lot',
  colophon: 'colophon',
  contributors: 'contributors',
  part: 'part',
  chapter: 'chapter',
  afterword: 'afterword',
};

export const SECTION_ROLES: Readonly<Partial<Record<Division['role'], string>>> = {
  dedication: 'doc-dedication',
  epigraph: 'doc-epigraph',
  foreword: 'doc-foreword',
  preface: 'doc-preface',
  acknowledgements: 'doc-acknowledgments',
  introduction: 'doc-introduction',
  prologue: 'doc-prologue',
  epilogue: 'doc-epilogue',
  appendix: 'doc-appendix',
  glossary: 'doc-glossary',
  bibliography: 'doc-bibliography',
  index: 'doc-index',
  colophon: 'doc-colophon',
  credits: 'doc-credits',
  part: 'doc-part',
  chapter: 'doc-chapter',
  afterword: 'doc-afterword',
};
