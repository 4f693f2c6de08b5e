// Furniture and folios: sets of running heads and feet by page role, the folio runs, and the touches of single pages.
import { FURNITURE_ROLES, type FurnitureRole } from '../../../../core/model/spec/pageRoles';
import { roleFurniture, slotsOf, type FurnitureLine, type FurnitureRule } from '../../../../core/model/spec/furniture';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { selectSections, selectSpreads } from '../../../../state/book/selectors';
import { hasRole, pagesOfSpread } from '../drawing/shownSpread';
import { furnitureRoleChosen, slotChosen, type SlotPlace } from '../../../../state/view/viewSlice';
import { ChoiceSetting, NumberSetting, SettingGroup } from '../../../components/Setting';
import { FolioRuns } from './FolioRuns';
import { FurnitureSets } from './FurnitureSets';
import { PageRanges } from './PageRanges';
import { PageTouches } from './PageTouches';
import { Sections } from './Sections';
import { useFurniture } from './useFurniture';
import { versoWordsLost } from './versoWords';
import { callPage } from '../../../../state/view/pageThunks';

const ROLE_NAMES: Readonly<Record<FurnitureRole, string>> = {
  text: 'Text pages',
  section: 'First pages of sections',
  opener: 'Openers',
  display: 'Display pages',
  plate: 'Plates',
  blank: 'Blanks',
};

export function FurnitureTopic() {
  return (
    <>
      <FurnitureSets />
      <LostHeads />
      <Roles />
      <OwnOfSections />
      <Line at="head" />
      <Line at="foot" />
      <FolioRuns />
      <Sections />
      <PageRanges />
      <PageTouches />
    </>
  );
}

/** Single pages are all rectos: what is said of versos apart stands nowhere. */
function LostHeads() {
  const { spec } = useFurniture();
  const lost = versoWordsLost(spec);
  if (lost.length === 0) return null;
  return (
    <p role="note" className="border-b border-hairline px-3.5 py-1.5 text-[12px] text-warning">
      Pages are single, so what versos carried stands on no page: {lost.join('; ')}.
    </p>
  );
}

/** First pages of sections go as other text pages until they are given something of their own. */
function OwnOfSections() {
  const { set, role, setRole, readOnly } = useFurniture();
  if (role !== 'section') return null;
  const isOwn = set.roles.section !== null;
  return (
    <p className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5">
      <span className="text-quiet">{isOwn ? 'Set apart from other text pages' : 'As other text pages'}</span>
      <button
        className="btn btn-xs"
        disabled={readOnly}
        onClick={() =>
          setRole(
            'section',
            isOwn ? null : set.roles.text,
            isOwn ? 'First pages of sections as text pages' : 'Furniture of first pages of sections',
          )
        }
      >
        {isOwn ? 'As text pages' : 'Set apart'}
      </button>
    </p>
  );
}

/** The page roles, each with what its pages carry; choosing one shows a page of it. */
function Roles() {
  const dispatch = useAppDispatch();
  const { set, role } = useFurniture();
  const spreads = useAppSelector(selectSpreads);
  const begun = new Set(useAppSelector(selectSections).map(({ page }) => page));
  const pages = spreads.flatMap(pagesOfSpread);
  const ofRole = (of: FurnitureRole) => pages.filter((page) => hasRole(page, of, begun));
  const choose = (of: FurnitureRole) => {
    dispatch(furnitureRoleChosen(of));
    const [first] = ofRole(of);
    if (of !== 'text' && first !== undefined) dispatch(callPage(first.index));
  };
  return (
    <SettingGroup title="By page role" aside="a page’s role decides">
      {FURNITURE_ROLES.map((of) => {
        const { head, foot } = roleFurniture(set, of);
        const carried = [isFilled(head) ? 'head' : '', isFilled(foot) ? 'foot' : ''].filter(Boolean).join(', ');
        const carries = of === 'section' && set.roles.section === null ? 'as text pages' : carried;
        return (
          <button
            key={of}
            aria-pressed={of === role}
            className={`grid w-full grid-cols-[1fr_auto_38px] items-baseline gap-2 border-b border-hairline px-3.5 py-1.5 text-left ${of === role ? 'bg-tint font-semibold' : 'hover:bg-base-200'}`}
            onClick={() => choose(of)}
          >
            <span>{ROLE_NAMES[of]}</span>
            <span className="font-normal text-quiet">{carries || 'nothing'}</span>
            <span className="text-right font-normal text-quiet">{ofRole(of).length}</span>
          </button>
        );
      })}
    </SettingGroup>
  );
}

