// Find and replace: what is looked for and put in its place, where, and the list of all hits, of which some may be left out.
import { useEffect, useMemo, useState } from 'react';
import type { FindHit, FindLook, FindQuery, FindRange } from '../../../../core/model/answers/find';
import { findInBook, replaceInBook } from '../../../../state/copy/findThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import type { KeptSearch } from '../../../../state/copy/keptSearches';
import { selectedRanges } from '../../../../state/book/selection';
import { placesShown } from '../../../../state/view/viewSlice';
import { goToText } from '../../../../state/copy/galleyThunks';
import { groupDigits } from '../../../frame/useStageFacts';
import { Check, Choice, TokenField } from './FindFields';
import { HitList, keyOf } from './HitList';
import { KeptSearches } from './KeptSearches';

/** What is typed is looked for after so many ms of rest. */
const REST = 250;

type Asked = Omit<KeptSearch, 'name'>;
const NOTHING: Asked = {
  words: '',
  put: '',
  isPattern: false,
  wholeWords: false,
  matchCase: false,
  style: '',
  look: '',
  putStyle: '',
  putParagraphStyle: '',
};

const TOUCHES = [
  ['touch:italic', 'Italic by hand'],
  ['touch:bold', 'Bold by hand'],
  ['touch:underline', 'Underlined by hand'],
  ['touch:strike', 'Struck by hand'],
  ['touch:face', 'A face by hand'],
  ['touch:size', 'A size by hand'],
  ['touch:colour', 'A colour by hand'],
] as const;

type Where = 'book' | 'division' | 'selected' | 'found';

