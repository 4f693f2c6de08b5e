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
        label="Last line at least"
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
        label="Letters may give"
        unit="%"
        value={text.glyphPlay}
        disabled={readOnly || text.setting === 'ragged'}
        note="How much narrower or wider the letters of a justified line may be."
        onChange={(to) => set('text.glyphPlay', to, 'Glyph-scale play')}
      />
      <NumberSetting
        label="Letter-space may give"
        unit="‰ em"
        value={text.letterPlay}
        disabled={readOnly || text.setting === 'ragged'}
        onChange={(to) => set('text.letterPlay', to, 'Letter-space play')}
      />
      <NumberSetting
        label="Optical margins"
        unit="%"
        value={text.opticalMargins}
        disabled={readOnly}
        note="How far stops, hyphens and quotes hang out."
        onChange={(to) => set('text.opticalMargins', to, 'Optical margins')}
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
        label="Smallest word"
        unit="letters"
        value={hyphenation.smallestWord}
        disabled={readOnly}
        onChange={(to) => set('text.hyphenation.smallestWord', to, 'Smallest divided word')}
      />
      <NumberSetting
        label="Before the hyphen"
        unit="letters"
        value={hyphenation.before}
        disabled={readOnly}
        onChange={(to) => set('text.hyphenation.before', to, 'Letters before the hyphen')}
      />
      <NumberSetting
        label="After it"
        unit="letters"
        value={hyphenation.after}
        disabled={readOnly}
        onChange={(to) => set('text.hyphenation.after', to, 'Letters after the hyphen')}
      />
      <NumberSetting
        label="Most running"
        unit="lines"
        value={hyphenation.running}
        disabled={readOnly}
        onChange={(to) => set('text.hyphenation.running', to, 'Hyphens running')}
      />
      <ChoiceSetting
        label="Capitalised"
        value={hyphenation.capitals}
        disabled={readOnly || !hyphenation.on}
        choices={[
          ['dear', 'At a price'],
          ['never', 'Never'],
        ]}
        onChange={(to) => set('text.hyphenation.capitals', to, 'Capitalised words')}
      />
      <WordListSetting
        label="The book’s own divisions"
        value={hyphenation.exceptions}
        disabled={readOnly || !hyphenation.on}
        note="Words with hyphens where they may be divided; one without is never divided."
        onChange={(to) => set('text.hyphenation.exceptions', to, 'Own divisions')}
      />
    </SettingGroup>
  );
}

function MarksAndTies() {
  const { spec, readOnly, set } = useSpec();
  const { text } = spec;
  return (
    <SettingGroup title="Marks and ties">
      <MarksChoice />
      <ChoiceSetting
        label="After italic words"
        value={spec.marks.afterItalic}
        disabled={readOnly}
        choices={[
          ['roman', 'Roman marks'],
          ['typed', 'As in the copy'],
        ]}
        onChange={(to) => set('marks.afterItalic', to, 'Marks after italic words')}
      />
      <ChoiceSetting
        label="Tie by rule"
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
        label="Lifted"
        value={text.liftedTies}
        disabled={readOnly || !text.ties}
        note="One a line, such as Mrs Vane."
        onChange={(to) => set('text.liftedTies', to, 'Lifted ties')}
      />
    </SettingGroup>
  );
}
