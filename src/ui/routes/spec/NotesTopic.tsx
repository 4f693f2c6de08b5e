// Notes: their kinds, each with its place, its numbers and its signs; and how notes stand on the page.
import { useId, useState } from 'react';
import { noteLabel } from '../../../core/measure/numberNotes';
import type {
  NoteKind,
  NoteMarkSpec,
  NoteNumerals,
  NotePlace,
  NotePosition,
  NoteRestart,
  NoteSeparator,
} from '../../../core/model/notes';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { addNoteKind, convertKind, dropNoteKind, setNoteKind } from '../../../state/noteThunks';
import { addDivision } from '../../../state/orderThunks';
import { ChoiceSetting, NumberSetting, SettingGroup, SettingRow } from '../../components/Setting';
import { TextSetting } from '../../components/TextSetting';
import { useDraft } from '../../components/useDraft';
import { WordListSetting } from '../../components/WordListSetting';
import { useSpec } from './useSetSpec';

type Choices<T extends string> = readonly (readonly [T, string])[];

const PLACES: Choices<NotePlace> = [
  ['foot', 'foot of the page'],
  ['divisionEnd', 'end of the division'],
  ['bookEnd', 'notes division'],
  ['margin', 'outer margin'],
];
const NUMERALS: Choices<NoteNumerals> = [
  ['arabic', '1, 2, 3'],
  ['roman', 'i, ii, iii'],
  ['Roman', 'I, II, III'],
  ['letters', 'a, b, c'],
  ['Letters', 'A, B, C'],
  ['symbols', '*, †, ‡'],
  ['list', 'own signs'],
];
const RESTARTS: Choices<NoteRestart> = [
  ['page', 'on each page'],
  ['division', 'in each division'],
  ['part', 'in each part'],
  ['never', 'never'],
];
const POSITIONS: Choices<NotePosition> = [
  ['superior', 'superior figures'],
  ['raised', 'raised'],
  ['line', 'on the line'],
];
const SEPARATORS: Choices<NoteSeparator['kind']> = [
  ['space', 'white alone'],
  ['short', 'short rule'],
  ['full', 'full rule'],
];

export function NotesTopic() {
  const { spec } = useSpec();
  const kinds = Object.entries(spec.notes.kinds);
  const [chosen, setChosen] = useState(kinds[0][0]);
  const id = chosen in spec.notes.kinds ? chosen : kinds[0][0];
  return (
    <>
      <Kinds chosen={id} onChoose={setChosen} />
      <Kind key={id} id={id} kind={spec.notes.kinds[id]} />
      <OnThePage />
    </>
  );
}

/** The kinds as a list, each with a sample of its signs and its count. */
function Kinds({ chosen, onChoose }: { chosen: string; onChoose: (id: string) => void }) {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const notes = useAppSelector((state) => state.book.book!.notes);
  const kinds = Object.entries(spec.notes.kinds);
  const counts = new Map<string, number>();
  for (const note of Object.values(notes)) {
    const kind = note.kind in spec.notes.kinds ? note.kind : kinds[0][0];
    counts.set(kind, (counts.get(kind) ?? 0) + 1);
  }
  const add = () => {
    const id = dispatch(addNoteKind(freeName(kinds.map(([, { name }]) => name))));
    if (id !== null) onChoose(id);
  };
  return (
    <SettingGroup title="Kinds of notes">
      <ul>
        {kinds.map(([id, kind]) => (
          <li key={id} className="border-b border-hairline">
            <button
              aria-pressed={id === chosen}
              className={`grid w-full grid-cols-[1fr_auto_40px] items-baseline gap-3 px-3.5 py-1.5 text-left ${id === chosen ? 'bg-tint font-semibold' : 'hover:bg-base-200'}`}
              onClick={() => onChoose(id)}
            >
              <span className="truncate">{kind.name}</span>
              <span className="font-book text-[14px] font-normal text-quiet">{sample(kind)}</span>
              <span className="text-right font-normal text-quiet">{counts.get(id) ?? 0}</span>
            </button>
          </li>
        ))}
      </ul>
      <div className="flex justify-end px-3.5 py-1.5">
        <button className="btn btn-xs" disabled={readOnly || kinds.length >= 24} onClick={add}>
          Add a kind
        </button>
      </div>
    </SettingGroup>
  );
}

/** The first signs of a kind as they stand in the text. */
function sample(kind: NoteKind): string {
  if (kind.keyed) return 'by first words';
  const { before, after } = kind.reference;
  return [0, 1, 2].map((k) => `${before}${noteLabel(kind, kind.first + k)}${after}`).join(' ');
}

function freeName(taken: readonly string[]): string {
  const base = 'Note';
  for (let number = 2; ; number += 1) {
    const name = `${base} ${number}`;
    if (!taken.includes(name)) return name;
  }
}

