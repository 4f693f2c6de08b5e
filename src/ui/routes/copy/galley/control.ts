// The galley of one division: its editors, what is selected and folded, and how they reach the book.
import { numberNotes } from '../../../../core/numbering/numberNotes';
import { editionOf } from '../../../../core/copy/editionOf';
import { fieldText } from '../../../../core/copy/fields';
import type { Book } from '../../../../core/model/copy/book';
import type { TextSelection } from '../../../../core/model/copy/bookEdit';
import type { NotePlaces } from '../../../../core/model/composed/referenceTable';
import type { FindRange } from '../../../../core/model/answers/find';
import { countWords } from '../../../../core/model/copy/book';
import {
  mergeAtSeam,
  replaceRange,
  setParagraphStyle,
  setRangeCharacterStyle,
  takeGalleyChange,
} from '../../../../state/copy/galleyThunks';
import { addPart, dropPart, setFigure } from '../../../../state/copy/figureThunks';
import { isRecordKnown, keepCopied } from '../../../../state/copy/takenRecords';
import { convertNotes } from '../../../../state/copy/noteThunks';
import { keepPicture } from '../../../../state/arrival/incomingThunks';
import { caretLeft } from '../../../../state/view/viewSlice';
import { provideSelection } from '../../../../state/book/selection';
import type { AppStore } from '../../../../state/store';
import { CopySerializer, placeAt, type BlockPlace } from '../../../../galley';
import { characterAt } from './commands';
import { editionAt, EDITION_NAMES, putInEdition } from './editionCommands';
import type { Edition } from '../../../../core/model/copy/editions';
import type { Block, CrossReference } from '../../../../core/model/copy/streams';
import { referenceLabel } from '../../../../state/book/references';
import type { GalleyHost, GalleyStream } from './host';
import { LongSelection } from './longSelection';
import { StreamView } from './streamView';
import { tableFacts, type TableFacts } from './tableCommands';
import { TagMargin } from './tagMargin';

/** What the bar above the galley tells of the selection. */
export interface SelectionFacts {
  readonly words: number;
  readonly characters: number;
  /** Character style of what is selected; null for none or several. */
  readonly character: string | null;
  readonly hasText: boolean;
  /** Of the table in which the caret stands; null where it stands in none. */
  readonly table: TableFacts | null;
  /** In which edition the blocks stand that are selected: null for several. Undefined in a note, which goes with its reference. */
  readonly edition: Edition | 'both' | null | undefined;
}

const NOTHING: SelectionFacts = {
  words: 0,
  characters: 0,
  character: null,
  hasText: false,
  table: null,
  edition: undefined,
};

export class GalleyControl implements GalleyHost {
  /** The editors that are there, with the place of each in the division, in order. */
  readonly editors = new Map<number, StreamView>();
  private active: GalleyStream | null = null;
  /** Where in the division the selection was last held: it stays known when its editor is scrolled away. */
  private caret: BlockPlace | null = null;
  private tags: TagMargin | null = null;
  private range: LongSelection | null = null;
  private facts: SelectionFacts = NOTHING;
  private folded: ReadonlySet<string> = new Set();
  private readonly listeners = new Set<() => void>();
  private labels: { book: Book; places: NotePlaces | undefined; labels: ReadonlyMap<string, string> } | null = null;
  private frame = 0;
  /** A selection to be made when the editor that holds it is there. */
  private wanted: TextSelection | null = null;
  /** A place to be brought into view when its editor is there. */
  private revealed: BlockPlace | null = null;
  /** What is to be done with the selection there. */
  private whenSettled: ((editor: StreamView) => void) | null = null;

  constructor(
    private readonly store: AppStore,
    readonly division: string,
    /** Copy from elsewhere, for the place after a block of the division. */
    private readonly bring: (own: GalleyControl, name: string, bytes: Uint8Array, after: TextSelection) => void,
    readonly pictureAddress: GalleyHost['pictureAddress'],
  ) {}

