// Page: the trim, the margins and what they come from, columns, bleed, guides, units.
import { typeShare } from '../../../core/measure/canon';
import { backForExtent } from '../../../core/measure/canon';
import { maybeTradeTrim } from '../../../core/measure/trims';
import { typeArea } from '../../../core/measure/typeArea';
import { useAppSelector } from '../../../state/hooks';
import { pageFacts } from '../../../state/spec/specThunks';
import { ChoiceSetting, LengthSetting, SettingGroup } from '../../components/Setting';
import { useUnits } from '../../components/useUnits';
import { versoWordsLost } from './furniture/versoWords';
import { CanonGroup } from './CanonGroup';
import { BleedGroup, ColumnsGroup, GuidesGroup, UnitsGroup } from './SheetGroups';
import { OwnTrims, TrimChoice } from './TrimChoice';
import { useSpec } from './useSetSpec';

const MARGINS = [
  ['head', 'Head'],
  ['foot', 'Foot'],
  ['back', 'Back'],
  ['foreEdge', 'Fore-edge'],
] as const;

export function PageTopic() {
  const { spec, readOnly, set } = useSpec();
  const { trim, margins, facing } = spec.page;
  const trade = maybeTradeTrim(trim.width.pt, trim.height.pt);
  const isWide = trim.width.pt > trim.height.pt;
  const turn = (to: string) => {
    const wide = to === 'landscape';
    if (wide !== isWide) set('page.trim', { width: trim.height, height: trim.width }, wide ? 'Landscape' : 'Portrait');
  };
  return (
    <>
      <SettingGroup title="Trim" aside={trade?.name ?? 'custom size'}>
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
        <ChoiceSetting
          label="Orientation"
          value={isWide ? 'landscape' : 'portrait'}
          disabled={readOnly || trim.width.pt === trim.height.pt}
          choices={[
            ['portrait', 'Portrait'],
            ['landscape', 'Landscape'],
          ]}
          onChange={turn}
        />
        <ChoiceSetting
          label="Pages"
          value={facing ? 'facing' : 'single'}
          disabled={readOnly}
          note={facing ? undefined : <SinglePagesNote />}
          choices={[
            ['facing', 'Facing, mirrored'],
            ['single', 'Single'],
          ]}
          onChange={(to) => set('page.facing', to === 'facing', to === 'facing' ? 'Facing pages' : 'Single pages')}
        />
        <OwnTrims />
      </SettingGroup>
      <SettingGroup title="Margins" aside={facing ? 'mirrored' : undefined}>
        {MARGINS.map(([key, label]) => (
          <LengthSetting
            key={key}
            label={label}
            value={margins[key]}
            disabled={readOnly}
            onChange={(to) => set(`page.margins.${key}`, to, `${label} margin`)}
          />
        ))}
        <AreaFacts />
      </SettingGroup>
      <CanonGroup />
      <ColumnsGroup />
      <BleedGroup />
      <GuidesGroup />
      <UnitsGroup />
    </>
  );
}

/** What single pages do, and what of the furniture is lost by it. */
function SinglePagesNote() {
  const lost = versoWordsLost(useSpec().spec);
  return (
    <>
      The back margin is at the left of every page; nothing waits for a recto.
      {lost.length > 0 && (
        <span className="block text-warning" role="note">
          What versos carried stands on no page: {lost.join('; ')}.
        </span>
      )}
    </>
  );
}

/** What the margins come to: type area, its share of the page, and whether the back suits the extent. */
function AreaFacts() {
  const { spec } = useSpec();
  const units = useUnits();
  const geometry = useAppSelector((state) => state.compose.summary?.geometry);
  const pages = useAppSelector((state) => pageFacts(state).pages);
  if (geometry === undefined) return null;
  const { page } = spec;
  const area = typeArea(page, geometry.capHeight, spec.text.leading.pt);
  const least = backForExtent(pages, 'adhesive');
  const sewn = backForExtent(pages, 'sewn');
  const { pt: back, unit } = page.margins.back;
  const suits = back >= least - 0.05 ? 'enough' : back >= sewn - 0.05 ? 'enough if sewn' : 'too narrow';
  const facts: readonly (readonly [string, string])[] = [
    ['Type area', `${units.show({ pt: area.measure, unit })} × ${area.lines} lines`],
    ['Share of the page', `${Math.round(typeShare(page, area.depth) * 100)} %`],
    [`Back margin for ${pages} pages`, suits],
  ];
  return (
    <>
      <dl>
        {facts.map(([what, value]) => (
          <div key={what} className="flex justify-between gap-3 border-b border-hairline px-3.5 py-1">
            <dt className="text-quiet">{what}</dt>
            <dd className={value === 'too narrow' ? 'text-error' : ''}>{value}</dd>
          </div>
        ))}
      </dl>
      {suits !== 'enough' && (
        <p className="border-b border-hairline px-3.5 py-1 text-[12px] text-quiet">
          A glued back of this extent asks for {units.show({ pt: least, unit })}, a sewn one for{' '}
          {units.show({ pt: sewn, unit })}.
        </p>
      )}
    </>
  );
}
