// A selection that goes over more than one document of the galley: two positions of the book, anywhere in its paragraphs.
// Made with Ctrl A in a long division, by a click with Shift in another document than the caret's, by dragging into one, or
// by going on with Shift and the arrows at a document's edge.
import { Fragment } from 'prosemirror-model';
import type { TextSelection } from '../../../../core/model/copy/bookEdit';
import type { Block, BlockId, StyleTag } from '../../../../core/model/copy/streams';
import { partsOfRange, type BlockPart } from '../../../../core/copy/textRange';
import { toNode, type BlockPlace, type CopySerializer } from '../../../../galley';

export interface LongSelectionActions {
  readonly stream: string;
  readonly serializer: CopySerializer;
  readonly blocks: () => readonly Block[];
  /** Where the selection of the editors is held; null before there was a caret. */
  readonly anchor: () => BlockPlace | null;
  readonly isOneDocument: (a: BlockId, b: BlockId) => boolean;
  /** The place of the text nearest to a point of the window; null where there is none. */
  readonly placeAtPoint: (block: BlockId, left: number, top: number) => BlockPlace | null;
  readonly changed: () => void;
  readonly goTo: (place: BlockPlace) => void;
  /** Replaces the selection by text; nothing of it is selected then. */
  readonly replace: (selection: TextSelection, text: string) => void;
  /** Puts what the clipboard holds in the place of the selection. */
  readonly paste: (selection: TextSelection, html: string, text: string) => void;
  readonly setCharacter: (selection: TextSelection, style: StyleTag | null) => void;
}

interface Ends {
  readonly anchor: BlockPlace;
  readonly head: BlockPlace;
}

const LISTENERS = ['mousedown', 'mousemove', 'mouseup', 'keydown', 'copy', 'cut', 'paste'] as const;

export class LongSelection {
  private ends: Ends | null = null;
  /** Where the button was pressed, while it is held. */
  private pressed: BlockPlace | null = null;
  /** What of each block is selected, for the blocks and ends it was found for. */
  private found: { blocks: readonly Block[]; ends: Ends; parts: readonly BlockPart[] } | null = null;

  constructor(
    private readonly container: HTMLElement,
    private readonly actions: LongSelectionActions,
  ) {
    for (const name of LISTENERS) container.addEventListener(name, this, true);
  }

  destroy(): void {
    for (const name of LISTENERS) this.container.removeEventListener(name, this, true);
  }

  handleEvent(event: Event): void {
    if (event.type === 'mousedown') this.press(event as MouseEvent);
    else if (event.type === 'mousemove') this.drag(event as MouseEvent);
    else if (event.type === 'mouseup') this.pressed = null;
    else if (event.type === 'keydown') this.key(event as KeyboardEvent);
    else if (event.type === 'paste') this.paste(event as ClipboardEvent);
    else this.copy(event as ClipboardEvent);
  }

  /** What of each block is selected, in order; nothing when there is no such selection. */
  get parts(): readonly BlockPart[] {
    const { ends } = this;
    if (ends === null) return [];
    const blocks = this.actions.blocks();
    if (this.found?.blocks !== blocks || this.found.ends !== ends)
      this.found = { blocks, ends, parts: partsOfRange(blocks, this.selectionOf(ends)) };
    return this.found.parts;
  }

  /** The selection as positions of the book; null for none. */
  get selection(): TextSelection | null {
    return this.ends === null || this.parts.length === 0 ? null : this.selectionOf(this.ends);
  }

  private selectionOf({ anchor, head }: Ends): TextSelection {
    return { stream: this.actions.stream, anchor, head };
  }

  /** Selects from one place to another, in whatever order they stand. */
  select(anchor: BlockPlace, head: BlockPlace): void {
    this.take({ anchor, head });
  }

  private take(ends: Ends | null): void {
    if (ends === null && this.ends === null) return;
    this.ends = ends;
    this.actions.changed();
  }

  private placeOf(event: MouseEvent): BlockPlace | null {
    const row = event.target instanceof Element ? event.target.closest<HTMLElement>('.galley-row') : null;
    const block = row?.dataset.block;
    return block === undefined ? null : this.actions.placeAtPoint(block, event.clientX, event.clientY);
  }

  private press(event: MouseEvent): void {
    const isInMargin = event.target instanceof Element && event.target.closest('.galley-margin') !== null;
    const place = isInMargin ? null : this.placeOf(event);
    const anchor = this.ends?.anchor ?? this.actions.anchor();
    if (event.shiftKey && place !== null && anchor !== null && !this.actions.isOneDocument(anchor.block, place.block)) {
      event.preventDefault();
      event.stopPropagation();
      this.select(anchor, place);
      return;
    }
    this.pressed = event.button === 0 ? place : null;
    if (!isInMargin) this.take(null);
  }

