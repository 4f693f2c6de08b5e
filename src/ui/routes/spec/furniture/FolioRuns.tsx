// The folio runs of the book as they come: where each begins, its numerals and its first number.
import { useNavigate } from 'react-router';
import { chooseDivision } from '../../../../state/copy/galleyThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { selectRunningOrder } from '../../../../state/book/selectors';
import { ChoiceSetting, SettingGroup } from '../../../components/Setting';
import { useSpec } from '../useSetSpec';

export function FolioRuns() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { spec, readOnly, set } = useSpec();
  const rows = useAppSelector(selectRunningOrder);
  const book = useAppSelector((state) => state.book.book)!;
  const own = book.divisions.flatMap(({ id, run }) => {
    const row = rows.find((one) => one.id === id);
    return run === undefined || row === undefined ? [] : [{ row, run }];
  });
  return (
    <SettingGroup title="Folios">
      <ChoiceSetting
        label="Front matter"
        value={spec.folios.front}
        disabled={readOnly}
        choices={[
          ['roman', 'Roman, body from 1'],
          ['arabic', 'One arabic run'],
        ]}
        onChange={(to) => set('folios.front', to, 'Folio runs')}
      />
      <ChoiceSetting
        label="Plates"
        value={spec.folios.plates}
        disabled={readOnly}
        choices={[
          ['counted', 'Counted'],
          ['uncounted', 'Not counted'],
        ]}
        onChange={(to) => set('folios.plates', to, 'Folios of plates')}
      />
      {own.map(({ row, run }) => (
        <button
          key={row.id}
          className="flex w-full justify-between gap-3 border-b border-hairline px-3.5 py-1 text-left hover:bg-base-200"
          title="To its settings in Copy"
          onClick={() => {
            dispatch(chooseDivision(row.id));
            void navigate('../copy', { relative: 'path' });
          }}
        >
          <span className="truncate">{row.name}</span>
          <span className="whitespace-nowrap text-quiet">
            {run.numerals === 'none' ? 'no folios' : `from ${row.folio || run.start || '…'}`}
            {run.hidden ? ', not shown' : ''}
          </span>
        </button>
      ))}
      <p className="px-3.5 pt-1 text-[12px] text-quiet">
        A run of its own begins at a division (Copy, Division) or at a page (Pages, the slip).
      </p>
    </SettingGroup>
  );
}
