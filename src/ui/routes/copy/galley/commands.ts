// What keys do in the galley beyond what every text field does.
import { toggleMark } from 'prosemirror-commands';
import type { Node } from 'prosemirror-model';
import { NodeSelection, TextSelection, type Command, type EditorState } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { canSplit } from 'prosemirror-transform';
import { paragraphAttributes, schema, type ParagraphAttributes } from '../../../../galley';
import type { ParagraphTouches } from '../../../../core/model/copy/streams';
import type { CharacterStyle } from '../../../../core/model/spec/spec';

/** A name for the history, on the transaction of a command. */
export const NAME = 'name';
/** A note that the transaction makes: a MadeNote. */
export const MADE_NOTE = 'made note';

/** A note that is made with its reference, of a kind of the spec. */
export interface MadeNote {
  readonly id: string;
  readonly kind: string;
}

/** After these a new paragraph is one of text. */
const HEADS = /^(CT|CN|PT|PN|CST|CEP|COR|AH|BH|TOH|BT|BS|SB|SBO)$/;

/**
 * Parts the paragraph at the caret. A new paragraph after the end of one is of the style that follows it; after a head that says
 * none it is text. The look of a paragraph goes to both parts, wishes for its place stay with the first.
 */
export const splitParagraph =
  (nextOf: (style: string) => string | undefined): Command =>
  (state, dispatch) => {
    const { $from, $to } = state.selection;
    if (!$from.parent.isTextblock || !$from.sameParent($to)) return false;
    const transaction = state.tr.setMeta(NAME, 'Paragraph split').deleteSelection();
    const at = transaction.mapping.map($from.pos);
    const resolved = transaction.doc.resolve(at);
    const { style, touches, list } = paragraphAttributes($from.parent);
    const isAtEnd = resolved.parentOffset === resolved.parent.content.size;
    const after = isAtEnd ? (nextOf(style) ?? (HEADS.test(style) ? 'TX' : style)) : style;
    const own = lookOf(touches);
    const attributes: ParagraphAttributes = {
      id: null,
      style: after,
      touches: touchesOf(after === style ? own : { ...(own.onlyIn && { onlyIn: own.onlyIn }) }),
      list: list ?? null,
      // Links lead to where the paragraph began.
      names: null,
    };
    if (!canSplit(transaction.doc, at, 1, [{ type: schema.nodes.paragraph, attrs: attributes }])) return false;
    transaction.split(at, 1, [{ type: schema.nodes.paragraph, attrs: attributes }]);
    dispatch?.(transaction.scrollIntoView());
    return true;
  };

const touchesOf = (touches: ParagraphTouches) => (Object.keys(touches).length > 0 ? touches : null);

/** Of what is said of a paragraph, what both parts of it keep. */
function lookOf(touches: ParagraphTouches | null): ParagraphTouches {
  const { align, look, onlyIn } = touches ?? {};
  return { ...(align && { align }), ...(look && { look }), ...(onlyIn && { onlyIn }) };
}

/** Begins a page or a column at the caret: inside a paragraph it is parted there first. */
export function breakBefore(at: true | 'column'): Command {
  return (state, dispatch) => {
    const { $from } = state.selection;
    if (!$from.parent.isTextblock) return false;
    const name = at === true ? 'Page break' : 'Column break';
    const transaction = state.tr.setMeta(NAME, name).deleteSelection();
    const caret = transaction.doc.resolve(transaction.mapping.map($from.pos));
    if (caret.parentOffset > 0) {
      const { style, touches } = paragraphAttributes(caret.parent);
      const kept = { ...lookOf(touches), breakBefore: at };
      const attributes = { ...caret.parent.attrs, id: null, style, touches: kept, names: null };
      transaction.split(caret.pos, 1, [{ type: schema.nodes.paragraph, attrs: attributes }]);
    } else {
      const { touches } = paragraphAttributes(caret.parent);
      transaction.setNodeAttribute(caret.before(), 'touches', { ...touches, breakBefore: at });
    }
    dispatch?.(transaction.scrollIntoView());
    return true;
  };
}

/** Puts an object or characters in at the caret. */
export function insertion(content: Node | string, name: string, madeNote: MadeNote | null = null): Command {
  return (state, dispatch) => {
    if (!state.selection.$from.parent.isTextblock) return false;
    const node =
      typeof content === 'string' ? schema.text(content, state.storedMarks ?? state.selection.$from.marks()) : content;
    const transaction = state.tr.replaceSelectionWith(node, typeof content !== 'string').setMeta(NAME, name);
    if (madeNote !== null) transaction.setMeta(MADE_NOTE, madeNote);
    dispatch?.(transaction.scrollIntoView());
    return true;
  };
}

/**
 * Puts a note or a reference in behind what is selected, or an index mark to what is selected: before its first word, and
 * where it goes over several paragraphs as a range with an end behind its last. The words stay. A selected mark or reference
 * of the same kind is changed.
 */
export function insertionBeside(node: Node, name: string, madeNote: MadeNote | null = null): Command {
  return (state, dispatch) => {
    const { selection } = state;
    const { $from, $to } = selection;
    if (!$from.parent.isTextblock || !$to.parent.isTextblock) return false;
    const isNote = node.type.name === 'note';
    const transaction = state.tr.setMeta(NAME, name);
    if (madeNote !== null) transaction.setMeta(MADE_NOTE, madeNote);
    if (!isNote && selection instanceof NodeSelection && selection.node.type === node.type)
      transaction.replaceSelectionWith(node, true);
    else if (node.type.name === 'index' && !selection.empty) {
      const isRange = !$from.sameParent($to) && node.attrs.range === 'here';
      const mark = (range: string) => schema.node('index', { ...node.attrs, range });
      if (isRange) transaction.insert($to.pos, mark('to').mark($to.marks()));
      transaction.insert($from.pos, (isRange ? mark('from') : node).mark($from.marks()));
    } else {
      transaction.insert($to.pos, node.mark($to.marks()));
      transaction.setSelection(TextSelection.create(transaction.doc, $to.pos + node.nodeSize));
    }
    dispatch?.(transaction.scrollIntoView());
    return true;
  };
}

