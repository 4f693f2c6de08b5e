// In which edition of the book the paragraphs, tables and figures stand that are selected.
import type { Node } from 'prosemirror-model';
import { NodeSelection, type Command, type EditorState } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import type { Edition } from '../../../../core/model/copy/editions';
import type { Figure } from '../../../../core/model/copy/figures';
import type { TableSetting } from '../../../../core/model/copy/streams';
import { paragraphAttributes } from '../../../../galley';
import { NAME } from './commands';

export const EDITION_NAMES: Readonly<Record<Edition | 'both', string>> = {
  both: 'In both',
  print: 'Print only',
  ebook: 'Ebook only',
};

/** A figure of the book by its id. */
type FigureOf = (id: string) => Figure | undefined;

/** The edition of all that is selected, `both` where nothing is said; null where they differ. */
export function editionAt(state: EditorState, figureOf: FigureOf): Edition | 'both' | null {
  const figure = figureOf(figureAmongWords(state) ?? '');
  if (figure !== undefined) return figure.onlyIn ?? 'both';
  const found = new Set<Edition | 'both'>();
  eachBlock(state, (node) => found.add(editionIn(node) ?? 'both'));
  return found.size === 1 ? [...found][0] : null;
}

/** Puts what is selected into one edition alone, or into both; answers the figure among words that is to be set instead. */
export function putInEdition(view: EditorView, to: Edition | 'both', figureOf: FigureOf): Figure | null {
  const figure = figureOf(figureAmongWords(view.state) ?? '');
  if (figure === undefined) setEdition(to)(view.state, view.dispatch, view);
  view.focus();
  if (figure === undefined) return null;
  const { onlyIn: _, ...rest } = figure;
  return to === 'both' ? rest : { ...rest, onlyIn: to };
}

const setEdition =
  (to: Edition | 'both'): Command =>
  (state, dispatch) => {
    const transaction = state.tr.setMeta(NAME, `Goes into: ${EDITION_NAMES[to].toLowerCase()}`);
    eachBlock(state, (node, at) => {
      if ((editionIn(node) ?? 'both') === to) return;
      const name = node.type.name === 'table' ? 'setting' : 'touches';
      const { onlyIn: _, ...rest } = (node.attrs[name] as { onlyIn?: Edition } | null) ?? {};
      const said = to === 'both' ? rest : { ...rest, onlyIn: to };
      transaction.setNodeAttribute(at, name, Object.keys(said).length === 0 ? null : said);
    });
    if (!transaction.docChanged) return false;
    dispatch?.(transaction);
    return true;
  };

/** The figure among words that is selected by itself; null for anything else. One that stands alone goes with its paragraph. */
function figureAmongWords({ selection }: EditorState): string | null {
  if (!(selection instanceof NodeSelection) || selection.node.type.name !== 'figure') return null;
  return selection.$from.parent.childCount > 1 ? (selection.node.attrs.figure as string) : null;
}

/** Whole tables are in an edition, not their cells: the blocks of the document itself. */
function eachBlock({ doc, selection: { from, to } }: EditorState, visit: (node: Node, at: number) => void): void {
  doc.forEach((node, at) => {
    if (at < to && at + node.nodeSize > from) visit(node, at);
  });
}

const editionIn = (node: Node): Edition | undefined =>
  node.type.name === 'table'
    ? (node.attrs.setting as TableSetting | null)?.onlyIn
    : paragraphAttributes(node).touches?.onlyIn;