  readonly copySerializer = new CopySerializer({
    note: (id) => this.book().notes[id],
    label: (id) => this.label(id),
    bookId: () => this.book().id,
    keepFigure: (id, key) => this.store.dispatch(keepCopied(id, key)),
  });
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
    this.range = new LongSelection(container, {
      serializer: this.copySerializer,
      stream: this.division,
      blocks: () => this.blocks(),
      anchor: () => (this.caretBlock() === null ? null : this.caret),
      isOneDocument: (a, b) => [...this.editors.values()].some((editor) => editor.holds(a) && editor.holds(b)),
      placeAtPoint: (block, left, top) => this.holder(block)?.placeAtPoint(left, top) ?? null,
      changed: () => this.rangeChanged(),
      goTo: (place) => this.holder(place.block)?.showPlace(place),
      replace: (selection, text) => {
        const caret = this.store.dispatch(replaceRange(selection, text));
        // Its editor has not taken in the new text yet.
        if (caret !== null) this.wanted = caret;
      },
      paste: (selection, html, text) => {
        const caret = this.store.dispatch(replaceRange(selection, ''));
        if (caret === null) return;
        this.wanted = caret;
        this.whenSettled = (editor) => this.pasteInto(editor, html, text);
      },
      setCharacter: (selection, tag) => this.store.dispatch(setRangeCharacterStyle(selection, tag)),
    });
    const withhold = provideSelection(() => this.selectedRanges());
    return () => {
      withhold();
      if (this.caretBlock() !== null)
        this.store.dispatch(caretLeft({ stream: this.division, anchor: this.caret!, head: this.caret! }));
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

  /** Tries the selection that waits for its editor: in one that has just taken in the book's text, or in those there are. */
  settle(editors: Iterable<StreamView> = this.editors.values()): void {
    const { wanted, revealed } = this;
    const holder = revealed === null ? undefined : [...editors].find((one) => one.holds(revealed.block));
    if (holder !== undefined) {
      this.revealed = null;
      holder.showPlace(revealed!);
    }
    if (wanted === null) return;
    const editor = [...editors].find((one) => one.selectPlaces(wanted.anchor, wanted.head));
    if (editor === undefined) return;
    this.wanted = null;
    const { whenSettled } = this;
    this.whenSettled = null;
    whenSettled?.(editor);
  }

  /** Selects a stretch of the division's text, now or when its editor is there. */
  select(selection: TextSelection): void {
    this.wanted = selection;
    this.whenSettled = null;
    this.settle();
  }

  /** Brings a place into view, as soon as its editor is there. */
  reveal(place: BlockPlace): void {
    this.revealed = place;
    this.settle();
  }

  /** The editor that was last typed in, or the first. */
  get current(): GalleyStream | null {
    return this.active ?? this.editors.values().next().value ?? null;
  }

  /** The paragraph of the division in which the caret stands; null for none. */
  caretBlock(): string | null {
    const block = this.caret?.block;
    return block !== undefined && this.blocks().some(({ id }) => id === block) ? block : null;
  }

  private blocks(): readonly Block[] {
    return this.book().divisions.find(({ id }) => id === this.division)?.blocks ?? [];
  }

  readonly selectAll = (view: GalleyStream): boolean => {
    const blocks = this.blocks();
    if (blocks.length <= view.view.state.doc.childCount) return false;
    const last = blocks[blocks.length - 1];
    const end = { block: last.id, offset: last.kind === 'paragraph' ? last.text.length : 0 };
    this.range?.select({ block: blocks[0].id, offset: 0 }, end);
    return true;
  };
  readonly rangeParts = () => this.range?.parts ?? [];

  private holder(block: string): StreamView | undefined {
    return [...this.editors.values()].find((editor) => editor.holds(block));
  }

  /** Goes on selecting into the document after this one (1) or before it (-1); false where there is none. */
  readonly extendAcross = (view: GalleyStream, direction: -1 | 1): boolean => {
    const { range, caret } = this;
    const blocks = this.blocks();
    const edge = direction > 0 ? view.firstBlock + view.view.state.doc.childCount : view.firstBlock - 1;
    if (range === null || caret === null || view.stream !== this.division || blocks[edge] === undefined) return false;
    const next = blocks[edge];
    const offset = direction < 0 && next.kind === 'paragraph' ? next.text.length : 0;
    range.select(caret, { block: next.id, offset });
    return true;
  };

  /** Sets a character style on a selection over more than one document; false when there is none. */
  setRangeCharacter(tag: string | null): boolean {
    const selection = this.range?.selection ?? null;
    if (selection === null) return false;
    this.store.dispatch(setRangeCharacterStyle(selection, tag));
    return true;
  }

  private rangeChanged(): void {
    const parts = this.rangeParts();
    const texts = parts.map(({ block, from, to }) => (block.kind === 'paragraph' ? block.text.slice(from, to) : ''));
    const words = texts.reduce((sum, text) => sum + countWords(text), 0);
    const characters = texts.reduce((sum, text) => sum + text.length, 0);
    this.facts = { ...NOTHING, words, characters, hasText: parts.length > 0 };
    for (const editor of this.editors.values()) editor.dressAll();
    this.tell();
  }

  /** What is selected, paragraph by paragraph. */
  selectedRanges(): readonly FindRange[] {
    const parts = this.rangeParts();
    if (parts.length > 0)
      return parts.flatMap(({ block, from, to }) =>
        block.kind === 'paragraph' ? [{ block: block.id, from, to }] : [],
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
    const inRange = new Set(this.rangeParts().map((part) => part.block.id));
    if (inRange.has(block)) return inRange;
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

  /** What the clipboard held, put in at an editor's caret. */
  private pasteInto(editor: GalleyStream, html: string, text: string): void {
    if (html !== '' && !html.includes('data-pm-slice'))
      this.bringIn(editor, 'clipboard.html', new TextEncoder().encode(html));
    else if (html !== '') editor.view.pasteHTML(html);
    else editor.view.pasteText(text);
  }

  // What editors ask.

  readonly book = () => this.store.getState().book.book!;
  readonly isReadOnly = () => this.store.getState().book.readOnly;
  readonly note = (id: string) => this.book().notes[id];
  readonly setNoteKind = (id: string, kind: string) => this.store.dispatch(convertNotes([id], kind));
  readonly isRecordKnown: GalleyHost['isRecordKnown'] = (kind, id) => this.store.dispatch(isRecordKnown(kind, id));
  readonly figure = (id: string) => this.book().figures[id];
  readonly setFigure: GalleyHost['setFigure'] = (figure, name) => void this.store.dispatch(setFigure(figure, name));
  readonly addPart: GalleyHost['addPart'] = async (id, file) =>
    this.store.dispatch(addPart(id, file.name, new Uint8Array(await file.arrayBuffer())));
  readonly dropPart: GalleyHost['dropPart'] = (id, at) => void this.store.dispatch(dropPart(id, at));
  readonly textEditor: GalleyHost['textEditor'] = (mount, stream, name, style) =>
    new StreamView(mount, stream, this, { isNote: true, name, style });
  readonly noteEditor = (mount: HTMLElement, id: string) =>
    new StreamView(mount, id, this, { isNote: true, name: `Note ${this.label(id)}` });
  readonly fieldWords = (field: Parameters<GalleyHost['fieldWords']>[0]) => {
    const { divisions, particulars } = this.book();
    const isOut = divisions.some(({ id, notInPrint }) => id === this.division && notInPrint);
    return fieldText(field, particulars, isOut ? 'ebook' : 'print');
  };
  readonly referenceWords = (reference: CrossReference) => referenceLabel(this.book(), reference);
  readonly goToTag = (block: string) => this.tags?.goTo(block) ?? false;
  readonly bringIn = (view: GalleyStream, name: string, bytes: Uint8Array) =>
    this.bring(this, name, bytes, view.bookSelection());
  readonly change: GalleyHost['change'] = (change) => void this.store.dispatch(takeGalleyChange(change));

  label(note: string): string {
    const book = this.book();
    const places = this.store.getState().compose.summary?.notes;
    if (this.labels?.book !== book || this.labels.places !== places)
      this.labels = { book, places, labels: numberNotes(editionOf(book, 'print'), places).labels };
    return this.labels.labels.get(note) ?? '';
  }

  moved(view: GalleyStream): void {
    this.active = view;
    if (view.stream === this.division) this.caret = placeAt(view.view.state.doc, view.view.state.selection.anchor);
    if (this.frame !== 0) return;
    this.frame = requestAnimationFrame(() => {
      this.frame = 0;
      if (this.rangeParts().length > 0) return;
      const facts = this.factsOf(view);
      if (JSON.stringify(facts) === JSON.stringify(this.facts)) return;
      this.facts = facts;
      this.tell();
    });
  }

  private factsOf({ view, stream }: GalleyStream): SelectionFacts {
    if (view.isDestroyed) return NOTHING;
    const { doc, selection } = view.state;
    const words = selection.empty ? '' : doc.textBetween(selection.from, selection.to, '\n', ' ');
    return {
      words: countWords(words),
      characters: words.replaceAll('\n', '').length,
      character: characterAt(view.state),
      hasText: !selection.empty,
      table: tableFacts(view.state),
      edition: stream === this.division ? editionAt(view.state, (id) => this.figure(id)) : undefined,
    };
  }

  /** Puts what is selected into one edition alone, or into both. */
  setEdition(to: Edition | 'both'): void {
    const { view } = this.current ?? {};
    if (view === undefined) return;
    const figure = putInEdition(view, to, (id) => this.figure(id));
    if (figure !== null) this.store.dispatch(setFigure(figure, `Figure: ${EDITION_NAMES[to].toLowerCase()}`));
  }

  private ordered(): StreamView[] {
    return [...this.editors.entries()].sort(([a], [b]) => this.place(a) - this.place(b)).map(([, editor]) => editor);
  }

  private place(key: number): number {
    return this.editors.get(key)?.firstBlock ?? 0;
  }

  joinAcross(view: GalleyStream, direction: -1 | 1): boolean {
    if (view.stream !== this.division) return false;
    const at = direction < 0 ? view.firstBlock : view.firstBlock + view.view.state.doc.childCount;
    const seam = this.store.dispatch(mergeAtSeam(view.stream, at));
    if (seam === null) return false;
    this.select({ stream: view.stream, anchor: seam, head: seam });
    return true;
  }

  leave(view: GalleyStream, direction: -1 | 1): boolean {
    if (view.stream !== this.division) {
      return this.ordered().some((editor) => editor.selectReference(view.stream));
    }
    const editors = this.ordered();
    const next = editors[editors.findIndex((editor) => editor === view) + direction];
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