export function FindPanel() {
  const dispatch = useAppDispatch();
  const { book, readOnly, revision } = useAppSelector((state) => state.book);
  const division = useAppSelector((state) => state.view.division);
  const [asked, setAsked] = useState(NOTHING);
  const [where, setWhere] = useState<Where>('book');
  const [within, setWithin] = useState<readonly FindRange[] | null>(null);
  const [answer, setAnswer] = useState<{ hits: readonly FindHit[]; problem: string | null } | null>(null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [told, setTold] = useState('');
  /** A search that takes its time. */
  const [search, setSearch] = useState<{ readonly share: number; readonly stop: () => void } | null>(null);
  const { put, putStyle, putParagraphStyle } = asked;
  const query = useQuery(asked, where === 'division' ? division : null, within);
  const isAsked = query.words !== '' || query.look !== null || query.style !== null;
  useEffect(() => {
    let isCurrent = true;
    let isStopped = false;
    let stop = () => undefined as void;
    const timer = setTimeout(() => {
      const search = dispatch(findInBook(query, (share) => isCurrent && setSearch({ share, stop: () => stop() })));
      stop = () => {
        isStopped = true;
        search.stop();
        setSearch(null);
      };
      void search.result.then((found) => {
        if (!isCurrent) return;
        setSearch(null);
        setAnswer(isAsked && !isStopped ? found : null);
        setLeft(new Set());
      });
    }, REST);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
      stop();
    };
  }, [dispatch, query, isAsked, revision]);
  const hits = useMemo(() => answer?.hits ?? [], [answer]);
  useEffect(() => {
    dispatch(placesShown(hits.map(shownPlace)));
    return () => void dispatch(placesShown([]));
  }, [dispatch, hits]);
  const taken = hits.filter((hit) => !left.has(keyOf(hit)));
  const act = actOf(asked);
  /** Empty words are no wish to delete: that is a choice of its own. */
  const replace = async (only: readonly FindHit[] | null, isDeleting = false) => {
    const places = only?.map(keyOf) ?? (left.size > 0 ? taken.map(keyOf) : null);
    const replacement = isDeleting
      ? { words: '', style: null, paragraphStyle: null }
      : { words: put === '' ? null : put, style: putStyle || null, paragraphStyle: putParagraphStyle || null };
    const count = await dispatch(replaceInBook(query, replacement, places));
    const done = isDeleting ? 'deleted' : put === '' ? 'set in another style' : 'replaced';
    setTold(count === 1 ? `One place was ${done}.` : `${groupDigits(count)} places were ${done}.`);
  };
  const toggle = (key: string) => {
    const next = new Set(left);
    if (!next.delete(key)) next.add(key);
    setLeft(next);
  };
  const set = (change: Partial<Asked>) => {
    setTold('');
    setAsked({ ...asked, ...change });
  };
  const look = (to: Where) => {
    setWhere(to);
    if (to === 'selected') setWithin(selectedRanges());
    else if (to === 'found')
      setWithin(taken.map(({ block, offset, length }) => ({ block, from: offset, to: offset + length })));
    else setWithin(null);
  };
  const styles = Object.entries(book?.spec.styles ?? {}).map(([tag, one]) => [tag, one.name] as const);
  const characters = Object.entries(book?.spec.characterStyles ?? {}).map(([tag, one]) => [tag, one.name] as const);
  return (
    <section aria-label="Find and replace">
      <div className="space-y-2 border-b border-hairline px-3.5 py-2.5">
        <TokenField label="Find" value={asked.words} onChange={(words) => set({ words })} />
        <TokenField label="Put" value={put} onChange={(to) => set({ put: to })} />
        <div className="flex flex-wrap gap-x-4 gap-y-1">
          <Check label="Whole words" isOn={asked.wholeWords} onChange={(to) => set({ wholeWords: to })} />
          <Check label="Same case" isOn={asked.matchCase} onChange={(to) => set({ matchCase: to })} />
          <Check label="Pattern" isOn={asked.isPattern} onChange={(to) => set({ isPattern: to })} />
        </div>
        <label className="flex items-center justify-between gap-3">
          Where
          <select
            className="select select-xs w-40"
            value={where}
            onChange={(event) => look(event.target.value as Where)}
          >
            <option value="book">the whole book</option>
            <option value="division" disabled={division === null}>
              this division
            </option>
            <option value="selected">what is selected</option>
            <option value="found" disabled={where !== 'found' && hits.length === 0}>
              what was found
            </option>
          </select>
        </label>
        {(where === 'selected' || where === 'found') && (
          <p className="text-[12px] text-quiet">
            {within?.length
              ? `Inside ${groupDigits(within.length)} ${within.length === 1 ? 'stretch' : 'stretches'} of text.`
              : 'Nothing was selected: select text in the galley, then choose this again.'}
          </p>
        )}
        <Choice label="In style" none="any" value={asked.style} choices={styles} onChange={(style) => set({ style })} />
        <Choice
          label="Of look"
          none="any"
          value={asked.look}
          choices={[...characters.map(([tag, name]) => [`style:${tag}`, name] as const), ...TOUCHES]}
          onChange={(to) => set({ look: to })}
        />
        <Choice
          label="Set as"
          none="as it was"
          value={putStyle}
          choices={characters}
          onChange={(to) => set({ putStyle: to })}
        />
        <Choice
          label="Paragraph as"
          none="as it was"
          value={putParagraphStyle}
          choices={styles}
          onChange={(to) => set({ putParagraphStyle: to })}
        />
        <KeptSearches search={asked} isAsked={isAsked} onPick={({ name: _, ...kept }) => setAsked(kept)} />
        <div className="flex flex-wrap items-center gap-2 pt-1">
          <button
            className="btn btn-primary btn-xs"
            disabled={readOnly || taken.length === 0 || act === null}
            title={act === null ? 'Say what is put in its place, or which style it takes.' : undefined}
            onClick={() => void replace(null)}
          >
            {act ?? 'Replace'} {left.size > 0 ? 'ticked' : 'all'}
          </button>
          {put === '' && taken.length > 0 && (
            <button
              className="btn btn-xs btn-outline btn-error"
              disabled={readOnly}
              onClick={() => void replace(null, true)}
            >
              Delete {left.size > 0 ? 'the ticked' : 'all'} {groupDigits(taken.length)}
            </button>
          )}
          <span aria-live="polite" className="text-[12px] text-quiet">
            {answer === null ? '' : answer.problem === null ? `${groupDigits(hits.length)} found` : ''}
            {told !== '' && answer?.problem === null ? ` · ${told}` : ''}
          </span>
        </div>
        {search !== null && (
          <div className="flex items-center gap-2 text-[12px]" role="status">
            <progress
              className="progress progress-primary w-40"
              max={1}
              value={search.share}
              aria-label="Looked through"
            />
            <span className="text-quiet">{Math.round(search.share * 100)} %</span>
            <button className="btn btn-xs border-base-300 bg-base-100" onClick={search.stop}>
              Stop
            </button>
          </div>
        )}
        {answer?.problem && (
          <p role="alert" className="text-[12px] text-error">
            {answer.problem}
          </p>
        )}
      </div>
      <HitList
        hits={hits}
        left={left}
        act={readOnly ? null : act}
        onToggle={toggle}
        onReplace={(hit) => void replace([hit])}
        onGo={({ stream, block, offset, length }) => {
          const [anchor, head] = [offset, offset + length].map((at) => ({ block, offset: at }));
          dispatch(goToText({ stream, anchor, head }));
        }}
      />
    </section>
  );
}

function useQuery(asked: Asked, division: string | null, within: readonly FindRange[] | null): FindQuery {
  const { words, isPattern, wholeWords, matchCase, style, look } = asked;
  return useMemo(
    () => ({
      words,
      isPattern,
      wholeWords,
      matchCase,
      style: style === '' ? null : style,
      look: lookOf(look),
      division,
      within,
    }),
    [words, isPattern, wholeWords, matchCase, style, look, division, within],
  );
}

/** What the button does with what is found: puts words in its place, or sets it in a style and keeps its words. */
function actOf({ put, putStyle, putParagraphStyle }: Asked): string | null {
  if (put !== '') return 'Replace';
  return putStyle !== '' || putParagraphStyle !== '' ? 'Restyle' : null;
}

function lookOf(key: string): FindLook | null {
  const [kind, name] = key.split(':');
  if (kind === 'style') return { kind, style: name };
  return kind === 'touch' ? { kind, touch: name as 'italic' } : null;
}

/** A hit as it is marked in the galley: as far as it goes in the paragraph in which it begins. */
function shownPlace({ block, offset, found }: FindHit) {
  const end = found.indexOf('\n');
  const to = offset + (end < 0 ? found.length : end);
  return { block, from: offset, to, className: 'place-found', title: '' } as const;
}
