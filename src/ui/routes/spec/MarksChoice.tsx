// The choice of house marks, in Spec and on the arrival sheet.
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

export function MarksChoice() {
  const { spec, readOnly, set } = useSpec();
  return (
    <ChoiceSetting
      label="House marks"
      value={spec.marks.set}
      disabled={readOnly}
      choices={MARKS}
      note="How quotes, dashes and ellipses are set; the copy stays as typed."
      onChange={(to) => set('marks.set', to, 'House marks')}
    />
  );
}