interface KindProps {
  readonly id: string;
  readonly kind: NoteKind;
}

function Kind({ id, kind }: KindProps) {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const hasHome = useAppSelector((state) => state.book.book!.divisions.some(({ role }) => role === 'notes'));
  const set = (change: Partial<NoteKind>, name: string) => dispatch(setNoteKind(id, change, `${kind.name}: ${name}`));
  const choice = <K extends 'place' | 'numerals' | 'restart'>(
    key: K,
    label: string,
    choices: Choices<NoteKind[K]>,
    note?: string,
  ) => (
    <ChoiceSetting
      label={label}
      value={kind[key]}
      disabled={readOnly}
      choices={choices}
      note={note}
      onChange={(to) => set({ [key]: to } as Partial<NoteKind>, label.toLowerCase())}
    />
  );
  const styles = Object.entries(spec.styles).map(([tag, { name }]) => [tag, `${tag} ${name}`] as const);
  const isAtFoot = kind.place === 'foot';
  return (
    <>
      <SettingGroup title={kind.name}>
        <TextSetting
          label="Name"
          value={kind.name}
          maxLength={40}
          disabled={readOnly}
          onChange={(to) => (to.trim() === '' ? 'A kind needs a name.' : set({ name: to.trim() }, 'name'))}
        />
        {choice('place', 'Stands at', PLACES)}
        {kind.place === 'bookEnd' && !hasHome && (
          <div className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5 text-[12px] text-quiet">
            <span>The running order has no notes division.</span>
            <button className="btn btn-xs" disabled={readOnly} onClick={() => dispatch(addDivision('notes'))}>
              Add it
            </button>
          </div>
        )}
        <ChoiceSetting
          label="Style"
          value={kind.style}
          disabled={readOnly}
          choices={styles}
          onChange={(style) => set({ style }, 'style')}
        />
        <ChoiceSetting
          label="Known by"
          value={kind.keyed ? 'words' : 'number'}
          disabled={readOnly}
          choices={[
            ['number', 'a mark in the text'],
            ['words', 'page and first words'],
          ]}
          onChange={(to) => set({ keyed: to === 'words' }, 'mark')}
        />
      </SettingGroup>
      {!kind.keyed && (
        <SettingGroup title="Numbers" aside={<span className="font-book">{sample(kind)}</span>}>
          {choice('numerals', 'Signs', NUMERALS)}
          {kind.numerals === 'list' && (
            <WordListSetting
              label="Own signs"
              value={kind.signs}
              disabled={readOnly}
              note="In order; doubled after the last."
              onChange={(signs) => set({ signs }, 'signs')}
            />
          )}
          {choice('restart', 'Begin again', RESTARTS)}
          <NumberSetting
            label="First number"
            value={kind.first}
            disabled={readOnly}
            onChange={(first) => set({ first }, 'first number')}
          />
          <MarkFields label="In the text" mark={kind.reference} onSet={(to) => set({ reference: to }, 'reference')} />
          <MarkFields label="On the note" mark={kind.number} onSet={(to) => set({ number: to }, 'number')} />
        </SettingGroup>
      )}
      {isAtFoot && (
        <SettingGroup title="At the foot">
          <SeparatorFields
            label="Over the notes"
            value={kind.separator}
            onSet={(to) => set({ separator: to }, 'separator')}
          />
          <SeparatorFields
            label="Going on"
            value={kind.continuation}
            onSet={(to) => set({ continuation: to }, 'separator of notes that go on')}
          />
          <ChoiceSetting
            label="Columns"
            value={String(kind.columns)}
            disabled={readOnly}
            choices={['1', '2', '3'].map((count) => [count, count])}
            onChange={(to) => set({ columns: Number(to) }, 'columns')}
          />
          <ChoiceSetting
            label="Short notes"
            value={kind.runOn ? 'on' : 'off'}
            disabled={readOnly}
            choices={[
              ['off', 'each by itself'],
              ['on', 'run on'],
            ]}
            onChange={(to) => set({ runOn: to === 'on' }, 'run on')}
          />
        </SettingGroup>
      )}
      <Dropping id={id} />
    </>
  );
}

interface SignProps {
  readonly id?: string;
  readonly label: string;
  readonly value: string;
  readonly onSet: (to: string) => string | null;
}

/** A sign beside a number, such as a bracket or a point. */
function SignField({ id, label, value, onSet }: SignProps) {
  const { readOnly } = useSpec();
  const { field, problem } = useDraft(value, onSet);
  return (
    <input
      {...field}
      id={id}
      aria-label={label}
      title={problem ?? label}
      placeholder="none"
      maxLength={8}
      className={`setting-input w-0 grow text-center ${problem ? 'border-error' : ''}`}
      disabled={readOnly}
    />
  );
}

