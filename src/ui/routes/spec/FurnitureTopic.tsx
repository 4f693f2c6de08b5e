// Furniture and folios: what the running heads say, and how the pages are numbered.
import { ChoiceSetting, SettingGroup } from '../../components/Setting';
import { useSpec } from './useSetSpec';

const HEADS = [
  ['none', 'Nothing'],
  ['author', 'Author'],
  ['title', 'Book title'],
  ['part', 'Part title'],
  ['chapter', 'Chapter title'],
] as const;

export function FurnitureTopic() {
  const { spec, readOnly, set } = useSpec();
  const { furniture, folios } = spec;
  return (
    <>
      <SettingGroup title="Running heads" aside="at the fore-edge">
        <ChoiceSetting
          label="Verso"
          value={furniture.verso}
          choices={HEADS}
          disabled={readOnly}
          onChange={(to) => set('furniture.verso', to, 'Verso head')}
        />
        <ChoiceSetting
          label="Recto"
          value={furniture.recto}
          choices={HEADS}
          disabled={readOnly}
          onChange={(to) => set('furniture.recto', to, 'Recto head')}
        />
      </SettingGroup>
      <SettingGroup title="Folios" aside="at the foot">
        <ChoiceSetting
          label="Front matter"
          value={folios.front}
          disabled={readOnly}
          choices={[
            ['roman', 'Roman, body from 1'],
            ['arabic', 'One arabic run'],
          ]}
          onChange={(to) => set('folios.front', to, 'Folio runs')}
        />
        <ChoiceSetting
          label="On openers"
          value={furniture.dropFolio ? 'yes' : 'no'}
          disabled={readOnly}
          choices={[
            ['yes', 'Shown at the foot'],
            ['no', 'Counted, not shown'],
          ]}
          onChange={(to) => set('furniture.dropFolio', to === 'yes', 'Folios on openers')}
        />
      </SettingGroup>
      <p className="px-3.5 text-quiet">
        Display pages and blanks carry none; openers carry no head. A page’s role decides.
      </p>
    </>
  );
}
