// What is looked for and put in its place, and where.
import type { FindRange } from '../../../../core/model/answers/find';
import { useAppSelector } from '../../../../state/hooks';
import { groupDigits } from '../../../frame/useStageFacts';
import type { Asked } from './asked';
import { Check, Choice, TokenField } from './FindFields';

const TOUCHES = [
  ['touch:italic', 'Italic by hand'],
  ['touch:bold', 'Bold by hand'],
  ['touch:underline', 'Underlined by hand'],
  ['touch:strike', 'Struck by hand'],
  ['touch:face', 'A face by hand'],
  ['touch:size', 'A size by hand'],
  ['touch:colour', 'A colour by hand'],
] as const;

export type Where = 'book' | 'division' | 'selected' | 'found';

interface Props {
  readonly asked: Asked;
  readonly onChange: (change: Partial<Asked>) => void;
  readonly where: Where;
  readonly onWhere: (where: Where) => void;
  readonly within: readonly FindRange[] | null;
  readonly hits: number;
}

export function FindForm({ asked, onChange, ...place }: Props) {
  const spec = useAppSelector((state) => state.book.book?.spec);
  const styles = Object.entries(spec?.styles ?? {}).map(([tag, one]) => [tag, one.name] as const);
  const characters = Object.entries(spec?.characterStyles ?? {}).map(([tag, one]) => [tag, one.name] as const);
  const looks = [...characters.map(([tag, name]) => [`style:${tag}`, name] as const), ...TOUCHES];
  return (
    <>
      <TokenField label="Find" value={asked.words} onChange={(words) => onChange({ words })} />
      <TokenField label="Put" value={asked.put} onChange={(put) => onChange({ put })} />
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        <Check label="Whole words" isOn={asked.wholeWords} onChange={(wholeWords) => onChange({ wholeWords })} />
        <Check label="Same case" isOn={asked.matchCase} onChange={(matchCase) => onChange({ matchCase })} />
        <Check label="Pattern" isOn={asked.isPattern} onChange={(isPattern) => onChange({ isPattern })} />
      </div>
      <WhereFields {...place} />
      <Choice
        label="In style"
        none="any"
        value={asked.style}
        choices={styles}
        onChange={(style) => onChange({ style })}
      />
      <Choice label="Of look" none="any" value={asked.look} choices={looks} onChange={(look) => onChange({ look })} />
      <Choice
        label="Set as"
        none="as it was"
        value={asked.putStyle}
        choices={characters}
        onChange={(putStyle) => onChange({ putStyle })}
      />
      <Choice
        label="Paragraph as"
        none="as it was"
        value={asked.putParagraphStyle}
        choices={styles}
        onChange={(putParagraphStyle) => onChange({ putParagraphStyle })}
      />
    </>
  );
}

function WhereFields({ where, onWhere, within, hits }: Pick<Props, 'where' | 'onWhere' | 'within' | 'hits'>) {
  const division = useAppSelector((state) => state.view.division);
  return (
    <>
      <label className="flex items-center justify-between gap-3">
        Where
        <select
          className="select select-xs w-40"
          value={where}
          onChange={(event) => onWhere(event.target.value as Where)}
        >
          <option value="book">the whole book</option>
          <option value="division" disabled={division === null}>
            this division
          </option>
          <option value="selected">what is selected</option>
          <option value="found" disabled={where !== 'found' && hits === 0}>
            what was found
          </option>
        </select>
      </label>
      {(where === 'selected' || where === 'found') && (
        <p className="text-[12px] text-quiet">
          {within?.length
            ? `Inside ${groupDigits(within.length)} ${within.length === 1 ? 'stretch' : 'stretches'} of text.`
            : 'Nothing was selected: select text in the galley, then choose this again.'}
        </p>
      )}
    </>
  );
}
