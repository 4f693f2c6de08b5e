// Find anything: stages, divisions, actions, by a few letters.
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useNavigate } from 'react-router';
import { editRedone, editUndone } from '../../state/book/bookSlice';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { selectRunningOrder, spreadOfPage } from '../../state/book/selectors';
import { copyToolChosen, spreadCalled, themeChosen, topicChosen } from '../../state/view/viewSlice';
import { useStageFacts } from './useStageFacts';

interface Command {
  readonly name: string;
  readonly kind: string;
  readonly run: () => void;
}

export function CommandSearch({ onClose }: { onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [words, setWords] = useState('');
  const [chosen, setChosen] = useState(0);
  const commands = useCommands();
  useEffect(() => dialog.current?.showModal(), []);
  const found = useMemo(() => {
    const needle = words.trim().toLowerCase();
    return commands.filter((command) => command.name.toLowerCase().includes(needle)).slice(0, 9);
  }, [commands, words]);
  const run = (command: Command | undefined) => {
    if (command === undefined) return;
    dialog.current?.close();
    command.run();
  };
  const press = (event: KeyboardEvent) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0) {
      event.preventDefault();
      setChosen((at) => Math.min(found.length - 1, Math.max(0, at + step)));
    } else if (event.key === 'Enter') {
      event.preventDefault();
      run(found[chosen]);
    }
  };
  return (
    <dialog ref={dialog} className="modal items-start pt-16" aria-label="Find anything" onClose={onClose}>
      <div className="modal-box max-w-lg p-3">
        <input
          autoFocus
          className="input input-sm w-full"
          placeholder="A stage, a chapter, an action"
          aria-label="Find anything"
          role="combobox"
          aria-expanded="true"
          aria-controls="commands"
          aria-activedescendant={`command-${chosen}`}
          value={words}
          onChange={(event) => {
            setWords(event.target.value);
            setChosen(0);
          }}
          onKeyDown={press}
        />
        <ul id="commands" role="listbox" aria-label="Found" className="mt-2">
          {found.map((command, index) => (
            <li
              key={`${command.kind}${command.name}`}
              id={`command-${index}`}
              role="option"
              aria-selected={index === chosen}
              className={`flex cursor-pointer justify-between rounded-sm px-2 py-1 ${index === chosen ? 'bg-tint' : ''}`}
              onPointerMove={() => setChosen(index)}
              onClick={() => run(command)}
            >
              <span className="truncate">{command.name}</span>
              <span className="text-quiet">{command.kind}</span>
            </li>
          ))}
          {found.length === 0 && <li className="px-2 py-1 text-quiet">Nothing is called that.</li>}
        </ul>
      </div>
    </dialog>
  );
}

function useCommands(): readonly Command[] {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const stages = useStageFacts();
  const rows = useAppSelector(selectRunningOrder);
  const theme = useAppSelector((state) => state.view.theme);
  return [
    ...stages.map((stage) => ({ name: stage.name, kind: 'stage', run: () => void navigate(stage.path) })),
    ...rows
      .filter((row) => row.firstPage >= 0)
      .map((row) => ({
        name: row.name,
        kind: `page ${row.folio}`,
        run: () => {
          void navigate('pages');
          dispatch(spreadCalled(spreadOfPage(row.firstPage)));
        },
      })),
    {
      name: 'Notes of the book',
      kind: 'list',
      run: () => {
        void navigate('copy');
        dispatch(copyToolChosen('notes'));
      },
    },
    {
      name: 'Kinds of notes',
      kind: 'topic',
      run: () => {
        void navigate('spec');
        dispatch(topicChosen('notes'));
      },
    },
    { name: 'Undo', kind: 'action', run: () => dispatch(editUndone()) },
    { name: 'Redo', kind: 'action', run: () => dispatch(editRedone()) },
    {
      name: theme === 'day' ? 'Evening colours' : 'Day colours',
      kind: 'action',
      run: () => dispatch(themeChosen(theme === 'day' ? 'evening' : 'day')),
    },
    { name: 'To the Shelf', kind: 'action', run: () => void navigate('/') },
  ];
}
