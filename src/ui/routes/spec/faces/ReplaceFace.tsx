// One face in place of another everywhere: by size as it is, or so that letters are as high, or lines as long.
import { useState } from 'react';
import { replaceFace } from '../../../../state/spec/fontThunks';
import { useAppDispatch } from '../../../../state/hooks';
import { ChoiceSetting, SettingGroup } from '../../../components/Setting';
import { useSpec } from '../useSetSpec';
import type { Sample } from './sample';
import { characterWidth, xHeightFactor, type Family } from './families';

type Match = 'size' | 'xheight' | 'extent';

interface Props {
  readonly families: readonly Family[];
  readonly uses: ReadonlyMap<string, readonly string[]>;
  readonly samples: ReadonlyMap<string, Sample>;
}

export function ReplaceFace({ families, uses, samples }: Props) {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const [chosen, setChosen] = useState('');
  const [to, setTo] = useState('');
  const [match, setMatch] = useState<Match>('xheight');
  const [told, setTold] = useState<string | null>(null);
  const used = [...uses.keys()];
  const from = used.includes(chosen) ? chosen : (used[0] ?? '');
  const [a, b] = [families.find(({ key }) => key === from), families.find(({ key }) => key === to)];
  const nameOf = (key: string) => families.find((family) => family.key === key)?.name ?? key;
  // A face that is not here can be replaced, at its sizes.
  const factor = match === 'size' ? 1 : a === undefined || b === undefined ? null : factorOf(match, a, b, samples);
  const replace = () => {
    if (factor === null) return;
    setTold(dispatch(replaceFace(from, to, factor, `${nameOf(to)} for ${nameOf(from)}`)));
    setTo('');
  };
  return (
    <SettingGroup title="Replace a face">
      <ChoiceSetting
        label="In place of"
        value={from}
        disabled={readOnly}
        choices={used.map((key) => [key, nameOf(key)] as const)}
        onChange={setChosen}
      />
      <ChoiceSetting
        label="Set"
        value={to}
        disabled={readOnly}
        choices={[
          ['', 'choose'],
          ...families.filter(({ key }) => key !== from).map(({ key, name }) => [key, name] as const),
        ]}
        onChange={setTo}
      />
      <ChoiceSetting
        label="Matched by"
        value={match}
        disabled={readOnly}
        choices={[
          ['xheight', 'height of the letters'],
          ['extent', 'length of the text'],
          ['size', 'size'],
        ]}
        onChange={(value) => setMatch(value as Match)}
      />
      <p className="flex min-h-9 items-center justify-between gap-2 px-3.5 py-1.5">
        <span className="text-[12px] text-quiet">
          {to === ''
            ? (told ?? '')
            : factor === null
              ? a === undefined
                ? 'Its letters are not known: match by size.'
                : 'Not known before the samples are composed.'
              : `Sizes times ${factor.toFixed(3)}${from === spec.text.face ? `: text ${(spec.text.size.pt * factor).toFixed(2)} pt` : ''}`}
        </span>
        <button
          className="btn btn-xs border-base-300 bg-base-100"
          disabled={readOnly || to === '' || factor === null}
          onClick={replace}
        >
          Replace
        </button>
      </p>
    </SettingGroup>
  );
}

/** What sizes are multiplied by; null while it is not known. */
function factorOf(
  match: Exclude<Match, 'size'>,
  a: Family,
  b: Family,
  samples: ReadonlyMap<string, Sample>,
): number | null {
  if (match === 'xheight') return xHeightFactor(a.roman, b.roman);
  const widthOf = (family: Family) => characterWidth(samples.get(family.key)?.lists ?? [], family.key);
  const [own, other] = [widthOf(a), widthOf(b)];
  return own > 0 && other > 0 ? own / other : null;
}
