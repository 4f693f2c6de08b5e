// What a section says of its pages: its name, where it begins, its folio run, and the furniture of its first page.
import { useId, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { SectionStart } from '../../../../core/numbering/sections';
import type { FolioRun, Numerals } from '../../../../core/model/spec/numbering';
import { goToBlock } from '../../../../state/copy/galleyThunks';
import { type SectionRow } from '../../../../state/book/selectors';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { setSection, setSectionFurniture, setSectionRun, setSectionStart } from '../../../../state/order/sectionThunks';
import { NUMERAL_CHOICES, readStart } from '../../../components/FolioRunFields';
import { useDraft } from '../../../components/useDraft';
import { callPage } from '../../../../state/view/pageThunks';

const STARTS: readonly (readonly [SectionStart, string])[] = [
  ['running', 'where it falls'],
  ['page', 'on a new page'],
];

const SIDES: readonly (readonly [SectionStart, string])[] = [
  ['page', 'either'],
  ['recto', 'recto'],
  ['verso', 'verso'],
];

const NEW_RUN: FolioRun = { numerals: 'arabic', start: 1, prefix: '', hidden: false };

interface Props {
  readonly row: SectionRow;
  /** The section was taken back. */
  readonly onGone: () => void;
}

export function SectionFields({ row, onGone }: Props) {
  const dispatch = useAppDispatch();
  const disabled = useAppSelector((state) => state.book.readOnly);
  const { block, run } = row;
  const setRun = (to: FolioRun | undefined) => dispatch(setSectionRun(block, to));
  return (
    <div
      role="group"
      aria-label={`Section ${row.name}`}
      className="space-y-1 border-b border-hairline bg-base-200 pb-2 pl-[26px] pr-3.5 pt-1 text-[12px]"
      // The arrow keys of the running order stay out of the fields.
      onKeyDown={(event) => event.stopPropagation()}
    >
      <TextField
        label="Name"
        value={row.given}
        placeholder={row.name}
        disabled={disabled}
        onChange={(to) => {
          dispatch(setSection(row.division, block, to.trim()));
          return undefined;
        }}
      />
      <Choice
        label="Begins"
        value={row.start === 'running' ? 'running' : 'page'}
        choices={STARTS}
        disabled={disabled}
        onChange={(to) => dispatch(setSectionStart(block, to as SectionStart))}
      />
      {row.start !== 'running' && (
        <Choice
          label="On which side"
          value={row.start}
          choices={SIDES}
          disabled={disabled}
          onChange={(to) => dispatch(setSectionStart(block, to as SectionStart))}
        />
      )}
      <Choice
        label="Folios"
        value={run === undefined ? 'on' : 'own'}
        choices={[
          ['on', 'Continue'],
          ['own', 'A new run'],
        ]}
        disabled={disabled}
        onChange={(to) => setRun(to === 'own' ? NEW_RUN : undefined)}
      />
      {run !== undefined && <RunFields run={run} disabled={disabled} onChange={setRun} />}
      <FirstPage row={row} disabled={disabled} />
      <div className="flex justify-between pt-1">
        <Places row={row} />
        <button
          className="text-quiet hover:text-error"
          disabled={disabled}
          onClick={() => {
            onGone();
            dispatch(setSection(row.division, block, undefined));
          }}
        >
          No section here
        </button>
      </div>
    </div>
  );
}

function RunFields({
  run,
  disabled,
  onChange,
}: {
  run: FolioRun;
  disabled: boolean;
  onChange: (run: FolioRun) => void;
}) {
  return (
    <>
      <Choice
        label="Numerals"
        value={run.numerals}
        choices={NUMERAL_CHOICES}
        disabled={disabled}
        onChange={(to) => onChange({ ...run, numerals: to as Numerals })}
      />
      <TextField
        label="First number"
        value={run.start === null ? '' : String(run.start)}
        placeholder="continues"
        disabled={disabled}
        onChange={(typed) => {
          const start = readStart(typed);
          if (typeof start === 'string') return start;
          onChange({ ...run, start });
          return undefined;
        }}
      />
      <TextField
        label="Prefix"
        value={run.prefix}
        placeholder="such as A-"
        maxLength={12}
        disabled={disabled}
        onChange={(prefix) => {
          onChange({ ...run, prefix });
          return undefined;
        }}
      />
      <Choice
        label="Folios are"
        value={run.hidden ? 'hidden' : 'shown'}
        choices={[
          ['shown', 'Shown'],
          ['hidden', 'Not shown'],
        ]}
        disabled={disabled}
        onChange={(to) => onChange({ ...run, hidden: to === 'hidden' })}
      />
    </>
  );
}

/** The furniture of the section's first page. */
function FirstPage({ row, disabled }: { row: SectionRow; disabled: boolean }) {
  const dispatch = useAppDispatch();
  const sets = useAppSelector((state) => state.book.book?.spec.furniture.sets) ?? {};
  const { block, touch } = row;
  return (
    <fieldset disabled={disabled}>
      <legend className="float-left w-[78px] text-quiet">First page</legend>
      <div className="ml-[78px] space-y-0.5">
        {(
          [
            ['hideHead', 'without its head'],
            ['hideFoot', 'without its foot'],
          ] as const
        ).map(([key, label]) => (
          <label key={key} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={touch?.[key] === true}
              onChange={(event) => dispatch(setSectionFurniture(block, { [key]: event.target.checked }))}
            />
            {label}
          </label>
        ))}
      </div>
      {Object.keys(sets).length > 1 && (
        <Choice
          label="Furniture"
          value={touch?.furniture ?? ''}
          choices={[['', 'of its division'], ...Object.keys(sets).map((name) => [name, name] as const)]}
          disabled={disabled}
          onChange={(to) => dispatch(setSectionFurniture(block, { furniture: to || undefined }))}
        />
      )}
    </fieldset>
  );
}

/** Ways to where the section begins: its paragraph in the galley, its page. */
function Places({ row }: { row: SectionRow }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  return (
    <span className="flex gap-3">
      <button className="text-primary hover:underline" onClick={() => dispatch(goToBlock(row.block))}>
        Paragraph
      </button>
      <button
        className="text-primary hover:underline disabled:text-quiet disabled:no-underline"
        disabled={row.page < 0}
        onClick={() => {
          dispatch(callPage(row.page));
          void navigate('../pages', { relative: 'path' });
        }}
      >
        Page
      </button>
    </span>
  );
}

function Field({ id, label, children }: { id: string; label: string; children: ReactNode }) {
  return (
    <div className="flex items-center">
      <label htmlFor={id} className="w-[78px] shrink-0 text-quiet">
        {label}
      </label>
      {children}
    </div>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, string])[];
  readonly disabled: boolean;
  readonly onChange: (to: string) => void;
}

