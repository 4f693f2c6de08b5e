// The chosen division: its role, where it begins, how it is laid out, furnished and numbered, and where it is left out.
import { useId, useState, type ReactNode } from 'react';
import { canBeRead, type Division } from '../../../core/model/copy/book';
import { layoutsOf } from '../../../core/defaults/displayLayouts';
import { openerKind, openerSettings } from '../../../core/copy/openers';
import type { FolioRun } from '../../../core/model/spec/numbering';
import { isDisplayRole, roleFacts, roleName, ROLES, type DivisionRole } from '../../../core/model/copy/roles';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import {
  makeEbookPage,
  partsOnTheWay,
  removeDivision,
  setDivision,
  setRole,
  takeLayout,
} from '../../../state/order/orderThunks';
import { selectRunningOrder } from '../../../state/book/selectors';
import { LANGUAGES } from '../../../core/model/copy/languages';
import type { Plain } from '../../../core/model/copy/bookEdit';
import type { OtherPages } from '../../../core/model/spec/spec';
import { setSpec } from '../../../state/spec/specThunks';
import { BeginSettings } from '../../components/BeginSettings';
import { OwnPageFields } from '../../components/OwnPageFields';
import { FolioRunFields } from '../../components/FolioRunFields';
import { ChoiceSetting, NumberSetting, SettingGroup, SettingRow } from '../../components/Setting';
import { TextSetting } from '../../components/TextSetting';

const STARTS = [
  ['', 'as its role does'],
  ['any', 'on a new page'],
  ['same', 'on the same page'],
] as const;

const PLACINGS = [
  ['', 'As its styles say'],
  ['head', 'At the head'],
  ['third', 'At a third'],
  ['middle', 'In the middle'],
  ['foot', 'At the foot'],
] as const;

export function DivisionPanel() {
  const chosen = useAppSelector((state) => state.view.division);
  const division = useAppSelector((state) => state.book.book?.divisions.find(({ id }) => id === chosen));
  if (division === undefined)
    return (
      <p className="px-3.5 py-3 text-quiet">Choose a division of the running order to set how it stands in the book.</p>
    );
  return <Facts key={division.id} division={division} />;
}

function Facts({ division }: { division: Division }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  return (
    <>
      <Standing division={division} />
      <Layouts division={division} />
      {!isDisplayRole(division.role) && division.start !== 'same' && <OwnPage division={division} />}
      <InTheBook division={division} />
      <Run division={division} />
      <Corrections division={division} />
      <div className="px-3.5 pb-2">
        <button className="btn btn-xs" disabled={readOnly} onClick={() => dispatch(removeDivision(division.id))}>
          Remove from the book
        </button>
      </div>
    </>
  );
}

/** Changes facts of the division; `what`: its name in the history. */
function useFacts(division: Division) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const set = (change: Parameters<typeof setDivision>[1], what: string) =>
    dispatch(setDivision(division.id, change, what));
  return { readOnly, set };
}

/** What it is, and how it begins. */
function Standing({ division }: { division: Division }) {
  const dispatch = useAppDispatch();
  const spec = useAppSelector((state) => state.book.book!.spec);
  const row = useAppSelector((state) => selectRunningOrder(state).find(({ id }) => id === division.id));
  const { readOnly, set } = useFacts(division);
  const [asked, setAsked] = useState<{ readonly role: DivisionRole; readonly parts: number } | null>(null);
  const take = (role: DivisionRole, moves: boolean) => {
    setAsked(null);
    dispatch(setRole(division, role, moves));
  };
  // Over a part is far: that is asked first.
  const choose = (role: DivisionRole) => {
    const parts = dispatch(partsOnTheWay(division, role));
    if (parts > 0) setAsked({ role, parts });
    else take(role, true);
  };
  const isDisplay = isDisplayRole(division.role);
  const kind = openerKind(spec, division, row?.words ?? 0);
  return (
    <SettingGroup title={row?.name ?? ''} aside={row?.folio ? `folio ${row.folio}` : undefined}>
      <ChoiceSetting
        label="Role"
        value={division.role}
        disabled={readOnly}
        choices={(Object.keys(ROLES) as DivisionRole[]).map((role) => [role, roleName(role)])}
        onChange={(role) => choose(role as DivisionRole)}
      />
      {asked !== null && (
        <div role="group" aria-label="Place in the order" className="border-b border-hairline px-3.5 py-2">
          <p>
            {`Its place as ${roleFacts(asked.role).name} is over ${asked.parts === 1 ? 'a part' : `${asked.parts} parts`} of the book.`}
          </p>
          <div className="mt-1.5 flex gap-2">
            <button className="btn btn-xs" onClick={() => take(asked.role, true)}>
              Move it there
            </button>
            <button className="btn btn-xs" onClick={() => take(asked.role, false)}>
              Leave it here
            </button>
          </div>
        </div>
      )}
      <BeginSettings
        value={division.start ?? ''}
        eitherSide="any"
        disabled={readOnly}
        choices={STARTS.filter(([key]) => key !== 'same' || !isDisplay)}
        note={startNote(division, row?.madeBlank ?? false)}
        onChange={(start) => set({ start: (start || undefined) as Division['start'] }, 'start')}
      />
      <Tick
        label="A blank before it for its side"
        isOn={division.noBlank !== true}
        disabled={readOnly}
        onChange={(on) => set({ noBlank: on ? undefined : true }, on ? 'blank allowed' : 'no blank')}
      />
      {!isDisplay && division.start !== 'same' && (
        <NumberSetting
          label="Sink"
          unit="lines"
          value={division.sink ?? openerSettings(spec, kind).sink}
          disabled={readOnly}
          note={
            division.sink === undefined ? (
              'As openers of its kind.'
            ) : (
              <Back onClick={() => set({ sink: undefined }, 'sink as its kind')} />
            )
          }
          onChange={(sink) => set({ sink }, 'sink')}
        />
      )}
      {isDisplay && (
        <ChoiceSetting
          label="Position on page"
          value={division.placing ?? ''}
          disabled={readOnly}
          choices={PLACINGS}
          onChange={(placing) => set({ placing: (placing || undefined) as Division['placing'] }, 'placing')}
        />
      )}
    </SettingGroup>
  );
}

