// A picture in the galley: as it is, with its name, the words for those who do not see it, and a way to choose its file.
import type { Node } from 'prosemirror-model';
import type { EditorView, NodeView } from 'prosemirror-view';
import type { PictureFacts } from '../../../../core/model/copy/streams';
import type { GalleyHost } from './host';
import { NAME } from './commands';

export const PICTURE_FILES = 'image/jpeg,image/png,image/gif,image/webp,image/bmp,image/tiff,image/svg+xml';

/** Asks the person for a picture file. */
export function choosePicture(taken: (file: File) => void): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = PICTURE_FILES;
  input.addEventListener('change', () => input.files?.[0] && taken(input.files[0]));
  input.click();
}

export class PictureView implements NodeView {
  readonly dom = document.createElement('span');
  private readonly image = document.createElement('img');
  private readonly missing = document.createElement('span');
  private readonly facts = document.createElement('span');
  private readonly alt = document.createElement('input');
  private node: Node;

  constructor(
    node: Node,
    private readonly view: EditorView,
    private readonly getPos: () => number | undefined,
    private readonly host: GalleyHost,
  ) {
    this.node = node;
    this.dom.className = 'galley-picture';
    this.dom.contentEditable = 'false';
    this.dom.dataset.object = 'picture';
    this.missing.className = 'galley-picture-missing';
    const line = document.createElement('span');
    line.className = 'galley-picture-line';
    this.facts.className = 'galley-picture-facts';
    this.alt.placeholder = 'What it shows, for readers who do not see it';
    this.alt.setAttribute('aria-label', 'What the picture shows');
    this.alt.maxLength = 4000;
    this.alt.addEventListener('change', () => this.set({ alt: this.alt.value.trim() }, 'Words of a picture'));
    this.alt.addEventListener('keydown', (event) => {
      if (event.key !== 'Enter' && event.key !== 'Escape') return;
      if (event.key === 'Escape') this.alt.value = String(this.node.attrs.alt);
      event.preventDefault();
      this.alt.blur();
      this.view.focus();
    });
    const replace = document.createElement('button');
    replace.type = 'button';
    replace.textContent = 'Choose its file';
    replace.addEventListener('click', () => choosePicture((file) => void this.replace(file)));
    line.append(this.facts, replace);
    this.dom.append(this.image, this.missing, this.alt, line);
    this.show();
  }

  private show(): void {
    const { asset, format, name, alt, width, height } = this.node.attrs as PictureFacts;
    this.alt.value = alt;
    this.alt.disabled = this.host.isReadOnly();
    this.image.alt = alt;
    this.facts.textContent = [name || 'picture', width > 0 ? `${width} × ${height} pixels` : '']
      .filter((words) => words !== '')
      .join(', ');
    this.image.hidden = true;
    this.missing.textContent = '';
    void this.host.pictureAddress(asset, format).then((address) => {
      if (this.node.attrs.asset !== asset) return;
      if (address === null) return this.isNotHere('Its file is not here.');
      this.image.onload = () => (this.image.hidden = false);
      this.image.onerror = () => this.isNotHere('This kind of picture cannot be shown.');
      this.image.src = address;
    });
  }

  private isNotHere(words: string): void {
    this.image.hidden = true;
    this.missing.textContent = words;
  }

  private set(change: Partial<PictureFacts>, name: string): void {
    const at = this.getPos();
    if (at === undefined || this.host.isReadOnly()) return;
    const attrs = { ...this.node.attrs, ...change };
    if (Object.entries(change).every(([key, value]) => this.node.attrs[key] === value)) return;
    this.view.dispatch(this.view.state.tr.setNodeMarkup(at, null, attrs, this.node.marks).setMeta(NAME, name));
  }

  private async replace(file: File): Promise<void> {
    const made = await this.host.keepPicture(file.name, new Uint8Array(await file.arrayBuffer()));
    if (made === null) return this.isNotHere(`${file.name} is no picture that can be shown.`);
    const { asset, format, name, width, height } = made;
    this.set({ asset, format, name, width, height, shownWidth: 0, shownHeight: 0 }, 'Picture chosen');
  }

  update(node: Node): boolean {
    if (node.type !== this.node.type) return false;
    const isSame = node.eq(this.node);
    this.node = node;
    if (!isSame) this.show();
    return true;
  }

  selectNode(): void {
    this.dom.classList.add('ProseMirror-selectednode');
  }

  deselectNode(): void {
    this.dom.classList.remove('ProseMirror-selectednode');
  }

  /** What happens in the field and on the button is theirs. */
  stopEvent(event: Event): boolean {
    return event.target === this.alt || event.target instanceof HTMLButtonElement;
  }

  ignoreMutation(): boolean {
    return true;
  }
}