function Choice({ label, value, choices, disabled, onChange }: ChoiceProps) {
  const id = useId();
  return (
    <Field id={id} label={label}>
      <select
        id={id}
        className="setting-select min-w-0 grow"
        value={value}
        disabled={disabled}
        onChange={(event) => onChange(event.target.value)}
      >
        {choices.map(([key, name]) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </select>
    </Field>
  );
}

interface TextProps {
  readonly label: string;
  readonly value: string;
  readonly placeholder: string;
  readonly maxLength?: number;
  readonly disabled: boolean;
  /** Answers what is wrong with it; nothing when it was taken. */
  readonly onChange: (to: string) => string | undefined;
}

function TextField({ label, value, placeholder, maxLength = 200, disabled, onChange }: TextProps) {
  const id = useId();
  const { field, problem } = useDraft(value, (typed) => onChange(typed) ?? null);
  return (
    <>
      <Field id={id} label={label}>
        <input
          {...field}
          id={id}
          className={`setting-input min-w-0 grow text-left ${problem ? 'border-error' : ''}`}
          placeholder={placeholder}
          maxLength={maxLength}
          disabled={disabled}
        />
      </Field>
      {problem && (
        <p role="alert" className="pl-[78px] text-error">
          {problem}
        </p>
      )}
    </>
  );
}
