// The settings of a folio run: its numerals, first number, prefix, and whether it is shown.
import { MOST_FOLIO, type FolioRun, type Numerals } from '../../core/model/spec/numbering';
import { ChoiceSetting } from './Setting';
import { TextSetting } from './TextSetting';

export const NUMERAL_CHOICES: readonly (readonly [Numerals, string])[] = [
  ['arabic', '1, 2, 3'],
  ['roman', 'i, ii, iii'],
  ['Roman', 'I, II, III'],
  ['letters', 'a, b, c'],
  ['Letters', 'A, B, C'],
  ['words', 'One, Two'],
  ['none', 'none'],
];

/** The first number of a run as it was typed, null where it goes on, or what is wrong with it. */
export function readStart(typed: string): number | null | string {
  if (typed.trim() === '') return null;
  const start = Number(typed);
  const isStart = Number.isInteger(start) && start >= 1 && start <= MOST_FOLIO;
  return isStart ? start : `A run begins at a whole number from 1 to ${MOST_FOLIO}; empty, it continues.`;
}

interface Props {
  readonly run: FolioRun;
  readonly disabled: boolean;
  /** Answers what is wrong, or null when it was taken. */
  readonly onChange: (run: FolioRun) => string | null;
}

export function FolioRunFields({ run, disabled, onChange }: Props) {
  return (
    <>
      <ChoiceSetting
        label="Numerals"
        value={run.numerals}
        disabled={disabled}
        choices={NUMERAL_CHOICES}
        onChange={(numerals) => onChange({ ...run, numerals: numerals as Numerals })}
      />
      <TextSetting
        label="First number"
        value={run.start === null ? '' : String(run.start)}
        placeholder="continues"
        disabled={disabled}
        onChange={(typed) => {
          const start = readStart(typed);
          return typeof start === 'string' ? start : onChange({ ...run, start });
        }}
      />
      <TextSetting
        label="Prefix"
        value={run.prefix}
        placeholder="such as A-"
        maxLength={12}
        disabled={disabled}
        onChange={(prefix) => onChange({ ...run, prefix })}
      />
      <ChoiceSetting
        label="Folios are"
        value={run.hidden ? 'hidden' : 'shown'}
        disabled={disabled}
        choices={[
          ['shown', 'Shown'],
          ['hidden', 'Counted, not shown'],
        ]}
        onChange={(to) => onChange({ ...run, hidden: to === 'hidden' })}
      />
    </>
  );
}
