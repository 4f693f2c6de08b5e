// What is copied from the galley, as other programs read it: emphasis, lists and notes under their own names of HTML. What the galley needs
// to take it back as it was stands in the attributes.
import { DOMSerializer, type Fragment, type Mark, type Node } from 'prosemirror-model';
import type { Note } from '../core/model/copy/book';
import { OBJECT_CHARACTER } from '../core/model/copy/streams';
import { schema } from './schema';

/** The book from which something is copied. */
export interface CopiedFrom {
  readonly bookId: () => string;
  /** The words of a figure that is copied, which is kept under its key: it may be put into another book. */
  readonly keepFigure: (id: string, key: string) => string;
  readonly note: (id: string) => Note | undefined;
  /** The number of a note's reference. */
  readonly label: (id: string) => string;
}

/** How a figure is called on the clipboard: figures of two books may have one id. */
export const keyOfFigure = (bookId: string, id: string): string => `${bookId}/${id}`;

/** The figure of a mark from the clipboard: its id in its own book, its key in another. */
export function pastedFigure(key: string, bookId: string): string {
  const own = keyOfFigure(bookId, '');
  return key.startsWith(own) ? key.slice(own.length) : key;
}

const CHARACTERS: Readonly<Record<string, string>> = { em: 'em', strong: 'strong', sup: 'sup', sub: 'sub' };
const TOUCHES: Readonly<Record<string, string>> = { italic: 'i', bold: 'b', underline: 'u', strike: 's' };

const standard = DOMSerializer.fromSchema(schema);

export class CopySerializer extends DOMSerializer {
  constructor(private readonly notes: CopiedFrom) {
    const touch = (name: string) => (mark: Mark) =>
      mark.attrs.on
        ? ([TOUCHES[name], { 'data-touch': name }, 0] as const)
        : (['span', { 'data-without': name, style: PLAIN[name] ?? '' }, 0] as const);
    const figure = (node: Node) => {
      const id = node.attrs.figure as string;
      const key = keyOfFigure(notes.bookId(), id);
      return ['span', { 'data-object': 'figure', 'data-figure': key }, notes.keepFigure(id, key)] as const;
    };
    super(
      { ...standard.nodes, figure },
      {
        ...standard.marks,
        ...Object.fromEntries(Object.keys(TOUCHES).map((name) => [name, touch(name)])),
        character: (mark: Mark) => {
          const tag = mark.attrs.tag as string;
          const small = tag === 'sc' ? { style: 'font-variant: small-caps' } : {};
          return [CHARACTERS[tag] ?? 'span', { 'data-character': tag, ...small }, 0];
        },
        link: (mark: Mark) => ['a', { href: mark.attrs.href as string, 'data-href': mark.attrs.href as string }, 0],
      },
    );
  }

  /** Paragraphs of lists stand in lists, references are followed by their notes at the end. */
  override serializeFragment(
    fragment: Fragment,
    options: { document?: Document } = {},
    target?: HTMLElement | DocumentFragment,
  ): HTMLElement | DocumentFragment {
    const isWhole = target === undefined;
    const made = super.serializeFragment(fragment, options, target);
    if (!isWhole) return made;
    const document = options.document ?? window.document;
    putListsUp(made, document);
    this.putNotes(made, document);
    return made;
  }

  private putNotes(made: HTMLElement | DocumentFragment, document: Document): void {
    const bodies: HTMLElement[] = [];
    for (const sign of made.querySelectorAll<HTMLElement>('[data-object=note]')) {
      const id = sign.getAttribute('data-note') ?? '';
      const note = this.notes.note(id);
      if (note === undefined) continue;
      const label = this.notes.label(id) || '*';
      const link = document.createElement('a');
      link.setAttribute('href', `#note-${id}`);
      link.setAttribute('id', `ref-${id}`);
      link.setAttribute('role', 'doc-noteref');
      link.append(label);
      sign.append(link);
      bodies.push(noteBody(note, label, document));
    }
    made.append(...bodies);
  }
}

/** Paragraphs of lists go into lists, one in another by their levels. */
function putListsUp(made: HTMLElement | DocumentFragment, document: Document): void {
  let open: OpenList[] = [];
  for (const child of [...made.children] as HTMLElement[]) {
    const found =
      child.tagName === 'P' ? /^(\d{1,2})(o?)(?:=(\d{1,4}))?$/.exec(child.getAttribute('data-list') ?? '') : null;
    if (found === null) {
      open = [];
      continue;
    }
    const [level, tag] = [Number(found[1]), found[2] === 'o' ? 'ol' : 'ul'];
    while (open.length > 0 && !goesOn(open[open.length - 1], level, tag)) open.pop();
    if (open.length === 0 || open[open.length - 1].level < level) {
      const list = document.createElement(tag);
      const outer = open[open.length - 1]?.list;
      if (outer === undefined) made.insertBefore(list, child);
      else (outer.lastElementChild ?? outer).append(list);
      open.push({ list, level });
    }
    const item = document.createElement('li');
    if (found[3] !== undefined) item.setAttribute('value', found[3]);
    open[open.length - 1].list.append(item);
    item.append(child);
  }
}

interface OpenList {
  readonly list: HTMLElement;
  readonly level: number;
}

/** An item of the level stands in the list, or in one inside it. */
const goesOn = ({ list, level }: OpenList, wished: number, tag: string): boolean =>
  level < wished || (level === wished && list.tagName.toLowerCase() === tag);

const PLAIN: Readonly<Record<string, string>> = { italic: 'font-style: normal', bold: 'font-weight: normal' };

/** The words of a note; read by other programs alone. */
function noteBody({ id, kind, blocks }: Note, label: string, document: Document): HTMLElement {
  const body = document.createElement('aside');
  body.setAttribute('id', `note-${id}`);
  body.setAttribute('role', kind === 'endnote' ? 'doc-endnote' : 'doc-footnote');
  body.setAttribute('data-note-text', id);
  blocks.forEach((block, at) => {
    if (block.kind !== 'paragraph') return;
    const paragraph = document.createElement('p');
    if (at === 0) {
      const back = document.createElement('a');
      back.setAttribute('href', `#ref-${id}`);
      back.setAttribute('role', 'doc-backlink');
      back.append(label);
      paragraph.append(back, ' ');
    }
    paragraph.append(block.text.replaceAll(OBJECT_CHARACTER, ''));
    body.append(paragraph);
  });
  return body;
}
