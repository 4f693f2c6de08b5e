// One document of the galley: a stretch of a division's blocks, or a note. It turns what is typed into edits of the book,
// takes in what is changed elsewhere, and keeps tags, numbers and notes beside the text.
import { baseKeymap } from 'prosemirror-commands';
import { keymap } from 'prosemirror-keymap';
import { EditorState, NodeSelection, Selection, TextSelection, type Plugin, type Transaction } from 'prosemirror-state';
import { EditorView } from 'prosemirror-view';
import { effectiveTag } from '../../../../core/copy/effectiveTag';
import { figureOfStream } from '../../../../core/model/copy/book';
import type { TextSelection as BookSelection } from '../../../../core/model/copy/bookEdit';
import type { Block } from '../../../../core/model/copy/streams';
import {
  adoptBlocks,
  EXTERNAL,
  externalTransaction,
  nameChanged,
  placeAt,
  positionOf,
  replaceBlocksEdit,
  toDocument,
  type BlockPlace,
} from '../../../../galley';
import { atomViews } from './atomViews';
import {
  isAtDocumentEdge,
  isAtEdge,
  MADE_NOTE,
  type MadeNote,
  NAME,
  noteAt,
  softReturn,
  splitParagraph,
  toggleCharacter,
  stepLevel,
} from './commands';
import { generatedMarks } from '../../../../state/copy/galleyMarks';
import type { GalleyHost } from './host';
import { dressPlugin, type Places } from './dressing';
import { figureIn, type FigureView } from './figureView';
import { ParagraphView, plainParagraph } from './paragraphView';
import { withoutIds } from './pasted';
import { breaksTable, nameOf, touchWords, typingKey } from './streamEdits';
import { tablePlugins } from './tableEditing';
import { pasteCells } from './tableText';

export interface StreamViewOptions {
  /** A note, or a text of a figure: a document without margins. */
  readonly isNote: boolean;
  /** The style of what is typed into an empty stream; absent: text. */
  readonly style?: string;
  /** What a screen reader calls it. */
  readonly name: string;
}

export class StreamView {
  readonly view: EditorView;
  /** The whole stream's blocks as last taken in, and where this document begins in them. */
  private all: readonly Block[] = [];
  private first = 0;
  private count = 0;
  private isEmpty = true;
  private hidden: ReadonlySet<string> = new Set();
  /** Blocks whose rows hold the ends of the selection. */
  private held: ReadonlySet<string> = new Set();
  private readonly paragraphs = new Set<ParagraphView>();
  private readonly figures = new Set<FigureView>();
  private showsRange = false;

  constructor(
    mount: HTMLElement,
    readonly stream: string,
    private readonly host: GalleyHost,
    private readonly options: StreamViewOptions,
  ) {
    this.view = new EditorView(mount, {
      state: emptyState(options.style, [...tablePlugins(), this.keys(), keymap(baseKeymap), dressPlugin]),
      editable: () => !host.isReadOnly(),
      attributes: {
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': options.name,
        class: options.isNote ? 'galley-note-editor' : 'galley-editor',
        spellcheck: 'false',
      },
      dispatchTransaction: (transaction) => this.take(transaction),
      nodeViews: {
        ...atomViews(host),
        figure: (node, view) => figureIn(this.figures, node, view, host),
        paragraph: (node, view, getPos) => {
          const depth = view.state.doc.resolve(Math.min(getPos() ?? 0, view.state.doc.content.size)).depth;
          if (options.isNote || depth > 0) return plainParagraph(node);
          const made = new ParagraphView(node, host, (gone) => this.paragraphs.delete(gone));
          made.dom.classList.toggle('has-caret', this.held.has(made.block));
          this.paragraphs.add(made);
          return made;
        },
      },
      transformPasted: (slice) => withoutIds(slice, host.book().id),
      clipboardSerializer: host.copySerializer,
      handleDOMEvents: {
        // Before ProseMirror would parse it: what is foreign is read in the worker.
        paste: (_view, event) => {
          if (!this.paste(event)) return false;
          event.preventDefault();
          return true;
        },
        // A key may come before the browser has told that the caret moved: commands must see where it is.
        keydown: (view) => {
          view.dom.ownerDocument.dispatchEvent(new Event('selectionchange'));
          return false;
        },
        drop: (_view, event) => {
          if (!this.drop(event)) return false;
          event.preventDefault();
          event.stopPropagation();
          return true;
        },
        focus: () => {
          host.moved(this);
          return false;
        },
      },
      scrollMargin: 60,
      scrollThreshold: 40,
    });
  }

