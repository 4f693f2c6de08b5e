// Numbering: how parts, chapters and heads are numbered, each by the scheme of its style; appendices and lists.
import { useState } from 'react';
import { inheritedNumber } from '../../../core/numbering/numberHeads';
import { PLAIN_SCHEME, type Numerals, type NumberScheme } from '../../../core/model/spec/numbering';
import { dropTypedNumbers, setSchemes } from '../../../state/spec/numberThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { selectHeadNumbers, selectTypedNumbers } from '../../../state/book/selectors';
import { NUMERAL_CHOICES } from '../../components/FolioRunFields';
import { ChoiceSetting, SettingGroup } from '../../components/Setting';
import { TextSetting } from '../../components/TextSetting';
import { NumberSchemeField, schemeSample } from './styles/NumberSchemeField';
import { useSpec } from './useSetSpec';

const chapters = (change: Partial<NumberScheme>): NumberScheme => ({
  ...PLAIN_SCHEME,
  restart: 'never',
  place: 'ownLine',
  ...change,
});
const inParts = (change: Partial<NumberScheme>) => chapters({ before: 'Part ', numerals: 'words', ...change });
const whole: NumberScheme = { ...PLAIN_SCHEME, whole: true };

/** Schemes for all heads at once. */
const READY: readonly { readonly name: string; readonly schemes: Readonly<Record<string, NumberScheme | null>> }[] = [
  { name: 'None', schemes: { PT: null, CT: null, AH: null, BH: null } },
  { name: '1, 2', schemes: { PT: inParts({}), CT: chapters({}), AH: null, BH: null } },
  {
    name: 'Chapter One',
    schemes: { PT: inParts({}), CT: chapters({ before: 'Chapter ', numerals: 'words' }), AH: null, BH: null },
  },
  { name: 'I, II', schemes: { PT: inParts({}), CT: chapters({ numerals: 'Roman' }), AH: null, BH: null } },
  { name: '1, 1.1, 1.1.1', schemes: { PT: inParts({}), CT: chapters({}), AH: whole, BH: whole } },
];

export function NumbersTopic() {
  const dispatch = useAppDispatch();
  const { spec, readOnly, set } = useSpec();
  const numbers = useAppSelector(selectHeadNumbers);
  const heads = Object.entries(spec.styles).filter(
    ([tag, { meaning }]) => tag !== 'TOH' && /^heading/.test(meaning ?? ''),
  );
  const [open, setOpen] = useState<string | null>(null);
  const { ordered, bullets, appendix } = spec.numbering;
  return (
    <>
      <SettingGroup title="Heads" aside={numbers.size > 0 ? `${numbers.size} numbered` : 'not numbered'}>
        <div className="flex flex-wrap gap-1.5 px-3.5 py-2" role="group" aria-label="Schemes for all heads">
          {READY.map(({ name, schemes }) => (
            <button
              key={name}
              className="btn btn-xs border-base-300 bg-base-100"
              disabled={readOnly}
              onClick={() => dispatch(setSchemes(schemes, `Heads: ${name}`))}
            >
              {name}
            </button>
          ))}
        </div>
        <TypedNumbers />
        {heads.map(([tag, { name, meaning }]) => {
          const number = inheritedNumber(spec.styles, tag);
          return (
            <div key={tag}>
              <button
                className="grid w-full grid-cols-[52px_1fr_auto] gap-2 border-b border-hairline px-3.5 py-1.5 text-left hover:bg-base-200"
                aria-expanded={open === tag}
                onClick={() => setOpen(open === tag ? null : tag)}
              >
                <span className="font-semibold text-primary">{tag}</span>
                <span className="truncate">{name}</span>
                <span className="text-quiet">{schemeSample(number, tag === 'PT' ? 0 : Number(meaning?.slice(7)))}</span>
              </button>
              {open === tag && (
                <div className="border-l-[3px] border-tint">
                  <NumberSchemeField
                    label="Numerals"
                    note={undefined}
                    disabled={readOnly}
                    value={number}
                    onChange={(to) => dispatch(setSchemes({ [tag]: to as NumberScheme | null }, `${name}: numbering`))}
                  />
                </div>
              )}
            </div>
          );
        })}
        <p className="px-3.5 py-1.5 text-[12px] text-quiet">
          Parts, chapters and appendices are counted; other divisions are not. One head goes without its number by its
          slip in Pages.
        </p>
      </SettingGroup>
      <SettingGroup title="Appendices">
        <ChoiceSetting
          label="Numerals"
          value={appendix.numerals}
          disabled={readOnly}
          choices={NUMERAL_CHOICES}
          onChange={(to) => set('numbering.appendix.numerals', to, 'Appendices')}
        />
        <TextSetting
          label="Text before"
          value={appendix.before}
          maxLength={40}
          disabled={readOnly}
          onChange={(to) => set('numbering.appendix.before', to === '' ? '' : `${to.trim()} `, 'Appendices')}
        />
      </SettingGroup>
      <SettingGroup title="Lists">
        {ordered.map((numerals, level) => (
          <ChoiceSetting
            key={level}
            label={`Numbered ${level + 1}`}
            value={numerals}
            disabled={readOnly}
            choices={NUMERAL_CHOICES}
            onChange={(to) => set('numbering.ordered', ordered.with(level, to as Numerals), 'Numbered lists')}
          />
        ))}
        {bullets.map((bullet, level) => (
          <TextSetting
            key={level}
            label={`Bullets ${level + 1}`}
            value={bullet}
            maxLength={4}
            disabled={readOnly}
            onChange={(to) =>
              to.trim() === ''
                ? 'A list has a bullet.'
                : set('numbering.bullets', bullets.with(level, to.trim()), 'Bullets of lists')
            }
          />
        ))}
      </SettingGroup>
    </>
  );
}

/** Numbers that the author typed, and the one act that takes them out. */
function TypedNumbers() {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const { lines, heads } = useAppSelector(selectTypedNumbers);
  if (lines + heads.length === 0) return null;
  const told = [
    lines === 0
      ? ''
      : `${lines === 1 ? 'One number is' : `${lines} numbers are`} typed above titles; the scheme gives none there.`,
    heads.length === 0
      ? ''
      : `${heads.length === 1 ? 'One number is' : `${heads.length} numbers are`} typed in heads that have one by their scheme: ${heads
          .slice(0, 2)
          .map((words) => `“${words}”`)
          .join(', ')}${heads.length > 2 ? ' …' : ''}`,
  ].filter(Boolean);
  return (
    <div className="flex items-start justify-between gap-2 border-b border-hairline px-3.5 py-1.5" role="status">
      <div className="min-w-0 space-y-1 text-[12px] text-quiet">
        {told.map((words) => (
          <p key={words} className="break-words">
            {words}
          </p>
        ))}
      </div>
      <button className="btn btn-xs shrink-0" disabled={readOnly} onClick={() => dispatch(dropTypedNumbers())}>
        Take out
      </button>
    </div>
  );
}
