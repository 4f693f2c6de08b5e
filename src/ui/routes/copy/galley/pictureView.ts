// A picture among words in the galley.
import type { Node } from 'prosemirror-model';
import type { EditorView, NodeView } from 'prosemirror-view';
import type { PictureFacts } from '../../../../core/model/copy/streams';
import type { GalleyHost } from './host';
import { NAME } from './commands';
import { PictureBox } from './pictureBox';

export class PictureView implements NodeView {
  readonly dom: HTMLElement;
  private readonly box: PictureBox;
  private node: Node;

  constructor(
    node: Node,
    private readonly view: EditorView,
    private readonly getPos: () => number | undefined,
    private readonly host: GalleyHost,
  ) {
    this.node = node;
    this.box = new PictureBox(host, { change: (change, name) => this.set(change, name), leave: () => view.focus() });
    this.dom = this.box.dom;
    this.dom.dataset.object = 'picture';
    this.box.show(node.attrs as PictureFacts);
  }

  private set(change: Partial<PictureFacts>, name: string): void {
    const at = this.getPos();
    if (at === undefined || this.host.isReadOnly()) return;
    const attrs = { ...this.node.attrs, ...change };
    if (Object.entries(change).every(([key, value]) => this.node.attrs[key] === value)) return;
    this.view.dispatch(this.view.state.tr.setNodeMarkup(at, null, attrs, this.node.marks).setMeta(NAME, name));
  }

  update(node: Node): boolean {
    if (node.type !== this.node.type) return false;
    this.node = node;
    this.box.show(node.attrs as PictureFacts);
    return true;
  }

  selectNode(): void {
    this.dom.classList.add('ProseMirror-selectednode');
  }

  deselectNode(): void {
    this.dom.classList.remove('ProseMirror-selectednode');
  }

  stopEvent(event: Event): boolean {
    return this.box.isTheirs(event);
  }

  ignoreMutation(): boolean {
    return true;
  }
}