const isFilled = (line: FurnitureLine | null) =>
  line !== null &&
  (['recto', 'verso'] as const).some((side) =>
    Object.values(slotsOf(line, side)).some(({ parts }) => parts.length > 0),
  );

function Line({ at }: { at: SlotPlace['at'] }) {
  const dispatch = useAppDispatch();
  const { lineAt, lineOrNew, setLine, readOnly, role } = useFurniture();
  const line = lineAt(at);
  const name = at === 'head' ? 'Head' : 'Foot';
  if (line === null)
    return (
      <SettingGroup title={name} aside={ROLE_NAMES[role].toLowerCase()}>
        <div className="flex items-center justify-between px-3.5 py-1.5 text-quiet">
          <span>These pages carry none.</span>
          <button
            className="btn btn-xs"
            disabled={readOnly}
            onClick={() => {
              setLine(at, lineOrNew(at), `${name} of ${ROLE_NAMES[role].toLowerCase()}`);
              dispatch(slotChosen({ at, side: 'recto', slot: 'foreEdge' }));
            }}
          >
            Add one
          </button>
        </div>
      </SettingGroup>
    );
  const set = (change: Partial<FurnitureLine>, what: string) => setLine(at, { ...line, ...change }, what);
  return (
    <SettingGroup title={name} aside={ROLE_NAMES[role].toLowerCase()}>
      <ChoiceSetting
        label="Sides"
        value={line.verso === null ? 'mirrored' : 'own'}
        disabled={readOnly}
        choices={[
          ['mirrored', 'Mirrored'],
          ['own', 'Separate'],
        ]}
        onChange={(to) => set({ verso: to === 'own' ? line.recto : null }, 'Sides of the furniture')}
      />
      <NumberSetting
        label={at === 'head' ? 'Above the text' : 'Below the text'}
        unit="lines"
        value={line.distance}
        disabled={readOnly}
        onChange={(distance) => set({ distance }, 'Distance of the furniture')}
      />
      <Rule
        label="Rule above"
        rule={line.ruleAbove}
        onChange={(ruleAbove) => set({ ruleAbove }, 'Rule above the furniture')}
      />
      <Rule
        label="Rule below"
        rule={line.ruleBelow}
        onChange={(ruleBelow) => set({ ruleBelow }, 'Rule below the furniture')}
      />
      <div className="flex justify-end px-3.5 py-1.5">
        <button
          className="btn btn-xs"
          disabled={readOnly}
          onClick={() => setLine(at, null, `No ${at} on ${ROLE_NAMES[role].toLowerCase()}`)}
        >
          Remove it
        </button>
      </div>
    </SettingGroup>
  );
}

/** Points from the baseline to a rule that nobody placed. */
const RULE_OFFSET = { above: 12, below: 5 };

function Rule({
  label,
  rule,
  onChange,
}: {
  label: string;
  rule: FurnitureRule | null;
  onChange: (rule: FurnitureRule | null) => string | null;
}) {
  const { readOnly } = useFurniture();
  const offset = label.endsWith('above') ? RULE_OFFSET.above : RULE_OFFSET.below;
  return (
    <>
      <NumberSetting
        label={label}
        unit="pt"
        value={rule?.weight ?? 0}
        disabled={readOnly}
        onChange={(weight) => onChange(weight === 0 ? null : { offset, ...rule, weight })}
      />
      {rule !== null && (
        <NumberSetting
          label="From the baseline"
          unit="pt"
          value={rule.offset}
          disabled={readOnly}
          onChange={(to) => onChange({ ...rule, offset: to })}
        />
      )}
    </>
  );
}