  /** Whether a block of the stream stands in this document. */
  holds(block: string): boolean {
    return positionOf(this.view.state.doc, { block, offset: 0 }) !== null;
  }

  /** Place of this document's first block in its stream. */
  get firstBlock(): number {
    return this.first;
  }

  private keys() {
    const { host } = this;
    return keymap({
      Enter: splitParagraph((style) => host.book().spec.styles[style]?.next),
      'Shift-Enter': softReturn,
      'Mod-i': toggleCharacter('em'),
      'Mod-b': toggleCharacter('strong'),
      'Mod-]': stepLevel(1),
      'Mod-[': stepLevel(-1),
      'Mod-a': () => !this.options.isNote && host.selectAll(this),
      Backspace: (state) => isAtEdge(state, -1) && host.joinAcross(this, -1),
      Delete: (state) => isAtEdge(state, 1) && host.joinAcross(this, 1),
      'Shift-Tab': (state) => !this.options.isNote && host.goToTag(placeAt(state.doc, state.selection.head).block),
      'Shift-ArrowUp': (state, _dispatch, view) => this.mayExtend(state, view, -1),
      'Shift-ArrowDown': (state, _dispatch, view) => this.mayExtend(state, view, 1),
      ArrowUp: (state, _dispatch, view) => this.mayLeave(state, view, -1),
      ArrowDown: (state, _dispatch, view) => this.mayLeave(state, view, 1),
      Escape: () => this.options.isNote && host.leave(this, -1),
      'Alt-Enter': (state) => {
        const note = noteAt(state);
        return note !== null && this.editNote(note);
      },
    });
  }

  private mayLeave(state: EditorState, view: EditorView | undefined, direction: -1 | 1): boolean {
    if (this.options.isNote || view === undefined || !state.selection.empty) return false;
    return isAtDocumentEdge(state, view, direction) && this.host.leave(this, direction);
  }

  private mayExtend(state: EditorState, view: EditorView | undefined, direction: -1 | 1): boolean {
    if (this.options.isNote || view === undefined) return false;
    return isAtDocumentEdge(state, view, direction) && this.host.extendAcross(this, direction);
  }

  /** A transaction of this editor: into the document, and as edits into the book. */
  private take(transaction: Transaction): void {
    const before = this.view.state;
    let state = before.apply(transaction);
    if (!transaction.docChanged || transaction.getMeta(EXTERNAL)) {
      this.view.updateState(state);
      this.holdCaretRows();
      // What comes in from elsewhere moves nobody's caret but that of the editor in use.
      if (this.view.hasFocus()) this.host.moved(this);
      return;
    }
    if (this.host.isReadOnly() || breaksTable(before.doc, state.doc)) return;
    let { nextId } = this.host.book();
    const made = (transaction.getMeta(MADE_NOTE) as MadeNote | undefined) ?? null;
    if (made !== null) nextId += 1;
    const named = nameChanged(before.doc, state, {
      take: (letter) => `${letter}${nextId++}`,
      recordFor: (kind, id) => (id === made?.id ? 'new' : this.host.isRecordKnown(kind, id) ? 'copy' : null),
    });
    if (named.transaction !== null) state = state.apply(named.transaction);
    const edit = replaceBlocksEdit(this.stream, before.doc, state.doc, this.first, this.isEmpty);
    this.isEmpty = false;
    this.view.updateState(state);
    this.holdCaretRows();
    const typed = typingKey(edit, state);
    this.host.change({
      name: (transaction.getMeta(NAME) as string | undefined) ?? nameOf(transaction, typed !== null),
      edit,
      nextId,
      records: named.records,
      made,
      ...(typed === null || transaction.getMeta(NAME) !== undefined ? {} : { joinKey: typed }),
      selection: { before: this.bookSelection(before), after: this.bookSelection(state) },
    });
    this.host.moved(this);
  }

