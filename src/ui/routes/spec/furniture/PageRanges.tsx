// Furniture of a range of pages: which they are is named before it is done.
import { useState } from 'react';
import { heldEnds, pagesNamed, touchPages, type NamedPages, type RangeTouch } from '../../../../state/order/pageRanges';
import { selectRunningOrder } from '../../../../state/book/selectors';
import { callPage } from '../../../../state/view/pageThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { ChoiceSetting, SettingGroup, SettingRow } from '../../../components/Setting';
import { useFurniture } from './useFurniture';

const ACTS: readonly (readonly [string, string, RangeTouch])[] = [
  ['none', 'No head, no foot', { hideHead: true, hideFoot: true }],
  ['head', 'No head', { hideHead: true }],
  ['foot', 'No foot', { hideFoot: true }],
];

export function PageRanges() {
  const dispatch = useAppDispatch();
  const { furniture, readOnly } = useFurniture();
  const pages = useAppSelector((state) => state.compose.summary?.pages) ?? [];
  const [typed, setTyped] = useState('');
  const [act, setAct] = useState('none');
  const [said, setSaid] = useState('');
  const found = typed.trim() === '' ? null : pagesNamed(typed, pages);
  const range = found !== null && typeof found !== 'string' ? found : null;
  const ends = range && heldEnds(range, pages);
  const touch = ACTS.find(([key]) => key === act)?.[2] ?? { furniture: act.slice(4) };
  const set = () => {
    if (range === null || !dispatch(touchPages(range, touch, `Furniture of pages ${typed.trim()}`))) return;
    setSaid(`Done on ${countOf(range)}; listed under Page touches.`);
    setTyped('');
  };
  return (
    <SettingGroup title="A range of pages">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          set();
        }}
      >
        <SettingRow label="Pages" id="page-range" problem={typeof found === 'string' ? found : null}>
          <input
            id="page-range"
            className="setting-input w-[110px]"
            placeholder="12-15"
            autoComplete="off"
            maxLength={40}
            value={typed}
            disabled={readOnly}
            onChange={(event) => {
              setTyped(event.target.value);
              setSaid('');
            }}
          />
        </SettingRow>
        <ChoiceSetting
          label="They carry"
          value={act}
          disabled={readOnly}
          choices={[
            ...ACTS.map(([key, name]) => [key, name] as const),
            ...Object.keys(furniture.sets).map((name) => [`set ${name}`, `Set ${name}`] as const),
          ]}
          onChange={setAct}
        />
        <div className="flex items-start justify-between gap-3 px-3.5 py-1.5">
          <p className="text-[12px] text-quiet" aria-live="polite">
            {range === null ? said : <Preview range={range} />}
          </p>
          <span className="flex shrink-0 gap-1.5">
            <button
              type="button"
              className="btn btn-xs"
              disabled={range === null}
              onClick={() => range && dispatch(callPage(range.from))}
            >
              Show
            </button>
            <button className="btn btn-xs" disabled={readOnly || ends === null}>
              Set
            </button>
          </span>
        </div>
      </form>
    </SettingGroup>
  );
}

const countOf = ({ from, to }: NamedPages) => (from === to ? '1 page' : `${to - from + 1} pages`);

/** How many pages they are, from what to what, and what of them cannot be held by words. */
function Preview({ range }: { range: NamedPages }) {
  const pages = useAppSelector((state) => state.compose.summary?.pages) ?? [];
  const rows = useAppSelector(selectRunningOrder);
  const nameOn = (index: number) => rows.find(({ id }) => id === pages[index]?.division)?.name ?? '';
  const ends = heldEnds(range, pages);
  const [first, last] = [nameOn(range.from), nameOn(range.to)];
  if (ends === null) return <>No words begin on {range.from === range.to ? 'this page' : 'these pages'} to go by.</>;
  const numbers = range.from === range.to ? `page ${range.from + 1}` : `pages ${range.from + 1} to ${range.to + 1}`;
  const isShort = ends[0].index !== range.from || ends[1].index !== range.to;
  return (
    <>
      {countOf(range)}: {numbers} of the book, {first === last ? first : `${first} to ${last}`}.
      {isShort && ` No words begin on the outermost: set on ${ends[0].index + 1} to ${ends[1].index + 1}.`}
    </>
  );
}
