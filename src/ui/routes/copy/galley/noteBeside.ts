// A note beside its reference: shown as plain text until it is gone into, then an editor of the note's own stream.
import { OBJECT_CHARACTER, type Block } from '../../../../core/model/copy/streams';
import type { GalleyHost, GalleyStream } from './host';

export class NoteBeside {
  readonly dom = document.createElement('div');
  private readonly label = document.createElement('span');
  private readonly body = document.createElement('div');
  private readonly kinds = document.createElement('select');
  private shownKind = '';
  private editor: GalleyStream | null = null;
  private shown: readonly Block[] | null = null;
  private shownLabel: string | null = null;

  constructor(
    readonly id: string,
    private readonly host: GalleyHost,
  ) {
    this.dom.className = 'galley-note';
    this.dom.dataset.note = id;
    this.label.className = 'galley-note-label';
    this.body.className = 'galley-note-body';
    this.kinds.className = 'galley-note-kind';
    this.kinds.setAttribute('aria-label', 'Kind of note');
    this.kinds.addEventListener('change', () => this.host.setNoteKind(this.id, this.kinds.value));
    this.dom.append(this.label, this.body, this.kinds);
    this.body.addEventListener('mousedown', (event) => {
      if (this.editor === null) {
        event.preventDefault();
        this.edit();
      }
    });
    this.body.addEventListener('focus', () => this.edit());
  }

  /** Shows the note and its number as they are now. */
  refresh(): void {
    const label = this.host.label(this.id);
    if (label !== this.shownLabel) {
      this.label.textContent = label;
      this.shownLabel = label;
    }
    this.showKind();
    const blocks = this.host.note(this.id)?.blocks ?? [];
    if (blocks === this.shown) return;
    this.shown = blocks;
    if (this.editor !== null) this.editor.sync(blocks, 0, blocks.length);
    else this.showPlain(blocks);
  }

  /** The kinds that there are, with that of the note. */
  private showKind(): void {
    const { kinds } = this.host.book().spec.notes;
    const kind = this.host.note(this.id)?.kind ?? '';
    const shown = JSON.stringify([kind, Object.entries(kinds).map(([id, { name }]) => [id, name])]);
    if (shown === this.shownKind) return;
    this.shownKind = shown;
    this.kinds.replaceChildren(
      ...Object.entries(kinds).map(([id, { name }]) => new Option(name, id, false, id === kind)),
    );
    this.kinds.disabled = this.host.isReadOnly();
  }

  private showPlain(blocks: readonly Block[]): void {
    const words = blocks.map((block) =>
      block.kind === 'paragraph' ? block.text.replaceAll(OBJECT_CHARACTER, '') : '',
    );
    this.body.replaceChildren(
      ...words.map((text) => {
        const line = document.createElement('p');
        line.textContent = text;
        return line;
      }),
    );
    const isEmpty = words.every((text) => text.trim() === '');
    this.body.classList.toggle('is-empty', isEmpty);
    if (isEmpty) this.body.textContent = 'The note is empty.';
  }

  /** Goes into the note's text. */
  edit(): void {
    if (this.host.note(this.id) === undefined) return;
    if (this.editor === null) {
      const blocks = this.host.note(this.id)!.blocks;
      this.body.classList.remove('is-empty');
      this.body.replaceChildren();
      this.editor = this.host.noteEditor(this.body, this.id);
      this.editor.sync(blocks, 0, blocks.length);
      this.shown = blocks;
    }
    this.editor.focusEnd();
  }

  destroy(): void {
    this.editor?.destroy();
    this.dom.remove();
  }
}
