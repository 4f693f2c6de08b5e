// Openers: the sink, the text start, the side on which chapters begin.
import { ChoiceSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { useSpec } from './useSetSpec';

export function OpenersTopic() {
  const { spec, readOnly, set } = useSpec();
  const { openers } = spec;
  return (
    <SettingGroup title="Chapter openers">
      <NumberSetting
        label="Sink"
        unit="lines"
        value={openers.sink}
        disabled={readOnly}
        note="Grid lines left empty above the first element."
        onChange={(to) => set('openers.sink', to, 'Sink')}
      />
      <NumberSetting
        label="Text start"
        unit="line"
        value={openers.textStart}
        disabled={readOnly}
        note="The grid line on which the text begins, the same in every chapter."
        onChange={(to) => set('openers.textStart', to, 'Text start')}
      />
      <ChoiceSetting
        label="Drop capital"
        value={String(openers.dropLines)}
        disabled={readOnly}
        choices={[
          ['0', 'None'],
          ['2', 'Two lines'],
          ['3', 'Three lines'],
          ['4', 'Four lines'],
          ['5', 'Five lines'],
        ]}
        onChange={(to) => set('openers.dropLines', Number(to), to === '0' ? 'No drop capital' : 'Drop capital')}
      />
      <NumberSetting
        label="Its letters"
        value={openers.dropLetters}
        disabled={readOnly || openers.dropLines === 0}
        onChange={(to) => set('openers.dropLetters', to, 'Letters of the drop capital')}
      />
      <NumberSetting
        label="First small capitals"
        unit="words"
        value={openers.leadWords}
        disabled={readOnly}
        note="So many words of an opener’s text; 0 for none."
        onChange={(to) => set('openers.leadWords', to, 'First words in small capitals')}
      />
      <ChoiceSetting
        label="Chapters begin"
        value={openers.chaptersStart}
        disabled={readOnly}
        choices={[
          ['any', 'On either side'],
          ['recto', 'On a recto'],
        ]}
        note="The first chapter and every part begin on a recto whatever is chosen."
        onChange={(to) => set('openers.chaptersStart', to, 'Chapters begin')}
      />
    </SettingGroup>
  );
}
