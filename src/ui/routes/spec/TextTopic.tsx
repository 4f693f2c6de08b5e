// Text: the body face with size, leading and setting.
import { FAMILY_NAMES } from '../../../core/defaults/familyNames';
import { TEXT_FAMILIES } from '../../../core/model/spec/faces';
import { ChoiceSetting, LengthSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { TiesOfBook } from './TiesOfBook';
import { WordListSetting } from '../../components/WordListSetting';
import { MarksChoice } from './MarksChoice';
import { useSpec } from './useSetSpec';

export function TextTopic() {
  return (
    <>
      <Body />
      <Hyphenation />
      <MarksAndTies />
    </>
  );
}

const isOn = (value: boolean) => (value ? 'yes' : 'no');

function Body() {
  const { spec, readOnly, set } = useSpec();
  const { text } = spec;
  return (
    <SettingGroup title="Body" aside={`${text.setting}`}>
      <ChoiceSetting
        label="Face"
        value={text.face}
        disabled={readOnly}
        choices={[...new Set([...TEXT_FAMILIES, text.face])].map(
          (family) => [family, FAMILY_NAMES[family] ?? family.replace(/^own-/, '')] as const,
        )}
        note="Other faces are chosen under Faces."
        onChange={(face) => set('text.face', face, `Face ${FAMILY_NAMES[face] ?? face}`)}
      />
      <LengthSetting
        label="Size"
        value={text.size}
        disabled={readOnly}
        onChange={(to) => set('text.size', to, 'Type size')}
      />
      <LengthSetting
        label="Leading"
        value={text.leading}
        disabled={readOnly}
        onChange={(to) => set('text.leading', to, 'Leading')}
      />
      <LengthSetting
        label="Indent"
        value={text.indent}
        disabled={readOnly}
        onChange={(to) => set('text.indent', to, 'Indent')}
      />
      <ChoiceSetting
        label="Setting"
        value={text.setting}
        disabled={readOnly}
        choices={[
          ['justified', 'Justified'],
          ['ragged', 'Ragged'],
        ]}
        onChange={(to) => set('text.setting', to, to === 'ragged' ? 'Ragged setting' : 'Justified setting')}
      />
      <NumberSetting
        label="Last line, at least"
        unit="em"
        value={text.lastLine}
        disabled={readOnly}
        onChange={(to) => set('text.lastLine', to, 'Last line')}
      />
      <NumberSetting
        label="Depth of the rag"
        unit="em"
        value={text.rag}
        disabled={readOnly}
        note="About how far ragged lines may fall short."
        onChange={(to) => set('text.rag', to, 'Depth of the rag')}
      />
      <NumberSetting
        label="Letter-width tolerance"
        unit="%"
        value={text.letterWidth}
        disabled={readOnly || text.setting === 'ragged'}
        note="How much narrower or wider the letters of a justified line may be set."
        onChange={(to) => set('text.letterWidth', to, 'Letter-width tolerance')}
      />
      <NumberSetting
        label="Letter-space tolerance"
        unit="‰ em"
        value={text.letterPlay}
        disabled={readOnly || text.setting === 'ragged'}
        onChange={(to) => set('text.letterPlay', to, 'Letter-space tolerance')}
      />
      <NumberSetting
        label="Hanging punctuation"
        unit="%"
        value={text.hangingPunctuation}
        disabled={readOnly}
        note="How far stops, hyphens and quotes hang into the margin."
        onChange={(to) => set('text.hangingPunctuation', to, 'Hanging punctuation')}
      />
    </SettingGroup>
  );
}

function Hyphenation() {
  const { spec, readOnly, set } = useSpec();
  const { hyphenation } = spec.text;
  return (
    <SettingGroup title="Hyphenation">
      <ChoiceSetting
        label="Divide words"
        value={isOn(hyphenation.on)}
        disabled={readOnly}
        choices={[
          ['yes', 'Yes'],
          ['no', 'No'],
        ]}
        onChange={(to) => set('text.hyphenation.on', to === 'yes', 'Hyphenation')}
      />
      <NumberSetting
        label="Shortest word divided"
        unit="letters"
        value={hyphenation.smallestWord}
        disabled={readOnly}
        onChange={(to) => set('text.hyphenation.smallestWord', to, 'Smallest divided word')}
      />
      <NumberSetting
        label="Letters before the hyphen"
        unit="letters"
        value={hyphenation.before}
        disabled={readOnly}
        onChange={(to) => set('text.hyphenation.before', to, 'Letters before the hyphen')}
      />
      <NumberSetting
        label="Letters after the hyphen"
        unit="letters"
        value={hyphenation.after}
        disabled={readOnly}
        onChange={(to) => set('text.hyphenation.after', to, 'Letters after the hyphen')}
      />
      <NumberSetting
        label="Hyphens in a row, at most"
        unit="lines"
        value={hyphenation.running}
        disabled={readOnly}
        onChange={(to) => set('text.hyphenation.running', to, 'Hyphens running')}
      />
      <ChoiceSetting
        label="Capitalised words"
        value={hyphenation.capitals}
        disabled={readOnly || !hyphenation.on}
        choices={[
          ['dear', 'At a cost'],
          ['never', 'Never'],
        ]}
        onChange={(to) => set('text.hyphenation.capitals', to, 'Capitalised words')}
      />
      <WordListSetting
        label="Exceptions of this book"
        value={hyphenation.exceptions}
        disabled={readOnly || !hyphenation.on}
        note="Words with hyphens where they may be divided; one without is never divided."
        onChange={(to) => set('text.hyphenation.exceptions', to, 'Hyphenation exceptions')}
      />
    </SettingGroup>
  );
}

function MarksAndTies() {
  const { spec, readOnly, set } = useSpec();
  const { text } = spec;
  return (
    <SettingGroup title="House marks and ties">
      <MarksChoice />
      <ChoiceSetting
        label="Stops after italic words"
        value={spec.marks.afterItalic}
        disabled={readOnly}
        choices={[
          ['roman', 'Roman stops'],
          ['typed', 'As in the copy'],
        ]}
        onChange={(to) => set('marks.afterItalic', to, 'Stops after italic words')}
      />
      <ChoiceSetting
        label="Tie words by rule"
        value={isOn(text.ties)}
        disabled={readOnly}
        choices={[
          ['yes', 'Yes'],
          ['no', 'No'],
        ]}
        onChange={(to) => set('text.ties', to === 'yes', 'Ties')}
      />
      {text.ties && <TiesOfBook />}
      <WordListSetting
        label="Not tied"
        value={text.liftedTies}
        disabled={readOnly || !text.ties}
        note="One a line, such as Mrs Vane."
        onChange={(to) => set('text.liftedTies', to, 'Ties not applied')}
      />
    </SettingGroup>
  );
}