  /** The rows in which the selection begins and ends are always laid out, also where they are scrolled out of view. */
  private holdCaretRows(): void {
    const { doc, selection } = this.view.state;
    const wanted = new Set([placeAt(doc, selection.anchor).block, placeAt(doc, selection.head).block]);
    if (wanted.size === this.held.size && [...wanted].every((block) => this.held.has(block))) return;
    this.held = wanted;
    for (const { dom, block } of this.paragraphs) dom.classList.toggle('has-caret', wanted.has(block));
  }

  /** Takes in the stream as it is in the book: this document holds `count` of its blocks from `first` on. */
  sync(all: readonly Block[], first: number, count: number, hidden: ReadonlySet<string> = new Set()): void {
    const isChanged = all !== this.all || first !== this.first || hidden !== this.hidden;
    this.all = all;
    this.first = first;
    this.count = count;
    this.hidden = hidden;
    this.isEmpty = count === 0;
    const own = all.slice(first, first + count);
    if (count > 0) {
      const transaction = externalTransaction(this.view.state, own);
      if (transaction !== null) {
        // Blocks that are new and say the same, as after a letter in a cell, leave a selection in the making alone.
        if (transaction.docChanged) this.view.dispatch(transaction);
        adoptBlocks(this.view.state.doc, own);
      }
    } else if (this.view.state.doc.textContent !== '' || this.view.state.doc.childCount > 1)
      this.view.updateState(emptyState(this.options.style, this.view.state.plugins));
    if (isChanged) this.dressAll();
  }

  /** Tags, folding and notes beside the text, as the book has them now. */
  dressAll(): void {
    const { styles } = this.host.book().spec;
    const marks = generatedMarks(this.host.book(), this.all);
    const parts = this.host.rangeParts();
    const whole = new Set(parts.flatMap(({ block, isWhole }) => (isWhole ? [block.id] : [])));
    this.showRange(
      parts.filter(({ isWhole }) => !isWhole).map(({ block, from, to }) => ({ block: block.id, from, to })),
    );
    const places = new Map<string, number>();
    for (let at = this.first; at < this.first + this.count; at += 1) places.set(this.all[at].id, at);
    for (const paragraph of this.paragraphs) {
      const at = places.get(paragraph.block);
      if (at === undefined) continue;
      const tag = effectiveTag(this.all, at, styles);
      const block = this.all[at];
      const meaning = styles[block.style]?.meaning;
      paragraph.wear({
        tag,
        styleName: styles[tag]?.name ?? 'without a match',
        isHidden: this.hidden.has(paragraph.block),
        isInRange: whole.has(paragraph.block),
        isFolded:
          meaning !== undefined && /^heading[2-6]$/.test(meaning) ? this.host.folding.isFolded(paragraph.block) : null,
        mark: marks.get(paragraph.block) ?? '',
        level: block.kind === 'paragraph' ? (block.list?.level ?? null) : null,
        touches: block.kind === 'paragraph' ? touchWords(block.touches) : '',
        onlyIn: block.kind === 'paragraph' ? block.touches?.onlyIn : undefined,
      });
      paragraph.refreshNotes();
    }
    for (const figure of this.figures) figure.refresh();
    for (const mark of this.view.dom.querySelectorAll<HTMLElement>('sup[data-note]')) {
      const label = this.host.label(mark.dataset.note!);
      if (mark.textContent !== label) mark.textContent = label;
    }
  }

  /** Marks stretches of the text, such as what was found. */
  showPlaces(places: Places): void {
    this.view.dispatch(this.view.state.tr.setMeta(dressPlugin, { places }));
  }

  /** Shows where a selection over several documents begins and ends inside a paragraph. */
  private showRange(parts: readonly { readonly block: string; readonly from: number; readonly to: number }[]): void {
    if (parts.length === 0 && !this.showsRange) return;
    this.showsRange = parts.length > 0;
    const range = parts.map((part) => ({ ...part, className: 'galley-range', title: '' }));
    this.view.dispatch(this.view.state.tr.setMeta(dressPlugin, { range }));
  }

