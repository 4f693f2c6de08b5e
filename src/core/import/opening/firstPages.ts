// What comes before the first chapter, taken for what it is: title, authors, dedication, epigraph, a typed contents list, facts of the
// imprint, an address, a picture for the cover; a named page such as a foreword; and what cannot be told, by its first words.
import { readHeading } from '../../copy/headings';
import { wordsOfBlock, type LoosePiece } from '../../copy/firstPages';
import { roleNamed } from '../../copy/roleNames';
import { isEmptyParagraph } from '../../copy/effectiveTag';
import { isFirstRole, MOST_FIRST_PIECES, type FirstPart, type FirstRole } from '../../model/copy/firstPages';
import type { Manuscript } from '../../model/copy/manuscript';
import { isDisplayRole, roleFacts } from '../../model/copy/roles';
import type { Block } from '../../model/copy/streams';
import { clustersOf, pagesOf, sameWords, wordCount, type Line, type LinePage } from './lines';
import {
  CONTENTS_NAME,
  IMPRINT_NAME,
  isByline,
  isContentsList,
  isEntry,
  isDedication,
  isEpigraph,
  isForTypesetter,
  isImprintLine,
  isImprintPage,
  isNameLike,
} from './signs';

export interface FirstPages {
  readonly pieces: readonly LoosePiece[];
  /** The copy after them. */
  readonly rest: readonly Block[];
}

/** A stretch of text under its heading; the first has none when text comes before all headings. */
interface Section {
  readonly heading: Block | null;
  readonly blocks: readonly Block[];
}

/** Text of more words than these, before any heading, is the book itself. */
const LONG_TEXT = 1500;
/** Sections that are looked at. */
const MOST_SECTIONS = 12;

const HEADS: ReadonlySet<string> = new Set(['CT', 'PT', 'CN', 'PN']);
const blocksOf = (lines: readonly Line[]): Block[] => lines.map(({ block }) => block);
const isHead = (block: Block) => block.kind === 'paragraph' && HEADS.has(block.style) && !isEmptyParagraph(block);

export function readFirstPages(manuscript: Manuscript): FirstPages {
  const sections = sectionsOf(manuscript.blocks);
  const reader = new FirstPagesReader(manuscript, sections);
  return reader.read();
}

function sectionsOf(blocks: readonly Block[]): Section[] {
  const sections: { heading: Block | null; blocks: Block[] }[] = [{ heading: null, blocks: [] }];
  for (const block of blocks) {
    if (isHead(block)) sections.push({ heading: block, blocks: [] });
    else sections[sections.length - 1].blocks.push(block);
  }
  return sections;
}

/** A title that a program made up, or that is the name of a file. */
const NO_TITLE =
  /^(?:untitled.*|document ?\d*|dokument ?\d*|unbenannt.*|sans titre.*|.*\.(?:docx?|odt|rtf|txt|md|html?|epub|pages|wpd))$/iu;

/** The title that the file's own properties give; undefined for none, and for one that no person gave. */
export function givenTitle(title: string | undefined): string | undefined {
  const words = title?.replace(/\s+/g, ' ').trim();
  return words === undefined || words === '' || NO_TITLE.test(words) ? undefined : words;
}

class FirstPagesReader {
  private readonly pieces: { part: FirstPart; blocks: Block[]; isGuess?: boolean; isOpen?: boolean }[] = [];
  private readonly rest: Block[] = [];
  private readonly title: string;
  private readonly author: string;
  private readonly heads: ReadonlySet<string>;
  /** The book itself has begun. */
  private isOver = false;

  constructor(
    private readonly manuscript: Manuscript,
    private readonly sections: readonly Section[],
  ) {
    this.title = sameWords(givenTitle(manuscript.metadata.title) ?? '');
    this.author = sameWords(manuscript.metadata.author ?? '');
    this.heads = new Set(
      sections.flatMap(({ heading }) => {
        if (heading === null) return [];
        const words = wordsOfBlock(heading);
        return [sameWords(words), sameWords(readHeading(words).title)].filter((head) => head !== '');
      }),
    );
  }

  read(): FirstPages {
    const { sections } = this;
    for (let k = 0; k < sections.length; k += 1) {
      if (this.isOver || k > MOST_SECTIONS || this.pieces.length > MOST_FIRST_PIECES - 8) this.keep(sections[k]);
      else this.readSection(sections[k], k);
    }
    return { pieces: this.pieces.slice(0, MOST_FIRST_PIECES), rest: this.rest };
  }

