// A figure in the galley, where its mark stands: its pictures, and under them its caption and its credit line, each an editor of its own stream
// that is made when it is gone into.
import type { Node } from 'prosemirror-model';
import type { EditorView, NodeView } from 'prosemirror-view';
import { CREDIT_STYLE } from '../../../../core/copy/figures/gatherFigures';
import { MOST_PARTS } from '../../../../core/model/copy/figureSetting';
import type { FigureTextRole } from '../../../../core/model/copy/figures';
import { OBJECT_CHARACTER, type Block, type PictureFacts } from '../../../../core/model/copy/streams';
import type { GalleyHost, GalleyStream } from './host';
import { choosePicture, PictureBox } from './pictureBox';

const TEXTS: readonly { readonly role: FigureTextRole; readonly name: string; readonly style: string }[] = [
  { role: 'caption', name: 'Caption', style: 'CAP' },
  { role: 'credit', name: 'Credit line', style: CREDIT_STYLE },
];

export class FigureView implements NodeView {
  readonly dom = document.createElement('span');
  private readonly boxes: PictureBox[] = [];
  private readonly pictures = document.createElement('span');
  private readonly more = document.createElement('button');
  private readonly gone = document.createElement('span');
  private readonly texts: readonly FigureTextBox[];
  private node: Node;

  constructor(
    node: Node,
    private readonly view: EditorView,
    private readonly host: GalleyHost,
    private readonly forget: (view: FigureView) => void,
  ) {
    this.node = node;
    this.dom.className = 'galley-figure';
    this.dom.contentEditable = 'false';
    this.dom.dataset.object = 'figure';
    this.pictures.className = 'galley-figure-pictures';
    this.texts = TEXTS.map(({ role, name, style }) => new FigureTextBox(role, name, style, host, () => this.id));
    this.more.type = 'button';
    this.more.className = 'galley-figure-more';
    this.more.textContent = 'Add a part beside it';
    this.more.addEventListener('click', () =>
      choosePicture(
        (file) => void this.host.addPart(this.id, file).then((trouble) => (this.gone.textContent = trouble ?? '')),
      ),
    );
    this.gone.className = 'galley-picture-missing';
    this.dom.append(this.pictures, this.more, this.gone, ...this.texts.map(({ dom }) => dom));
    this.refresh();
  }

  private get id(): string {
    return this.node.attrs.figure as string;
  }

  /** Shows the figure as the book has it now. */
  refresh(): void {
    const figure = this.host.figure(this.id);
    this.dom.dataset.figure = this.id;
    if (figure?.onlyIn === undefined) delete this.dom.dataset.only;
    else this.dom.dataset.only = figure.onlyIn;
    this.gone.textContent = figure === undefined ? 'This figure is gone.' : '';
    const parts = figure?.parts ?? [];
    while (this.boxes.length > parts.length) this.boxes.pop()!.dom.remove();
    parts.forEach(({ picture }, at) => {
      let box = this.boxes[at];
      if (box === undefined) {
        box = new PictureBox(this.host, {
          change: (change, name) => this.set(at, change, name),
          leave: () => this.view.focus(),
          drop: () => this.host.dropPart(this.id, at),
        });
        this.boxes.push(box);
        this.pictures.append(box.dom);
      }
      box.show(picture);
      box.mayGo(parts.length > 1);
    });
    this.more.hidden = parts.length === 0 || parts.length >= MOST_PARTS || this.host.isReadOnly();
    for (const text of this.texts) text.refresh();
  }

  private set(at: number, change: Partial<PictureFacts>, name: string): void {
    const figure = this.host.figure(this.id);
    const part = figure?.parts[at];
    if (figure === undefined || part === undefined || this.host.isReadOnly()) return;
    if (Object.entries(change).every(([key, value]) => part.picture[key as keyof PictureFacts] === value)) return;
    const picture = { ...part.picture, ...change };
    this.host.setFigure({ ...figure, parts: figure.parts.with(at, { ...part, picture }) }, name);
  }

