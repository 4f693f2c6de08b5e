// What an edit of a document is: whether it may be, what the history calls it, whether it goes on with the last one.
import type { Node } from 'prosemirror-model';
import type { EditorState, Transaction } from 'prosemirror-state';
import { TableMap } from 'prosemirror-tables';
import type { ParagraphTouches } from '../../../../core/model/copy/streams';
import { schema, type replaceBlocksEdit } from '../../../../galley';

/** Cells hold their places: a change that would leave the rows of a table uneven is not taken. */
export function breaksTable(before: Node, after: Node): boolean {
  const known = new Set<Node>();
  before.forEach((node) => void known.add(node));
  let isUneven = false;
  after.forEach((node) => {
    if (node.type === schema.nodes.table && !known.has(node)) isUneven ||= TableMap.get(node).problems !== null;
  });
  return isUneven;
}

/** Typing in one word of one paragraph, with the space before it, is one entry of the history; null for what is not typing. */
export function typingKey(edit: ReturnType<typeof replaceBlocksEdit>, { selection }: EditorState): string | null {
  if (edit === null || edit.removed.length !== 1 || edit.inserted.length !== 1) return null;
  const [was, is] = [edit.removed[0], edit.inserted[0]];
  if (was.id !== is.id || was.kind !== 'paragraph' || is.kind !== 'paragraph') return null;
  if (Math.abs(was.text.length - is.text.length) > 1) return null;
  const before = selection.$head.parent.textBetween(0, selection.$head.parentOffset, undefined, ' ');
  return `typing ${edit.stream} ${is.id} ${before.split(/\s+/).length}`;
}

export function nameOf(transaction: Transaction, isTyping: boolean): string {
  const cause = transaction.getMeta('uiEvent') as string | undefined;
  if (cause === 'paste') return 'Pasted';
  if (cause === 'cut') return 'Cut';
  if (cause === 'drop') return 'Moved';
  return isTyping ? 'Typing' : 'Text changed';
}

function beginning(breakBefore: ParagraphTouches['breakBefore']): string {
  if (!breakBefore) return '';
  return breakBefore === true ? 'begins a page' : `begins a ${breakBefore}`;
}

export function touchWords(touches: ParagraphTouches | undefined): string {
  if (touches === undefined) return '';
  return [
    beginning(touches.breakBefore),
    touches.direction === undefined ? '' : touches.direction === 'rtl' ? 'right to left' : 'left to right',
    touches.together ? 'kept whole' : '',
    touches.unnumbered ? 'without its number' : '',
    touches.section === undefined ? '' : `section ${touches.section}`.trim(),
  ]
    .filter(Boolean)
    .join(', ');
}
