// The choice of house marks, in Spec and on the arrival sheet.
import type { ReactNode } from 'react';
import { ChoiceSetting } from '../../components/Setting';
import { useSpec } from './useSetSpec';

const MARKS = [
  ['language', 'By the language'],
  ['us', 'US'],
  ['uk', 'UK'],
  ['french', 'French'],
  ['german', 'German'],
  ['typed', 'As typed'],
] as const;

const NOTE = 'How quotes, dashes and ellipses are set; the copy stays as typed.';

/** `note`: what stands below the choice. */
export function MarksChoice({ note = NOTE }: { readonly note?: ReactNode }) {
  const { spec, readOnly, set } = useSpec();
  return (
    <ChoiceSetting
      label="House marks"
      value={spec.marks.set}
      disabled={readOnly}
      choices={MARKS}
      note={note}
      onChange={(to) => set('marks.set', to, 'House marks')}
    />
  );
}