  update(node: Node): boolean {
    if (node.type !== this.node.type || node.attrs.figure !== this.node.attrs.figure) return false;
    this.node = node;
    this.refresh();
    return true;
  }

  selectNode(): void {
    this.dom.classList.add('ProseMirror-selectednode');
  }

  deselectNode(): void {
    this.dom.classList.remove('ProseMirror-selectednode');
  }

  stopEvent(event: Event): boolean {
    if (event.target === this.more) return true;
    return this.boxes.some((box) => box.isTheirs(event)) || this.texts.some((text) => text.holds(event));
  }

  ignoreMutation(): boolean {
    return true;
  }

  destroy(): void {
    for (const text of this.texts) text.destroy();
    this.forget(this);
  }
}

/** A view of a figure, among those of its document as long as it is there. */
export function figureIn(figures: Set<FigureView>, node: Node, view: EditorView, host: GalleyHost): FigureView {
  const made = new FigureView(node, view, host, (gone) => figures.delete(gone));
  figures.add(made);
  return made;
}

/** The caption or the credit line of a figure. */
class FigureTextBox {
  readonly dom = document.createElement('span');
  private readonly body = document.createElement('span');
  private editor: GalleyStream | null = null;
  private shown: readonly Block[] | null = null;

  constructor(
    private readonly role: FigureTextRole,
    private readonly name: string,
    private readonly style: string,
    private readonly host: GalleyHost,
    private readonly figure: () => string,
  ) {
    this.dom.className = `galley-figure-text galley-figure-${role}`;
    const label = document.createElement('span');
    label.className = 'galley-figure-label';
    label.textContent = name;
    this.body.className = 'galley-figure-body';
    this.body.tabIndex = host.isReadOnly() ? -1 : 0;
    this.body.setAttribute('aria-label', name);
    this.body.setAttribute('role', 'textbox');
    this.body.addEventListener('mousedown', (event) => {
      if (this.editor !== null) return;
      event.preventDefault();
      this.edit();
    });
    this.body.addEventListener('focus', () => this.edit());
    this.dom.append(label, this.body);
  }

  private get text() {
    return this.host.figure(this.figure())?.[this.role];
  }

  refresh(): void {
    const blocks = this.text?.blocks ?? [];
    if (blocks === this.shown) return;
    this.shown = blocks;
    if (this.editor !== null) this.editor.sync(blocks, 0, blocks.length);
    else this.showPlain(blocks);
  }

  private showPlain(blocks: readonly Block[]): void {
    const words = blocks.map((block) =>
      block.kind === 'paragraph' ? block.text.replaceAll(OBJECT_CHARACTER, '').trim() : '',
    );
    const isEmpty = words.every((text) => text === '');
    this.body.classList.toggle('is-empty', isEmpty);
    this.body.replaceChildren(
      ...(isEmpty ? ['None yet'] : words).map((text) => {
        const line = document.createElement('span');
        line.className = 'galley-figure-line';
        line.textContent = text;
        return line;
      }),
    );
  }

  /** Goes into the text. */
  private edit(): void {
    const { text } = this;
    if (text === undefined || this.host.isReadOnly()) return;
    if (this.editor === null) {
      this.body.classList.remove('is-empty');
      this.body.removeAttribute('role');
      this.body.removeAttribute('aria-label');
      this.body.tabIndex = -1;
      this.body.replaceChildren();
      this.editor = this.host.textEditor(this.body, text.id, this.name, this.style);
      this.editor.sync(text.blocks, 0, text.blocks.length);
      this.shown = text.blocks;
    }
    this.editor.focusEnd();
  }

  holds({ target }: Event): boolean {
    return target instanceof globalThis.Node && this.body.contains(target);
  }

  destroy(): void {
    this.editor?.destroy();
  }
}
