// A picture in the galley: as it is, with its name, the words for those who do not see it, and a way to choose its file.
import type { PictureFacts } from '../../../../core/model/copy/streams';
import type { GalleyHost } from './host';

export const PICTURE_FILES = 'image/jpeg,image/png,image/gif,image/webp,image/bmp,image/tiff,image/svg+xml';

/** Asks the person for a picture file. */
export function choosePicture(taken: (file: File) => void): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = PICTURE_FILES;
  input.addEventListener('change', () => input.files?.[0] && taken(input.files[0]));
  input.click();
}

export interface PictureBoxEvents {
  /** Facts of the picture that a person changed, and what the history calls that. */
  readonly change: (change: Partial<PictureFacts>, name: string) => void;
  /** The field is left by a key: the text has the caret again. */
  readonly leave: () => void;
  /** Takes the picture out of those beside it; absent: it cannot go by itself. */
  readonly drop?: () => void;
}

export class PictureBox {
  readonly dom = document.createElement('span');
  private readonly image = document.createElement('img');
  private readonly missing = document.createElement('span');
  private readonly facts = document.createElement('span');
  private readonly alt = document.createElement('input');
  private readonly dropping = document.createElement('button');
  private shown: PictureFacts | null = null;

  constructor(
    private readonly host: GalleyHost,
    private readonly events: PictureBoxEvents,
  ) {
    this.dom.className = 'galley-picture';
    this.dom.contentEditable = 'false';
    this.missing.className = 'galley-picture-missing';
    const line = document.createElement('span');
    line.className = 'galley-picture-line';
    this.facts.className = 'galley-picture-facts';
    this.alt.placeholder = 'What it shows, for readers who do not see it';
    this.alt.setAttribute('aria-label', 'What the picture shows');
    this.alt.maxLength = 4000;
    this.alt.addEventListener('change', () => events.change({ alt: this.alt.value.trim() }, 'Words of a picture'));
    this.alt.addEventListener('keydown', (event) => {
      if (event.key !== 'Enter' && event.key !== 'Escape') return;
      if (event.key === 'Escape') this.alt.value = this.shown?.alt ?? '';
      event.preventDefault();
      this.alt.blur();
      events.leave();
    });
    this.dropping.type = 'button';
    this.dropping.textContent = 'Take it out';
    this.dropping.hidden = true;
    this.dropping.addEventListener('click', () => events.drop?.());
    const replace = document.createElement('button');
    replace.type = 'button';
    replace.textContent = 'Choose its file';
    replace.addEventListener('click', () => choosePicture((file) => void this.replace(file)));
    line.append(this.facts, this.dropping, replace);
    this.dom.append(this.image, this.missing, this.alt, line);
  }

  /** Whether it stands beside others, of which it may be taken out. */
  mayGo(isOne: boolean): void {
    this.dropping.hidden = !isOne || this.host.isReadOnly();
  }

  /** Shows a picture; nothing happens while it is the same. */
  show(picture: PictureFacts): void {
    if (JSON.stringify(picture) === JSON.stringify(this.shown)) return;
    this.shown = picture;
    const { asset, format, name, alt, width, height } = picture;
    this.alt.value = alt;
    this.alt.disabled = this.host.isReadOnly();
    this.image.alt = alt;
    this.facts.textContent = [name || 'picture', width > 0 ? `${width} × ${height} pixels` : '']
      .filter((words) => words !== '')
      .join(', ');
    this.image.hidden = true;
    this.missing.textContent = '';
    void this.host.pictureAddress(asset, format).then((address) => {
      if (this.shown?.asset !== asset) return;
      if (address === null) return this.isNotHere(name === '' ? 'The picture is to come.' : 'Its file is not here.');
      this.image.onload = () => (this.image.hidden = false);
      this.image.onerror = () => this.isNotHere('This kind of picture cannot be shown.');
      this.image.src = address;
    });
  }

  private isNotHere(words: string): void {
    this.image.hidden = true;
    this.missing.textContent = words;
  }

  private async replace(file: File): Promise<void> {
    const made = await this.host.keepPicture(file.name, new Uint8Array(await file.arrayBuffer()));
    if (made === null) return this.isNotHere(`${file.name} is no picture that can be shown.`);
    const { asset, format, name, width, height } = made;
    this.events.change({ asset, format, name, width, height, shownWidth: 0, shownHeight: 0 }, 'Picture chosen');
  }

  /** Whether an event is of the field or the button, which take it themselves. */
  isTheirs({ target }: Event): boolean {
    return target === this.alt || (target instanceof HTMLButtonElement && this.dom.contains(target));
  }
}
