// Whose is Ctrl Z? A field's while its text is another than it was when typing began there; else the book's. Fields whose every
// key changes the book (`data-live`) have no history of their own: the book's takes their words back, one by one.

type Field = HTMLInputElement | HTMLTextAreaElement;

const isField = (target: EventTarget | null): target is Field =>
  target instanceof HTMLTextAreaElement || target instanceof HTMLInputElement;

/** Follows what is typed in fields of the page. */
export class FieldHistory {
  private field: Field | null = null;
  /** The field's text before what is typed now. */
  private before = '';
  private hasUndone = false;

  /** Starts to listen; answers how to stop. */
  listen(page: Document): () => void {
    const typed = (event: Event) => this.typing(event as InputEvent);
    // What is taken (by Enter, or by leaving) is the book's from then on.
    const taken = () => (this.field = null);
    page.addEventListener('beforeinput', typed, true);
    page.addEventListener('change', taken, true);
    page.addEventListener('focusout', taken, true);
    return () => {
      page.removeEventListener('beforeinput', typed, true);
      page.removeEventListener('change', taken, true);
      page.removeEventListener('focusout', taken, true);
    };
  }

  /** Whether undo, or redo, at this target is the field's own. */
  isFields(target: EventTarget | null, isRedo: boolean): boolean {
    if (this.field === null || this.field !== target) return false;
    if (isRedo) return this.hasUndone;
    const isOwn = this.field.value !== this.before;
    if (isOwn) this.hasUndone = true;
    return isOwn;
  }

  private typing(event: InputEvent): void {
    if (!isField(event.target) || event.target.dataset.live !== undefined) return;
    if (this.field !== event.target) {
      this.field = event.target;
      this.before = event.target.value;
    }
    if (!event.inputType.startsWith('history')) this.hasUndone = false;
  }
}
