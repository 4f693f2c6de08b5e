// A cross-reference or an index mark that is selected, to be changed; and the words selected, for a new mark.
import { NodeSelection, type EditorState } from 'prosemirror-state';

export interface SelectedAtom {
  readonly kind: 'reference' | 'index';
  readonly attributes: Readonly<Record<string, string>>;
}

export function selectedAtom(state: EditorState | undefined): SelectedAtom | null {
  if (!(state?.selection instanceof NodeSelection)) return null;
  const { type, attrs } = state.selection.node;
  return type.name === 'reference' || type.name === 'index'
    ? { kind: type.name, attributes: attrs as Record<string, string> }
    : null;
}

/** The selected words; without any, the word after the caret. */
export function selectedWords(state: EditorState | undefined): string {
  if (state === undefined) return '';
  const { from, to, empty, $from } = state.selection;
  if (!empty) return state.doc.textBetween(from, to, ' ', '').trim().slice(0, 200);
  const after = $from.parent.textBetween($from.parentOffset, $from.parent.content.size, ' ', '');
  return /^\s*[\p{L}\p{N}’'-]+/u.exec(after)?.[0].trim() ?? '';
}
