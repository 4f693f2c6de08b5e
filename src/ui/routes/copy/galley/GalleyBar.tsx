// The lines above and below the galley: the character style, inserting, the division's ends and the signs; what the division holds
// or what is selected.
import { useState, useSyncExternalStore, type FormEvent } from 'react';
import { EDITIONS, type Edition } from '../../../../core/model/copy/editions';
import type { Block } from '../../../../core/model/copy/streams';
import { blockWords } from '../../../../galley';
import { mergeDivision, splitDivision } from '../../../../state/copy/galleyThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import type { RunningOrderRow } from '../../../../state/book/selectors';
import { groupDigits } from '../../../frame/useStageFacts';
import { handValues, plainCharacters, toggleCharacter } from './commands';
import type { GalleyControl } from './control';
import { EDITION_NAMES } from './editionCommands';
import { makeStyle } from '../../../../state/spec/styleThunks';
import { InsertPanel } from './InsertPanel';

/** In the choice of a character style; no tag has a space. */
const NEW_STYLE = ' new';

interface Props {
  readonly control: GalleyControl;
  readonly row: RunningOrderRow;
  readonly blocks: readonly Block[];
  readonly marks: boolean;
  readonly onMarks: (to: boolean) => void;
}

export function GalleyBar({ control, marks, onMarks }: Pick<Props, 'control' | 'marks' | 'onMarks'>) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const characterStyles = useAppSelector((state) => state.book.book!.spec.characterStyles);
  const facts = useSyncExternalStore(control.subscribe, control.selectionFacts);
  const [isInserting, setInserting] = useState(false);
  const [trouble, setTrouble] = useState('');
  /** Of the style that is made from what is selected; null: none is. */
  const [name, setName] = useState<string | null>(null);
  const makeNew = (event: FormEvent) => {
    event.preventDefault();
    const tag = dispatch(
      makeStyle('character', name ?? '', control.current === null ? {} : handValues(control.current.view.state)),
    );
    setName(null);
    if (tag !== null) setCharacter(tag);
  };
  const setCharacter = (tag: string) => {
    if (tag === NEW_STYLE) return setName('');
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
      <div className="min-w-0 grow text-[12px] leading-[14px] text-[#9a3324]">
        {trouble !== '' && <p role="alert">{trouble}</p>}
      </div>
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
        {facts.hasText && <option value={NEW_STYLE}>New style …</option>}
      </select>
      {facts.edition !== undefined && (
        <select
          aria-label="Goes into"
          title="Whether the paragraphs, tables or the figure selected are in the printed book and in the ebook"
          className="galley-select w-[92px]"
          disabled={readOnly}
          value={facts.edition ?? ''}
          onChange={(event) => control.setEdition(event.target.value as Edition | 'both')}
        >
          {facts.edition === null && <option value="">Several</option>}
          {(['both', ...EDITIONS] as const).map((edition) => (
            <option key={edition} value={edition}>
              {EDITION_NAMES[edition]}
            </option>
          ))}
        </select>
      )}
      {name !== null && (
        <form
          className="absolute left-4 top-9 z-20 flex items-center gap-2 border border-[#b9b1a3] bg-paper p-2"
          onSubmit={makeNew}
        >
          <input
            autoFocus
            aria-label="Name of the new character style"
            placeholder="Name of the style"
            className="border-b border-[#b9b1a3] bg-transparent px-1 outline-none"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && setName(null)}
          />
          <button className="galley-button" disabled={name.trim() === ''}>
            Add
          </button>
        </form>
      )}
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
        title="Shows signs for paragraph ends, spaces, tabs and breaks"
        onClick={() => onMarks(!marks)}
      >
        Signs
      </button>
      {isInserting && <InsertPanel control={control} onClose={() => setInserting(false)} />}
    </div>
  );
}

/** The line below the galley: what the division holds, or what is selected. */
export function GalleyFacts({ control, row, blocks }: Pick<Props, 'control' | 'row' | 'blocks'>) {
  const facts = useSyncExternalStore(control.subscribe, control.selectionFacts);
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
  return (
    <p
      className="flex h-7 shrink-0 items-center border-t border-[#d8d2c7] px-4 text-[12px] text-[#5f5a51]"
      aria-live="polite"
    >
      {told}
    </p>
  );
}
