// Figures through the store: put in, set, given parts, copied and taken out with their marks.
import { expect } from 'chai';
import { editUndone } from '../../../src/state/book/bookSlice';
import { addPart, dropPart, dropPicture, putPictureToCome, setFigure } from '../../../src/state/copy/figureThunks';
import { takeGalleyChange } from '../../../src/state/copy/galleyThunks';
import { isRecordKnown, keepCopied } from '../../../src/state/copy/takenRecords';
import { removeDivision } from '../../../src/state/order/orderThunks';
import { keyOfFigure, pastedFigure } from '../../../src/galley';
import { figuresIn } from '../../../src/core/model/copy/holders';
import { OBJECT_CHARACTER, type Paragraph } from '../../../src/core/model/copy/streams';
import { pngOf } from '../../build/pictures';
import { opened, type World } from '../../build/world';

const bookOf = ({ store }: World) => store.getState().book.book!;
const textOf = (here: World) => bookOf(here).divisions[1];
const last = (here: World) => textOf(here).blocks.at(-1) as Paragraph;

describe('figures of the open book', () => {
  const dropped = async () => {
    const here = await opened();
    const { id: stream } = textOf(here);
    const problem = await here.store.dispatch(dropPicture('gate.png', pngOf(12, 6), { stream, block: last(here).id }));
    expect(problem).to.equal(null);
    const [figure] = Object.values(bookOf(here).figures);
    return { here, figure };
  };

  it('are made of a picture dropped on a page, tied to the end of a paragraph and pointed at, as one step', async () => {
    const { here, figure } = await dropped();
    const { text, objects } = last(here);
    const mark = objects.at(-1);
    expect(mark).to.deep.equal({ at: text.length - 1, kind: 'figure', figure: figure.id });
    expect(here.store.getState().view.paragraph).to.deep.equal({ stream: figure.id, block: figure.id });
    here.store.dispatch(editUndone());
    expect([bookOf(here).figures, figuresIn(last(here))]).to.deep.equal([{}, []]);
  });

  it('are not made of what is no picture, nor where there is no text: a sentence says so', async () => {
    const here = await opened();
    const place = { stream: textOf(here).id, block: last(here).id };
    const before = bookOf(here);
    const words = new TextEncoder().encode('Words');
    expect(await here.store.dispatch(dropPicture('a.txt', words, place))).to.include('a.txt is no picture');
    expect(await here.store.dispatch(dropPicture('gate.png', pngOf(12, 6), null))).to.include('no text near it');
    const gone = { ...place, block: 'p9999' };
    expect(await here.store.dispatch(dropPicture('gate.png', pngOf(12, 6), gone))).to.include('is gone');
    expect(bookOf(here)).to.deep.equal(before);
  });

  it('are set, given parts and lose them, each as one undo step; the only part stays', async () => {
    const { here, figure } = await dropped();
    const now = () => bookOf(here).figures[figure.id];
    here.store.dispatch(setFigure({ ...now(), place: 'foot' }, 'Figure'));
    expect(await here.store.dispatch(addPart(figure.id, 'wall.png', pngOf(9, 9)))).to.equal(null);
    expect(now()).to.include({ place: 'foot' });
    expect(now().parts.map(({ picture }) => picture.name)).to.deep.equal(['gate.png', 'wall.png']);
    expect(await here.store.dispatch(addPart(figure.id, 'a.txt', new Uint8Array([1, 2])))).to.include('no picture');
    here.store.dispatch(dropPart(figure.id, 0));
    expect(now().parts.map(({ picture }) => picture.name)).to.deep.equal(['wall.png']);
    const steps = here.store.getState().book.cursor;
    here.store.dispatch(dropPart(figure.id, 0));
    expect(here.store.getState().book.cursor).to.equal(steps);
    for (let k = 0; k < 3; k += 1) here.store.dispatch(editUndone());
    expect(now()).to.deep.equal(figure);
  });

  it('may be to come: a frame with a caption and a place, and no file', async () => {
    const here = await opened();
    const { id: stream } = textOf(here);
    expect(here.store.dispatch(putPictureToCome({ stream, block: last(here).id, offset: 1 }))).to.equal(null);
    const [{ parts }] = Object.values(bookOf(here).figures);
    expect(parts[0].picture).to.include({ asset: '', name: '' });
  });

  it('go with their mark, are known to the clipboard then, and are copied with a mark that is put in again', async () => {
    const { here, figure } = await dropped();
    const { id: stream, blocks } = textOf(here);
    const with_ = last(here);
    const without = { ...with_, text: with_.text.slice(0, -1), objects: [] };
    const at = blocks.length - 1;
    const change = { nextId: bookOf(here).nextId, made: null, selection: undefined } as const;
    here.store.dispatch(
      takeGalleyChange({
        ...change,
        name: 'Cut',
        edit: { kind: 'replaceBlocks', stream, at, removed: [with_], inserted: [without] },
        records: { copied: [], dropped: [{ kind: 'figure', id: figure.id }] },
      }),
    );
    expect(bookOf(here).figures).to.deep.equal({});
    expect(here.store.dispatch(isRecordKnown('figure', figure.id))).to.equal(true);
    expect(here.store.dispatch(isRecordKnown('figure', 'f77'))).to.equal(false);
    const to = `f${bookOf(here).nextId}`;
    const put = { ...with_, objects: [{ ...with_.objects[0], figure: to }] } as Paragraph;
    here.store.dispatch(
      takeGalleyChange({
        ...change,
        nextId: bookOf(here).nextId + 1,
        name: 'Pasted',
        edit: { kind: 'replaceBlocks', stream, at, removed: [without], inserted: [put] },
        records: { copied: [{ kind: 'figure', from: figure.id, to }], dropped: [] },
      }),
    );
    const { caption, credit, ...copy } = bookOf(here).figures[to];
    expect(copy).to.deep.equal({ id: to, parts: figure.parts, place: figure.place, width: figure.width });
    // Texts of its own.
    expect([caption.id, credit.id]).to.not.include(figure.caption.id);
  });

  it('that are copied are known in another book too, under a key that tells the two apart', async () => {
    const { here, figure } = await dropped();
    const key = keyOfFigure(bookOf(here).id, figure.id);
    expect(pastedFigure(key, bookOf(here).id)).to.equal(figure.id);
    expect(pastedFigure(key, 'another')).to.equal(key);
    here.store.dispatch(keepCopied(figure.id, key));
    const there = await opened();
    expect(there.store.dispatch(isRecordKnown('figure', key))).to.equal(true);
    const { id: stream, blocks } = textOf(there);
    const with_ = last(there);
    const to = `f${bookOf(there).nextId}`;
    const put = { ...with_, text: `${with_.text}${OBJECT_CHARACTER}`, objects: [...with_.objects] } as Paragraph;
    const marked = {
      ...put,
      objects: [...put.objects, { at: with_.text.length, kind: 'figure' as const, figure: to }],
    };
    there.store.dispatch(
      takeGalleyChange({
        name: 'Pasted',
        nextId: bookOf(there).nextId + 1,
        made: null,
        selection: undefined,
        edit: { kind: 'replaceBlocks', stream, at: blocks.length - 1, removed: [with_], inserted: [marked] },
        records: { copied: [{ kind: 'figure', from: key, to }], dropped: [] },
      }),
    );
    expect(bookOf(there).figures[to].parts).to.deep.equal(figure.parts);
  });

  it('go with their division, and come back with it', async () => {
    const { here } = await dropped();
    const before = bookOf(here);
    here.store.dispatch(removeDivision(textOf(here).id));
    expect(bookOf(here).figures).to.deep.equal({});
    here.store.dispatch(editUndone());
    expect(bookOf(here)).to.deep.equal(before);
  });
});
