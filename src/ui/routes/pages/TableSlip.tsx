// The slip of the table pointed at: its style, where it stands and how wide it is, and whether the row begins a page.
import type { TablePlace } from '../../../core/copy/findTable';
import { setRowBegins, setTableSetting, setTableStyle } from '../../../state/copy/tableThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import { ChoiceSetting } from '../../components/Setting';
import { TABLE_PLACES, widthInWords, widthTyped } from '../../components/tableSetting';
import { TextSetting } from '../../components/TextSetting';
import { Toggle } from './slipFields';

export function TableSlip({ place, found }: { place: ParagraphPlace; found: TablePlace }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const tables = useAppSelector((state) => state.book.book!.spec.tables);
  const { table, row } = found;
  const { setting = {} } = table;
  const begins = table.rowLooks?.[row]?.breakBefore === true;
  return (
    <section aria-label="This table">
      <h2 className="flex justify-between border-b border-base-300 px-3.5 pb-1.5 pt-2.5 font-semibold">
        This table
        <span className="font-normal text-quiet">
          {table.rows.length} × {table.columns}
        </span>
      </h2>
      <ChoiceSetting
        label="Style"
        value={table.style in tables ? table.style : 'TB'}
        disabled={readOnly}
        choices={Object.entries(tables).map(([tag, { name }]) => [tag, name] as const)}
        onChange={(to) => dispatch(setTableStyle(place, to))}
      />
      <ChoiceSetting
        label="Place"
        value={setting.place ?? ''}
        disabled={readOnly}
        choices={TABLE_PLACES}
        onChange={(to) =>
          dispatch(
            setTableSetting(place, { place: TABLE_PLACES.map(([key]) => key).find((key) => key === to) || undefined }),
          )
        }
      />
      <TextSetting
        label="Width"
        value={widthInWords(setting)}
        disabled={readOnly}
        placeholder="by content"
        note="A length, or “full”."
        onChange={(typed) => {
          const width = widthTyped(typed);
          if (typeof width === 'string') return width;
          dispatch(setTableSetting(place, width));
          return null;
        }}
      />
      <Toggle
        label="Kept whole"
        isOn={setting.together === true}
        cost=""
        disabled={readOnly}
        onChange={(to) => dispatch(setTableSetting(place, { together: to ? true : undefined }))}
      />
      {row > 0 && (
        <Toggle
          label="This row begins a page"
          isOn={begins}
          cost=""
          disabled={readOnly}
          onChange={(to) => dispatch(setRowBegins(place, to))}
        />
      )}
    </section>
  );
}
