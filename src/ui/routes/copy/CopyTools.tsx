// The right column of Copy: what came in, tidying, finding and replacing, the notes.
import { memo } from 'react';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { copyToolChosen } from '../../../state/view/viewSlice';
import { ArrivalPanel } from './arrival/ArrivalPanel';
import { DivisionPanel } from './DivisionPanel';
import { FindPanel } from './find/FindPanel';
import { LackingPanel } from './LackingPanel';
import { NotesPanel } from './NotesPanel';
import { TidyPanel } from './TidyPanel';

const TOOLS = [
  ['division', 'Division'],
  ['arrival', 'Arrival'],
  ['tidy', 'Tidy'],
  ['find', 'Find'],
  ['notes', 'Notes'],
  ['lacking', 'Missing characters'],
] as const;

export const CopyTools = memo(function CopyTools() {
  const arrival = useAppSelector((state) => (state.book.book === null ? undefined : state.arrival[state.book.book.id]));
  const dispatch = useAppDispatch();
  const picked = useAppSelector((state) => state.view.copyTool);
  const chosen = picked ?? (arrival === undefined ? 'tidy' : 'arrival');
  return (
    <aside
      aria-label="Tools"
      className="contain-content w-[272px] shrink-0 overflow-y-auto border-l border-hairline bg-base-100 pb-6"
    >
      <div className="grid grid-cols-[auto_auto_auto] justify-between gap-x-2 gap-y-1 whitespace-nowrap border-b border-base-300 px-3.5 pb-1.5 pt-2.5">
        {TOOLS.map(([key, name]) => (
          <button
            key={key}
            aria-pressed={chosen === key}
            className={`text-left leading-[17px] ${chosen === key ? 'font-semibold' : 'text-quiet hover:underline'}`}
            onClick={() => dispatch(copyToolChosen(key))}
          >
            {name}
          </button>
        ))}
      </div>
      {chosen === 'division' && <DivisionPanel />}
      {chosen === 'arrival' && <ArrivalPanel />}
      {chosen === 'tidy' && <TidyPanel />}
      {chosen === 'find' && <FindPanel />}
      {chosen === 'notes' && <NotesPanel />}
      {chosen === 'lacking' && <LackingPanel />}
    </aside>
  );
});
