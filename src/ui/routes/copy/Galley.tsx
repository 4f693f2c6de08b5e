// The galley: a division's text in one column, where typing recomposes. Long divisions are several editors, of which only
// those near the view are there.
import { useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useStore } from 'react-redux';
import type { Division } from '../../../core/model/copy/book';
import type { Block } from '../../../core/model/copy/streams';
import { blockWords, cutStretches, followStretches, type Stretch } from '../../../galley';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { bringCopyIn } from '../../../state/arrival/incomingThunks';
import { selectNotePlaces, type RunningOrderRow } from '../../../state/book/selectors';
import type { AppStore } from '../../../state/store';
import { PictureCacheContext } from '../../pageView/pageCacheContext';
import { GalleyControl } from './galley/control';
import type { Place } from './galley/dressing';
import { hiddenBlocks } from './galley/folding';
import './galley/galley.css';
import { GalleyBar } from './galley/GalleyBar';
import { lookCss } from './galley/lookCss';
import { StreamView } from './galley/streamView';

export function Galley({ division, row }: { division: Division; row: RunningOrderRow }) {
  const dispatch = useAppDispatch();
  const store = useStore() as AppStore;
  const spec = useAppSelector((state) => state.book.book!.spec);
  const notes = useAppSelector((state) => state.book.book!.notes);
  const notePlaces = useAppSelector(selectNotePlaces);
  const recalled = useAppSelector((state) => state.book.recalled);
  const called = useAppSelector((state) => state.view.text);
  const places = useAppSelector((state) => state.view.places);
  const [trouble, setTrouble] = useState('');
  const [marks, setMarks] = useState(false);
  const pictures = useContext(PictureCacheContext);
  const [control] = useState(
    () =>
      new GalleyControl(
        store,
        division.id,
        (own, name, bytes, after) => {
          setTrouble('');
          const title = name === 'clipboard.html' ? 'Pasted' : `${name} brought in`;
          void dispatch(bringCopyIn(name, bytes, after, title)).then((done) => {
            if ('problem' in done) setTrouble(done.problem);
            else if (done.end !== null) own.select(done.end);
          });
        },
        (asset, format) => pictures?.address(asset, format) ?? Promise.resolve(null),
      ),
  );
  const [cut, setCut] = useState(() => ({
    blocks: division.blocks,
    stretches: cutStretches(division.blocks) as readonly Stretch[],
  }));
  if (cut.blocks !== division.blocks)
    setCut({ blocks: division.blocks, stretches: followStretches(cut.stretches, cut.blocks, division.blocks) });
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
          {placed(cut.stretches).map(({ stretch, from }) => (
            <StretchBox
              key={stretch.key}
              control={control}
              id={stretch.key}
              name={row.name}
              blocks={cut.blocks}
              first={from}
              count={stretch.count}
              hidden={hidden}
              notes={notes}
              notePlaces={notePlaces}
              marks={marks}
              places={places}
              isWanted={
                wanted !== undefined && cut.blocks.slice(from, from + stretch.count).some(({ id }) => id === wanted)
              }
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

/** The stretches, each with the place of its first block. */
function placed(stretches: readonly Stretch[]): { readonly stretch: Stretch; readonly from: number }[] {
  let next = 0;
  return stretches.map((stretch) => {
    const from = next;
    next += stretch.count;
    return { stretch, from };
  });
}

interface StretchProps {
  readonly control: GalleyControl;
  readonly id: number;
  readonly name: string;
  readonly blocks: readonly Block[];
  readonly first: number;
  readonly count: number;
  readonly hidden: ReadonlySet<string>;
  readonly notes: unknown;
  readonly notePlaces: unknown;
  readonly marks: boolean;
  readonly places: readonly Place[];
  readonly isWanted: boolean;
}

/** Words of a screen's height of galley, for the height of what is not there yet. */
const PIXELS_A_WORD = 3.1;

/** One document of the galley; empty of its height while it is far from the view. */
function StretchBox({
  control,
  id,
  name,
  blocks,
  first,
  count,
  hidden,
  notes,
  notePlaces,
  marks,
  places,
  isWanted,
}: StretchProps) {
  const box = useRef<HTMLDivElement>(null);
  const editor = useRef<StreamView | null>(null);
  const [isNear, setNear] = useState(false);
  const [height, setHeight] = useState<number | null>(null);
  const isThere = isNear || isWanted;
  useEffect(() => {
    const element = box.current!;
    const watcher = new IntersectionObserver(
      (entries) => {
        // While the machine is busy several come at once: the last says how it is.
        const entry = entries[entries.length - 1];
        if (!entry.isIntersecting && element.contains(document.activeElement)) return;
        if (!entry.isIntersecting && element.firstElementChild !== null) setHeight(element.offsetHeight);
        setNear(entry.isIntersecting);
      },
      { root: element.closest('.galley'), rootMargin: '1200px 0px' },
    );
    watcher.observe(element);
    return () => watcher.disconnect();
  }, []);
  useEffect(() => {
    if (!isThere) return;
    const made = new StreamView(box.current!, control.division, control, { isNote: false, name });
    editor.current = made;
    control.addEditor(id, made);
    return () => {
      control.removeEditor(id);
      made.destroy();
      editor.current = null;
    };
  }, [control, id, name, isThere]);
  useEffect(() => {
    if (editor.current === null) return;
    editor.current.sync(blocks, first, count, hidden);
    control.settle([editor.current]);
  }, [control, blocks, first, count, hidden, isThere, name]);
  useEffect(() => editor.current?.dressAll(), [notes, notePlaces, isThere, name]);
  useEffect(() => editor.current?.showMarks(marks), [marks, isThere, name]);
  useEffect(() => {
    if (editor.current !== null && (places.length > 0 || isThere)) editor.current.showPlaces(places);
  }, [places, isThere, name]);
  const words = useMemo(
    () => (isThere ? 0 : blocks.slice(first, first + count).reduce((sum, block) => sum + blockWords(block), 0)),
    [blocks, first, count, isThere],
  );
  return <div ref={box} style={isThere ? undefined : { height: height ?? Math.round(words * PIXELS_A_WORD) + 40 }} />;
}
