// Find and replace: what is looked for and put in its place, where, and the list of all hits, of which some may be left out.
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { FindHit, FindQuery, FindRange } from '../../../../core/model/answers/find';
import { beginDivisions } from '../../../../state/order/orderThunks';
import { findInBook, replaceInBook } from '../../../../state/copy/findThunks';
import { goToText, showText } from '../../../../state/copy/galleyThunks';
import { selectedRanges } from '../../../../state/book/selection';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { noteReplacement, readReplacements, type Replacement } from '../../../../state/copy/lastReplacements';
import { placesShown, type ShownPlace } from '../../../../state/view/viewSlice';
import { groupDigits } from '../../../frame/useStageFacts';
import { actOf, NOTHING_ASKED, useQuery, type Asked } from './asked';
import { FindForm, type Where } from './FindForm';
import { HitList, keyOf } from './HitList';
import { LastReplacements } from './LastReplacements';
import { KeptSearches } from './KeptSearches';
import { isSomethingAsked, useSearch, type Search } from './useSearch';

export function FindPanel() {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const division = useAppSelector((state) => state.view.division);
  const [asked, setAsked] = useState(NOTHING_ASKED);
  const [where, setWhere] = useState<Where>('book');
  const [within, setWithin] = useState<readonly FindRange[] | null>(null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [told, setTold] = useState('');
  const [last, setLast] = useLastReplacements();
  const query = useQuery(asked, where === 'division' ? division : null, within);
  const { answer, running } = useSearch(
    query,
    useCallback(() => setLeft(new Set()), []),
  );
  const hits = useMemo(() => answer?.hits ?? [], [answer]);
  const { current, place, step, go } = useWalk(hits);
  const taken = useMemo(() => (left.size === 0 ? hits : hits.filter((hit) => !left.has(keyOf(hit)))), [hits, left]);
  const act = actOf(asked);
  const replace = useReplacing(asked, query, { hits, left }, setTold, setLast);
  const toggle = useCallback(
    (key: string) =>
      setLeft((before) => {
        const next = new Set(before);
        if (!next.delete(key)) next.add(key);
        return next;
      }),
    [],
  );
  const replaceOne = useLatest((hit: FindHit) => void replace([hit]));
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
  return (
    <section aria-label="Find and replace">
      <div className="space-y-2 border-b border-hairline px-3.5 py-2.5">
        <FindForm
          asked={asked}
          onChange={set}
          where={where}
          onWhere={look}
          within={within}
          hits={hits.length}
          outside={answer?.outside ?? 0}
          onEnter={step}
        />
        <KeptSearches
          search={asked}
          isAsked={isSomethingAsked(query)}
          onPick={({ name: _, ...kept }) => setAsked(kept)}
        />
        <Acts
          act={readOnly ? null : act}
          count={readOnly ? 0 : taken.length}
          isPart={left.size > 0}
          mayDelete={asked.put === ''}
          onReplace={() => void replace(null)}
          onDelete={() => void replace(null, true)}
          onBegin={() => {
            const begun = dispatch(beginDivisions(new Set(taken.map(({ block }) => block))));
            setTold(begun === 1 ? 'One division was begun.' : `${groupDigits(begun)} divisions were begun.`);
          }}
        />
        <Steps count={hits.length} place={place} isTold={answer?.problem === null} onStep={step} />
        <p aria-live="polite" className="text-[12px] text-quiet">
          {told}
        </p>
        <Running running={running} />
        {answer?.problem && (
          <p role="alert" className="text-[12px] text-error">
            {answer.problem}
          </p>
        )}
      </div>
      <HitList
        hits={hits}
        left={left}
        current={current}
        act={readOnly ? null : act}
        onToggle={toggle}
        onReplace={replaceOne}
        onGo={go}
      />
      <LastReplacements list={last} />
    </section>
  );
}

/** The hits in the galley: all of them marked there, one of them gone to. */
function useWalk(hits: readonly FindHit[]) {
  const dispatch = useAppDispatch();
  const [current, setCurrent] = useState<string | null>(null);
  useEffect(() => {
    dispatch(placesShown(hits.map((hit) => shownPlace(hit, keyOf(hit) === current))));
    return () => void dispatch(placesShown([]));
  }, [dispatch, hits, current]);
  const place = useMemo(() => hits.findIndex((hit) => keyOf(hit) === current), [hits, current]);
  /** Shows the next hit, or the one before, and after the last the first; the focus stays. */
  const step = (by: 1 | -1) => {
    if (hits.length === 0) return;
    const next = hits[place < 0 ? (by > 0 ? 0 : hits.length - 1) : (place + by + hits.length) % hits.length];
    setCurrent(keyOf(next));
    const at = { block: next.block, offset: next.offset };
    dispatch(showText({ stream: next.stream, anchor: at, head: at }));
  };
  const go = useCallback(
    (hit: FindHit) => {
      const { stream, block, offset, length } = hit;
      setCurrent(keyOf(hit));
      const [anchor, head] = [offset, offset + length].map((at) => ({ block, offset: at }));
      dispatch(goToText({ stream, anchor, head }));
    },
    [dispatch],
  );
  return { current, place, step, go };
}

/** A function that stays the same and does what the newest one does. */
function useLatest<A>(act: (of: A) => void): (of: A) => void {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  return useCallback((of: A) => latest.current(of), []);
}

/** Replaces what is included, or one hit; empty words are no wish to delete: that is a choice of its own. */
function useReplacing(
  asked: Asked,
  query: FindQuery,
  { hits, left }: { readonly hits: readonly FindHit[]; readonly left: ReadonlySet<string> },
  tell: (words: string) => void,
  keep: (list: readonly Replacement[]) => void,
) {
  const dispatch = useAppDispatch();
  const { put, putStyle, putParagraphStyle } = asked;
  return async (only: readonly FindHit[] | null, isDeleting = false) => {
    const included = hits.filter((hit) => !left.has(keyOf(hit)));
    const places = only?.map(keyOf) ?? (left.size > 0 ? included.map(keyOf) : null);
    const replacement = isDeleting
      ? { words: '', style: null, paragraphStyle: null }
      : { words: put === '' ? null : put, style: putStyle || null, paragraphStyle: putParagraphStyle || null };
    const before = hits.length;
    const count = await dispatch(replaceInBook(query, replacement, places));
    const done = isDeleting ? 'deleted' : put === '' ? 'set in another style' : 'replaced';
    tell(count === 1 ? `One place was ${done}.` : `${groupDigits(count)} places were ${done}.`);
    if (count === 0) return;
    const after = (await dispatch(findInBook(query)).result).hits.length;
    keep(await dispatch(noteReplacement({ words: asked.words, put: replacement.words, count, before, after })));
  };
}

/** The last replacements of the book, read when the panel is opened. */
function useLastReplacements() {
  const dispatch = useAppDispatch();
  const state = useState<readonly Replacement[]>([]);
  const [, setLast] = state;
  useEffect(() => {
    let isHere = true;
    void dispatch(readReplacements()).then((list) => isHere && setLast(list));
    return () => {
      isHere = false;
    };
  }, [dispatch, setLast]);
  return state;
}

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';

interface ActsProps {
  readonly act: string | null;
  /** Places that are included. */
  readonly count: number;
  /** Some are left out. */
  readonly isPart: boolean;
  readonly mayDelete: boolean;
  readonly onReplace: () => void;
  readonly onDelete: () => void;
  readonly onBegin: () => void;
}

/** What is done with all that is included. */
function Acts({ act, count, isPart, mayDelete, onReplace, onDelete, onBegin }: ActsProps) {
  return (
    <div className="flex flex-wrap items-center gap-2 pt-1">
      <button
        className="btn btn-primary btn-xs"
        disabled={count === 0 || act === null}
        title={act === null ? 'Say what is put in its place, or which style it takes.' : undefined}
        onClick={onReplace}
      >
        {act ?? 'Replace'} {isPart ? 'ticked' : 'all'}
      </button>
      {mayDelete && count > 0 && (
        <button className="btn btn-xs btn-outline btn-error" onClick={onDelete}>
          Delete {isPart ? 'the ticked' : 'all'} {groupDigits(count)}
        </button>
      )}
      {count > 0 && (
        <button
          className={BUTTON}
          title="Each paragraph found begins a division; the copy before it stays where it is."
          onClick={onBegin}
        >
          Begin a division at {isPart ? 'the ticked' : 'each'}
        </button>
      )}
    </div>
  );
}

interface StepsProps {
  readonly count: number;
  /** Which is gone to, from 0; -1: none yet. */
  readonly place: number;
  readonly isTold: boolean;
  readonly onStep: (by: 1 | -1) => void;
}

function Steps({ count, place, isTold, onStep }: StepsProps) {
  return (
    <div className="flex items-center gap-2">
      <button
        className={BUTTON}
        disabled={count === 0}
        title="The place before (Shift Enter in the field)"
        onClick={() => onStep(-1)}
      >
        Previous
      </button>
      <button
        className={BUTTON}
        disabled={count === 0}
        title="The next place (Enter in the field)"
        onClick={() => onStep(1)}
      >
        Next
      </button>
      <span aria-live="polite" className="text-[12px] text-quiet">
        {isTold && `${place < 0 ? '' : `${groupDigits(place + 1)} of `}${groupDigits(count)} found`}
      </span>
    </div>
  );
}

/** How far a search is that takes its time, and its end at a wish. */
function Running({ running }: Pick<Search, 'running'>) {
  if (running === null) return null;
  return (
    <div className="flex items-center gap-2 text-[12px]" role="status">
      <progress className="progress progress-primary w-40" max={1} value={running.share} aria-label="Looked through" />
      <span className="text-quiet">{Math.round(running.share * 100)} %</span>
      <button className="btn btn-xs border-base-300 bg-base-100" onClick={running.stop}>
        Stop
      </button>
    </div>
  );
}

/** A hit as it is marked in the galley: as far as it goes in the paragraph in which it begins. */
function shownPlace({ block, offset, found }: FindHit, isCurrent: boolean): ShownPlace {
  const end = found.indexOf('\n');
  const to = offset + (end < 0 ? found.length : end);
  return { block, from: offset, to, className: isCurrent ? 'place-found place-current' : 'place-found', title: '' };
}
