// What is looked for and put in its place, and where.
import type { FindRange } from '../../../../core/model/answers/find';
import { useAppSelector } from '../../../../state/hooks';
import { groupDigits } from '../../../frame/useStageFacts';
import type { Asked } from './asked';
import { Check, TokenField } from './FindFields';
import { StyleChoice } from './StyleChoice';
import { ValueField } from './ValueField';

export type Where = 'book' | 'division' | 'selected' | 'found';

interface Props {
  readonly asked: Asked;
  readonly onChange: (change: Partial<Asked>) => void;
  readonly where: Where;
  readonly onWhere: (where: Where) => void;
  readonly within: readonly FindRange[] | null;
  readonly hits: number;
  /** Hits outside the scope. */
  readonly outside: number;
  /** Enter in the field of words: the next hit, or with Shift the one before. */
  readonly onEnter: (step: 1 | -1) => void;
}

export function FindForm({ asked, onChange, onEnter, ...place }: Props) {
  return (
    <>
      <TokenField label="Find" value={asked.words} onChange={(words) => onChange({ words })} onEnter={onEnter} />
      <TokenField label="Replace with" value={asked.put} onChange={(put) => onChange({ put })} />
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        <Check label="Whole words" isOn={asked.wholeWords} onChange={(wholeWords) => onChange({ wholeWords })} />
        <Check label="Same case" isOn={asked.matchCase} onChange={(matchCase) => onChange({ matchCase })} />
        <Check label="Pattern" isOn={asked.isPattern} onChange={(isPattern) => onChange({ isPattern })} />
      </div>
      <WhereFields {...place} />
      <StyleChoice
        label="In style"
        none="any"
        sort="paragraph"
        value={asked.style}
        onChange={(style) => onChange({ style })}
      />
      <ValueField look={asked.look} onChange={(look) => onChange({ look })} />
      <StyleChoice
        label="Make characters"
        none="unchanged"
        sort="character"
        mayMake
        value={asked.putStyle}
        onChange={(putStyle) => onChange({ putStyle })}
      />
      <StyleChoice
        label="Make paragraphs"
        none="unchanged"
        sort="paragraph"
        mayMake
        value={asked.putParagraphStyle}
        onChange={(putParagraphStyle) => onChange({ putParagraphStyle })}
      />
    </>
  );
}

function WhereFields({ where, onWhere, within, hits, outside }: Omit<Props, 'asked' | 'onChange' | 'onEnter'>) {
  const division = useAppSelector((state) => state.view.division);
  return (
    <>
      <label className="flex items-center justify-between gap-3">
        Where
        <select
          className="select select-xs w-[136px]"
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
      {where !== 'book' && outside > 0 && (
        <p className="text-[12px] text-quiet">
          {groupDigits(outside)} more outside,{' '}
          <button className="underline" onClick={() => onWhere('book')}>
            in the whole book
          </button>
          .
        </p>
      )}
    </>
  );
}
