// Find anything: stages, pages, divisions, settings and acts, by a few letters.
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { Command } from './rank';
import { useCommands } from './useCommands';

/** Rows shown. */
const SHOWN = 12;

export function CommandSearch({ onClose }: { onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [words, setWords] = useState('');
  const [chosen, setChosen] = useState(0);
  const commands = useCommands();
  useEffect(() => dialog.current?.showModal(), []);
  const found = useMemo(() => {
    return commands(words).slice(0, SHOWN);
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
          placeholder="A page, a chapter, a setting, an act"
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
              key={`${command.kind} ${command.name} ${index}`}
              id={`command-${index}`}
              role="option"
              aria-selected={index === chosen}
              className={`flex cursor-pointer justify-between rounded-sm px-2 py-1 ${index === chosen ? 'bg-tint' : ''}`}
              onPointerMove={() => setChosen(index)}
              onClick={() => run(command)}
            >
              <span className="truncate">{command.name}</span>
              <span className="shrink-0 pl-4 text-quiet">{command.kind}</span>
            </li>
          ))}
          {found.length === 0 && <li className="px-2 py-1 text-quiet">Nothing is called that.</li>}
        </ul>
      </div>
    </dialog>
  );
}
