// The galley: a division's text in one column, where typing recomposes. Long divisions are several editors, of which only
// those near the view are there.
import { useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useStore } from 'react-redux';
import type { Division } from '../../../core/model/copy/book';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { bringCopyIn } from '../../../state/arrival/incomingThunks';
import { selectNotePlaces, type RunningOrderRow } from '../../../state/book/selectors';
import type { AppStore } from '../../../state/store';
import { PictureCacheContext } from '../../pageView/pageCacheContext';
import { GalleyControl } from './galley/control';
import { hiddenBlocks } from './galley/folding';
import './galley/galley.css';
import { GalleyBar } from './galley/GalleyBar';
import { lookCss } from './galley/lookCss';
import { StretchBox } from './galley/StretchBox';
import { useStretches } from './galley/useStretches';

export function Galley({ division, row }: { division: Division; row: RunningOrderRow }) {
  const spec = useAppSelector((state) => state.book.book!.spec);
  const notes = useAppSelector((state) => state.book.book!.notes);
  const notePlaces = useAppSelector(selectNotePlaces);
  const recalled = useAppSelector((state) => state.book.recalled);
  const called = useAppSelector((state) => state.view.text);
  const places = useAppSelector((state) => state.view.places);
  const [trouble, setTrouble] = useState('');
  const [marks, setMarks] = useState(false);
  const control = useGalleyControl(division.id, setTrouble);
  const stretches = useStretches(division.blocks);
  const folded = useSyncExternalStore(control.subscribe, control.foldedBlocks);
  const hidden = useMemo(
    () => hiddenBlocks(division.blocks, folded, spec.styles),
    [division.blocks, folded, spec.styles],
  );
  const css = useMemo(() => lookCss(spec), [spec]);
  const container = useRef<HTMLDivElement>(null);
  useEffect(() => control.attach(container.current!), [control]);
  useEffect(() => {
    if (recalled?.stream === control.division) control.select(recalled);
  }, [control, recalled]);
  useEffect(() => {
    if (called?.stream === control.division) control.select(called);
  }, [control, called]);
  const wanted = (called ?? recalled)?.head.block;
  const wantedAt = useMemo(() => division.blocks.findIndex(({ id }) => id === wanted), [division.blocks, wanted]);
  return (
    <section aria-label={row.name} className="flex min-w-0 grow flex-col bg-paper text-paper-ink">
      <style>{css}</style>
      <GalleyBar control={control} row={row} blocks={division.blocks} marks={marks} onMarks={setMarks} />
      {trouble !== '' && (
        <p role="alert" className="flex justify-between border-b border-[#b9b1a3] px-4 py-1.5 text-[#9a3324]">
          {trouble}
          <button className="underline" onClick={() => setTrouble('')}>
            Close
          </button>
        </p>
      )}
      <div ref={container} className="galley relative grow overflow-y-auto px-4 pb-24 pt-3" tabIndex={-1}>
        <div className="mx-auto max-w-[820px]">
          {stretches.map(({ key, from, count }) => (
            <StretchBox
              key={key}
              id={key}
              name={row.name}
              blocks={division.blocks}
              first={from}
              count={count}
              isWanted={wantedAt >= from && wantedAt < from + count}
              {...{ control, hidden, notes, notePlaces, marks, places }}
            />
          ))}
          {division.role === 'contents' && (
            <p className="ml-[72px] text-[#5f5a51]">
              The entries are made from the headings, with the folios of their pages.
            </p>
          )}
        </div>
      </div>
    </section>
  );
}

/** The galley's hand on its documents. What comes in from elsewhere is put in at the caret; `tell`: why it could not be. */
function useGalleyControl(division: string, tell: (trouble: string) => void): GalleyControl {
  const dispatch = useAppDispatch();
  const store = useStore() as AppStore;
  const pictures = useContext(PictureCacheContext);
  const [control] = useState(
    () =>
      new GalleyControl(
        store,
        division,
        (own, name, bytes, after) => {
          tell('');
          const title = name === 'clipboard.html' ? 'Pasted' : `${name} brought in`;
          void dispatch(bringCopyIn(name, bytes, after, title)).then((done) => {
            if ('problem' in done) tell(done.problem);
            else if (done.end !== null) own.select(done.end);
          });
        },
        (asset, format) => pictures?.address(asset, format) ?? Promise.resolve(null),
      ),
  );
  return control;
}
