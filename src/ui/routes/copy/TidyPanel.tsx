// Tidy: the jobs that the copy needs, with their counts. Safe ones are taken together; the others one by one, each place with
// what it was and what it becomes.
import { withSigns } from './signs';
import { commonEnds } from '../../../core/base/commonEnds';
import { useEffect, useState } from 'react';
import type { JobKind, TidyChange, TidyOffer, TidyPlace } from '../../../core/model/answers/tidy';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { goToText } from '../../../state/copy/galleyThunks';
import { askTidy, takeTidy } from '../../../state/copy/tidyThunks';
import { placesShown, type ShownPlace } from '../../../state/view/viewSlice';

const KINDS: readonly [JobKind, string][] = [
  ['safe', 'Safe'],
  ['look', 'Look first'],
  ['tell', 'For information'],
];

/** The copy is looked through when it has rested so long, in ms. */
const REST = 120;

export function TidyPanel() {
  const dispatch = useAppDispatch();
  const { readOnly, revision } = useAppSelector((state) => state.book);
  const [offers, setOffers] = useState<readonly TidyOffer[] | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  /** Jobs by id, and places by key, that are not to be taken. */
  const [skipped, setSkipped] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    let isCurrent = true;
    // All jobs look through the whole copy: not while somebody types.
    const timer = setTimeout(() => void dispatch(askTidy()).then((found) => isCurrent && setOffers(found)), REST);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [dispatch, revision]);
  const shownJob = offers?.find((offer) => offer.id === chosen);
  useEffect(() => {
    dispatch(placesShown((shownJob?.places ?? []).flatMap((place) => shownPlaces(place, shownJob!.kind !== 'tell'))));
    return () => void dispatch(placesShown([]));
  }, [dispatch, shownJob]);
  const take = (jobs: readonly TidyOffer[], only: TidyPlace | null = null) => {
    const places = jobs.flatMap((job) => job.places).filter((place) => skipped.has(keyOf(place)));
    const name = jobs.length === 1 ? jobs[0].name : 'Safe jobs of Tidy';
    void dispatch(
      takeTidy(
        jobs.map((job) => job.id),
        name,
        only,
        places,
      ),
    );
  };
  const toggle = (key: string) => {
    const next = new Set(skipped);
    if (!next.delete(key)) next.add(key);
    setSkipped(next);
  };
  const safe = offers?.filter((offer) => offer.kind === 'safe') ?? [];
  const ticked = safe.filter((offer) => !skipped.has(offer.id));
  return (
    <section aria-label="Tidy">
      <div className="flex min-h-9 items-center justify-between border-b border-hairline px-3.5 py-1.5">
        <span className="text-quiet">What the copy needs</span>
        {safe.length > 0 && (
          <button
            className="btn btn-primary btn-xs"
            disabled={readOnly || ticked.length === 0}
            onClick={() => take(ticked)}
          >
            {ticked.length === safe.length ? 'Apply safe jobs' : `Apply ${ticked.length} of ${safe.length} safe jobs`}
          </button>
        )}
      </div>
      <div aria-live="polite">
        {offers === null && <p className="px-3.5 py-2 text-quiet">Looking through the copy.</p>}
        {offers?.length === 0 && <p className="px-3.5 py-2 text-quiet">The copy needs no tidying.</p>}
      </div>
      {KINDS.map(([kind, title]) => {
        const own = offers?.filter((offer) => offer.kind === kind) ?? [];
        if (own.length === 0) return null;
        return (
          <section key={kind} aria-label={title}>
            <h3 className="border-b border-hairline px-3.5 pb-1 pt-3 text-[12px] font-semibold text-quiet">{title}</h3>
            {own.map((offer) => (
              <Job
                key={offer.id}
                offer={offer}
                isOpen={chosen === offer.id}
                disabled={readOnly}
                skipped={skipped}
                onSkip={toggle}
                onToggle={() => setChosen(chosen === offer.id ? null : offer.id)}
                onTake={(only) => take([offer], only)}
                onGo={({ stream, block, at, range }) => {
                  const [anchor, head] = [range?.from ?? at, range?.to ?? at].map((offset) => ({ block, offset }));
                  dispatch(goToText({ stream, anchor, head }));
                }}
              />
            ))}
          </section>
        );
      })}
    </section>
  );
}

interface JobProps {
  readonly offer: TidyOffer;
  readonly isOpen: boolean;
  readonly disabled: boolean;
  readonly skipped: ReadonlySet<string>;
  /** Of a job's id or a place's key: skipped from now on, or taken again. */
  readonly onSkip: (key: string) => void;
  readonly onToggle: () => void;
  readonly onTake: (only: TidyPlace | null) => void;
  readonly onGo: (place: TidyChange) => void;
}

