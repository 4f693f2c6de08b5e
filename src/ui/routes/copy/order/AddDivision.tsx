// Adding to the running order: a division, whose role is chosen by name and which goes after the chosen one where its matter
// allows; or a section that begins at a folio.
import { Plus } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { usePressOutside } from '../../../components/usePressOutside';
import { roleFacts, roleName, ROLES, type DivisionRole } from '../../../../core/model/copy/roles';
import { addDivisionBeside } from '../../../../state/order/orderThunks';
import { beginSectionAtFolio } from '../../../../state/order/sectionThunks';
import { useAppDispatch } from '../../../../state/hooks';

const ALL = Object.keys(ROLES) as DivisionRole[];
const MATTERS = { front: 'front', body: 'body', back: 'back' } as const;

/** `onAdded` is told where it went. */
export function AddDivision({ readOnly, onAdded }: { readOnly: boolean; onAdded: (told: string) => void }) {
  const [isOpen, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const close = () => {
    setOpen(false);
    button.current?.focus();
  };
  return (
    <div className="relative">
      <button
        ref={button}
        className="flex items-center gap-0.5 text-primary hover:underline disabled:text-quiet"
        aria-expanded={isOpen}
        disabled={readOnly}
        onClick={() => setOpen(!isOpen)}
      >
        <Plus size={13} aria-hidden /> Add
      </button>
      {isOpen && <RoleList onClose={close} onAdded={onAdded} />}
    </div>
  );
}

function RoleList({ onClose, onAdded }: { onClose: () => void; onAdded: (told: string) => void }) {
  const dispatch = useAppDispatch();
  const [words, setWords] = useState('');
  const [chosen, setChosen] = useState(0);
  const panel = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLUListElement>(null);
  const found = ALL.filter((role) => roleFacts(role).name.includes(words.trim().toLowerCase()));
  useEffect(() => {
    list.current?.children[chosen]?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  usePressOutside(panel, onClose);
  const take = (role: DivisionRole | undefined) => {
    if (role === undefined) return;
    onAdded(dispatch(addDivisionBeside(role)));
    onClose();
  };
  const press = (event: KeyboardEvent) => {
    event.stopPropagation();
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0) setChosen((at) => Math.max(0, Math.min(found.length - 1, at + step)));
    else if (event.key === 'Enter') take(found[chosen]);
    else if (event.key === 'Escape') onClose();
    else return;
    event.preventDefault();
  };
  return (
    <div
      ref={panel}
      role="dialog"
      aria-label="Add a division"
      className="absolute -left-[88px] top-6 z-30 w-[224px] border border-base-300 bg-base-100 text-base-content shadow-sm"
      onKeyDown={press}
    >
      <input
        autoFocus
        role="combobox"
        aria-label="Role of the division"
        aria-expanded="true"
        aria-controls="roles"
        aria-activedescendant={`role-${found[chosen] ?? ''}`}
        placeholder="What it is, such as preface"
        className="w-full border-b border-base-300 bg-transparent px-3 py-1.5 text-[13px]"
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
          setChosen(0);
        }}
      />
      <ul ref={list} id="roles" role="listbox" aria-label="Roles" className="max-h-[340px] overflow-y-auto py-1">
        {found.map((role, at) => (
          <li
            key={role}
            id={`role-${role}`}
            role="option"
            aria-selected={at === chosen}
            className={`flex cursor-pointer justify-between px-3 py-[3px] text-[13px] ${at === chosen ? 'bg-tint' : 'hover:bg-base-200'}`}
            onMouseDown={(event) => {
              event.preventDefault();
              take(role);
            }}
          >
            <span>{roleName(role)}</span>
            <span className="text-[12px] text-quiet">{MATTERS[roleFacts(role).matter]}</span>
          </li>
        ))}
        {found.length === 0 && <li className="px-3 py-1.5">No division is called that.</li>}
      </ul>
      <SectionAtFolio onDone={onClose} />
    </div>
  );
}

/** Begins a section at a page that is told by its folio. */
function SectionAtFolio({ onDone }: { onDone: () => void }) {
  const dispatch = useAppDispatch();
  const [folio, setFolio] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const begin = () => {
    const fault = dispatch(beginSectionAtFolio(folio));
    setProblem(fault);
    if (fault === null) onDone();
  };
  return (
    <form
      className="border-t border-base-300 px-3 py-2 text-[12px]"
      onKeyDown={(event) => event.key !== 'Escape' && event.stopPropagation()}
      onSubmit={(event) => {
        event.preventDefault();
        begin();
      }}
    >
      <label className="flex items-center gap-2">
        <span className="grow whitespace-nowrap">Section from folio</span>
        <input
          className="setting-input w-[44px]"
          aria-invalid={problem !== null}
          maxLength={24}
          value={folio}
          onChange={(event) => setFolio(event.target.value)}
        />
        <button className="btn btn-xs" type="submit">
          Begin
        </button>
      </label>
      {problem && (
        <p role="alert" className="pt-1 text-[12px] text-error">
          {problem}
        </p>
      )}
    </form>
  );
}
