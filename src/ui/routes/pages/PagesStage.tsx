// Pages: the composed spreads on the desk as readers see them; at the right the slip with the facts of the spread.
import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { selectFacing, selectRunningOrder, selectSpreads } from '../../../state/book/selectors';
import { deskMarksToggled, zoomChosen, type Zoom } from '../../../state/view/viewSlice';
import { ComposeProgress } from '../../components/ComposeProgress';
import { usePageCache } from '../../pageView/pageCacheContext';
import { Desk } from './Desk';
import { Slip } from './Slip';

const FITS: readonly [Zoom, string][] = [
  [{ kind: 'spread' }, 'Fit spread'],
  [{ kind: 'width' }, 'Fit width'],
  [{ kind: 'scale', scale: 1 }, 'Actual size'],
];

export default function PagesStage() {
  const dispatch = useAppDispatch();
  const spreads = useAppSelector(selectSpreads);
  const rows = useAppSelector(selectRunningOrder);
  const facing = useAppSelector(selectFacing);
  const { spread: current, zoom, deskMarks } = useAppSelector((state) => state.view);
  const total = useAppSelector((state) => state.compose.summary?.pages.length);
  const [percent, setPercent] = useState(0);
  const spread = spreads[Math.min(current, spreads.length - 1)];
  const { cache } = usePageCache();
  const pages = spread ? [spread.verso, spread.recto].filter((page) => page !== null) : [];
  const isAhead = pages.some((page) => cache.isAhead(page.index));
  const name = rows.find((row) => row.id === pages[pages.length - 1]?.division)?.name;
  return (
    <div className="flex h-full">
      <section
        aria-label="Pages"
        className="relative flex min-w-0 grow flex-col bg-desk text-[#1f1d1a] [[data-theme=evening]_&]:text-base-content"
      >
        <ComposeProgress />
        <div className="flex h-9 shrink-0 items-center gap-4 px-5">
          <p className="min-w-0 grow truncate">
            {pages.length > 0 && (
              <>
                <span className="font-semibold">
                  {pages.length > 1 ? 'Pages' : 'Page'} {pages.map((page) => page.index + 1).join(' and ')}
                </span>{' '}
                of {total} · {name} · {pages.length > 1 ? 'folios' : 'folio'}{' '}
                {pages.map((page) => page.folio).join(' and ')}
                {isAhead && <span className="text-quiet"> · folios to be settled</span>}
              </>
            )}
          </p>
          <button
            aria-pressed={deskMarks}
            title="Grid, type area, guides and bleed (G)"
            className={deskMarks ? 'font-semibold underline underline-offset-4' : 'hover:underline'}
            onClick={() => dispatch(deskMarksToggled())}
          >
            Grid and guides
          </button>
          {FITS.map(([choice, spreadLabel]) => {
            const label = choice.kind === 'spread' && !facing ? 'Fit page' : spreadLabel;
            const isChosen =
              zoom.kind === choice.kind &&
              (zoom.kind !== 'scale' || zoom.scale === (choice as { scale: number }).scale);
            return (
              <button
                key={label}
                aria-pressed={isChosen}
                className={isChosen ? 'font-semibold underline underline-offset-4' : 'hover:underline'}
                onClick={() => dispatch(zoomChosen(choice))}
              >
                {label}
              </button>
            );
          })}
          <span className="w-11 text-right" aria-label="Scale">
            {percent} %
          </span>
        </div>
        {spreads.length === 0 ? (
          <div className="grid grow place-items-center" aria-live="polite">
            Composing the first pages
          </div>
        ) : (
          <Desk onScale={setPercent} />
        )}
      </section>
      <Slip spread={spread} />
    </div>
  );
}
