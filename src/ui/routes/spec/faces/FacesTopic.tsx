// Faces: those that ship and one's own, each on the book's own words; what it can do, what it lacks, and what is set in it.
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { familyInWords, type FaceTable } from '../../../../core/model/spec/faces';
import { bringFontsIn, askFaces, dropFamily } from '../../../../state/spec/fontThunks';
import { favouriteFamilies } from '../../../../state/spec/keptFaces';
import { askSpecimens, type Specimens } from '../../../../state/spec/keptSpecs';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { ChoiceSetting, SettingGroup } from '../../../components/Setting';
import { useSpec } from '../useSetSpec';
import { FaceCard } from './FaceCard';
import { charactersOf, familiesOf, familyUses, KIND_NAMES, type Family } from './families';
import { ReplaceFace } from './ReplaceFace';
import { sampleSpec, type Sample } from './sample';

/** Padding of a card at either side, in CSS pixels. */
const SIDE = 14;
const BUTTON = 'btn btn-xs border-base-300 bg-base-100';

export function FacesTopic() {
  const dispatch = useAppDispatch();
  const { readOnly } = useSpec();
  const book = useAppSelector((state) => state.book.book)!;
  const [table, setTable] = useState<FaceTable | null>(null);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [shown, setShown] = useState('text');
  const [liked, setLiked] = useState<readonly string[]>([]);
  const [times, setTimes] = useState(0);
  useEffect(() => {
    void dispatch(askFaces()).then(setTable);
    void dispatch(favouriteFamilies.read()).then((list) => setLiked(list.map(({ name }) => name)));
  }, [dispatch, times]);
  const families = useMemo(() => familiesOf(table ?? []), [table]);
  const uses = useMemo(() => familyUses(book), [book]);
  const codes = charactersOf(book);
  const { box, width } = useWidth();
  const samples = useSamples(families, times, width);
  const bringIn = async (files: FileList | null) => {
    const read = await Promise.all(
      [...(files ?? [])].map(async (file) => ({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })),
    );
    if (read.length === 0) return;
    setProblems(await dispatch(bringFontsIn(read)));
    setTimes((count) => count + 1);
  };
  const isShown = ({ key, kind, isOwn }: Family) => {
    if (shown === 'used') return uses.has(key);
    if (shown === 'liked') return liked.includes(key);
    if (shown === 'own') return isOwn;
    if (shown === 'text') return kind !== 'other' || isOwn || uses.has(key);
    return shown === 'all' || kind === shown;
  };
  const gone = [...uses.keys()].filter((key) => table !== null && !families.some((family) => family.key === key));
  const list = families.filter(isShown);
  return (
    <div
      ref={box}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        event.stopPropagation();
        if (!readOnly) void bringIn(event.dataTransfer.files);
      }}
    >
      <SettingGroup title="Faces" aside={`${list.length} of ${families.length}`}>
        <ChoiceSetting
          label="Show"
          value={shown}
          choices={[
            ['text', 'for text'],
            ['used', 'used in this book'],
            ['liked', 'favourites'],
            ['own', 'brought in'],
            ...Object.entries(KIND_NAMES),
            ['all', 'all'],
          ]}
          onChange={setShown}
        />
        <div className="border-b border-hairline px-3.5 py-1.5">
          <label className={`${BUTTON} cursor-pointer focus-within:outline focus-within:outline-2`}>
            Add font files
            <input
              type="file"
              multiple
              accept=".ttf,.otf,.woff2"
              className="sr-only"
              aria-label="Font files"
              onChange={(event) => {
                void bringIn(event.target.files);
                event.target.value = '';
              }}
            />
          </label>
          <p className="pt-1 text-[12px] text-quiet">TTF, OTF or WOFF2, dropped here too; kept in this browser.</p>
        </div>
        {problems.map((problem) => (
          <p key={problem} role="alert" className="border-b border-hairline px-3.5 py-1 text-[12px] text-error">
            {problem}
          </p>
        ))}
        {gone.map((key) => (
          <p key={key} className="border-b border-hairline px-3.5 py-1.5 text-error">
            {familyInWords(key)} <span className="text-[12px]">is missing: another face stands in for it</span>
          </p>
        ))}
      </SettingGroup>
      <ReplaceFace families={families} uses={uses} samples={samples} />
      {list.map((family) => (
        <FaceCard
          key={family.key}
          family={family}
          uses={uses.get(family.key) ?? []}
          codes={codes}
          sample={samples.get(family.key)}
          isLiked={liked.includes(family.key)}
          onLike={() =>
            void dispatch(
              liked.includes(family.key)
                ? favouriteFamilies.drop(family.key)
                : favouriteFamilies.keep({ name: family.key }),
            ).then((now) => setLiked(now.map(({ name }) => name)))
          }
          onDrop={() => void dispatch(dropFamily(family.key)).then(() => setTimes((count) => count + 1))}
        />
      ))}
    </div>
  );
}

/** The beginning of the book in each family, at its own size; composed beside the book, anew when its page or its words change. */
function useSamples(families: readonly Family[], times: number, width: number): ReadonlyMap<string, Sample> {
  const dispatch = useAppDispatch();
  const spec = useAppSelector((state) => state.book.book)!.spec;
  const [made, setMade] = useState<{ readonly keys: readonly string[]; readonly of: Specimens } | null>(null);
  const keys = families.filter(({ kind, isOwn }) => kind !== 'other' || isOwn).map(({ key }) => key);
  const { name, text } = spec;
  const wish = JSON.stringify({
    keys,
    spec: { name, size: text.size, leading: text.leading },
    width,
    times,
  });
  const asked = useRef({ keys, spec });
  useEffect(() => {
    asked.current = { keys, spec };
  });
  useEffect(() => {
    const stop = new AbortController();
    const { keys: wanted, spec: own } = asked.current;
    if (width === 0) return;
    const specs = wanted.map((face) => sampleSpec(own, face, width));
    void dispatch(askSpecimens(specs, stop.signal)).then(
      (of) => of !== null && !stop.signal.aborted && setMade({ keys: wanted, of }),
    );
    return () => stop.abort();
  }, [dispatch, wish, width]);
  return useMemo(() => {
    const outlines = new Map((made?.of.outlines ?? []).map((one) => [`${one.face}:${one.glyph}`, one]));
    const outline = (face: string, glyph: number) => outlines.get(`${face}:${glyph}`);
    return new Map(made?.of.specimens.map(({ lists }, index) => [made.keys[index], { lists, outline }]) ?? []);
  }, [made]);
}

/** The room that a sample has in the panel, in CSS pixels. */
function useWidth() {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.round(entry.contentRect.width) - 2 * SIDE));
    observer.observe(box.current!);
    return () => observer.disconnect();
  }, []);
  return { box, width };
}