const keyOf = ({ stream, job, block, at, was }: TidyChange) => `${job} ${stream} ${block} ${at} ${was}`;

/** Places shown of a job that is open. */
const SHOWN = 60;

function Job({ offer, isOpen, disabled, skipped, onSkip, onToggle, onTake, onGo }: JobProps) {
  const mayTake = offer.kind !== 'tell';
  const left = offer.places.filter((place) => skipped.has(keyOf(place))).length;
  return (
    <div className="border-b border-hairline">
      <div className="flex items-center hover:bg-base-200">
        {offer.kind === 'safe' && (
          <input
            type="checkbox"
            aria-label={`Apply with the safe jobs: ${offer.name}`}
            title="Applied with the safe jobs"
            className="checkbox checkbox-primary checkbox-xs ml-3.5"
            checked={!skipped.has(offer.id)}
            onChange={() => onSkip(offer.id)}
          />
        )}
        <button
          aria-expanded={isOpen}
          className="flex grow items-baseline justify-between gap-3 py-1.5 pl-2.5 pr-3.5 text-left"
          onClick={onToggle}
        >
          <span>{offer.name}</span>
          <span className="text-quiet">{offer.count}</span>
        </button>
      </div>
      {isOpen && (
        <div className="bg-base-200 px-3.5 py-2">
          {mayTake && (
            <button
              className="btn btn-xs mb-2 border-base-300 bg-base-100"
              disabled={disabled || left === offer.count}
              onClick={() => onTake(null)}
            >
              Apply {left === 0 ? `all ${offer.count}` : `${offer.count - left} of ${offer.count}`}
            </button>
          )}
          <ul className="space-y-2">
            {offer.places.slice(0, SHOWN).map((place) => (
              <li key={keyOf(place)} className="flex items-start gap-2">
                {mayTake && (
                  <input
                    type="checkbox"
                    aria-label={`Apply to ${withSigns(place.was)}`}
                    className="checkbox checkbox-primary checkbox-xs mt-0.5"
                    checked={!skipped.has(keyOf(place))}
                    onChange={() => onSkip(keyOf(place))}
                  />
                )}
                <PlaceWords place={place} mayTake={mayTake} onGo={() => onGo(place)} />
                {mayTake && (
                  <button
                    className="btn btn-xs shrink-0 border-base-300 bg-base-100"
                    disabled={disabled}
                    onClick={() => onTake(place)}
                  >
                    Apply
                  </button>
                )}
              </li>
            ))}
          </ul>
          {offer.count > SHOWN && <p className="pt-2 text-[12px] text-quiet">and {offer.count - SHOWN} more</p>}
        </div>
      )}
    </div>
  );
}

/** What stands there and what will: only what changes is marked. */
function PlaceWords({
  place: { was, is, why },
  mayTake,
  onGo,
}: {
  place: TidyPlace;
  mayTake: boolean;
  onGo: () => void;
}) {
  const [before, gone, after] = apart(was, is);
  const come = is.slice(before.length, is.length - after.length);
  return (
    <button
      className="min-w-0 grow break-words text-left font-book text-[14px] leading-[18px]"
      title="To its place in the galley"
      onClick={onGo}
    >
      <span className="block text-quiet">
        {withSigns(before)}
        <del className="text-error decoration-1">{withSigns(gone)}</del>
        {withSigns(after)}
      </span>
      {mayTake && (
        <span className="block">
          {is === '' ? <span className="font-sans text-[12px] text-quiet">nothing</span> : withSigns(before)}
          <ins className="bg-tint no-underline">{withSigns(come)}</ins>
          {is === '' ? '' : withSigns(after)}
        </span>
      )}
      {why !== undefined && <span className="block font-sans text-[12px] text-quiet">{why}</span>}
    </button>
  );
}

/** How a place of the chosen job is shown in the galley: by its result, what was typed on hover; what only goes is struck. */
function shownPlaces({ block, was, is, range }: TidyPlace, mayTake: boolean): ShownPlace[] {
  const title = mayTake
    ? `Typed: ${withSigns(was)}. It becomes: ${is === '' ? 'nothing' : withSigns(is)}`
    : withSigns(was);
  if (range === undefined) return [{ block, from: 0, to: Infinity, className: 'place-found', title }];
  const { from, to, text } = range;
  if (!mayTake) return [{ block, from, to, className: 'place-found', title }];
  const className = text === '' ? 'place-goes' : 'place-replaced';
  return [{ block, from, to, className, title, shows: text }];
}

/** Words that two texts have in common at either end, and what the first has between them. */
function apart(was: string, is: string): [string, string, string] {
  const [before, after] = commonEnds(was, is);
  return [was.slice(0, before), was.slice(before, was.length - after), was.slice(was.length - after)];
}
