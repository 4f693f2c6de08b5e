// Openers: of chapters, and of parts, front matter and short pieces where they differ; walked through by their titles.
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { selectRunningOrder, selectFacing, spreadOfPage } from '../../../state/book/selectors';
import { ChoiceSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { openerPath, openerSettings, type OpenerKind } from '../../../core/copy/openers';
import { useSpec } from './useSetSpec';
import { callPage } from '../../../state/view/pageThunks';

const OPENER_NAMES: Readonly<Record<OpenerKind, string>> = {
  chapter: 'Chapters',
  part: 'Parts',
  front: 'Front matter',
  short: 'Short pieces',
};

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';

export function OpenersTopic() {
  const { spec, readOnly, set } = useSpec();
  const { openers } = spec;
  return (
    <>
      <Walk />
      {(Object.keys(OPENER_NAMES) as OpenerKind[]).map((kind) => (
        <Variant key={kind} kind={kind} />
      ))}
      <SettingGroup title="How the text begins">
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
          label="Letters of the drop capital"
          value={openers.dropLetters}
          disabled={readOnly || openers.dropLines === 0}
          onChange={(to) => set('openers.dropLetters', to, 'Letters of the drop capital')}
        />
        <NumberSetting
          label="Opening words in small capitals"
          unit="words"
          value={openers.leadWords}
          disabled={readOnly}
          note="How many words; 0 for none."
          onChange={(to) => set('openers.leadWords', to, 'Opening words in small capitals')}
        />
        <ChoiceSetting
          label="Chapters begin"
          value={openers.chaptersStart}
          disabled={readOnly || !spec.page.facing}
          choices={[
            ['any', 'On either side'],
            ['recto', 'On a recto'],
          ]}
          note="The first chapter and every part begin on a recto whatever is chosen."
          onChange={(to) => set('openers.chaptersStart', to, 'Chapters begin')}
        />
        <p className="px-3.5 py-1.5 text-[12px] text-quiet">
          Number, title, subtitle, epigraph and ornament are set by the styles CN, CT, CST, CEP and COR; parts by PN and
          PT.
        </p>
      </SettingGroup>
    </>
  );
}

function Variant({ kind }: { kind: OpenerKind }) {
  const { spec, readOnly, set } = useSpec();
  const { openers } = spec;
  const isOwn = kind === 'chapter' || openers[kind] !== null;
  const { sink, textStart } = openerSettings(spec, kind);
  const name = OPENER_NAMES[kind];
  return (
    <SettingGroup title={name} aside={isOwn ? undefined : 'as chapters'}>
      {kind === 'short' && (
        <NumberSetting
          label="Fewer than"
          unit="words"
          value={openers.shortUnder}
          disabled={readOnly}
          onChange={(to) => set('openers.shortUnder', to, 'Short pieces')}
        />
      )}
      {kind !== 'chapter' && (
        <ChoiceSetting
          label="Opening"
          value={isOwn ? 'own' : 'chapters'}
          disabled={readOnly}
          choices={[
            ['chapters', 'as chapters'],
            ['own', 'separate settings'],
          ]}
          onChange={(to) =>
            set(`openers.${kind}`, to === 'own' ? { sink, textStart } : null, `Openers of ${name.toLowerCase()}`)
          }
        />
      )}
      {isOwn && (
        <>
          <NumberSetting
            label="Sink"
            unit="lines"
            value={sink}
            disabled={readOnly}
            note={kind === 'chapter' ? 'Grid lines left empty above the first element.' : undefined}
            onChange={(to) => set(openerPath(spec, kind, 'sink'), to, `Sink of ${name.toLowerCase()}`)}
          />
          <NumberSetting
            label="Text start"
            unit="line"
            value={textStart}
            disabled={readOnly}
            note={kind === 'chapter' ? 'The grid line on which the text begins, the same in every chapter.' : undefined}
            onChange={(to) => set(openerPath(spec, kind, 'textStart'), to, `Text start of ${name.toLowerCase()}`)}
          />
        </>
      )}
    </SettingGroup>
  );
}

/** Goes to the openers that try a design most: the longest title and the shortest, and through all of them. */
function Walk() {
  const dispatch = useAppDispatch();
  const rows = useAppSelector(selectRunningOrder).filter(
    ({ role, firstPage }) => /^(part|chapter)$/.test(role) && firstPage >= 0,
  );
  const spread = useAppSelector((state) => state.view.spread);
  const byLength = [...rows].sort((a, b) => a.name.length - b.name.length);
  const go = (row: (typeof rows)[number] | undefined) => row && dispatch(callPage(row.firstPage));
  const facing = useAppSelector(selectFacing);
  const next = rows.find(({ firstPage }) => spreadOfPage(firstPage, facing) > spread) ?? rows[0];
  return (
    <SettingGroup title="Show" aside={`${rows.length} openers`}>
      <p className="flex gap-1.5 border-b border-hairline px-3.5 py-1.5">
        <button className={BUTTON} disabled={rows.length === 0} onClick={() => go(byLength[byLength.length - 1])}>
          Longest title
        </button>
        <button className={BUTTON} disabled={rows.length === 0} onClick={() => go(byLength[0])}>
          Shortest
        </button>
        <button className={BUTTON} disabled={rows.length === 0} onClick={() => go(next)}>
          Next
        </button>
      </p>
    </SettingGroup>
  );
}
