// The style tags in the galley's margin, by mouse and keys: a click or a typed code sets a style, arrows walk from tag to
// tag, Enter sets the style that was set last.

export interface TagActions {
  /** Tags with their names, as the spec has them. */
  readonly styles: () => readonly (readonly [string, string])[];
  /** Sets the paragraph, or all that are selected with it. */
  readonly set: (block: string, tag: string) => void;
  readonly toText: (block: string) => void;
}

export class TagMargin {
  private typed = '';
  private last: string | null = null;
  private list: HTMLUListElement | null = null;
  private owner: HTMLButtonElement | null = null;
  private chosen = 0;

  constructor(
    private readonly container: HTMLElement,
    private readonly actions: TagActions,
  ) {
    container.addEventListener('click', this.click);
    container.addEventListener('keydown', this.press);
    container.addEventListener('focusout', this.left);
  }

  destroy(): void {
    this.close();
    this.container.removeEventListener('click', this.click);
    this.container.removeEventListener('keydown', this.press);
    this.container.removeEventListener('focusout', this.left);
  }

  /** Goes to the tag of a paragraph; false when it has none. */
  goTo(block: string): boolean {
    const tag = this.container.querySelector<HTMLElement>(`.galley-row[data-block="${block}"] .galley-tag`);
    tag?.focus();
    return tag !== null;
  }

  private readonly click = (event: MouseEvent) => {
    const tag = tagOf(event.target);
    if (tag === null) return;
    tag.focus();
    if (this.owner === tag) this.close();
    else this.open(tag);
  };

  private readonly left = (event: FocusEvent) => {
    if (tagOf(event.target) !== null && !this.list?.contains(event.relatedTarget as Node | null)) this.close();
  };

  private readonly press = (event: KeyboardEvent) => {
    const tag = tagOf(event.target);
    if (tag === null || event.ctrlKey || event.metaKey || event.altKey) return;
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0 && this.list !== null) this.choose(this.chosen + step);
    else if (step !== 0) this.walk(tag, step);
    else if (event.key === 'Enter') this.enter(tag);
    else if (event.key === ' ' && this.list === null) this.open(tag);
    else if (event.key === 'Escape' && this.list !== null) this.close();
    else if (event.key === 'Escape' || event.key === 'ArrowRight') this.actions.toText(blockOf(tag));
    else if (event.key === 'Backspace') this.type(tag, this.typed.slice(0, -1));
    else if (/^[\p{L}\p{N}]$/u.test(event.key)) this.type(tag, this.typed + event.key);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  private walk(tag: HTMLButtonElement, step: number): void {
    const tags = [...this.container.querySelectorAll<HTMLElement>('.galley-row:not([hidden]) .galley-tag')];
    const next = tags[tags.indexOf(tag) + step];
    next?.focus();
    next?.scrollIntoView({ block: 'nearest' });
  }

  private enter(tag: HTMLButtonElement): void {
    const [found] = this.found()[this.list === null ? -1 : this.chosen] ?? [];
    const wished = this.list === null ? this.last : (found ?? null);
    this.close();
    if (wished !== null) this.set(tag, wished);
  }

  private set(tag: HTMLButtonElement, style: string): void {
    this.last = style;
    this.actions.set(blockOf(tag), style);
  }

  private type(tag: HTMLButtonElement, typed: string): void {
    this.typed = typed;
    if (this.list === null) this.open(tag, typed);
    else {
      this.chosen = 0;
      this.fill();
    }
  }

  /** Styles that what is typed may mean: the code itself first, then codes and names that begin with it. */
  private found(): readonly (readonly [string, string])[] {
    const needle = this.typed.toLowerCase();
    const all = this.actions.styles();
    if (needle === '') return all;
    const rank = ([tag, name]: readonly [string, string]) =>
      tag.toLowerCase() === needle
        ? 0
        : tag.toLowerCase().startsWith(needle)
          ? 1
          : name.toLowerCase().startsWith(needle)
            ? 2
            : 3;
    return all.filter((one) => rank(one) < 3).sort((a, b) => rank(a) - rank(b));
  }

  private open(tag: HTMLButtonElement, typed = ''): void {
    this.close();
    this.typed = typed;
    this.owner = tag;
    const list = document.createElement('ul');
    list.className = 'galley-tags';
    list.id = 'galley-tags';
    list.setAttribute('role', 'listbox');
    list.setAttribute('aria-label', 'Styles');
    list.addEventListener('mousedown', (event) => {
      event.preventDefault();
      const item = (event.target as HTMLElement).closest<HTMLElement>('[data-tag]');
      this.close();
      if (item !== null) this.set(tag, item.dataset.tag!);
    });
    this.list = list;
    tag.setAttribute('aria-expanded', 'true');
    tag.setAttribute('aria-controls', list.id);
    this.container.append(list);
    const box = tag.getBoundingClientRect();
    const frame = this.container.getBoundingClientRect();
    const below = window.innerHeight - box.bottom;
    list.style.left = `${box.left - frame.left}px`;
    list.style.top = `${box.bottom - frame.top + this.container.scrollTop + 2}px`;
    list.style.maxHeight = `${Math.max(140, Math.min(320, below - 16))}px`;
    this.chosen = Math.max(0, typed === '' ? this.found().findIndex(([one]) => one === tag.textContent) : 0);
    this.fill();
  }

  private fill(): void {
    const { list } = this;
    if (list === null) return;
    const found = this.found();
    list.replaceChildren(
      ...(found.length === 0 ? [['', `No style begins with “${this.typed}”`] as const] : found).map(
        ([tag, name], at) => {
          const item = document.createElement('li');
          item.setAttribute('role', 'option');
          item.setAttribute('aria-selected', String(at === this.chosen && tag !== ''));
          if (tag !== '') item.dataset.tag = tag;
          const code = document.createElement('b');
          code.textContent = tag;
          item.append(code, name);
          return item;
        },
      ),
    );
    list.children[this.chosen]?.scrollIntoView({ block: 'nearest' });
  }

  private choose(at: number): void {
    this.chosen = Math.max(0, Math.min(this.found().length - 1, at));
    this.fill();
  }

  private close(): void {
    this.list?.remove();
    this.list = null;
    this.owner?.removeAttribute('aria-controls');
    this.owner?.setAttribute('aria-expanded', 'false');
    this.owner = null;
    this.typed = '';
  }
}

const tagOf = (target: EventTarget | null) =>
  target instanceof Element ? target.closest<HTMLButtonElement>('.galley-tag') : null;

const blockOf = (tag: HTMLElement) => tag.closest<HTMLElement>('.galley-row')!.dataset.block!;
