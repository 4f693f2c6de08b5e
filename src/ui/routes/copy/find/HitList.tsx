// What was found, each hit with its surroundings and what would stand there instead: included or left out, replaced by itself,
// gone to in the galley. More are listed as the end of the list comes into view.
import { memo, useEffect, useRef, useState } from 'react';
import type { FindHit } from '../../../../core/model/answers/find';
import { groupDigits } from '../../../frame/useStageFacts';
import { withSigns } from '../signs';

/** Hits listed at once, and with each step. */
const STEP = 80;

export const keyOf = ({ stream, at }: FindHit) => `${stream} ${at}`;

interface Props {
  readonly hits: readonly FindHit[];
  readonly left: ReadonlySet<string>;
  /** The hit that was gone to last. */
  readonly current: string | null;
  /** What is done with a hit; null: nothing can be done now. */
  readonly act: string | null;
  readonly onToggle: (key: string) => void;
  readonly onReplace: (hit: FindHit) => void;
  readonly onGo: (hit: FindHit) => void;
}

export const HitList = memo(function HitList({ hits, left, current, act, onToggle, onReplace, onGo }: Props) {
  const [shown, setShown] = useState(STEP);
  const end = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLUListElement>(null);
  const at = hits.findIndex((hit) => keyOf(hit) === current);
  const count = Math.max(shown, at + 1);
  useEffect(() => {
    const sentinel = end.current;
    if (sentinel === null) return;
    const watch = new IntersectionObserver(([entry]) => entry.isIntersecting && setShown((before) => before + STEP));
    watch.observe(sentinel);
    return () => watch.disconnect();
  }, [count, hits]);
  useEffect(() => {
    if (at >= 0) list.current?.children[at]?.scrollIntoView({ block: 'nearest' });
  }, [at]);
  return (
    <>
      <ul ref={list} aria-label="Places found">
        {hits.slice(0, count).map((hit) => (
          <Hit
            key={keyOf(hit)}
            hit={hit}
            isTaken={!left.has(keyOf(hit))}
            isCurrent={keyOf(hit) === current}
            {...{ act, onToggle, onReplace, onGo }}
          />
        ))}
      </ul>
      {hits.length > count && (
        <div ref={end} className="px-3.5 py-2 text-[12px] text-quiet">
          and {groupDigits(hits.length - count)} more
        </div>
      )}
    </>
  );
});

interface HitProps extends Pick<Props, 'act' | 'onToggle' | 'onReplace' | 'onGo'> {
  readonly hit: FindHit;
  readonly isTaken: boolean;
  readonly isCurrent: boolean;
}

const Hit = memo(function Hit({ hit, isTaken, isCurrent, act, onToggle, onReplace, onGo }: HitProps) {
  return (
    <li
      aria-current={isCurrent ? 'true' : undefined}
      className={`flex items-start gap-2 border-b border-l-[3px] border-b-hairline py-1.5 pl-[11px] pr-3.5 ${isCurrent ? 'border-l-primary bg-tint' : 'border-l-transparent'}`}
    >
      <input
        type="checkbox"
        aria-label={`Include ${withSigns(hit.found)}`}
        className="checkbox checkbox-primary checkbox-xs mt-0.5"
        checked={isTaken}
        onChange={() => onToggle(keyOf(hit))}
      />
      <button
        className="min-w-0 grow break-words text-left font-book text-[14px] leading-[18px]"
        title="To its place in the galley"
        onClick={() => onGo(hit)}
      >
        <Line hit={hit} />
      </button>
      <button
        className="btn btn-xs shrink-0 border-base-300 bg-base-100"
        disabled={act === null}
        title={act === null ? undefined : `${act} this one`}
        onClick={() => onReplace(hit)}
      >
        Replace this
      </button>
    </li>
  );
});

/** The line of a hit; what would stand there instead is shown in it. */
function Line({ hit: { before, found, after, becomes } }: { hit: FindHit }) {
  const words = found === '' ? 'empty paragraph' : withSigns(found);
  return (
    <>
      <span className="text-quiet">{withSigns(fromWord(before), true)}</span>
      {becomes === undefined ? (
        <mark className={`bg-tint text-inherit ${found === '' ? 'text-[12px] italic' : ''}`}>{words}</mark>
      ) : (
        <>
          <del className="decoration-error/70">{words}</del>
          <ins className="ml-1 bg-tint font-semibold no-underline">{withSigns(becomes)}</ins>
        </>
      )}
      <span className="text-quiet">{withSigns(toWord(after), true)}</span>
    </>
  );
}

/** Surroundings without the words that they cut. */
const fromWord = (words: string) => words.replace(/^\S{0,20}\s(?=\S*\s)/, '');
const toWord = (words: string) => words.replace(/(\s\S*)\s\S{0,20}$/, '$1');
