// Find and replace: what is looked for and put in its place, where, and the list of all hits, of which some may be left out.
import { useEffect, useMemo, useState } from 'react';
import { FIND_TOKENS, type FindHit, type FindQuery } from '../../../core/model/find';
import { findInBook, replaceInBook } from '../../../state/findThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { groupDigits } from '../../frame/useStageFacts';

/** Hits listed; the count is of all. */
const SHOWN = 200;
/** What is typed is looked for after so many ms of rest. */
const REST = 250;

const keyOf = ({ stream, at }: FindHit) => `${stream} ${at}`;

export function FindPanel() {
  const dispatch = useAppDispatch();
  const { book, readOnly, revision } = useAppSelector((state) => state.book);
  const division = useAppSelector((state) => state.view.division);
  const [words, setWords] = useState('');
  const [put, setPut] = useState('');
  const [options, setOptions] = useState({ isPattern: false, wholeWords: false, matchCase: false });
  const [isHere, setHere] = useState(false);
  const [style, setStyle] = useState('');
  const [putStyle, setPutStyle] = useState('');
  const [answer, setAnswer] = useState<{ hits: readonly FindHit[]; problem: string | null } | null>(null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [told, setTold] = useState('');
  const query = useMemo<FindQuery>(
    () => ({ words, ...options, style: style === '' ? null : style, division: isHere ? division : null }),
    [words, options, style, isHere, division],
  );
  useEffect(() => {
    let isCurrent = true;
    const timer = setTimeout(() => {
      void dispatch(findInBook(query)).then((found) => {
        if (!isCurrent) return;
        setAnswer(words === '' ? null : found);
        setLeft(new Set());
      });
    }, REST);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [dispatch, query, words, revision]);
  const hits = answer?.hits ?? [];
  const taken = hits.filter((hit) => !left.has(keyOf(hit)));
  const replace = async (only: readonly FindHit[] | null) => {
    const places = only?.map(keyOf) ?? (left.size > 0 ? taken.map(keyOf) : null);
    const count = await dispatch(
      replaceInBook(query, { words: put, style: putStyle === '' ? null : putStyle }, places),
    );
    setTold(count === 1 ? 'One place was replaced.' : `${groupDigits(count)} places were replaced.`);
  };
  const toggle = (key: string) => {
    const next = new Set(left);
    if (!next.delete(key)) next.add(key);
    setLeft(next);
  };
  const styles = Object.entries(book?.spec.styles ?? {});
  const characters = Object.entries(book?.spec.characterStyles ?? {});
  return (
    <section aria-label="Find and replace">
      <div className="space-y-2 border-b border-hairline px-3.5 py-2.5">
        <TokenField label="Find" value={words} onChange={setWords} />
        <TokenField label="Put" value={put} onChange={setPut} />
        <div className="flex flex-wrap gap-x-4 gap-y-1">
          <Check
            label="Whole words"
            isOn={options.wholeWords}
            onChange={(to) => setOptions({ ...options, wholeWords: to })}
          />
          <Check
            label="Same case"
            isOn={options.matchCase}
            onChange={(to) => setOptions({ ...options, matchCase: to })}
          />
          <Check
            label="Pattern"
            isOn={options.isPattern}
            onChange={(to) => setOptions({ ...options, isPattern: to })}
          />
          <Check label="This division only" isOn={isHere} disabled={division === null} onChange={setHere} />
        </div>
        <Choice
          label="In style"
          none="any"
          value={style}
          choices={styles.map(([tag, one]) => [tag, one.name])}
          onChange={setStyle}
        />
        <Choice
          label="Set as"
          none="as it was"
          value={putStyle}
          choices={characters.map(([tag, one]) => [tag, one.name])}
          onChange={setPutStyle}
        />
        <div className="flex items-center gap-2 pt-1">
          <button
            className="btn btn-primary btn-xs"
            disabled={readOnly || taken.length === 0}
            onClick={() => void replace(null)}
          >
            Replace {left.size > 0 ? 'ticked' : 'all'}
          </button>
          <span aria-live="polite" className="text-[12px] text-quiet">
            {answer === null ? '' : answer.problem === null ? `${groupDigits(hits.length)} found` : ''}
            {told !== '' && answer?.hits.length === 0 && answer.problem === null ? ` · ${told}` : ''}
          </span>
        </div>
        {answer?.problem && (
          <p role="alert" className="text-[12px] text-error">
            {answer.problem}
          </p>
        )}
      </div>
      <ul>
        {hits.slice(0, SHOWN).map((hit) => (
          <li key={keyOf(hit)} className="flex items-start gap-2 border-b border-hairline px-3.5 py-1.5">
            <input
              type="checkbox"
              aria-label={`Take ${shown(hit.found)}`}
              className="checkbox checkbox-primary checkbox-xs mt-0.5"
              checked={!left.has(keyOf(hit))}
              onChange={() => toggle(keyOf(hit))}
            />
            <p className="min-w-0 grow break-words font-book text-[14px] leading-[18px]">
              <span className="text-quiet">{shown(fromWord(hit.before))}</span>
              <mark className="bg-tint text-inherit">{shown(hit.found)}</mark>
              <span className="text-quiet">{shown(toWord(hit.after))}</span>
            </p>
            <button
              className="btn btn-xs shrink-0 border-base-300 bg-base-100"
              disabled={readOnly}
              onClick={() => void replace([hit])}
            >
              One
            </button>
          </li>
        ))}
      </ul>
      {hits.length > SHOWN && (
        <p className="px-3.5 py-2 text-[12px] text-quiet">and {groupDigits(hits.length - SHOWN)} more</p>
      )}
    </section>
  );
}

/** A field into which tokens are put from a list. */
function TokenField({ label, value, onChange }: { label: string; value: string; onChange: (to: string) => void }) {
  return (
    <div className="flex items-center gap-2">
      <label className="flex min-w-0 grow items-center gap-2">
        <span className="w-9 shrink-0">{label}</span>
        <input
          className="setting-input min-w-0 grow text-left"
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      </label>
      <select
        aria-label={`A sign for ${label}`}
        className="select select-xs w-14 shrink-0"
        value=""
        onChange={(event) => onChange(value + event.target.value)}
      >
        <option value="" disabled>
          ¶
        </option>
        {Object.keys(FIND_TOKENS).map((token) => (
          <option key={token} value={token}>
            {token.slice(1, -1)}
          </option>
        ))}
      </select>
    </div>
  );
}

interface CheckProps {
  readonly label: string;
  readonly isOn: boolean;
  readonly disabled?: boolean;
  readonly onChange: (to: boolean) => void;
}

function Check({ label, isOn, disabled = false, onChange }: CheckProps) {
  return (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        className="checkbox checkbox-primary checkbox-xs"
        checked={isOn}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly none: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, string])[];
  readonly onChange: (to: string) => void;
}

function Choice({ label, none, value, choices, onChange }: ChoiceProps) {
  return (
    <label className="flex items-center justify-between gap-3">
      {label}
      <select className="select select-xs w-40" value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="">{none}</option>
        {choices.map(([key, name]) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Surroundings without the words that they cut. */
const fromWord = (words: string) => words.replace(/^\S{0,20}\s(?=\S*\s)/, '');
const toWord = (words: string) => words.replace(/(\s\S*)\s\S{0,20}$/, '$1');

/** Signs that would not be seen. */
function shown(words: string): string {
  return words.replaceAll('\n', ' ¶ ').replaceAll('\t', ' → ').replaceAll('\u2028', ' ↵ ').replaceAll('\uFFFC', '¤');
}
