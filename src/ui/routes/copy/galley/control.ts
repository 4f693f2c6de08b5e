// The galley of one division: its editors, what is selected and folded, and how they reach the book.
import { numberNotes } from '../../../../core/measure/numberNotes';
import { fieldText } from '../../../../core/measure/fields';
import type { Book } from '../../../../core/model/book';
import type { TextSelection } from '../../../../core/model/bookEdit';
import type { FindRange } from '../../../../core/model/find';
import { countWords } from '../../../../core/model/book';
import {
  removeParagraphs,
  setWholeCharacterStyle,
  isNoteKnown,
  mergeAtSeam,
  setParagraphStyle,
  takeGalleyChange,
} from '../../../../state/galleyThunks';
import { keepPicture } from '../../../../state/incomingThunks';
import { provideSelection } from '../../../../state/selection';
import type { AppStore } from '../../../../state/store';
import { placeAt } from '../../../../galley';
import { characterAt } from './commands';
import type { Block, CrossReference } from '../../../../core/model/streams';
import { referenceLabel } from '../../../../state/references';
import type { GalleyHost } from './host';
import { ParagraphRange } from './paragraphRange';
import { StreamView } from './streamView';
import { TagMargin } from './tagMargin';

/** What the bar above the galley tells of the selection. */
export interface SelectionFacts {
  readonly words: number;
  readonly characters: number;
  /** Character style of what is selected; null for none or several. */
  readonly character: string | null;
  readonly hasText: boolean;
}

const NOTHING: SelectionFacts = { words: 0, characters: 0, character: null, hasText: false };

export class GalleyControl implements GalleyHost {
  /** The editors that are there, with the place of each in the division, in order. */
  readonly editors = new Map<number, StreamView>();
  private active: StreamView | null = null;
  /** The division's block in which the caret was last: it stays known when its editor is scrolled away. */
  private caret: string | null = null;
  private tags: TagMargin | null = null;
  private range: ParagraphRange | null = null;
  private facts: SelectionFacts = NOTHING;
  private folded: ReadonlySet<string> = new Set();
  private readonly listeners = new Set<() => void>();
  private labels: { book: Book; labels: ReadonlyMap<string, string> } | null = null;
  private frame = 0;
  /** A selection to be made when the editor that holds it is there. */
  private wanted: TextSelection | null = null;

  constructor(
    private readonly store: AppStore,
    readonly division: string,
    /** Copy from elsewhere, for the place after a block of the division. */
    private readonly bring: (own: GalleyControl, name: string, bytes: Uint8Array, after: TextSelection) => void,
    readonly pictureAddress: GalleyHost['pictureAddress'],
  ) {}

  readonly keepPicture = (name: string, bytes: Uint8Array) => this.store.dispatch(keepPicture(name, bytes));

  // What the screen reads.

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly selectionFacts = () => this.facts;
  readonly foldedBlocks = () => this.folded;

  private tell(): void {
    for (const listener of this.listeners) listener();
  }

  attach(container: HTMLElement): () => void {
    this.tags = new TagMargin(container, {
      styles: () => Object.entries(this.book().spec.styles).map(([tag, style]) => [tag, style.name] as const),
      set: (block, tag) => this.store.dispatch(setParagraphStyle(this.withSelected(block), tag)),
      toText: (block) =>
        this.select({ stream: this.division, anchor: { block, offset: 0 }, head: { block, offset: 0 } }),
    });
    this.range = new ParagraphRange(container, {
      blocks: () => this.blocks(),
      caret: () => this.caretBlock(),
      isOneDocument: (a, b) => [...this.editors.values()].some((editor) => editor.holds(a) && editor.holds(b)),
      changed: () => this.rangeChanged(),
      remove: (blocks) => this.store.dispatch(removeParagraphs(this.division, blocks)),
      setCharacter: (blocks, tag) => this.store.dispatch(setWholeCharacterStyle(this.division, blocks, tag)),
    });
    const withhold = provideSelection(() => this.selectedRanges());
    return () => {
      withhold();
      this.tags?.destroy();
      this.tags = null;
      this.range?.destroy();
      this.range = null;
    };
  }

  addEditor(key: number, editor: StreamView): void {
    this.editors.set(key, editor);
  }

  removeEditor(key: number): void {
    if (this.editors.get(key) === this.active) this.active = null;
    this.editors.delete(key);
  }

  /** Tries the selection that waits for its editor. */
  settle(): void {
    const { wanted } = this;
    if (wanted !== null && [...this.editors.values()].some((editor) => editor.selectPlaces(wanted.anchor, wanted.head)))
      this.wanted = null;
  }

  /** Selects a stretch of the division's text, now or when its editor is there. */
  select(selection: TextSelection): void {
    this.wanted = selection;
    this.settle();
  }

  /** The editor that was last typed in, or the first. */
  get current(): StreamView | null {
    return this.active ?? this.editors.values().next().value ?? null;
  }

  /** The paragraph of the division in which the caret stands; null for none. */
  caretBlock(): string | null {
    return this.caret !== null && this.blocks().some(({ id }) => id === this.caret) ? this.caret : null;
  }

  private blocks(): readonly Block[] {
    return this.book().divisions.find(({ id }) => id === this.division)?.blocks ?? [];
  }

  readonly selectAll = (view: StreamView): boolean => {
    const blocks = this.blocks();
    if (blocks.length <= view.view.state.doc.childCount) return false;
    this.range?.select(blocks[0].id, blocks[blocks.length - 1].id);
    return true;
  };
  readonly isInRange = (block: string) => this.range?.blocks.has(block) ?? false;

