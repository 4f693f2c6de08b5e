// The line above the galley: what the division holds or what is selected, the character style, inserting, the division's
// ends, and the marks.
import { useState, useSyncExternalStore } from 'react';
import type { Block } from '../../../../core/model/copy/streams';
import { blockWords } from '../../../../galley';
import { mergeDivision, splitDivision } from '../../../../state/copy/galleyThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import type { RunningOrderRow } from '../../../../state/book/selectors';
import { groupDigits } from '../../../frame/useStageFacts';
import { plainCharacters, toggleCharacter } from './commands';
import type { GalleyControl } from './control';
import { InsertPanel } from './InsertPanel';

interface Props {
  readonly control: GalleyControl;
  readonly row: RunningOrderRow;
  readonly blocks: readonly Block[];
  readonly marks: boolean;
  readonly onMarks: (to: boolean) => void;
}

export function GalleyBar({ control, row, blocks, marks, onMarks }: Props) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const characterStyles = useAppSelector((state) => state.book.book!.spec.characterStyles);
  const facts = useSyncExternalStore(control.subscribe, control.selectionFacts);
  const [isInserting, setInserting] = useState(false);
  const [trouble, setTrouble] = useState('');
  const words = blocks.reduce((sum, block) => sum + blockWords(block), 0);
  const characters = blocks.reduce((sum, block) => sum + (block.kind === 'paragraph' ? block.text.length : 0), 0);
  const told = facts.hasText
    ? `${groupDigits(facts.words)} ${facts.words === 1 ? 'word' : 'words'}, ${groupDigits(facts.characters)} ${facts.characters === 1 ? 'character' : 'characters'} selected`
    : [
        words > 0
          ? `${groupDigits(words)} ${words === 1 ? 'word' : 'words'}, ${groupDigits(characters)} characters`
          : 'no words of its own',
        row.pages ? `${row.pages} ${row.pages === 1 ? 'page' : 'pages'}` : '',
      ]
        .filter(Boolean)
        .join(' · ');
  const setCharacter = (tag: string) => {
    if (control.setRangeCharacter(tag === '' ? null : tag)) return;
    const view = control.current?.view;
    if (view === undefined) return;
    (tag === '' ? plainCharacters : toggleCharacter(tag))(view.state, view.dispatch, view);
    view.focus();
  };
  const split = () => {
    const block = control.caretBlock();
    setTrouble(
      block === null
        ? 'Put the caret into the paragraph that is to begin a division.'
        : (dispatch(splitDivision(control.division, block)) ?? ''),
    );
  };
  return (
    <div className="relative flex h-9 shrink-0 items-center gap-2 border-b border-[#d8d2c7] px-4 text-[#5f5a51]">
      <p className="min-w-0 grow truncate" aria-live="polite" title={told}>
        {trouble === '' ? told : <span className="text-[#9a3324]">{trouble}</span>}
      </p>
      <select
        aria-label="Character style"
        className="galley-select w-[98px]"
        disabled={readOnly}
        value={facts.character ?? ''}
        onChange={(event) => setCharacter(event.target.value)}
      >
        <option value="">Plain</option>
        {Object.entries(characterStyles).map(([tag, style]) => (
          <option key={tag} value={tag}>
            {style.name}
          </option>
        ))}
      </select>
      <button
        className="galley-button"
        aria-expanded={isInserting}
        disabled={readOnly}
        onClick={() => setInserting(!isInserting)}
      >
        Insert
      </button>
      <button
        className="galley-button"
        disabled={readOnly}
        title="Begins a division at the caret's paragraph"
        onClick={split}
      >
        Split here
      </button>
      <button
        className="galley-button"
        disabled={readOnly}
        title="Puts this text at the end of the division before it"
        onClick={() => setTrouble(dispatch(mergeDivision(control.division)) ?? '')}
      >
        Merge back
      </button>
      <button
        className="galley-button"
        aria-pressed={marks}
        title="Shows paragraph ends, spaces, tabs and breaks"
        onClick={() => onMarks(!marks)}
      >
        Marks
      </button>
      {isInserting && <InsertPanel control={control} onClose={() => setInserting(false)} />}
    </div>
  );
}
