// Missing characters: each that the face of its paragraph lacks, with its places. A face is chosen for all of them, another
// text is put in their place, or they are gone through one by one.
import { useEffect, useState } from 'react';
import type { LackingCharacter } from '../../../core/model/answers/lacking';
import { goToText } from '../../../state/copy/galleyThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { askLacking, giveFace, replaceCharacter } from '../../../state/copy/lackingThunks';

/** Places shown of a character. */
const SHOWN = 60;

export function LackingPanel() {
  const dispatch = useAppDispatch();
  const revision = useAppSelector((state) => state.compose.summary?.revision);
  const [characters, setCharacters] = useState<readonly LackingCharacter[] | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  useEffect(() => {
    let isCurrent = true;
    const timer = setTimeout(() => void dispatch(askLacking()).then((found) => isCurrent && setCharacters(found)), 200);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [dispatch, revision]);
  return (
    <section aria-label="Missing characters">
      <p className="border-b border-hairline px-3.5 py-2 text-quiet" aria-live="polite">
        {characters === null
          ? 'Looking through the pages.'
          : characters.length === 0
            ? 'The faces have every character of the text.'
            : 'Characters that the face of their paragraph lacks'}
      </p>
      {characters?.map((one) => (
        <Character
          key={one.code}
          one={one}
          isOpen={chosen === one.code}
          onToggle={() => setChosen(chosen === one.code ? null : one.code)}
        />
      ))}
    </section>
  );
}

const codeOf = (code: number) => `U+${code.toString(16).toUpperCase().padStart(4, '0')}`;

interface Props {
  readonly one: LackingCharacter;
  readonly isOpen: boolean;
  readonly onToggle: () => void;
}

function Character({ one, isOpen, onToggle }: Props) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const [family, setFamily] = useState(one.families[0]?.family ?? '');
  const [words, setWords] = useState('');
  return (
    <div className="border-b border-hairline">
      <button
        aria-expanded={isOpen}
        className="flex w-full items-baseline gap-3 px-3.5 py-1.5 text-left hover:bg-base-200"
        onClick={onToggle}
      >
        <span className="w-6 text-center font-book text-[17px]">{one.character}</span>
        <span className="grow">
          {codeOf(one.code)}
          {one.families.length === 0 && <span className="text-error"> · in no face</span>}
        </span>
        <span className="text-quiet">{one.places.length}</span>
      </button>
      {isOpen && (
        <div className="space-y-2 bg-base-200 px-3.5 py-2">
          <p className="text-[12px] text-quiet">Not in {one.lackedBy.join(', ')}.</p>
          {one.families.length > 0 && (
            <div className="flex items-center justify-between gap-2">
              <select
                aria-label={`A face for ${one.character}`}
                className="select select-xs w-36"
                value={family}
                onChange={(event) => setFamily(event.target.value)}
              >
                {one.families.map((face) => (
                  <option key={face.family} value={face.family}>
                    {face.name}
                  </option>
                ))}
              </select>
              <button
                className="btn btn-xs border-base-300 bg-base-100"
                disabled={readOnly}
                onClick={() =>
                  dispatch(giveFace(one, family, one.families.find((face) => face.family === family)!.name))
                }
              >
                Set all in this face
              </button>
            </div>
          )}
          <div className="flex items-center justify-between gap-2">
            <input
              aria-label={`Replacement for ${one.character}`}
              placeholder="other characters"
              className="setting-input w-36 text-left"
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
            <button
              className="btn btn-xs border-base-300 bg-base-100"
              disabled={readOnly || words === ''}
              onClick={() => void dispatch(replaceCharacter(one, words))}
            >
              Replace all
            </button>
          </div>
          <ul>
            {one.places.slice(0, SHOWN).map(({ stream, block, offset, length, before, after }) => (
              <li key={`${block} ${offset}`}>
                <button
                  className="w-full break-words py-0.5 text-left font-book text-[14px] leading-[18px]"
                  title="To its place in the galley"
                  onClick={() => {
                    const [anchor, head] = [offset, offset + length].map((at) => ({ block, offset: at }));
                    dispatch(goToText({ stream, anchor, head }));
                  }}
                >
                  <span className="text-quiet">{before}</span>
                  <mark className="bg-tint text-inherit">{one.character}</mark>
                  <span className="text-quiet">{after}</span>
                </button>
              </li>
            ))}
          </ul>
          {one.places.length > SHOWN && <p className="text-[12px] text-quiet">and {one.places.length - SHOWN} more</p>}
        </div>
      )}
    </div>
  );
}