  showMarks(isOn: boolean): void {
    this.view.dispatch(this.view.state.tr.setMeta(dressPlugin, { marks: isOn }));
  }

  /** Opens the note of a reference for editing. */
  editNote(note: string): boolean {
    for (const paragraph of this.paragraphs) {
      const beside = paragraph.noteBeside(note);
      if (beside === undefined) continue;
      beside.edit();
      return true;
    }
    return false;
  }

  /** Puts the caret behind the mark that leads to a stream: of a note, or of a text of a figure; false when it is not in this document. */
  selectReference(stream: string): boolean {
    const figure = figureOfStream(this.host.book(), stream)?.figure.id;
    let at = -1;
    this.view.state.doc.descendants((node, position) => {
      const { note, figure: own } = node.attrs as { note?: string; figure?: string };
      if (note === stream || (figure !== undefined && own === figure)) at = position;
    });
    if (at < 0) return false;
    this.select(Selection.near(this.view.state.doc.resolve(at + 1), -1));
    return true;
  }

  /** Selects a stretch of the text and goes to it; false when its blocks are not in this document. */
  selectPlaces(anchor: BlockPlace, head: BlockPlace): boolean {
    const { doc } = this.view.state;
    const [from, to] = [positionOf(doc, anchor), positionOf(doc, head)];
    if (from === null || to === null) return false;
    const isText = doc.resolve(from).parent.isTextblock && doc.resolve(to).parent.isTextblock;
    this.select(isText ? TextSelection.create(doc, from, to) : NodeSelection.create(doc, from));
    return true;
  }

  /** The place of the text nearest to a point of the window. */
  placeAtPoint(left: number, top: number): BlockPlace | null {
    const found = this.view.posAtCoords({ left, top });
    return found === null ? null : placeAt(this.view.state.doc, found.pos);
  }

  /** Brings a place of the text into view without selecting it. */
  showPlace(place: BlockPlace): void {
    const at = positionOf(this.view.state.doc, place);
    if (at === null) return;
    const dom = this.view.domAtPos(at).node;
    (dom instanceof Element ? dom : dom.parentElement)?.scrollIntoView({ block: 'nearest' });
  }

  private select(selection: Selection): void {
    // Only the selection of an editor in use is scrolled to.
    this.view.focus();
    this.view.dispatch(this.view.state.tr.setSelection(selection).scrollIntoView());
  }

  focusEnd(): void {
    this.select(Selection.atEnd(this.view.state.doc));
  }

  focusStart(): void {
    this.select(Selection.atStart(this.view.state.doc));
  }

  bookSelection(state: EditorState = this.view.state): BookSelection {
    const { doc, selection } = state;
    return { stream: this.stream, anchor: placeAt(doc, selection.anchor), head: placeAt(doc, selection.head) };
  }

  private paste(event: ClipboardEvent): boolean {
    const data = event.clipboardData;
    if (data === null) return false;
    if (!this.host.isReadOnly() && pasteCells(this.view, data)) return true;
    const file = data.files[0];
    const html = data.getData('text/html');
    if (html !== '' && !html.includes('data-pm-slice')) {
      this.clearSelection();
      this.host.bringIn(this, 'clipboard.html', new TextEncoder().encode(html));
      return true;
    }
    if (html === '' && file !== undefined) return this.bringFile(file);
    return false;
  }

  private clearSelection(): void {
    if (!this.view.state.selection.empty) this.view.dispatch(this.view.state.tr.deleteSelection().setMeta(NAME, 'Cut'));
  }

  private drop(event: DragEvent): boolean {
    const file = event.dataTransfer?.files[0];
    if (file === undefined) return false;
    const at = this.view.posAtCoords({ left: event.clientX, top: event.clientY });
    if (at !== null) this.select(Selection.near(this.view.state.doc.resolve(at.pos)));
    return this.bringFile(file);
  }

  private bringFile(file: File): boolean {
    void file.arrayBuffer().then((bytes) => this.host.bringIn(this, file.name, new Uint8Array(bytes)));
    return true;
  }

  destroy(): void {
    this.view.destroy();
  }
}

const emptyState = (style: string | undefined, plugins: readonly Plugin[]) =>
  EditorState.create({ doc: toDocument([], style), plugins });
