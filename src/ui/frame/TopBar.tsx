// The top bar: the leaf to the Shelf, the title, the stages as a path with live counts, undo and redo, saved state.
import { CircleHelp, Moon, Redo2, Search, Sun, Undo2 } from 'lucide-react';
import { Fragment, memo } from 'react';
import { Link, NavLink } from 'react-router';
import { editRedone, editUndone, type SaveState } from '../../state/book/bookSlice';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { selectRedo, selectUndo } from '../../state/book/selectors';
import { themeChosen } from '../../state/view/viewSlice';
import { LeafMark } from '../components/LeafMark';
import { useStageFacts, type StageFact } from './useStageFacts';

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'Saved',
  waiting: 'Saving',
  saving: 'Saving',
  failed: 'Not saved',
};

export function TopBar({ onSearch, onHelp }: { onSearch: () => void; onHelp: () => void }) {
  const dispatch = useAppDispatch();
  const { book, save, readOnly } = useAppSelector((state) => state.book);
  const undo = useAppSelector(selectUndo);
  const redo = useAppSelector(selectRedo);
  const theme = useAppSelector((state) => state.view.theme);
  return (
    <header className="flex h-11 shrink-0 items-center gap-3 border-b border-hairline bg-base-200 px-4">
      <Link to="/" aria-label="To the Shelf" className="text-primary">
        <LeafMark />
      </Link>
      <h1 className="w-[148px] shrink truncate font-book text-[18px] italic" title={book?.particulars.title}>
        {book?.particulars.title || 'Untitled book'}
      </h1>
      <StagePath />
      <div className="ml-auto flex shrink-0 items-center gap-1">
        <button
          className="btn btn-ghost btn-sm btn-square"
          disabled={undo === undefined || readOnly}
          aria-label={undo ? `Undo: ${undo}` : 'Undo'}
          title={undo ? `Undo: ${undo}` : 'Nothing to undo'}
          onClick={() => dispatch(editUndone())}
        >
          <Undo2 size={16} />
        </button>
        <button
          className="btn btn-ghost btn-sm btn-square"
          disabled={redo === undefined || readOnly}
          aria-label={redo ? `Redo: ${redo}` : 'Redo'}
          title={redo ? `Redo: ${redo}` : 'Nothing to redo'}
          onClick={() => dispatch(editRedone())}
        >
          <Redo2 size={16} />
        </button>
        <span
          role="status"
          className={`w-[62px] text-center ${save === 'failed' ? 'text-error' : readOnly ? 'text-quiet' : 'text-primary'}`}
        >
          {readOnly ? 'Read only' : SAVE_WORDS[save]}
        </span>
        <button
          className="btn btn-ghost btn-sm btn-square"
          aria-label="Find anything (Ctrl K)"
          title="Find anything (Ctrl K)"
          onClick={onSearch}
        >
          <Search size={16} />
        </button>
        <button
          className="btn btn-ghost btn-sm btn-square"
          aria-label={theme === 'day' ? 'Evening colours' : 'Day colours'}
          onClick={() => dispatch(themeChosen(theme === 'day' ? 'evening' : 'day'))}
        >
          {theme === 'day' ? <Moon size={16} /> : <Sun size={16} />}
        </button>
        <button className="btn btn-ghost btn-sm btn-square" aria-label="Keys (?)" title="Keys (?)" onClick={onHelp}>
          <CircleHelp size={16} />
        </button>
      </div>
    </header>
  );
}

const StagePath = memo(function StagePath() {
  const facts = useStageFacts();
  return (
    <nav aria-label="Stages" className="flex h-full min-w-0 grow items-stretch justify-center">
      {facts.map((stage, index) => (
        <Fragment key={stage.path}>
          {index > 0 && (
            <span aria-hidden className="mx-2 w-8 shrink self-center border-b-[3px] border-dotted border-base-300" />
          )}
          <Stage path={stage.path} name={stage.name} fact={stage.fact} isProvisional={stage.isProvisional} />
        </Fragment>
      ))}
    </nav>
  );
});

const Stage = memo(function Stage({ path, name, fact, isProvisional }: StageFact) {
  return (
    <NavLink
      to={path}
      className={({ isActive }) =>
        `flex items-center gap-1.5 whitespace-nowrap border-y-2 border-t-transparent px-1 ${isActive ? 'border-b-primary text-primary' : 'border-b-transparent'}`
      }
    >
      <span className="font-semibold">{name}</span>
      <span className={`text-[12px] ${isProvisional ? 'text-quiet italic' : 'text-quiet'}`}>{fact}</span>
    </NavLink>
  );
});