  private keep({ heading, blocks }: Section): void {
    if (heading !== null) this.rest.push(heading);
    for (const block of blocks) this.rest.push(block);
  }

  private readSection(section: Section, at: number): void {
    const { heading, blocks } = section;
    if (heading === null) return this.readPages(blocks, null);
    const words = wordsOfBlock(heading);
    const role = roleNamed(words);
    if (CONTENTS_NAME.test(words)) return this.readPages(blocks, { heading, part: 'contents' });
    if (IMPRINT_NAME.test(words)) return this.readPages(blocks, { heading, part: 'imprint' });
    if (role !== undefined && isDisplayRole(role) && isFirstRole(role))
      return this.readPages(blocks, { heading, part: role });
    if (role !== undefined && roleFacts(role).matter === 'front') return this.keep(section);
    if (this.isTitleHead(section, at)) {
      this.put('title', [heading]);
      return this.readPages(blocks, null);
    }
    this.isOver = true;
    this.keep(section);
  }

  /** The first heading of a file may be the title of the book. */
  private isTitleHead({ heading, blocks }: Section, at: number): boolean {
    if (this.has('title') || at > 1) return false;
    const words = wordsOfBlock(heading!);
    if (readHeading(words).number !== '' || this.sections.length < 3) return false;
    if (sameWords(words) === this.title) return true;
    const lines = pagesOf(blocks, this.manuscript).flatMap((page) => page.lines);
    const first = lines.slice(0, 3);
    const names = first.some((line) => isByline(line.words) || this.isAuthor(line.words));
    return lines.length === 0 ? this.isFollowedByParts(at) : names && wordCount(first) <= 40;
  }

  /** With nothing under it, it is a title if what comes next is numbered or named as a division. */
  private isFollowedByParts(at: number): boolean {
    const next = this.sections[at + 1]?.heading;
    if (!next) return false;
    const words = wordsOfBlock(next);
    return (
      next.style === 'PT' ||
      readHeading(words).kind === 'part' ||
      /^(?:chapter|1\b|i\b|one\b)/i.test(words) ||
      roleNamed(words) !== undefined
    );
  }

  private has(part: FirstPart): boolean {
    return this.pieces.some((piece) => piece.part === part);
  }

  private isAuthor(words: string): boolean {
    return this.author !== '' && sameWords(words) === this.author;
  }

  /** The last piece is a `by` without its name. */
  private isBareBy(): boolean {
    const last = this.pieces[this.pieces.length - 1];
    return last?.part === 'author' && last.blocks.length === 1 && BARE_BY.test(wordsOfBlock(last.blocks[0]));
  }

  private put(part: FirstPart, blocks: readonly Block[], isGuess = false): void {
    const last = this.pieces[this.pieces.length - 1];
    const isAlone = ['title', 'subtitle', 'author', 'cover'].includes(part) && !this.isBareBy();
    if (last !== undefined && last.part === part && !isAlone && last.isOpen !== false && last.isGuess === isGuess)
      last.blocks.push(...blocks);
    else this.pieces.push({ part, blocks: [...blocks], isGuess });
  }

  /** `under`: a heading that says what its first page is. */
  private readPages(
    blocks: readonly Block[],
    under: { readonly heading: Block; readonly part: FirstPart } | null,
  ): void {
    const pages = pagesOf(blocks, this.manuscript);
    if (under !== null) {
      const [first, ...others] = pages;
      this.put(under.part, [under.heading, ...(first?.lines ?? []).map(({ block }) => block)]);
      return this.readPagesOf(others, blocks);
    }
    this.readPagesOf(pages, blocks);
  }

  private readPagesOf(pages: readonly LinePage[], blocks: readonly Block[]): void {
    for (let k = 0; k < pages.length; k += 1) {
      const left = this.readPage(pages[k]);
      if (left === null) continue;
      // What is no piece is the book itself where it is long, or where no chapter comes after.
      const [first] = left;
      const start = blocks.indexOf(
        pages[k].mark !== null && first === pages[k].lines[0] ? pages[k].mark! : first.block,
      );
      const after = pages
        .slice(k + 1)
        .filter((page) => !this.isPiece(page))
        .flatMap((page) => page.lines);
      const isLong = wordCount(left) + wordCount(after) > LONG_TEXT;
      if (isLong || !this.hasChapterAhead()) {
        this.isOver = true;
        return this.keep({ heading: null, blocks: blocks.slice(start) });
      }
      this.guess(left, pages[k].mark);
    }
  }