  /** Sets a character style on a selection over more than one document; false when there is none. */
  setRangeCharacter(tag: string | null): boolean {
    const blocks = this.range?.blocks;
    if (blocks === undefined || blocks.size === 0) return false;
    this.store.dispatch(setWholeCharacterStyle(this.division, blocks, tag));
    return true;
  }

  private rangeChanged(): void {
    const selected = this.range?.blocks ?? new Set();
    const texts = this.blocks().flatMap((block) =>
      selected.has(block.id) && block.kind === 'paragraph' ? [block.text] : [],
    );
    const words = texts.reduce((sum, text) => sum + countWords(text), 0);
    const characters = texts.reduce((sum, text) => sum + text.length, 0);
    this.facts = { ...NOTHING, words, characters, hasText: selected.size > 0 };
    for (const editor of this.editors.values()) editor.dressAll();
    this.tell();
  }

  /** What is selected, paragraph by paragraph. */
  selectedRanges(): readonly FindRange[] {
    const whole = this.range?.blocks;
    if (whole !== undefined && whole.size > 0)
      return this.blocks().flatMap((block) =>
        whole.has(block.id) && block.kind === 'paragraph' ? [{ block: block.id, from: 0, to: block.text.length }] : [],
      );
    const { active } = this;
    if (active === null || active.view.isDestroyed) return [];
    const { doc, selection } = active.view.state;
    const ranges: FindRange[] = [];
    doc.nodesBetween(selection.from, selection.to, (node, at) => {
      if (!node.isTextblock) return true;
      const [from, to] = [Math.max(0, selection.from - at - 1), Math.min(node.content.size, selection.to - at - 1)];
      if (to > from) ranges.push({ block: node.attrs.id as string, from, to });
      return false;
    });
    return ranges;
  }

  /** A paragraph, with those selected around it. */
  private withSelected(block: string): ReadonlySet<string> {
    if (this.range?.blocks.has(block)) return this.range.blocks;
    const found = new Set([block]);
    const { active } = this;
    if (active === null || active.stream !== this.division) return found;
    const { doc, selection } = active.view.state;
    const selected = new Set<string>();
    doc.nodesBetween(selection.from, selection.to, (node) => {
      if (typeof node.attrs.id === 'string') selected.add(node.attrs.id);
      return false;
    });
    return selected.has(block) ? selected : found;
  }

  // What editors ask.

  readonly book = () => this.store.getState().book.book!;
  readonly isReadOnly = () => this.store.getState().book.readOnly;
  readonly note = (id: string) => this.book().notes[id];
  readonly isNoteKnown = (id: string) => this.store.dispatch(isNoteKnown(id));
  readonly noteEditor = (mount: HTMLElement, id: string) =>
    new StreamView(mount, id, this, { isNote: true, name: `Note ${this.label(id)}` });
  readonly fieldWords = (field: Parameters<GalleyHost['fieldWords']>[0]) => fieldText(field, this.book().particulars);
  readonly referenceWords = (reference: CrossReference) => referenceLabel(this.book(), reference);
  readonly goToTag = (block: string) => this.tags?.goTo(block) ?? false;
  readonly bringIn = (view: StreamView, name: string, bytes: Uint8Array) =>
    this.bring(this, name, bytes, view.bookSelection());
  readonly change: GalleyHost['change'] = (change) => void this.store.dispatch(takeGalleyChange(change));

  label(note: string): string {
    const book = this.book();
    if (this.labels?.book !== book) this.labels = { book, labels: numberNotes(book) };
    return this.labels.labels.get(note) ?? '';
  }

  moved(view: StreamView): void {
    this.active = view;
    if (view.stream === this.division) this.caret = placeAt(view.view.state.doc, view.view.state.selection.head).block;
    if (this.frame !== 0) return;
    this.frame = requestAnimationFrame(() => {
      this.frame = 0;
      if ((this.range?.blocks.size ?? 0) > 0) return;
      const facts = this.factsOf(view);
      if (JSON.stringify(facts) === JSON.stringify(this.facts)) return;
      this.facts = facts;
      this.tell();
    });
  }

  private factsOf({ view }: StreamView): SelectionFacts {
    if (view.isDestroyed) return NOTHING;
    const { doc, selection } = view.state;
    const words = selection.empty ? '' : doc.textBetween(selection.from, selection.to, '\n', ' ');
    return {
      words: countWords(words),
      characters: words.replaceAll('\n', '').length,
      character: characterAt(view.state),
      hasText: !selection.empty,
    };
  }

  private ordered(): StreamView[] {
    return [...this.editors.entries()].sort(([a], [b]) => this.place(a) - this.place(b)).map(([, editor]) => editor);
  }

  private place(key: number): number {
    return this.editors.get(key)?.firstBlock ?? 0;
  }

  joinAcross(view: StreamView, direction: -1 | 1): boolean {
    if (view.stream !== this.division) return false;
    const at = direction < 0 ? view.firstBlock : view.firstBlock + view.view.state.doc.childCount;
    const seam = this.store.dispatch(mergeAtSeam(view.stream, at));
    if (seam === null) return false;
    this.select({ stream: view.stream, anchor: seam, head: seam });
    return true;
  }

  leave(view: StreamView, direction: -1 | 1): boolean {
    if (view.stream !== this.division) {
      return this.ordered().some((editor) => editor.selectReference(view.stream));
    }
    const editors = this.ordered();
    const next = editors[editors.indexOf(view) + direction];
    if (next === undefined) return false;
    if (direction < 0) next.focusEnd();
    else next.focusStart();
    return true;
  }

  readonly folding: GalleyHost['folding'] = {
    isFolded: (block) => this.folded.has(block),
    toggle: (block) => {
      const folded = new Set(this.folded);
      if (!folded.delete(block)) folded.add(block);
      this.folded = folded;
      this.tell();
    },
  };
}