export const softReturn = insertion(schema.node('break'), 'Line break');

/** Character style on or off for what is selected. */
export const toggleCharacter = (tag: string): Command => {
  const toggle = toggleMark(schema.marks.character, { tag });
  return (state, dispatch) =>
    toggle(state, dispatch && ((transaction) => dispatch(transaction.setMeta(NAME, 'Character style'))));
};

/** Takes character styles and touches off what is selected. */
export const plainCharacters: Command = (state, dispatch) => {
  const { from, to, empty } = state.selection;
  if (empty) return false;
  const transaction = state.tr.setMeta(NAME, 'Plain characters');
  for (const name of ['character', 'italic', 'bold', 'underline', 'strike', 'local'])
    transaction.removeMark(from, to, schema.marks[name]);
  if (transaction.docChanged) dispatch?.(transaction);
  return true;
};

/** The character style that everything selected, or the caret, has; null for none or several. */
export function characterAt(state: EditorState): string | null {
  const { from, to, empty, $from } = state.selection;
  const tagIn = (marks: readonly { type: { name: string }; attrs: Record<string, unknown> }[]) =>
    (marks.find((mark) => mark.type.name === 'character')?.attrs.tag as string | undefined) ?? null;
  if (empty) return tagIn(state.storedMarks ?? $from.marks());
  const found = new Set<string | null>();
  state.doc.nodesBetween(from, to, (node) => {
    if (node.isInline) found.add(tagIn(node.marks));
  });
  return found.size === 1 ? [...found][0] : null;
}

/** At the first place of the document, or at its last. */
export function isAtEdge(state: EditorState, direction: -1 | 1): boolean {
  const { selection } = state;
  if (!selection.empty) return false;
  return direction < 0 ? selection.$from.pos <= 1 : selection.$to.pos >= state.doc.content.size - 1;
}

/** What is set by hand on the first letters that are selected, as values of a character style. */
export function handValues({ doc, selection: { from, to } }: EditorState): Partial<CharacterStyle> {
  const found: { -readonly [K in keyof CharacterStyle]?: CharacterStyle[K] } = {};
  let isFirst = true;
  doc.nodesBetween(from, to, (node) => {
    if (!node.isText || !isFirst) return;
    isFirst = false;
    for (const { type, attrs } of node.marks) {
      if (type.name === 'italic') found.italic = 'on';
      if (type.name === 'bold') found.weight = 700;
      if (type.name === 'underline') found.line = 'under';
      if (type.name === 'strike') found.line = 'through';
      if (type.name === 'local' && typeof attrs.size === 'number') found.size = attrs.size;
    }
  });
  return found;
}

/** The note whose reference is selected, or stands before the caret. */
export function noteAt({ selection }: EditorState): string | null {
  if (selection instanceof NodeSelection && selection.node.type.name === 'note')
    return selection.node.attrs.note as string;
  const before = selection instanceof TextSelection ? selection.$from.nodeBefore : null;
  return before?.type.name === 'note' ? (before.attrs.note as string) : null;
}

/** Deepest level of a list. */
const DEEPEST = 5;

/** Makes the paragraphs of the selection items of a list, or no items: null. A style of text becomes that of items. */
export const setList =
  (ordered: boolean | null): Command =>
  (state, dispatch) =>
    eachParagraph(state, dispatch, 'List', (attributes) => {
      if (ordered === null)
        return { ...attributes, list: null, style: attributes.style === 'LI' ? 'TX' : attributes.style };
      const style = /^TX[FC]?$/.test(attributes.style) ? 'LI' : attributes.style;
      return { ...attributes, style, list: { level: attributes.list?.level ?? 0, ordered } };
    });

/** Takes items of a list a level deeper, or back. */
export const stepLevel =
  (step: -1 | 1): Command =>
  (state, dispatch) =>
    eachParagraph(state, dispatch, 'Level of a list', (attributes) => {
      if (attributes.list == null) return attributes;
      const level = Math.max(0, Math.min(DEEPEST, attributes.list.level + step));
      return level === attributes.list.level ? attributes : { ...attributes, list: { ...attributes.list, level } };
    });

function eachParagraph(
  state: EditorState,
  dispatch: ((transaction: EditorState['tr']) => void) | undefined,
  name: string,
  change: (attributes: ParagraphAttributes) => ParagraphAttributes,
): boolean {
  const transaction = state.tr.setMeta(NAME, name);
  const { from, to } = state.selection;
  state.doc.nodesBetween(from, to, (node, at) => {
    if (node.type.name !== 'paragraph') return true;
    const before = paragraphAttributes(node);
    const after = change(before);
    if (after !== before) transaction.setNodeMarkup(at, null, { ...after });
    return false;
  });
  if (!transaction.docChanged) return false;
  dispatch?.(transaction);
  return true;
}

/** Whether the caret stands on the first line of a document (-1) or on its last (1). */
export function isAtDocumentEdge(state: EditorState, view: EditorView, direction: -1 | 1): boolean {
  const at = state.selection.$head.index(0);
  const isLast = direction < 0 ? at === 0 : at === state.doc.childCount - 1;
  return isLast && view.endOfTextblock(direction < 0 ? 'up' : 'down');
}