function Layouts({ division }: { division: Division }) {
  const dispatch = useAppDispatch();
  const { readOnly } = useFacts(division);
  const layouts = layoutsOf(division.role);
  if (layouts.length === 0) return null;
  return (
    <SettingGroup title="Layout">
      {layouts.map(({ key, name }) => (
        <button
          key={key}
          className="flex w-full items-baseline gap-2 border-b border-hairline px-3.5 py-1.5 text-left hover:bg-base-200"
          aria-pressed={(division.layout ?? layouts[0].key) === key}
          disabled={readOnly}
          onClick={() => dispatch(takeLayout(division.id, key))}
        >
          <span
            aria-hidden
            className={`mt-[3px] size-2.5 shrink-0 rounded-full border ${(division.layout ?? layouts[0].key) === key ? 'border-primary bg-primary' : 'border-base-300'}`}
          />
          {name}
        </button>
      ))}
    </SettingGroup>
  );
}

function InTheBook({ division }: { division: Division }) {
  const dispatch = useAppDispatch();
  const spec = useAppSelector((state) => state.book.book!.spec);
  const { readOnly, set } = useFacts(division);
  return (
    <SettingGroup title="In the book">
      <Tick
        label="Listed in the contents"
        isOn={division.listed}
        disabled={readOnly}
        onChange={(listed) => set({ listed }, listed ? 'listed' : 'not listed')}
      />
      <Tick
        label="In the printed book"
        isOn={division.notInPrint !== true}
        disabled={readOnly}
        onChange={(on) => set({ notInPrint: on ? undefined : true }, on ? 'in print' : 'out of print')}
      />
      {canBeRead(division) && (
        <Tick
          label="In the ebook"
          isOn={division.notInEbook !== true}
          disabled={readOnly}
          onChange={(on) => set({ notInEbook: on ? undefined : true }, on ? 'in the ebook' : 'out of the ebook')}
        />
      )}
      {division.role === 'imprint' && division.notInPrint !== true && division.notInEbook !== true && (
        <div className="flex justify-end border-b border-hairline px-3.5 py-1">
          <button
            className="btn btn-xs"
            disabled={readOnly}
            title="Adds a page with the same words that is in the ebook alone; this one is in print alone"
            onClick={() => dispatch(makeEbookPage(division.id))}
          >
            Make one for the ebook
          </button>
        </div>
      )}
      <ChoiceSetting
        label="Language"
        value={division.language ?? ''}
        disabled={readOnly}
        choices={[['', 'as the book'] as const, ...Object.entries(LANGUAGES)]}
        onChange={(language) => set({ language: language || undefined }, 'language')}
      />
      <TextSetting
        label="Short title"
        value={division.shortTitle ?? ''}
        disabled={readOnly}
        placeholder="for running heads"
        onChange={(shortTitle) => set({ shortTitle: shortTitle || undefined }, 'short title')}
      />
      <ChoiceSetting
        label="Furniture"
        value={division.furniture ?? ''}
        disabled={readOnly}
        choices={[
          ['', `${spec.furniture.set}, the book’s`] as const,
          ...Object.keys(spec.furniture.sets).map((name) => [name, name] as const),
        ]}
        onChange={(name) => set({ furniture: name || undefined }, 'furniture')}
      />
    </SettingGroup>
  );
}

