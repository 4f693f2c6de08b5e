// Page: the trim and the four margins.
import { maybeTradeTrim } from '../../../core/measure/trims';
import { typeArea } from '../../../core/measure/typeArea';
import { formatNumber } from '../../../core/measure/units';
import { useAppSelector } from '../../../state/hooks';
import { LengthSetting, SettingGroup } from '../../components/Setting';
import { StartingSpecChoice } from '../../components/StartingSpecChoice';
import { TrimChoice } from './TrimChoice';
import { useSpec } from './useSetSpec';

const MARGINS = [
  ['head', 'Head'],
  ['foot', 'Foot'],
  ['back', 'Back'],
  ['foreEdge', 'Fore-edge'],
] as const;

export function PageTopic() {
  const { spec, readOnly, set } = useSpec();
  const { trim, margins } = spec.page;
  const trade = maybeTradeTrim(trim.width.pt, trim.height.pt);
  return (
    <>
      <SettingGroup title="Set as" aside="the whole spec">
        <StartingSpecChoice />
      </SettingGroup>
      <SettingGroup title="Trim" aside={trade?.name ?? 'own size'}>
        <TrimChoice />
        <LengthSetting
          label="Width"
          value={trim.width}
          disabled={readOnly}
          onChange={(to) => set('page.trim.width', to, 'Trim width')}
        />
        <LengthSetting
          label="Height"
          value={trim.height}
          disabled={readOnly}
          onChange={(to) => set('page.trim.height', to, 'Trim height')}
        />
      </SettingGroup>
      <SettingGroup title="Margins" aside="mirrored">
        {MARGINS.map(([key, label]) => (
          <LengthSetting
            key={key}
            label={label}
            value={margins[key]}
            disabled={readOnly}
            onChange={(to) => set(`page.margins.${key}`, to, `${label} margin`)}
          />
        ))}
      </SettingGroup>
      <AreaNote />
    </>
  );
}

/** What the margins leave, in words. */
function AreaNote() {
  const { spec } = useSpec();
  const geometry = useAppSelector((state) => state.compose.summary?.geometry);
  if (geometry === undefined) return null;
  const area = typeArea(spec.page, geometry.capHeight, spec.text.leading.pt);
  const over =
    area.left > 0.1
      ? ` The foot is ${formatNumber(area.left, 'pt')} pt deeper than asked, so that whole lines fill the area.`
      : '';
  return (
    <p className="px-3.5 text-quiet">
      Type area {formatNumber(area.measure, 'pt')} pt wide, {area.lines} lines deep.{over}
    </p>
  );
}
