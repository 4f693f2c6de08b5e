// Missing characters: those that the face of their paragraph lacks, by script. A face is given to a script in one act, or to a single
// character; other text is put in its place, or the places are gone through one by one.
import { useEffect, useState, type ReactNode } from 'react';
import { familyInWords } from '../../../core/model/spec/faces';
import { SCRIPT_NAMES, scriptOf, type ScriptCode } from '../../../core/model/spec/scripts';
import type { LackingCharacter } from '../../../core/model/answers/lacking';
import { goToText } from '../../../state/copy/galleyThunks';
import { askFaces } from '../../../state/spec/fontThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { askLacking, giveFace, giveScriptFace, replaceCharacter } from '../../../state/copy/lackingThunks';

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
      <GivenFaces />
      {groupsOf(characters ?? []).map((group) => (
        <Script key={group.script} group={group}>
          {group.characters.map((one) => (
            <Character
              key={one.code}
              one={one}
              isOpen={chosen === one.code}
              onToggle={() => setChosen(chosen === one.code ? null : one.code)}
            />
          ))}
        </Script>
      ))}
    </section>
  );
}

interface ScriptGroup {
  readonly script: ScriptCode;
  readonly characters: readonly LackingCharacter[];
  /** Families with how many of the characters they have; those with the most first. */
  readonly families: readonly { readonly family: string; readonly name: string; readonly has: number }[];
}

function groupsOf(characters: readonly LackingCharacter[]): ScriptGroup[] {
  const byScript = new Map<ScriptCode, LackingCharacter[]>();
  for (const one of characters) {
    const script = scriptOf(one.code);
    byScript.set(script, [...(byScript.get(script) ?? []), one]);
  }
  return [...byScript].map(([script, own]) => {
    const names = new Map(own.flatMap(({ families }) => families.map(({ family, name }) => [family, name] as const)));
    const hasOf = (family: string) => own.filter((one) => one.families.some((face) => face.family === family)).length;
    const families = [...names].map(([family, name]) => ({ family, name, has: hasOf(family) }));
    return { script, characters: own, families: families.sort((a, b) => b.has - a.has) };
  });
}

/** Scripts that have a face already, to be taken back. */
function GivenFaces() {
  const dispatch = useAppDispatch();
  const { spec } = useAppSelector((state) => state.book.book!);
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const names = useFamilyNames();
  return Object.entries(spec.text.fallbacks).map(([script, family]) => (
    <p key={script} className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5">
      <span>
        {SCRIPT_NAMES[script as ScriptCode]}{' '}
        <span className="text-quiet">in {names.get(family) ?? familyInWords(family)}</span>
      </span>
      <button
        className="btn btn-xs border-base-300 bg-base-100"
        aria-label={`Take the face of ${SCRIPT_NAMES[script as ScriptCode]} back`}
        disabled={readOnly}
        onClick={() =>
          dispatch(
            giveScriptFace(script as ScriptCode, null, `${SCRIPT_NAMES[script as ScriptCode]} in no face of its own`),
          )
        }
      >
        Remove
      </button>
    </p>
  ));
}

function useFamilyNames(): ReadonlyMap<string, string> {
  const dispatch = useAppDispatch();
  const [names, setNames] = useState<ReadonlyMap<string, string>>(new Map());
  useEffect(() => {
    void dispatch(askFaces()).then((table) =>
      setNames(new Map(table.map(({ family, familyName }) => [family, familyName]))),
    );
  }, [dispatch]);
  return names;
}

/** A script with a face for all of it at once, and its characters below. */
function Script({ group, children }: { group: ScriptGroup; children: ReactNode }) {
  const { script, characters, families } = group;
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const given = useAppSelector((state) => state.book.book!.spec.text.fallbacks[script]);
  const [wished, setWished] = useState('');
  const family = families.find((one) => one.family === wished) ?? families[0];
  const places = characters.reduce((sum, one) => sum + one.places.length, 0);
  const name = SCRIPT_NAMES[script];
  const isLeft = given !== undefined;
  return (
    <section aria-label={name}>
      <div className="space-y-1.5 border-b border-hairline px-3.5 pb-2 pt-3">
        <h3 className="flex items-baseline justify-between gap-2">
          <span className="font-semibold">
            {name}
            {isLeft && <span className="font-normal text-quiet">, not in its face</span>}
          </span>
          <span className="text-[12px] text-quiet">
            {characters.length === 1 ? '1 character' : `${characters.length} characters`}, {places}{' '}
            {places === 1 ? 'place' : 'places'}
          </span>
        </h3>
        {family !== undefined && !isLeft && (
          <div className="flex items-center justify-between gap-2">
            <select
              aria-label={`A face for ${name}`}
              className="select select-xs min-w-0 grow"
              value={family.family}
              onChange={(event) => setWished(event.target.value)}
            >
              {families.map((one) => (
                <option key={one.family} value={one.family}>
                  {one.name}: {one.has === characters.length ? `all ${one.has}` : `${one.has} of ${characters.length}`}
                </option>
              ))}
            </select>
            <button
              className="btn btn-xs border-base-300 bg-base-100"
              disabled={readOnly}
              onClick={() => dispatch(giveScriptFace(script, family.family, `${name} set in ${family.name}`))}
            >
              Set {name}
            </button>
          </div>
        )}
      </div>
      {children}
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
