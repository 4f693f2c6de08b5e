// Inserting by name at the caret: notes, breaks, spaces and characters that keyboards lack, dummy copy.
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { usePressOutside } from '../../../components/usePressOutside';
import { schema } from '../../../../galley';
import { useAppDispatch } from '../../../../state/hooks';
import { setSection } from '../../../../state/order/orderThunks';
import { putDummyCopy, putTable } from '../../../../state/arrival/incomingThunks';
import { insertion, insertionBeside, setList } from './commands';
import type { GalleyControl } from './control';
import { IndexForm } from './IndexForm';
import { choosePicture } from './pictureView';
import { ReferenceForm } from './ReferenceForm';
import { selectedAtom, selectedWords } from './selectedAtom';
import { insertablesFor, noteInsertables, type Insertable } from './insertables';

/** Most paragraphs of dummy copy at once. */
const MOST_DUMMY = 500;
const MOST_ROWS = 100;
const MOST_COLUMNS = 12;

export function InsertPanel({ control, onClose }: { control: GalleyControl; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [words, setWords] = useState('');
  const [chosen, setChosen] = useState(0);
  const [paragraphs, setParagraphs] = useState('5');
  const [rows, setRows] = useState('3');
  const [columns, setColumns] = useState('2');
  const list = useRef<HTMLUListElement>(null);
  const panel = useRef<HTMLDivElement>(null);
  const found = insertablesFor(words, noteInsertables(control.book().spec.notes.kinds));
  const chosenAtom = selectedAtom(control.current?.view.state);
  const [form, setForm] = useState<'reference' | 'index' | null>(chosenAtom?.kind ?? null);
  const put = (kind: 'reference' | 'index', attributes: Record<string, string>) => {
    const view = control.current?.view;
    if (view === undefined) return;
    insertionBeside(schema.node(kind, attributes), kind === 'index' ? 'Index mark' : 'Cross-reference')(
      view.state,
      view.dispatch,
    );
    view.focus();
    onClose();
  };
  useEffect(() => {
    list.current?.children[chosen]?.scrollIntoView({ block: 'nearest' });
  }, [chosen, words]);
  usePressOutside(panel, onClose);
  const count = Math.round(Number(paragraphs));
  const shape = { rows: Math.round(Number(rows)), columns: Math.round(Number(columns)) };
  const isShape = shape.rows >= 1 && shape.rows <= MOST_ROWS && shape.columns >= 1 && shape.columns <= MOST_COLUMNS;
  const isCount = count >= 1 && count <= MOST_DUMMY;
  const insert = (one: Insertable | undefined) => {
    const view = control.current?.view;
    if (one === undefined || view === undefined) return;
    if (one.kind === 'dummy' || one.kind === 'table') {
      if (one.kind === 'dummy' ? !isCount : !isShape) return;
      const place = control.current!.bookSelection();
      const done = dispatch(
        one.kind === 'dummy' ? putDummyCopy(count, place) : putTable(shape.rows, shape.columns, place),
      );
      if ('end' in done && done.end !== null) control.select(done.end);
    } else if (one.kind === 'picture') {
      const editor = control.current!;
      choosePicture(
        (file) => void file.arrayBuffer().then((bytes) => control.bringIn(editor, file.name, new Uint8Array(bytes))),
      );
    } else if (one.kind === 'note') {
      const note = `n${control.book().nextId}`;
      const made = { id: note, kind: one.noteKind };
      insertionBeside(schema.node('note', { note }), one.name, made)(view.state, view.dispatch, view);
      requestAnimationFrame(() => control.current?.editNote(note));
      onClose();
      return;
    } else if (one.kind === 'numbered' || one.kind === 'bulleted' || one.kind === 'noList')
      setList(one.kind === 'noList' ? null : one.kind === 'numbered')(view.state, view.dispatch, view);
    else if (one.kind === 'section') {
      const block = control.caretBlock();
      if (block !== null) dispatch(setSection(control.division, block, ''));
    } else if (one.kind === 'reference' || one.kind === 'index') {
      setForm(one.kind);
      return;
    } else if (one.kind === 'character') insertion(one.text, one.name)(view.state, view.dispatch, view);
    else insertion(schema.node(one.kind), one.name)(view.state, view.dispatch, view);
    view.focus();
    onClose();
  };
  const press = (event: KeyboardEvent) => {
    if (form !== null) {
      if (event.key !== 'Escape') return;
      onClose();
      control.current?.view.focus();
      return event.preventDefault();
    }
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0) setChosen((at) => Math.max(0, Math.min(found.length - 1, at + step)));
    else if (event.key === 'Enter') insert(found[chosen]);
    else if (event.key === 'Escape') {
      onClose();
      control.current?.view.focus();
    } else return;
    event.preventDefault();
  };
  return (
    <div
      ref={panel}
      role="dialog"
      aria-label="Insert"
      className="absolute right-4 top-9 z-20 flex w-72 flex-col border border-[#b9b1a3] bg-paper"
      onKeyDown={press}
    >
      {form === 'reference' && (
        <ReferenceForm first={chosenAtom?.attributes as never} onTake={(to) => put('reference', { ...to })} />
      )}
      {form === 'index' && (
        <IndexForm
          first={chosenAtom?.attributes as never}
          words={selectedWords(control.current?.view.state)}
          onTake={(to) => put('index', { ...to })}
        />
      )}
      {form === null && (
        <>
          <input
            autoFocus
            aria-label="Find by name"
            role="combobox"
            aria-expanded="true"
            aria-controls="insertables"
            aria-activedescendant={`insertable-${chosen}`}
            placeholder="A name, or a code such as 2767"
            className="border-b border-[#d8d2c7] bg-transparent px-3 py-1.5"
            value={words}
            onChange={(event) => {
              setWords(event.target.value);
              setChosen(0);
            }}
          />
          <ul
            id="insertables"
            ref={list}
            role="listbox"
            aria-label="What can be put in"
            className="max-h-72 overflow-y-auto"
          >
            {found.map((one, at) => (
              <li
                key={`${one.kind} ${one.name}`}
                id={`insertable-${at}`}
                role="option"
                aria-selected={at === chosen}
                className={`flex cursor-pointer items-baseline gap-3 px-3 py-[3px] ${at === chosen ? 'bg-[#dcebe2] text-[#1f1d1a]' : ''}`}
                onMouseDown={(event) => {
                  event.preventDefault();
                  insert(one);
                }}
              >
                <span className="w-6 text-center font-book text-[17px] text-paper-ink">{one.shown}</span>
                <span className="grow">{one.name}</span>
              </li>
            ))}
            {found.length === 0 && <li className="px-3 py-1.5">Nothing has that name.</li>}
          </ul>
          <div className="flex items-center justify-between gap-1 border-t border-[#d8d2c7] px-3 py-1.5">
            <span className="grow">Rows and columns of a table</span>
            {(
              [
                ['Rows', rows, setRows, MOST_ROWS],
                ['Columns', columns, setColumns, MOST_COLUMNS],
              ] as const
            ).map(([name, value, set, most]) => {
              const isRight = Number(value) >= 1 && Number(value) <= most;
              return (
                <input
                  key={name}
                  aria-label={name}
                  aria-invalid={!isRight}
                  title={`1 to ${most}`}
                  className={`w-10 border bg-transparent px-1 text-right ${isRight ? 'border-[#b9b1a3]' : 'border-[#9a3324]'}`}
                  value={value}
                  onChange={(event) => set(event.target.value)}
                />
              );
            })}
          </div>
          <label className="flex items-center justify-between border-t border-[#d8d2c7] px-3 py-1.5">
            Paragraphs of dummy copy
            <input
              aria-invalid={!isCount}
              className={`w-14 border bg-transparent px-1 text-right ${isCount ? 'border-[#b9b1a3]' : 'border-[#9a3324]'}`}
              title={`1 to ${MOST_DUMMY}`}
              value={paragraphs}
              onChange={(event) => setParagraphs(event.target.value)}
            />
          </label>
        </>
      )}
    </div>
  );
}
