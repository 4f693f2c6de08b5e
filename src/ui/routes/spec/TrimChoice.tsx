// The choice of a trade size, in Spec and on the arrival sheet.
import { describeTrim, maybeTradeTrim, TRADE_TRIMS } from '../../../core/measure/trims';
import { length } from '../../../core/measure/units';
import { ChoiceSetting } from '../../components/Setting';
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
      choices={[
        ...(trade ? [] : [['', 'Own size'] as const]),
        ...TRADE_TRIMS.map((candidate) => [candidate.key, describeTrim(candidate)] as const),
      ]}
      onChange={choose}
    />
  );
}
