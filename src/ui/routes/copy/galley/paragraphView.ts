// A paragraph of the galley: its style tag at the left, its text, its notes at the right. Plain DOM, for thousands of them.
import type { Node } from 'prosemirror-model';
import type { NodeView, ViewMutationRecord } from 'prosemirror-view';
import type { Edition } from '../../../../core/model/copy/editions';
import { notesIn } from '../../../../core/model/copy/holders';
import { paragraphAttributes } from '../../../../galley';
import type { GalleyHost } from './host';
import { NoteBeside } from './noteBeside';

/** What the galley tells a paragraph besides its text. */
export interface ParagraphDress {
  readonly tag: string;
  readonly styleName: string;
  readonly isHidden: boolean;
  /** In a selection over more than one document. */
  readonly isInRange: boolean;
  /** Null for what has nothing to fold. */
  readonly isFolded: boolean | null;
  /** The number or mark that stands before it; empty: none. And the level of a list item; null: none. */
  readonly mark: string;
  readonly level: number | null;
  /** Whether it begins a page, stays whole or has lines wished: shown when marks are. */
  readonly touches: string;
  readonly onlyIn: Edition | undefined;
}

export class ParagraphView implements NodeView {
  readonly dom: HTMLElement;
  readonly contentDOM: HTMLElement;
  private readonly tag: HTMLButtonElement;
  private readonly fold: HTMLButtonElement;
  private readonly aside: HTMLElement;
  /** In `aside` while there are notes. */
  private readonly noteList = element('div', 'galley-notes-list');
  private dress: ParagraphDress | null = null;
  private readonly notes = new Map<string, NoteBeside>();

  constructor(
    private node: Node,
    private readonly host: GalleyHost,
    private readonly forget: (view: ParagraphView) => void,
  ) {
    this.dom = element('div', 'galley-row');
    this.contentDOM = element('p', 'galley-text');
    this.tag = element('button', 'galley-tag') as HTMLButtonElement;
    this.tag.type = 'button';
    this.tag.tabIndex = -1;
    this.fold = element('button', 'galley-fold') as HTMLButtonElement;
    this.fold.type = 'button';
    this.fold.tabIndex = -1;
    this.fold.hidden = true;
    this.fold.addEventListener('click', () => host.folding.toggle(this.block));
    const margin = element('div', 'galley-margin');
    margin.contentEditable = 'false';
    margin.append(this.fold, this.tag);
    this.aside = element('div', 'galley-notes');
    this.aside.contentEditable = 'false';
    this.dom.append(margin, this.contentDOM, this.aside);
    this.name();
    this.refreshNotes();
  }

  get block(): string {
    return paragraphAttributes(this.node).id ?? '';
  }

  update(node: Node): boolean {
    if (node.type !== this.node.type) return false;
    const isSame = node === this.node;
    this.node = node;
    if (isSame) return true;
    this.name();
    this.refreshNotes();
    return true;
  }

  private name(): void {
    this.dom.dataset.block = this.block;
    this.contentDOM.dataset.block = this.block;
    this.contentDOM.classList.toggle('galley-empty', this.node.content.size === 0);
  }

  /** Shows tag and folding; asks nothing of the screen when they are as they were. */
  wear(dress: ParagraphDress): void {
    const old = this.dress;
    if (old !== null && (Object.keys(dress) as (keyof ParagraphDress)[]).every((key) => old[key] === dress[key]))
      return;
    this.dress = dress;
    this.contentDOM.dataset.style = dress.tag;
    this.tag.textContent = dress.tag;
    this.tag.title = dress.styleName;
    this.tag.setAttribute('aria-label', `Style ${dress.tag}, ${dress.styleName}`);
    this.dom.hidden = dress.isHidden;
    this.dom.classList.toggle('is-in-range', dress.isInRange);
    this.dom.dataset.touches = dress.touches;
    if (dress.onlyIn === undefined) delete this.dom.dataset.only;
    else this.dom.dataset.only = dress.onlyIn;
    if (dress.mark === '') delete this.contentDOM.dataset.mark;
    else this.contentDOM.dataset.mark = dress.mark;
    this.contentDOM.classList.toggle('galley-item', dress.level !== null);
    this.contentDOM.style.marginLeft = dress.level === null ? '' : `${26 + dress.level * 26}px`;
    this.fold.hidden = dress.isFolded === null;
    this.fold.textContent = dress.isFolded ? '▸' : '▾';
    this.fold.setAttribute('aria-label', dress.isFolded ? 'Unfold' : 'Fold');
    this.fold.setAttribute('aria-expanded', String(dress.isFolded === false));
  }

  /** The notes of the references in the text, in their order. */
  refreshNotes(): void {
    const own: string[] = [];
    this.node.forEach((child) => {
      if (child.type.name === 'note') own.push(child.attrs.note as string);
    });
    const wanted = this.withInner(own);
    for (const [id, beside] of this.notes) {
      if (wanted.includes(id)) continue;
      beside.destroy();
      this.notes.delete(id);
    }
    wanted.forEach((id, at) => {
      let beside = this.notes.get(id);
      if (beside === undefined) this.notes.set(id, (beside = new NoteBeside(id, this.host)));
      beside.refresh();
      const { children } = this.noteList;
      if (children[at] !== beside.dom) this.noteList.insertBefore(beside.dom, children[at] ?? null);
    });
    // An element that is put where it is loses the focus.
    const isShown = this.noteList.parentElement !== null;
    if (wanted.length > 0 && !isShown) this.aside.append(this.noteList);
    if (wanted.length === 0) this.noteList.remove();
  }

  /** Notes, each followed by those that it refers to itself. */
  private withInner(ids: readonly string[]): string[] {
    const found = new Set<string>();
    const add = (id: string) => {
      if (found.has(id)) return;
      found.add(id);
      for (const block of this.host.note(id)?.blocks ?? []) notesIn(block).forEach(add);
    };
    ids.forEach(add);
    return [...found];
  }

  noteBeside(id: string): NoteBeside | undefined {
    return this.notes.get(id);
  }

  stopEvent(event: Event): boolean {
    return (
      event.target instanceof globalThis.Node && !this.contentDOM.contains(event.target) && event.target !== this.dom
    );
  }

  ignoreMutation(mutation: ViewMutationRecord): boolean {
    // Nobody puts anything beside margin, text and notes: what lands there is put right by drawing the row again.
    if (mutation.type === 'childList' && mutation.target === this.dom) return false;
    // Attributes are set by `wear`; only the text below is typed in.
    return mutation.type === 'attributes' || !this.contentDOM.contains(mutation.target);
  }

  destroy(): void {
    for (const beside of this.notes.values()) beside.destroy();
    this.forget(this);
  }
}

export function element(name: string, className: string): HTMLElement {
  const made = document.createElement(name);
  made.className = className;
  return made;
}

/** A paragraph of a note or a cell: no margins. */
export function plainParagraph(node: Node) {
  const dom = document.createElement('p');
  dom.dataset.block = (node.attrs.id as string | null) ?? '';
  return { dom, contentDOM: dom };
}
