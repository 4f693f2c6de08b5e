// Gauges under the drawing: characters a line as measured on the book's own lines, and the extent in workings.
import { workings } from '../../../core/measure/workings';
import { useAppSelector } from '../../../state/hooks';

/** Characters a line: fair and good ranges for a book read at length. */
const SCALE = { from: 35, to: 90, fairFrom: 50, fairTo: 75, goodFrom: 60, goodTo: 68 };

export function Gauges() {
  const summary = useAppSelector((state) => state.compose.summary);
  if (summary === null) return <div className="h-[64px] shrink-0" />;
  const pages = summary.pages.length;
  return (
    <div className="grid h-[70px] shrink-0 grid-cols-2 gap-10 border-t border-hairline px-12 pt-1.5">
      <CharactersGauge value={summary.charactersPerLine} />
      <div>
        <p className="flex justify-between">
          <span>Extent</span>
          <span className="font-semibold">{pages} pages</span>
        </p>
        <p className="mt-1 text-quiet">{workingsWords(pages)}</p>
      </div>
    </div>
  );
}

function CharactersGauge({ value }: { value: number }) {
  const place = (characters: number) =>
    `${((Math.min(SCALE.to, Math.max(SCALE.from, characters)) - SCALE.from) / (SCALE.to - SCALE.from)) * 100}%`;
  const span = (from: number, to: number) => ({ left: place(from), width: `calc(${place(to)} - ${place(from)})` });
  return (
    <div>
      <p className="flex justify-between">
        <span>Characters a line</span>
        <span className="font-semibold">{value === 0 ? 'too few lines' : Math.round(value)}</span>
      </p>
      <div className="relative mt-1.5 h-2 bg-base-content/10">
        <div className="absolute h-full bg-primary/25" style={span(SCALE.fairFrom, SCALE.fairTo)} />
        <div className="absolute h-full bg-primary/40" style={span(SCALE.goodFrom, SCALE.goodTo)} />
        {value > 0 && <div className="absolute -top-1 h-4 w-[2px] bg-primary" style={{ left: place(value) }} />}
      </div>
      <div className="relative mt-1 h-4 text-[12px] text-quiet">
        <span className="absolute -translate-x-1/2" style={{ left: place(SCALE.fairFrom) }}>
          {SCALE.fairFrom}
        </span>
        <span
          className="absolute -translate-x-1/2 whitespace-nowrap"
          style={{ left: place((SCALE.goodFrom + SCALE.goodTo) / 2) }}
        >
          good {SCALE.goodFrom}–{SCALE.goodTo}
        </span>
        <span className="absolute -translate-x-1/2" style={{ left: place(SCALE.fairTo) }}>
          {SCALE.fairTo}
        </span>
      </div>
    </div>
  );
}

function workingsWords(pages: number): string {
  const found = workings(pages);
  if (found.length === 1 && found[0].difference === 0)
    return `whole sections${found[0].withHalf ? ', the last an 8' : ''}`;
  const words = found.map((working) => {
    const gap = working.difference < 0 ? `${-working.difference} to lose` : `${working.difference} to fill`;
    return `${working.pages}${working.withHalf ? ' with an 8' : ''} (${gap})`;
  });
  return `nearest workings: ${words.join(', ')}`;
}
