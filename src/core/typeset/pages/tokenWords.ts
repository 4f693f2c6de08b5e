// What the tokens of furniture say on a page: facts of the book, titles of its division and part, heads and sections that
// stand there.
import { unreachable } from '../../base/errors';
import { namesOf, type Division } from '../../model/copy/book';
import type { Token } from '../../model/spec/furniture';
import type { Page } from '../../model/composed/pages';
import { headingWords, plainWords } from '../../numbering/headWords';
import { findPlaces } from '../../references';
import { notesToPages } from '../../numbering/notesToPages';
import { sectionName } from '../../numbering/sections';
import { spokenDate } from '../../copy/spokenDate';
import type { ComposeContext } from '../flow/composeContext';

interface PlacedHead {
  readonly level: number;
  readonly title: string;
  readonly page: number;
}

export class TokenWords {
  private readonly divisions: ReadonlyMap<string, Division>;
  private readonly parts: ReadonlyMap<string, Division>;
  /** Divisions that go on on the pages of another, by the id of that one, in order. */
  private readonly followers = new Map<string, Division[]>();
  private heads: Map<string, PlacedHead[]> | undefined;
  private sections: readonly PlacedHead[] | undefined;
  private sectionPages: ReadonlySet<number> | undefined;

  constructor(
    private readonly compose: ComposeContext,
    private readonly pages: readonly Page[],
    private readonly firstPages: ReadonlyMap<string, number>,
  ) {
    const { book } = compose;
    this.divisions = new Map(book.divisions.map((division) => [division.id, division]));
    this.parts = partOfEach(book.divisions);
    let leader: Division | undefined;
    for (const division of book.divisions) {
      if (division.start !== 'same') leader = division;
      else if (leader !== undefined)
        this.followers.set(leader.id, [...(this.followers.get(leader.id) ?? []), division]);
    }
  }

  /** The division whose text stands on a page: the last that begins there or before. */
  divisionOn(page: Page): Division | undefined {
    let found = this.divisions.get(page.division);
    for (const follower of this.followers.get(page.division) ?? [])
      if ((this.firstPages.get(follower.id) ?? Infinity) <= page.index) found = follower;
    return found;
  }

  /** Whether a named section begins on a page. */
  beginsSection(page: Page): boolean {
    this.sectionPages ??= new Set((this.sections ??= this.placeSections()).map((section) => section.page));
    return this.sectionPages.has(page.index);
  }

  say(token: Token, page: Page, level: number): string {
    const { particulars } = this.compose.book;
    const division = this.divisionOn(page);
    const part = division === undefined ? undefined : this.parts.get(division.id);
    const { numbers } = this.compose;
    const { styles } = this.compose.book.spec;
    switch (token) {
      case 'folio':
        return page.folioHidden ? '' : page.folio;
      case 'pageCount':
        return String(this.pages.length);
      case 'title':
        return this.gathered(page, division) || particulars.title;
      case 'subtitle':
        return particulars.subtitle;
      case 'shortTitle':
        return this.gathered(page, division) || particulars.shortTitle || particulars.title;
      case 'author':
        return namesOf(particulars, 'author');
      case 'partTitle':
        return part === undefined ? '' : part.shortTitle || headingWords(part, styles, numbers).title;
      case 'partNumber':
        return part === undefined ? '' : headingWords(part, styles, numbers).number;
      case 'notePages':
        return this.notePages(page);
      case 'chapterTitle': {
        const pages = division?.role === 'notes' && this.compose.book.spec.notes.pageHeads ? this.notePages(page) : '';
        if (pages !== '') return pages;
        return division === undefined ? '' : division.shortTitle || headingWords(division, styles, numbers).title;
      }
      case 'chapterNumber':
        return division === undefined ? '' : headingWords(division, styles, numbers).number;
      case 'firstHead':
      case 'lastHead':
        return headOn(this.headsOf(page, division), page, level, token);
      case 'section':
        return headOn((this.sections ??= this.placeSections()), page, 0, 'lastHead');
      case 'date':
        return spokenDate(this.compose.context.today, particulars.language);
      default:
        return unreachable(token);
    }
  }

  /** On a recto of gathered notes the book's title gives way to the pages that they belong to; empty anywhere else. */
  private gathered(page: Page, division: Division | undefined): string {
    const isWished = division?.role === 'notes' && this.compose.book.spec.notes.pageHeads;
    return isWished && page.side === 'recto' ? this.notePages(page) : '';
  }

  /** The pages to which the notes gathered on a page belong; empty where there are none. */
  private notePages(page: Page): string {
    const { notePlaces, book } = this.compose;
    const own = new Set(page.fragments.map(({ paragraph }) => paragraph.styled.stream));
    const places = [...own].flatMap((stream) => notePlaces[stream] ?? []);
    if (places.length === 0) return '';
    const first = places.reduce((a, b) => (b.page < a.page ? b : a));
    const last = places.reduce((a, b) => (b.page > a.page ? b : a));
    return notesToPages(first.folio, last.folio, places.length, book.particulars.language);
  }

  private headsOf(_page: Page, division: Division | undefined): readonly PlacedHead[] {
    this.heads ??= this.placeHeads();
    return this.heads.get(division?.id ?? '') ?? [];
  }

  /** Heads of level 2 and below with their pages, by division. */
  private placeHeads(): Map<string, PlacedHead[]> {
    return this.place((division) =>
      division.blocks.flatMap((block) => {
        if (block.kind !== 'paragraph') return [];
        const level = /^heading([2-6])$/.exec(this.compose.sheet.get(block.style)?.meaning ?? '');
        return level === null ? [] : [{ block: block.id, level: Number(level[1]), title: plainWords(block) }];
      }),
    );
  }

  /** All of the book in the order of its pages: a section goes on over the ends of divisions. */
  private placeSections(): readonly PlacedHead[] {
    const byDivision = this.place((division) =>
      division.blocks.flatMap((block) =>
        block.kind === 'paragraph' && block.touches?.section !== undefined
          ? [{ block: block.id, level: 0, title: sectionName(block) }]
          : [],
      ),
    );
    return [...byDivision.values()].flat().sort((a, b) => a.page - b.page);
  }

  private place(
    listOf: (division: Division) => { readonly block: string; readonly level: number; readonly title: string }[],
  ): Map<string, PlacedHead[]> {
    const lists = [...this.divisions.values()].map((division) => [division.id, listOf(division)] as const);
    const wanted = new Set(lists.flatMap(([, list]) => list.map(({ block }) => block)));
    const pageOf = findPlaces(this.pages, wanted);
    return new Map(
      lists.map(([id, list]) => [
        id,
        list.map((head) => ({ ...head, page: pageOf(head.block) })).filter(({ page }) => page >= 0),
      ]),
    );
  }
}

/** The first or last head of a level on a page; one that began before where none does. A head above it ends its reach. */
function headOn(heads: readonly PlacedHead[], page: Page, level: number, token: 'firstHead' | 'lastHead'): string {
  let before = '';
  for (const head of heads) {
    if (head.page > page.index) break;
    if (head.level < level) before = '';
    if (head.level !== level) continue;
    if (head.page === page.index && token === 'firstHead') return head.title;
    before = head.title;
  }
  return before;
}

/** The part to which each division of the body belongs. */
function partOfEach(divisions: readonly Division[]): Map<string, Division> {
  const parts = new Map<string, Division>();
  let current: Division | undefined;
  for (const division of divisions) {
    if (division.role === 'part') current = division;
    if (current !== undefined && division.matter === 'body') parts.set(division.id, current);
  }
  return parts;
}
