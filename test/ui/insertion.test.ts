import { expect } from 'chai';
import { EditorState, NodeSelection, TextSelection } from 'prosemirror-state';
import { schema } from '../../src/galley';
import { insertionBeside } from '../../src/ui/routes/copy/galley/commands';

const mark = (term: string) => schema.node('index', { term, sub: '', see: '', seeAlso: '', range: 'here' });
const document = (...texts: string[]) =>
  schema.topNodeType.create(
    null,
    texts.map((text, k) => schema.node('paragraph', { id: `p${k}`, style: 'TX' }, [schema.text(text)])),
  );

/** The document after something is put in, objects as `<kind term or note>` and `<index …>` with its range. */
function put(texts: string[], from: number, to: number, node: ReturnType<typeof mark>) {
  const doc = document(...texts);
  let state = EditorState.create({ doc, selection: TextSelection.create(doc, from, to) });
  expect(insertionBeside(node, 'Put in')(state, (transaction) => (state = state.apply(transaction)))).to.equal(true);
  const shown: string[] = [];
  state.doc.forEach((block) => {
    let text = '';
    block.forEach((child) => {
      const { range, term, note } = child.attrs as Record<string, string>;
      text += child.isText
        ? child.text!
        : `<${child.type.name} ${term ?? note}${range === undefined || range === 'here' ? '' : ` ${range}`}>`;
    });
    shown.push(text);
  });
  return { shown, state };
}

describe('what is put in with words selected', () => {
  const TEXT = ['The old weir house.', 'It stood.'];

  it('is an index mark before them, and they stay', () => {
    const { shown, state } = put(TEXT, 9, 19, mark('weir house'));
    expect(shown).to.deep.equal(['The old <index weir house>weir house.', 'It stood.']);
    expect(state.selection.empty, 'the words are still selected').to.equal(false);
  });

  it('is a range of the index where they go over paragraphs', () => {
    const { shown } = put(TEXT, 9, 24, mark('weir house'));
    expect(shown).to.deep.equal(['The old <index weir house from>weir house.', 'It<index weir house to> stood.']);
  });

  it('is a note or a reference behind them', () => {
    expect(put(TEXT, 9, 19, schema.node('note', { note: 'n1' })).shown[0]).to.equal('The old weir house<note n1>.');
    const reference = schema.node('reference', { target: 'p1', shows: 'page' });
    const { shown, state } = put(TEXT, 9, 13, reference);
    expect(shown[0]).to.match(/^The old weir<reference .*> house\.$/);
    expect(state.selection.from).to.equal(14);
  });

  it('changes a mark that is selected itself', () => {
    const { state } = put(TEXT, 1, 1, mark('weir'));
    let after = state.apply(state.tr.setSelection(NodeSelection.create(state.doc, 1)));
    insertionBeside(mark('mill'), 'Changed')(after, (transaction) => (after = after.apply(transaction)));
    expect(after.doc.firstChild!.firstChild!.attrs.term).to.equal('mill');
    expect(after.doc.textContent).to.equal('The old weir house.It stood.');
  });
});