  private drag(event: MouseEvent): void {
    const { pressed } = this;
    if (pressed === null || (event.buttons & 1) === 0) return;
    const place = this.placeOf(event);
    if (place === null) return;
    this.take(this.actions.isOneDocument(pressed.block, place.block) ? null : { anchor: pressed, head: place });
  }

  private key(event: KeyboardEvent): void {
    const { selection } = this;
    if (selection === null || /^(Shift|Control|Alt|Meta)$/.test(event.key)) return;
    if (event.target instanceof Element && event.target.closest('.galley-margin')) return;
    const withControl = event.ctrlKey || event.metaKey;
    const style = withControl ? { i: 'em', b: 'strong' }[event.key.toLowerCase()] : undefined;
    if (event.key === 'Delete' || event.key === 'Backspace') this.replace(selection, '');
    else if (style !== undefined) this.actions.setCharacter(selection, style);
    else if (event.key === 'Escape') this.take(null);
    else if (event.shiftKey && /^Arrow/.test(event.key)) this.extend(event.key);
    else if (!withControl && !event.altKey && [...event.key].length === 1) this.replace(selection, event.key);
    else {
      // Keys with Control work on it (copying); any other leaves it, and does what it does at the caret.
      if (!withControl) this.take(null);
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  }

  private replace(selection: TextSelection, text: string): void {
    this.take(null);
    this.actions.replace(selection, text);
  }

  /** Moves the end of the selection by a paragraph (up, down) or by a character. */
  extend(key: string): void {
    const { ends } = this;
    if (ends === null) return;
    const head = stepped(this.actions.blocks(), ends.head, key);
    this.take(this.actions.isOneDocument(ends.anchor.block, head.block) ? null : { ...ends, head });
    this.actions.goTo(head);
  }

  private paste(event: ClipboardEvent): void {
    const { selection } = this;
    const data = event.clipboardData;
    if (selection === null || data === null || data.files.length > 0) return;
    event.preventDefault();
    event.stopPropagation();
    this.take(null);
    this.actions.paste(selection, data.getData('text/html'), data.getData('text/plain'));
  }

  private copy(event: ClipboardEvent): void {
    const { selection, parts } = this;
    if (selection === null || event.clipboardData === null) return;
    const nodes = parts.map(({ block, from, to, isWhole }) => (isWhole ? toNode(block) : toNode(block).cut(from, to)));
    const holder = document.createElement('div');
    holder.append(this.actions.serializer.serializeFragment(Fragment.from(nodes)));
    // The mark of ProseMirror's own clipboard: pasted here, it comes back with styles and notes, and where it begins and
    // ends inside a paragraph it joins those around it.
    const open = [parts[0], parts[parts.length - 1]].map(({ block, isWhole }) =>
      isWhole || block.kind === 'table' ? 0 : 1,
    );
    holder.firstElementChild?.setAttribute('data-pm-slice', `${open[0]} ${open[1]} []`);
    const texts = nodes.map((node) => node.textBetween(0, node.content.size, '\n'));
    event.clipboardData.setData('text/html', holder.innerHTML);
    event.clipboardData.setData('text/plain', texts.join('\n\n'));
    event.preventDefault();
    event.stopPropagation();
    if (event.type === 'cut') this.replace(selection, '');
  }
}

/** The place a key with Shift goes to: the start or end of a paragraph, or a character on. */
function stepped(blocks: readonly Block[], { block, offset }: BlockPlace, key: string): BlockPlace {
  const at = blocks.findIndex(({ id }) => id === block);
  const length = (k: number) => (blocks[k].kind === 'paragraph' ? blocks[k].text.length : 0);
  const isForward = key === 'ArrowDown' || key === 'ArrowRight';
  if (key === 'ArrowLeft' && offset > 0) return { block, offset: offset - 1 };
  if (key === 'ArrowRight' && offset < length(at)) return { block, offset: offset + 1 };
  if (key === 'ArrowUp' && offset > 0) return { block, offset: 0 };
  if (key === 'ArrowDown' && offset < length(at)) return { block, offset: length(at) };
  const next = at + (isForward ? 1 : -1);
  if (next < 0 || next >= blocks.length) return { block, offset };
  const isAtStart = key === 'ArrowUp' || key === 'ArrowRight';
  return { block: blocks[next].id, offset: isAtStart ? 0 : length(next) };
}
