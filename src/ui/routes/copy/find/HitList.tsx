// What was found, each hit with its surroundings: ticked or left out, replaced by itself, gone to in the galley.
import type { FindHit } from '../../../../core/model/answers/find';
import { groupDigits } from '../../../frame/useStageFacts';

/** Hits listed; the count is of all. */
const SHOWN = 200;

export const keyOf = ({ stream, at }: FindHit) => `${stream} ${at}`;

interface Props {
  readonly hits: readonly FindHit[];
  readonly left: ReadonlySet<string>;
  /** What is done with a hit; null: nothing can be done now. */
  readonly act: string | null;
  readonly onToggle: (key: string) => void;
  readonly onReplace: (hit: FindHit) => void;
  readonly onGo: (hit: FindHit) => void;
}

export function HitList({ hits, left, act, onToggle, onReplace, onGo }: Props) {
  return (
    <>
      <ul>
        {hits.slice(0, SHOWN).map((hit) => (
          <li key={keyOf(hit)} className="flex items-start gap-2 border-b border-hairline px-3.5 py-1.5">
            <input
              type="checkbox"
              aria-label={`Take ${shown(hit.found)}`}
              className="checkbox checkbox-primary checkbox-xs mt-0.5"
              checked={!left.has(keyOf(hit))}
              onChange={() => onToggle(keyOf(hit))}
            />
            <button
              className="min-w-0 grow break-words text-left font-book text-[14px] leading-[18px]"
              title="To its place in the galley"
              onClick={() => onGo(hit)}
            >
              <span className="text-quiet">{shown(fromWord(hit.before))}</span>
              <mark className="bg-tint text-inherit">{shown(hit.found)}</mark>
              <span className="text-quiet">{shown(toWord(hit.after))}</span>
            </button>
            <button
              className="btn btn-xs shrink-0 border-base-300 bg-base-100"
              disabled={act === null}
              title={act === null ? undefined : `${act} this one`}
              onClick={() => onReplace(hit)}
            >
              One
            </button>
          </li>
        ))}
      </ul>
      {hits.length > SHOWN && (
        <p className="px-3.5 py-2 text-[12px] text-quiet">and {groupDigits(hits.length - SHOWN)} more</p>
      )}
    </>
  );
}

/** Surroundings without the words that they cut. */
const fromWord = (words: string) => words.replace(/^\S{0,20}\s(?=\S*\s)/, '');
const toWord = (words: string) => words.replace(/(\s\S*)\s\S{0,20}$/, '$1');

/** Signs that would not be seen. */
function shown(words: string): string {
  return words.replaceAll('\n', ' ¶ ').replaceAll('\t', ' → ').replaceAll('\u2028', ' ↵ ').replaceAll('\uFFFC', '¤');
}
