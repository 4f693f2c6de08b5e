// Inserting by name at the caret: notes, breaks, spaces and characters that keyboards lack, dummy copy.
import { useRef, useState, type KeyboardEvent } from 'react';
import { usePressOutside } from '../../../components/usePressOutside';
import { schema } from '../../../../galley';
import { useAppDispatch } from '../../../../state/hooks';
import { insertionBeside } from './commands';
import type { GalleyControl } from './control';
import { IndexForm } from './IndexForm';
import { InsertByName } from './InsertByName';
import { insertablesFor, noteInsertables, type Insertable } from './insertables';
import { InsertSizeFields, useInsertSizes } from './InsertSizeFields';
import { putInsertable } from './putInsertable';
import { ReferenceForm } from './ReferenceForm';
import { selectedAtom, selectedWords } from './selectedAtom';

export function InsertPanel({ control, onClose }: { control: GalleyControl; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [words, setWords] = useState('');
  const [chosen, setChosen] = useState(0);
  const [typed, sizes, setTyped] = useInsertSizes();
  const panel = useRef<HTMLDivElement>(null);
  const found = insertablesFor(words, noteInsertables(control.book().spec.notes.kinds));
  const chosenAtom = selectedAtom(control.current?.view.state);
  const [form, setForm] = useState<'reference' | 'index' | null>(chosenAtom?.kind ?? null);
  usePressOutside(panel, onClose);
  const put = (kind: 'reference' | 'index', attributes: Record<string, string>) => {
    const view = control.current?.view;
    if (view === undefined) return;
    const name = kind === 'index' ? 'Index mark' : 'Cross-reference';
    insertionBeside(schema.node(kind, attributes), name)(view.state, view.dispatch);
    view.focus();
    onClose();
  };
  const insert = (one: Insertable | undefined) => {
    if (one === undefined) return;
    const outcome = putInsertable(one, control, sizes, dispatch);
    if (outcome === 'form') setForm(one.kind as 'reference' | 'index');
    else if (outcome === 'put') onClose();
  };
  const leave = () => {
    onClose();
    control.current?.view.focus();
  };
  const press = (event: KeyboardEvent) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (event.key === 'Escape') leave();
    else if (form !== null) return;
    else if (step !== 0) setChosen((at) => Math.max(0, Math.min(found.length - 1, at + step)));
    else if (event.key === 'Enter') insert(found[chosen]);
    else return;
    event.preventDefault();
  };
  const rename = (to: string) => {
    setWords(to);
    setChosen(0);
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
        <InsertByName words={words} found={found} chosen={chosen} onWords={rename} onTake={insert}>
          <InsertSizeFields typed={typed} onChange={setTyped} />
        </InsertByName>
      )}
    </div>
  );
}
