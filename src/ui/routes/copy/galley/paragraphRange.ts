// A selection that goes over more than one document of the galley: whole paragraphs, from one block to another. Made with
// Ctrl A in a long division, or by a click with Shift in another stretch than the caret's.
import { DOMSerializer } from 'prosemirror-model';
import type { Block, BlockId } from '../../../../core/model/streams';
import { schema, toNode } from '../../../../galley';

export interface RangeActions {
  readonly blocks: () => readonly Block[];
  /** The block of the caret, and whether another stands in the same document. */
  readonly caret: () => BlockId | null;
  readonly isOneDocument: (a: BlockId, b: BlockId) => boolean;
  readonly changed: () => void;
  readonly remove: (blocks: ReadonlySet<BlockId>) => void;
  readonly setCharacter: (blocks: ReadonlySet<BlockId>, style: string) => void;
}

const NONE: ReadonlySet<BlockId> = new Set();

export class ParagraphRange {
  private selected: ReadonlySet<BlockId> = NONE;

  constructor(
    private readonly container: HTMLElement,
    private readonly actions: RangeActions,
  ) {
    container.addEventListener('mousedown', this.press, true);
    container.addEventListener('keydown', this.key, true);
    container.addEventListener('copy', this.copy, true);
    container.addEventListener('cut', this.cut, true);
  }

  destroy(): void {
    this.container.removeEventListener('mousedown', this.press, true);
    this.container.removeEventListener('keydown', this.key, true);
    this.container.removeEventListener('copy', this.copy, true);
    this.container.removeEventListener('cut', this.cut, true);
  }

  get blocks(): ReadonlySet<BlockId> {
    return this.selected;
  }

  /** Selects everything from one block to another, in whatever order they are given. */
  select(a: BlockId, b: BlockId): void {
    const blocks = this.actions.blocks();
    const [from, to] = [a, b].map((id) => blocks.findIndex((block) => block.id === id)).sort((x, y) => x - y);
    this.take(from < 0 ? NONE : new Set(blocks.slice(from, to + 1).map(({ id }) => id)));
  }

  private take(selected: ReadonlySet<BlockId>): void {
    if (selected.size === 0 && this.selected.size === 0) return;
    this.selected = selected;
    this.actions.changed();
  }

  private readonly press = (event: MouseEvent) => {
    const row = event.target instanceof Element ? event.target.closest<HTMLElement>('.galley-row') : null;
    const caret = this.actions.caret();
    const block = row?.dataset.block;
    if (event.shiftKey && block && caret !== null && !this.actions.isOneDocument(caret, block)) {
      event.preventDefault();
      event.stopPropagation();
      this.select(caret, block);
    } else if (row === null || !(event.target as Element).closest('.galley-margin')) this.take(NONE);
  };

  private readonly key = (event: KeyboardEvent) => {
    if (this.selected.size === 0 || /^(Shift|Control|Alt|Meta)$/.test(event.key)) return;
    if (event.target instanceof Element && event.target.closest('.galley-margin')) return;
    const withControl = event.ctrlKey || event.metaKey;
    const style = withControl ? { i: 'em', b: 'strong' }[event.key.toLowerCase()] : undefined;
    if (event.key === 'Delete' || event.key === 'Backspace') {
      const selected = this.selected;
      this.take(NONE);
      this.actions.remove(selected);
    } else if (style !== undefined) this.actions.setCharacter(this.selected, style);
    else if (event.key === 'Escape') this.take(NONE);
    else {
      // Keys with Control work on it (copying); any other leaves it, and does what it does at the caret.
      if (!withControl) this.take(NONE);
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  };

  private readonly copy = (event: ClipboardEvent) => {
    if (this.selected.size === 0 || event.clipboardData === null) return;
    const nodes = this.actions
      .blocks()
      .filter(({ id }) => this.selected.has(id))
      .map(toNode);
    const holder = document.createElement('div');
    const serializer = DOMSerializer.fromSchema(schema);
    for (const node of nodes) holder.append(serializer.serializeNode(node));
    // The mark of ProseMirror's own clipboard: pasted here, it comes back with styles and notes.
    holder.firstElementChild?.setAttribute('data-pm-slice', '0 0 []');
    const texts = nodes.map((node) => node.textBetween(0, node.content.size, '\n'));
    event.clipboardData.setData('text/html', holder.innerHTML);
    event.clipboardData.setData('text/plain', texts.join('\n\n'));
    event.preventDefault();
    event.stopPropagation();
  };

  private readonly cut = (event: ClipboardEvent) => {
    if (this.selected.size === 0) return;
    this.copy(event);
    const selected = this.selected;
    this.take(NONE);
    this.actions.remove(selected);
  };
}
