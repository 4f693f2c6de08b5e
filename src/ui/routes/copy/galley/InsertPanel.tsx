// Inserting by name at the caret: notes, breaks, spaces and characters that keyboards lack, dummy copy.
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { schema } from '../../../../galley';
import { useAppDispatch } from '../../../../state/hooks';
import { putDummyCopy } from '../../../../state/incomingThunks';
import { insertion } from './commands';
import type { GalleyControl } from './control';
import { insertablesFor, type Insertable } from './insertables';

/** Most paragraphs of dummy copy at once. */
const MOST_DUMMY = 500;

export function InsertPanel({ control, onClose }: { control: GalleyControl; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [words, setWords] = useState('');
  const [chosen, setChosen] = useState(0);
  const [paragraphs, setParagraphs] = useState('5');
  const list = useRef<HTMLUListElement>(null);
  const panel = useRef<HTMLDivElement>(null);
  const found = insertablesFor(words);
  useEffect(() => {
    list.current?.children[chosen]?.scrollIntoView({ block: 'nearest' });
  }, [chosen, words]);
  useEffect(() => {
    const press = (event: MouseEvent) => {
      if (!panel.current?.contains(event.target as Node)) onClose();
    };
    // The click that opened it is still under way.
    const timer = setTimeout(() => document.addEventListener('mousedown', press));
    return () => {
      clearTimeout(timer);
      document.removeEventListener('mousedown', press);
    };
  }, [onClose]);
  const count = Math.round(Number(paragraphs));
  const isCount = count >= 1 && count <= MOST_DUMMY;
  const insert = (one: Insertable | undefined) => {
    const view = control.current?.view;
    if (one === undefined || view === undefined) return;
    if (one.kind === 'dummy') {
      if (!isCount) return;
      const done = dispatch(putDummyCopy(count, control.current!.bookSelection()));
      if ('end' in done && done.end !== null) control.select(done.end);
    } else if (one.kind === 'footnote') {
      const note = `n${control.book().nextId}`;
      insertion(schema.node('note', { note }), 'Footnote', note)(view.state, view.dispatch, view);
      requestAnimationFrame(() => control.current?.editNote(note));
      onClose();
      return;
    } else if (one.kind === 'character') insertion(one.text, one.name)(view.state, view.dispatch, view);
    else insertion(schema.node(one.kind), one.name)(view.state, view.dispatch, view);
    view.focus();
    onClose();
  };
  const press = (event: KeyboardEvent) => {
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
            key={one.kind === 'character' ? one.text + one.name : one.kind}
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
    </div>
  );
}
