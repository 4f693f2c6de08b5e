// What is set of one kind of notes: where its notes stand, how they are numbered, what parts them from the text.
import { useId } from 'react';
import type {
  NoteKind,
  NoteMarkSpec,
  NoteNumerals,
  NotePlace,
  NotePosition,
  NoteRestart,
  NoteSeparator,
} from '../../../core/model/spec/notes';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { convertKind, dropNoteKind, setNoteKind } from '../../../state/copy/noteThunks';
import { addDivision } from '../../../state/order/orderThunks';
import { ChoiceSetting, NumberSetting, SettingGroup, SettingRow } from '../../components/Setting';
import { TextSetting } from '../../components/TextSetting';
import { useDraft } from '../../components/useDraft';
import { WordListSetting } from '../../components/WordListSetting';
import { noteSample } from './noteSample';
import { useSpec } from './useSetSpec';

type Choices<T extends string> = readonly (readonly [T, string])[];

const PLACES: Choices<NotePlace> = [
  ['foot', 'foot of the page'],
  ['divisionEnd', 'end of the division'],
  ['bookEnd', 'notes division'],
  ['margin', 'outer margin'],
];
const NUMERALS: Choices<NoteNumerals> = [
  ['auto', 'figures; symbols beside endnotes'],
  ['arabic', '1, 2, 3'],
  ['roman', 'i, ii, iii'],
  ['Roman', 'I, II, III'],
  ['letters', 'a, b, c'],
  ['Letters', 'A, B, C'],
  ['symbols', '*, †, ‡'],
  ['list', 'custom signs'],
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
  ['space', 'space alone'],
  ['short', 'short rule'],
  ['full', 'full rule'],
];

interface KindProps {
  readonly id: string;
  readonly kind: NoteKind;
}

export function NoteKindFields({ id, kind }: KindProps) {
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
        {choice('place', 'Placed', PLACES)}
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
          label="Referred to by"
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
        <SettingGroup title="Numbers" aside={<span className="font-book">{noteSample(kind)}</span>}>
          {choice('numerals', 'Signs', NUMERALS)}
          {kind.numerals === 'list' && (
            <WordListSetting
              label="Custom signs"
              value={kind.signs}
              disabled={readOnly}
              note="In order; doubled after the last."
              onChange={(signs) => set({ signs }, 'signs')}
            />
          )}
          {choice('restart', 'Numbering restarts', RESTARTS)}
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
            label="Above the notes"
            value={kind.separator}
            onSet={(to) => set({ separator: to }, 'separator')}
          />
          <SeparatorFields
            label="Continued notes"
            value={kind.continuation}
            onSet={(to) => set({ continuation: to }, 'separator of continued notes')}
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
              ['off', 'each on its own line'],
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
      <SettingRow label="Enclosed by" id={id}>
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
    <SettingGroup title="All notes of this kind">
      <ChoiceSetting
        label="Change to"
        value=""
        disabled={readOnly}
        choices={choices}
        onChange={(other) => dispatch(convertKind(id, other))}
      />
      <ChoiceSetting
        label="Replace this kind by"
        value=""
        disabled={readOnly}
        choices={choices}
        note="The kind is removed, and its notes become notes of the other."
        onChange={(other) => dispatch(dropNoteKind(id, other))}
      />
    </SettingGroup>
  );
}