  /** A chapter comes after, and it is not a second one. */
  private hasChapterAhead(): boolean {
    const heads = this.sections.flatMap(({ heading }) => (heading === null ? [] : [wordsOfBlock(heading)]));
    const first = heads.find((words) => roleNamed(words) === undefined);
    if (first === undefined) return heads.length > 0;
    return !/^(?:chapter\s+)?(?:2|ii|two)\b/i.test(first);
  }

  /** Text that goes on from a page of text before it is of that page's piece. */
  private guess(lines: readonly Line[], mark: Block | null): void {
    const blocks = blocksOf(lines);
    const last = this.pieces[this.pieces.length - 1];
    const goesOn = last !== undefined && isFirstRole(last.part) && !isDisplayRole(last.part as FirstRole);
    if (goesOn) last.blocks.push(...(mark === null ? [] : [mark]), ...blocks);
    else this.pieces.push({ part: 'preface', blocks: [...blocks], isGuess: true });
  }

  private isPiece(page: LinePage): boolean {
    return this.partOfPage(page.lines, page.lines.length) !== null;
  }

  /** What a page, or a stretch of lines of it, is as a whole. `of`: lines of the page. */
  private partOfPage(lines: readonly Line[], of: number): FirstPart | null {
    if (isContentsList(lines, this.heads)) return 'contents';
    const isAlone = lines.length === of;
    const [first] = lines;
    const role = first.words.length <= 60 ? roleNamed(first.words) : undefined;
    if (role !== undefined && isFirstRole(role) && lines.length > 1) return role;
    if (IMPRINT_NAME.test(first.words) && lines.length > 1) return 'imprint';
    if (isAlone && isImprintPage(lines)) return 'imprint';
    if (isForTypesetter(lines) && clustersOf(lines).length === 1) return 'toTypesetter';
    const styles = new Set(lines.map(({ block }) => block.style));
    if (styles.has('DED') || styles.has('EPI'))
      return styles.size > 1 ? null : styles.has('DED') ? 'dedication' : 'epigraph';
    if (isDedication(lines, isAlone)) return 'dedication';
    return isEpigraph(lines) ? 'epigraph' : null;
  }

  /** Takes the pieces of a page; answers the lines from which on it is text, null when there are none. */
  private readPage({ lines }: LinePage): readonly Line[] | null {
    if (lines.every(({ isPicture }) => isPicture)) {
      if (lines.length > 1 || this.has('cover') || this.pieces.some(({ part }) => isFirstRole(part))) return lines;
      this.put('cover', [lines[0].block]);
      return null;
    }
    const whole = this.isTitlePage(lines) ? null : this.partOfPage(lines, lines.length);
    if (whole !== null) {
      this.put(whole, blocksOf(lines));
      this.pieces[this.pieces.length - 1].isOpen = false;
      return null;
    }
    const clusters = clustersOf(lines);
    for (let k = 0; k < clusters.length; k += 1) {
      const list = k > 0 ? this.contentsFrom(clusters, k) : 0;
      if (list > 0) {
        this.put('contents', blocksOf(clusters.slice(k, k + list).flat()));
        k += list - 1;
        continue;
      }
      const left = this.readCluster(clusters, k, lines);
      if (left !== null) return [...left, ...clusters.slice(k + 1).flat()];
    }
    return null;
  }

  /** How many clusters from `at` on are one contents list, whose lines may be apart; 0: none. */
  private contentsFrom(clusters: readonly (readonly Line[])[], at: number): number {
    const isNamed = CONTENTS_NAME.test(clusters[at][0].words);
    for (let end = clusters.length; end > at; end -= 1) {
      const last = clusters[end - 1];
      if (!last.every((line) => isEntry(line, this.heads, isNamed)) && end > at + 1) continue;
      if (isContentsList(clusters.slice(at, end).flat(), this.heads)) return end - at;
    }
    return 0;
  }

