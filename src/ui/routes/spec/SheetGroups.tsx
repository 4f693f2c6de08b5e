// What else a page has: columns, bleed and sheet edge, guides of one's own, and the unit of its lengths.
import { OwnPageFields } from '../../components/OwnPageFields';
import { formatNumber } from '../../../core/measure/units';
import type { Unit } from '../../../core/model/spec/length';
import type { OtherPages } from '../../../core/model/spec/spec';
import type { Guide } from '../../../core/model/spec/pageSpec';
import { isDisplayRole, roleFacts } from '../../../core/model/copy/roles';
import { selectRunningOrder } from '../../../state/book/selectors';
import { layersShown } from '../../../state/view/viewSlice';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { ChoiceSetting, LengthSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { TextSetting } from '../../components/TextSetting';
import { useUnits } from '../../components/useUnits';
import { columnWidthsOf, parseColumnWidths } from '../../../core/measure/columnWidths';
import { useSpec } from './useSetSpec';

/** Shares or lengths; what they come to is told in lengths. */
function ColumnWidths() {
  const { spec, readOnly, set } = useSpec();
  const units = useUnits();
  const measure = useAppSelector((state) => state.compose.summary?.geometry.measure);
  const { columns, columnGap, columnShares } = spec.pages;
  if (measure === undefined) return null;
  const room = measure - (columns - 1) * columnGap.pt;
  const shares = columnShares?.length === columns ? columnShares : null;
  const { unit } = spec.page.margins.back;
  const widths = columnWidthsOf(shares ?? new Array<number>(columns).fill(1), room);
  return (
    <TextSetting
      label="Widths"
      value={shares?.map((share) => Number(share.toFixed(3))).join(' : ') ?? ''}
      placeholder="equal"
      disabled={readOnly}
      note={`${widths.map((pt) => units.show({ pt, unit })).join(' : ')}. Shares such as 2 : 1, or lengths such as 180 pt : rest.`}
      onChange={(typed) => {
        try {
          const to = parseColumnWidths(typed, columns, room, unit);
          return set('pages.columnShares', to, to === null ? 'Equal columns' : 'Widths of the columns');
        } catch (error) {
          return (error as Error).message;
        }
      }}
    />
  );
}

export function ColumnsGroup() {
  const { spec, readOnly, set } = useSpec();
  const { pages } = spec;
  const isOne = pages.columns === 1;
  return (
    <SettingGroup title="Columns" aside={isOne ? 'one' : undefined}>
      <ChoiceSetting
        label="Columns"
        value={String(pages.columns)}
        disabled={readOnly}
        choices={[1, 2, 3, 4].map((count) => [String(count), String(count)] as const)}
        onChange={(to) => set('pages.columns', Number(to), to === '1' ? 'One column' : `${to} columns`)}
      />
      {!isOne && (
        <>
          <ColumnWidths />
          <LengthSetting
            label="Gap between"
            value={pages.columnGap}
            disabled={readOnly}
            onChange={(to) => set('pages.columnGap', to, 'Column gap')}
          />
          <LengthSetting
            label="Rule between"
            value={pages.columnRule}
            disabled={readOnly}
            note={pages.columnRule.pt === 0 ? 'None.' : undefined}
            onChange={(to) => set('pages.columnRule', to, 'Rule between columns')}
          />
          <ChoiceSetting
            label="On the last page"
            value={pages.balanceColumns ? 'level' : 'filled'}
            disabled={readOnly}
            choices={[
              ['level', 'Columns end level'],
              ['filled', 'Columns are filled'],
            ]}
            onChange={(to) => set('pages.balanceColumns', to === 'level', 'Columns on a last page')}
          />
        </>
      )}
      <Elsewhere />
    </SettingGroup>
  );
}

/** Pages of single divisions and of roles. */
function Elsewhere() {
  const { spec, readOnly, set } = useSpec();
  const rows = useAppSelector(selectRunningOrder);
  const { others } = spec.pages;
  const roles = [...new Set(rows.map(({ role }) => role))].filter((role) => !isDisplayRole(role));
  const places: readonly (readonly [string, string])[] = [
    ...roles.map((role) => [role, `every ${roleFacts(role).name}`] as const),
    ...rows.filter(({ role }) => roles.includes(role)).map(({ id, name }) => [id, name] as const),
  ];
  const nameOf = (key: string) => places.find(([place]) => place === key)?.[1] ?? 'a division that is gone';
  const put = (key: string, to: OtherPages | null) => {
    const { [key]: _, ...rest } = others;
    return set('pages.others', to === null ? rest : { ...others, [key]: to }, `Page of ${nameOf(key)}`);
  };
  return (
    <>
      {Object.entries(others).map(([key, own]) => (
        <div key={key} className="border-l-2 border-base-300">
          <p className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1">
            <span className="truncate font-semibold">{nameOf(key)}</span>
            <button className={BUTTON} disabled={readOnly} onClick={() => put(key, null)}>
              As the book
            </button>
          </p>
          <OwnPageFields own={own} margins={spec.page.margins} disabled={readOnly} onChange={(to) => put(key, to)} />
        </div>
      ))}
      <ChoiceSetting
        label="Exceptions for"
        value=""
        disabled={readOnly}
        choices={[['', 'a division, a role'], ...places.filter(([key]) => !(key in others))]}
        onChange={(key) => key !== '' && put(key, { columns: 2, columnGap: spec.pages.columnGap })}
      />
    </>
  );
}

const SIDES = [
  ['head', 'At the head'],
  ['foot', 'At the foot'],
  ['back', 'At the back'],
  ['foreEdge', 'At the fore-edge'],
] as const;

export function BleedGroup() {
  const { spec, readOnly, set } = useSpec();
  const { bleed, sheetEdge } = spec.page;
  const most = Math.max(...SIDES.map(([side]) => bleed[side].pt));
  return (
    <SettingGroup title="Bleed" aside={most === 0 ? 'none' : 'cut away'}>
      {SIDES.map(([side, label]) => (
        <LengthSetting
          key={side}
          label={label}
          value={bleed[side]}
          disabled={readOnly}
          onChange={(to) => set(`page.bleed.${side}`, to, `Bleed ${label.toLowerCase()}`)}
        />
      ))}
      <LengthSetting
        label="Sheet edge"
        value={sheetEdge}
        disabled={readOnly}
        note={
          sheetEdge.pt === 0 ? 'Nothing beyond the bleed.' : 'What the sheet holds beyond the bleed, in the press PDF.'
        }
        onChange={(to) => set('page.sheetEdge', to, 'Sheet edge')}
      />
    </SettingGroup>
  );
}

const PLACES: readonly (readonly [Guide['on'], string])[] = [
  ['all', 'all pages'],
  ['mirrored', 'mirrored'],
  ['recto', 'rectos'],
  ['verso', 'versos'],
];
const BUTTON = 'btn btn-xs border-base-300 bg-base-100';

export function GuidesGroup() {
  const dispatch = useAppDispatch();
  const { spec, readOnly, set } = useSpec();
  const layers = useAppSelector((state) => state.view.layers);
  const { guides, trim } = spec.page;
  const put = (next: readonly Guide[], name: string) => {
    if (!layers.includes('guides')) dispatch(layersShown([...layers, 'guides']));
    return set('page.guides', next, name);
  };
  const add = (axis: Guide['axis']) => {
    const at = { pt: (axis === 'across' ? trim.height.pt : trim.width.pt) / 3, unit: trim.width.unit };
    put([...guides, { axis, at, on: axis === 'across' ? 'all' : 'mirrored' }], 'Guide added');
  };
  return (
    <SettingGroup title="Guides" aside={guides.length === 0 ? 'none' : String(guides.length)}>
      {guides.map((guide, index) => (
        <div key={index} className="border-b border-hairline">
          <LengthSetting
            label={guide.axis === 'across' ? 'Across, from the head' : 'Down, from the back'}
            value={guide.at}
            disabled={readOnly}
            onChange={(at) =>
              at.pt <= (guide.axis === 'across' ? trim.height.pt : trim.width.pt)
                ? put(guides.with(index, { ...guide, at }), 'Guide moved')
                : `That is off the page, which ends at ${formatNumber(guide.axis === 'across' ? trim.height.pt : trim.width.pt, at.unit)}.`
            }
          />
          <div className="flex items-center justify-between px-3.5 py-1">
            <select
              aria-label={`Pages of guide ${index + 1}`}
              className="setting-select w-[110px]"
              value={guide.on}
              disabled={readOnly}
              onChange={(event) =>
                put(guides.with(index, { ...guide, on: event.target.value as Guide['on'] }), 'Pages of a guide')
              }
            >
              {PLACES.map(([key, name]) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </select>
            <button
              className={BUTTON}
              disabled={readOnly}
              onClick={() => put(guides.toSpliced(index, 1), 'Guide taken away')}
            >
              Remove
            </button>
          </div>
        </div>
      ))}
      <p className="flex gap-2 px-3.5 py-1.5">
        <button className={BUTTON} disabled={readOnly} onClick={() => add('across')}>
          Across
        </button>
        <button className={BUTTON} disabled={readOnly} onClick={() => add('down')}>
          Down
        </button>
      </p>
    </SettingGroup>
  );
}

const UNITS: readonly (readonly [Unit | '', string])[] = [
  ['', 'As typed'],
  ['mm', 'Millimetres'],
  ['cm', 'Centimetres'],
  ['in', 'Inches'],
  ['pt', 'Points'],
  ['pica', 'Picas, 1p6'],
  ['px', 'Pixels'],
];

export function UnitsGroup() {
  const { spec, readOnly, set } = useSpec();
  const { unit, dpi } = spec.page;
  return (
    <SettingGroup title="Units" aside={unit ?? undefined}>
      <ChoiceSetting
        label="Lengths in"
        value={unit ?? ''}
        disabled={readOnly}
        note="Every field takes any unit, and sums such as 8in - 5in."
        choices={UNITS}
        onChange={(to) => set('page.unit', to === '' ? null : to, 'Unit of lengths')}
      />
      <NumberSetting
        label="Pixels in an inch"
        value={dpi}
        disabled={readOnly}
        onChange={(to) => set('page.dpi', to, 'Pixels in an inch')}
      />
    </SettingGroup>
  );
}