function Run({ division }: { division: Division }) {
  const { readOnly, set } = useFacts(division);
  return (
    <SettingGroup title="Folio run">
      <Tick
        label="A folio run begins here"
        isOn={division.run !== undefined}
        disabled={readOnly}
        onChange={(on) => set({ run: on ? ownRun(division) : undefined }, on ? 'folio run' : 'no folio run')}
      />
      {division.run !== undefined && (
        <FolioRunFields run={division.run} disabled={readOnly} onChange={(run) => set({ run }, 'folio run')} />
      )}
    </SettingGroup>
  );
}

/** Columns and margins of this division alone. */
function OwnPage({ division }: { division: Division }) {
  const dispatch = useAppDispatch();
  const { page, pages } = useAppSelector((state) => state.book.book!.spec);
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const own = pages.others[division.id];
  const ofRole = pages.others[division.role];
  const put = (to: OtherPages | null) => {
    const { [division.id]: _, ...rest } = pages.others;
    const others = to === null ? rest : { ...rest, [division.id]: to };
    return dispatch(setSpec(['pages', 'others'], others as unknown as Plain, 'Page of a division'));
  };
  return (
    <SettingGroup
      title="Page"
      aside={own === undefined ? (ofRole === undefined ? undefined : 'as its role') : 'a page of its own'}
    >
      <Tick
        label="A page of its own"
        isOn={own !== undefined}
        disabled={readOnly}
        onChange={(on) => put(on ? (ofRole ?? { columns: pages.columns, columnGap: pages.columnGap }) : null)}
      />
      {own !== undefined && <OwnPageFields own={own} margins={page.margins} disabled={readOnly} onChange={put} />}
    </SettingGroup>
  );
}

const ownRun = ({ matter }: Division): FolioRun => ({
  numerals: matter === 'front' ? 'roman' : 'arabic',
  start: 1,
  prefix: '',
  hidden: false,
});

function startNote({ role, start }: Division, madeBlank: boolean): ReactNode {
  if (madeBlank) return 'A blank was made before it.';
  if (start !== undefined) return undefined;
  const wished = roleFacts(role).start;
  return wished === 'chapter' ? 'As chapters do.' : wished === 'any' ? 'On the next page.' : `On a ${wished}.`;
}

function Back({ onClick }: { onClick: () => void }) {
  return (
    <button className="underline" onClick={onClick}>
      As openers of its kind
    </button>
  );
}

export function Tick({
  label,
  isOn,
  disabled,
  onChange,
}: {
  label: string;
  isOn: boolean;
  disabled: boolean;
  onChange: (to: boolean) => void;
}) {
  const id = useId();
  return (
    <SettingRow label={label} id={id}>
      <input
        id={id}
        type="checkbox"
        className="checkbox checkbox-xs"
        checked={isOn}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
    </SettingRow>
  );
}

/** What entries of a list say otherwise than their heads, each with the way back. */
function Corrections({ division }: { division: Division }) {
  const dispatch = useAppDispatch();
  const headings = useAppSelector((state) => state.compose.summary?.headings) ?? [];
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const captions = useAppSelector((state) => state.compose.summary?.captions) ?? [];
  if (!['contents', 'figures', 'tables'].includes(division.role)) return null;
  const { corrections = {} } = division;
  const listed =
    division.role === 'contents'
      ? headings.filter(({ block, division: own }) => block !== '' && own !== division.id)
      : captions
          .filter(({ kind }) => kind === (division.role === 'figures' ? 'figure' : 'table'))
          .map(({ text, ...place }) => ({ ...place, title: text }));
  const set = (block: string, text: string) => {
    const next = { ...corrections };
    if (text === '') delete next[block];
    else next[block] = text;
    return dispatch(
      setDivision(
        division.id,
        { corrections: Object.keys(next).length === 0 ? undefined : next },
        text === '' ? 'entry as its head' : 'entry corrected',
      ),
    );
  };
  return (
    <SettingGroup title="Entries" aside={`${Object.keys(corrections).length} corrected`}>
      <p className="px-3.5 py-1 text-[12px] text-quiet">
        What is typed stands for the words of the head or caption; | breaks the line. Empty, the entry says what they
        say.
      </p>
      {listed.map(({ block, title, folio }) => (
        <TextSetting
          key={block}
          isWide
          label={`${title}, ${folio}`}
          value={(corrections[block] ?? '').replaceAll('\u2028', '|')}
          disabled={readOnly}
          placeholder={title}
          maxLength={400}
          onChange={(text) => set(block, text.trim().replaceAll('|', '\u2028'))}
        />
      ))}
    </SettingGroup>
  );
}