  private isTitlePage(lines: readonly Line[]): boolean {
    if (this.couldBeTitle(lines) && !isForTypesetter(lines) && !isDedication(lines, false)) return true;
    return lines.some(
      ({ words, block }) =>
        ['BT', 'BS', 'BA'].includes(block.style) || (this.title !== '' && sameWords(words) === this.title),
    );
  }

  /** Takes the pieces of a cluster, line by line where it is of a title page. Answers the lines from which on it is text. */
  private readCluster(
    clusters: readonly (readonly Line[])[],
    at: number,
    page: readonly Line[],
  ): readonly Line[] | null {
    const lines = clusters[at];
    const ahead = clusters.slice(at).flat();
    if (
      lines.length === 1 &&
      lines[0].isPicture &&
      !this.has('cover') &&
      !this.pieces.some(({ part }) => isFirstRole(part))
    ) {
      this.put('cover', [lines[0].block]);
      return null;
    }
    const isTitled = this.isTitlePage(lines);
    const part = isTitled ? null : this.partOfPage(lines, page.length);
    if (part !== null && !(part === 'dedication' && this.couldBeTitle(ahead))) {
      this.put(part, blocksOf(lines));
      return null;
    }
    for (let k = 0; k < lines.length; k += 1) {
      const own = this.partOfLine(lines[k], [...lines.slice(k + 1), ...clusters.slice(at + 1).flat()], page);
      if (own === null) return lines.slice(k);
      this.put(own, [lines[k].block]);
    }
    return null;
  }

  private partOfLine(line: Line, ahead: readonly Line[], page: readonly Line[]): FirstPart | null {
    const { words, block } = line;
    const isShort = words.length <= 100;
    const hasTitle = this.has('title');
    if (isByline(words) && isShort && (hasTitle || this.title !== '')) return 'author';
    if (block.style === 'BA') return 'author';
    if (block.style === 'BT' && !hasTitle) return 'title';
    if (block.style === 'BS') return this.isAuthor(words) ? 'author' : 'subtitle';
    if (this.title !== '' && sameWords(words) === this.title) return hasTitle ? 'imprint' : 'title';
    if (this.isAuthor(words) && isShort) return 'author';
    if (!hasTitle) return isShort && this.couldBeTitle([line, ...ahead], page) ? 'title' : null;
    if (isBareBy(words, ahead[0]) || this.isBareBy()) return 'author';
    const isTitlePage = !this.pieces.some(({ part }) => isFirstRole(part)) && isShort;
    if (!isTitlePage) return null;
    if (!this.has('author') && isNameLike(words)) return this.namesAhead(ahead) ? 'subtitle' : 'author';
    if (!this.has('subtitle') && !/[.;,]$/.test(words) && (this.namesAhead(ahead) || KIND_OF_BOOK.test(words)))
      return 'subtitle';
    return isImprintLine(words) ? 'imprint' : null;
  }

  /** One of the next lines names the authors. */
  private namesAhead(ahead: readonly Line[]): boolean {
    return !this.has('author') && ahead.slice(0, 4).some(({ words }) => isByline(words) || this.isAuthor(words));
  }

  /** The first line of what is left is a title by what follows, or by how it stands. */
  private couldBeTitle(lines: readonly Line[], page: readonly Line[] = lines): boolean {
    const [line, ...ahead] = lines;
    if (this.has('title') || line.words.length > 100 || /[.,;:]$/.test(line.words) || line.isQuoted) return false;
    if (this.pieces.some(({ part }) => part !== 'toTypesetter' && part !== 'cover')) return false;
    if (
      ahead.slice(0, 3).some(({ words }, k) => isByline(words) || this.isAuthor(words) || isBareBy(words, ahead[k + 1]))
    )
      return true;
    // The properties name another title: only a name beside it says more.
    if (this.title !== '') return false;
    const isDisplay = line.isCentred || line.words === line.words.toUpperCase();
    return isDisplay && wordCount(page) <= 60 && /\p{L}/u.test(line.words);
  }
}

const BARE_BY = /^(?:by|von|par|por)$/i;

/** `by` alone on its line, with the name on the next. */
const isBareBy = (words: string, next: Line | undefined): boolean =>
  BARE_BY.test(words) && next !== undefined && isNameLike(next.words);

const KIND_OF_BOOK =
  /^(?:a|an|the|ein|eine|un|une|una)\s.{2,60}$|^(?:roman|erzählungen|récits?|novela|poems|stories|essays)$/iu;
