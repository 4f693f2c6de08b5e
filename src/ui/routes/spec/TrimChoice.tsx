// The choice of a trim: trade sizes, and sizes of one's own that are kept by name for all books.
import { useCallback } from 'react';
import { describeTrim, inOtherUnit, maybeTradeTrim, TRADE_TRIMS, TRIM_TRADITIONS } from '../../../core/measure/trims';
import { length } from '../../../core/measure/units';
import { keptTrims } from '../../../state/spec/keptTrims';
import { useAppDispatch } from '../../../state/hooks';
import { KeptByName } from '../../components/KeptByName';
import { ChoiceSetting } from '../../components/Setting';
import { useUnits } from '../../components/useUnits';
import { useSpec } from './useSetSpec';

export function TrimChoice() {
  const { spec, readOnly, set } = useSpec();
  const { width, height } = spec.page.trim;
  const trade = maybeTradeTrim(width.pt, height.pt);
  const choose = (key: string) => {
    const found = TRADE_TRIMS.find((candidate) => candidate.key === key);
    if (found === undefined) return;
    const to = { width: length(found.width, found.unit), height: length(found.height, found.unit) };
    set('page.trim', to, `Trim ${found.name}`);
  };
  return (
    <ChoiceSetting
      label="Trade size"
      isWide
      value={trade?.key ?? ''}
      disabled={readOnly}
      note={trade && inOtherUnit(trade)}
      choices={[
        ...(trade ? [] : [['', 'Custom size'] as const]),
        ...TRADE_TRIMS.map(
          (candidate) => [candidate.key, describeTrim(candidate), TRIM_TRADITIONS[candidate.tradition]] as const,
        ),
      ]}
      onChange={choose}
    />
  );
}

/** Sizes of one's own: the present one is kept under a name, a kept one is taken. */
export function OwnTrims() {
  const dispatch = useAppDispatch();
  const { spec, readOnly, set } = useSpec();
  const units = useUnits();
  const { trim } = spec.page;
  const read = useCallback(() => dispatch(keptTrims.read()), [dispatch]);
  return (
    <div className="border-b border-hairline px-3.5 py-1.5">
      <KeptByName
        label="Custom sizes"
        nameLabel="Name of the size"
        none="no custom sizes"
        some="custom sizes"
        keepWords="Keep this size"
        suggested={`${units.show(trim.width)} × ${units.show(trim.height)}`}
        mayKeep={maybeTradeTrim(trim.width.pt, trim.height.pt) === undefined}
        mayUse={!readOnly}
        read={read}
        keep={(name) => dispatch(keptTrims.keep({ name, ...trim }))}
        drop={(name) => dispatch(keptTrims.drop(name))}
        onPick={({ name, width, height }) => void set('page.trim', { width, height }, `Trim ${name}`)}
      />
    </div>
  );
}
