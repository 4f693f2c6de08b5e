// What the press has for pictures: the colours that they came in, or black alone by a tone curve.
import { inkAt } from '../../../core/base/images/grey';
import { PLAIN_TONE, type PicturePress as Press, type Tone } from '../../../core/model/spec/inks';
import { setPicturePress } from '../../../state/spec/inkThunks';
import { useAppDispatch } from '../../../state/hooks';
import { ChoiceSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { useSpec } from './useSetSpec';

const STEPS = ['White', 'A quarter dark', 'Half dark', 'Three quarters dark', 'Black'] as const;

export function PicturePress() {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const { press, tone } = spec.inks.pictures;
  const put = (change: Partial<Press>, name: string) => dispatch(setPicturePress(change, name));
  const isPlain = tone.every((ink, k) => ink === PLAIN_TONE[k]);
  return (
    <SettingGroup title="Pictures">
      <ChoiceSetting
        label="On the press"
        value={press}
        disabled={readOnly}
        choices={[
          ['grey', 'Black alone'],
          ['asis', 'Their own colours'],
        ]}
        onChange={(to) => void put({ press: to as Press['press'] }, 'Pictures on the press')}
      />
      {press === 'grey' && (
        <>
          <ToneCurve tone={tone} />
          {STEPS.map((label, k) => (
            <NumberSetting
              key={label}
              label={label}
              unit="% ink"
              value={tone[k]}
              disabled={readOnly}
              onChange={(to) => put({ tone: tone.map((ink, at) => (at === k ? to : ink)) as unknown as Tone }, 'Tone')}
            />
          ))}
          <p className="px-3.5 py-1.5">
            <button
              className="btn btn-xs border-base-300 bg-base-100"
              disabled={readOnly || isPlain}
              onClick={() => put({ tone: PLAIN_TONE }, 'Straight tone')}
            >
              Make it straight
            </button>
          </p>
        </>
      )}
    </SettingGroup>
  );
}

const SIDE = 100;
const POINTS = 48;

/** Ink over darkness, the straight tone beside it. */
function ToneCurve({ tone }: { tone: Tone }) {
  const at = (darkness: number) => `${darkness * SIDE} ${SIDE - (inkAt(tone, darkness) / 100) * SIDE}`;
  const curve = Array.from({ length: POINTS + 1 }, (_, k) => at(k / POINTS)).join(' L ');
  return (
    <div className="flex items-end gap-3 border-b border-hairline px-3.5 py-2.5">
      <svg viewBox={`0 0 ${SIDE} ${SIDE}`} className="h-[104px] w-[104px] overflow-visible" aria-hidden>
        <rect width={SIDE} height={SIDE} className="fill-base-100 stroke-base-300" strokeWidth={1} />
        <path d={`M 0 ${SIDE} L ${SIDE} 0`} className="stroke-base-300" strokeWidth={0.75} strokeDasharray="2 2" />
        <path d={`M ${curve}`} className="fill-none stroke-base-content" strokeWidth={1.5} />
        {tone.map((ink, k) => (
          <circle
            key={k}
            cx={(k / (tone.length - 1)) * SIDE}
            cy={SIDE - (ink / 100) * SIDE}
            r={2}
            className="fill-base-content"
          />
        ))}
      </svg>
      <p className="text-[12px] leading-snug text-quiet">
        Ink on paper, upwards, for how dark a place of a picture is. A press whose dots spread has less in the middle.
      </p>
    </div>
  );
}