/** Where the number stands, and the signs around it. */
function MarkFields({
  label,
  mark,
  onSet,
}: {
  label: string;
  mark: NoteMarkSpec;
  onSet: (to: NoteMarkSpec) => string | null;
}) {
  const { readOnly } = useSpec();
  const id = useId();
  return (
    <>
      <ChoiceSetting
        label={label}
        value={mark.position}
        disabled={readOnly}
        choices={POSITIONS}
        onChange={(to) => onSet({ ...mark, position: to as NotePosition })}
      />
      <SettingRow label="Around it" id={id}>
        <span className="flex w-[150px] gap-2">
          <SignField
            id={id}
            label={`${label}: sign before`}
            value={mark.before}
            onSet={(before) => onSet({ ...mark, before })}
          />
          <SignField label={`${label}: sign after`} value={mark.after} onSet={(after) => onSet({ ...mark, after })} />
        </span>
      </SettingRow>
    </>
  );
}

function SeparatorFields({
  label,
  value,
  onSet,
}: {
  label: string;
  value: NoteSeparator;
  onSet: (to: NoteSeparator) => string | null;
}) {
  const { readOnly } = useSpec();
  return (
    <>
      <ChoiceSetting
        label={label}
        value={value.kind}
        disabled={readOnly}
        choices={SEPARATORS}
        onChange={(to) => onSet({ ...value, kind: to as NoteSeparator['kind'] })}
      />
      {value.kind === 'short' && (
        <NumberSetting
          label="Length of the rule"
          unit="pt"
          value={value.width}
          disabled={readOnly}
          onChange={(width) => onSet({ ...value, width })}
        />
      )}
      {value.kind !== 'space' && (
        <NumberSetting
          label="Weight of the rule"
          unit="pt"
          value={value.weight}
          disabled={readOnly}
          onChange={(weight) => onSet({ ...value, weight })}
        />
      )}
    </>
  );
}

/** All notes of the kind made of another, and the kind dropped. */
function Dropping({ id }: Pick<KindProps, 'id'>) {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const others = Object.entries(spec.notes.kinds).filter(([other]) => other !== id);
  if (others.length === 0) return null;
  const choices = [['', 'choose …'] as const, ...others.map(([other, { name }]) => [other, name] as const)];
  return (
    <SettingGroup title="All of this kind">
      <ChoiceSetting
        label="Make them"
        value=""
        disabled={readOnly}
        choices={choices}
        onChange={(other) => dispatch(convertKind(id, other))}
      />
      <ChoiceSetting
        label="Drop it for"
        value=""
        disabled={readOnly}
        choices={choices}
        note="The kind goes, and its notes become of the other."
        onChange={(other) => dispatch(dropNoteKind(id, other))}
      />
    </SettingGroup>
  );
}

/** What holds for notes of all kinds. */
function OnThePage() {
  const { spec, readOnly, set } = useSpec();
  const { notes } = spec;
  return (
    <SettingGroup title="Notes of all kinds">
      <ChoiceSetting
        label="On a short page"
        value={notes.stand}
        disabled={readOnly}
        choices={[
          ['foot', 'on the foot line'],
          ['text', 'close under the text'],
        ]}
        onChange={(to) => set('notes.stand', to, 'Place of notes')}
      />
      <NumberSetting
        label="White above"
        unit="lines"
        value={notes.space}
        disabled={readOnly}
        onChange={(to) => set('notes.space', to, 'White above notes')}
      />
      <NumberSetting
        label="White beside"
        unit="pt"
        value={notes.columnGap}
        disabled={readOnly}
        note="Between columns of notes, and from the text to notes in the margin."
        onChange={(to) => set('notes.columnGap', to, 'White beside notes')}
      />
      <ChoiceSetting
        label="Gathered notes"
        value={notes.heads ? 'on' : 'off'}
        disabled={readOnly}
        choices={[
          ['on', 'under division titles'],
          ['off', 'without heads'],
        ]}
        onChange={(to) => set('notes.heads', to === 'on', 'Heads of gathered notes')}
      />
      <ChoiceSetting
        label="Running heads"
        value={notes.pageHeads ? 'on' : 'off'}
        disabled={readOnly}
        choices={[
          ['on', 'tell the pages'],
          ['off', 'tell the title'],
        ]}
        onChange={(to) => set('notes.pageHeads', to === 'on', 'Running heads of notes')}
      />
      <TextSetting
        label="Head at a division’s end"
        value={notes.divisionHead}
        maxLength={60}
        placeholder="none"
        isWide
        disabled={readOnly}
        onChange={(to) => set('notes.divisionHead', to.trim(), 'Head of notes')}
      />
    </SettingGroup>
  );
}
