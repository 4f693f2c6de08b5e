// The galley: a division's text in one column, where typing recomposes. Long divisions are several editors, of which only
// those near the view are there.
import {
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type Dispatch,
  type SetStateAction,
} from 'react';
import { useStore } from 'react-redux';
import type { Division } from '../../../core/model/copy/book';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { editUndone } from '../../../state/book/bookSlice';
import { bringCopyIn, CLIPBOARD } from '../../../state/arrival/incomingThunks';
import { selectNotePlaces, type RunningOrderRow } from '../../../state/book/selectors';
import type { AppStore } from '../../../state/store';
import { PictureCacheContext } from '../../pageView/pageCacheContext';
import { GalleyControl } from './galley/control';
import { hiddenBlocks } from './galley/folding';
import './galley/galley.css';
import { GalleyBar, GalleyFacts } from './galley/GalleyBar';
import { lookCss } from './galley/lookCss';
import { StretchBox } from './galley/StretchBox';
import { TableBar } from './galley/TableBar';
import { useGalleyScroll } from './galley/useGalleyScroll';
import { useStretches } from './galley/useStretches';

export function Galley({ division, row }: { division: Division; row: RunningOrderRow }) {
  const spec = useAppSelector((state) => state.book.book!.spec);
  const notes = useAppSelector((state) => state.book.book!.notes);
  const figures = useAppSelector((state) => state.book.book!.figures);
  const notePlaces = useAppSelector(selectNotePlaces);
  const recalled = useAppSelector((state) => state.book.recalled);
  const called = useAppSelector((state) => state.view.text);
  const places = useAppSelector((state) => state.view.places);
  const [trouble, setTrouble] = useState('');
  const [marks, setMarks] = useState(false);
  const [plainer, setPlainer] = useState<(() => void) | null>(null);
  const control = useGalleyControl(division.id, setTrouble, setPlainer);
  const stretches = useStretches(division.blocks);
  const folded = useSyncExternalStore(control.subscribe, control.foldedBlocks);
  const hidden = useMemo(
    () => hiddenBlocks(division.blocks, folded, spec.styles),
    [division.blocks, folded, spec.styles],
  );
  const css = useMemo(() => lookCss(spec), [spec]);
  const container = useRef<HTMLDivElement>(null);
  useEffect(() => control.attach(container.current!), [control]);
  useGalleyScroll(container, division.id);
  useEffect(() => {
    if (recalled?.stream === control.division) control.select(recalled);
  }, [control, recalled]);
  useEffect(() => {
    if (called?.stream === control.division) control.select(called);
  }, [control, called]);
  const shown = useAppSelector((state) => state.view.shownText);
  useEffect(() => {
    if (shown?.stream === control.division) control.reveal({ block: shown.block, offset: shown.offset ?? 0 });
  }, [control, shown]);
  const wanted = shown?.block ?? (called ?? recalled)?.head.block;
  const wantedAt = useMemo(() => division.blocks.findIndex(({ id }) => id === wanted), [division.blocks, wanted]);
  return (
    <section aria-label={row.name} className="flex min-w-0 grow flex-col bg-paper text-paper-ink">
      <style>{css}</style>
      <GalleyBar control={control} marks={marks} onMarks={setMarks} />
      <TableLine control={control} />
      {trouble !== '' && (
        <p role="alert" className="flex justify-between border-b border-[#b9b1a3] px-4 py-1.5 text-[#9a3324]">
          {trouble}
          <button className="underline" onClick={() => setTrouble('')}>
            Close
          </button>
        </p>
      )}
      {plainer !== null && (
        <p role="status" className="flex gap-4 border-b border-[#b9b1a3] px-4 py-1.5 text-[#5f5a51]">
          <span className="grow">Faces, sizes and colours of what was pasted were left behind.</span>
          <button className="underline" onClick={plainer}>
            Bring them in too
          </button>
          <button className="underline" onClick={() => setPlainer(null)}>
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
              {...{ control, hidden, notes, figures, notePlaces, marks, places }}
            />
          ))}
          {division.role === 'contents' && (
            <p className="ml-[72px] text-[#5f5a51]">
              The entries are made from the headings, with the folios of their pages.
            </p>
          )}
        </div>
      </div>
      <GalleyFacts control={control} row={row} blocks={division.blocks} />
    </section>
  );
}

/** The line of the table in which the caret stands. */
function TableLine({ control }: { readonly control: GalleyControl }) {
  const { table } = useSyncExternalStore(control.subscribe, control.selectionFacts);
  return table === null ? null : <TableBar control={control} facts={table} />;
}

/**
 * The galley's hand on its documents. What comes in from elsewhere is put in at the caret; `tell`: why it could not be; `offer`: takes the
 * paste back and does it again with its faces and colours, null where there is nothing to offer.
 */
function useGalleyControl(
  division: string,
  tell: (trouble: string) => void,
  offer: Dispatch<SetStateAction<(() => void) | null>>,
): GalleyControl {
  const dispatch = useAppDispatch();
  const store = useStore() as AppStore;
  const pictures = useContext(PictureCacheContext);
  const [control] = useState(
    () =>
      new GalleyControl(
        store,
        division,
        (own, name, bytes, after) => {
          const title = name === CLIPBOARD ? 'Pasted' : `${name} brought in`;
          const bring = (keepsLooks: boolean) => {
            tell('');
            offer(null);
            void dispatch(bringCopyIn(name, bytes, after, title, { keepsLooks })).then((done) => {
              if ('problem' in done) return tell(done.problem);
              if (done.end !== null) own.select(done.end);
              const { revision } = store.getState().book;
              const again = () => {
                // Something else was done since: it stays, and so does the paste.
                if (store.getState().book.revision !== revision) return offer(null);
                dispatch(editUndone());
                bring(true);
              };
              if (done.isPlainer === true) offer(() => again);
            });
          };
          bring(false);
        },
        (asset, format) => pictures?.address(asset, format) ?? Promise.resolve(null),
      ),
  );
  return control;
}
