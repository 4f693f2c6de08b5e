// The word space as a gauge: this book's own lines by their spaces, and over them what is least, wished and most, each to be
// dragged, stepped by keys, or typed.
import { useRef } from 'react';
import { GESTURE } from '../../../state/book/bookSlice';
import { SPACE_STEP, type SpacingFacts } from '../../../core/model/answers/spacingFacts';
import type { TextSpec, WordSpace } from '../../../core/model/spec/spec';
import { NumberSetting } from '../../components/Setting';
import { useSpec } from './useSetSpec';

const WIDTH = 244;
const HEIGHT = 74;
/** Em at the left and right edge of the gauge. */
const RANGE = { from: 0.1, to: 0.5 };
const BUTTON = 'btn btn-xs border-base-300 bg-base-100';
const HANDLES: readonly (readonly [keyof WordSpace, string])[] = [
  ['least', 'Least'],
  ['wished', 'Ideal'],
  ['most', 'Most'],
];

let gestures = 0;

/** Whose limits these are: where letters give nothing the spaces are held wider. */
const heldWords = ({ wordSpace, setting, letterWidth, letterPlay }: TextSpec) =>
  wordSpace !== null
    ? 'limits of its own'
    : setting === 'justified' && letterWidth === 0 && letterPlay === 0
      ? 'as held with letters at their width'
      : 'as held for the face';

const xOf = (em: number) =>
  ((Math.min(RANGE.to, Math.max(RANGE.from, em)) - RANGE.from) / (RANGE.to - RANGE.from)) * WIDTH;
const emOf = (x: number) => RANGE.from + (x / WIDTH) * (RANGE.to - RANGE.from);
const round = (em: number) => Math.round(em * 1000) / 1000;

export function SpaceGauge({ facts }: { facts: SpacingFacts }) {
  const { spec, readOnly, set } = useSpec();
  const limits = spec.text.wordSpace ?? facts.limits;
  const gesture = useRef('');
  const put = (key: keyof WordSpace, em: number, within?: string) => {
    const [least, most] = [
      key === 'least' ? 0.05 : key === 'wished' ? limits.least : limits.wished,
      key === 'least' ? limits.wished : key === 'wished' ? limits.most : 2,
    ];
    const to = { ...limits, [key]: round(Math.min(most, Math.max(least, em))) };
    return set('text.wordSpace', to, 'Word space', within);
  };
  const highest = Math.max(1, ...facts.histogram);
  const share = facts.lines === 0 ? 0 : (100 * facts.looseLines) / facts.lines;
  return (
    <>
      <div className="border-b border-hairline px-3.5 pb-1 pt-2">
        <div className="relative touch-none select-none" style={{ width: WIDTH, height: HEIGHT + 20 }}>
          <svg
            width={WIDTH}
            height={HEIGHT}
            role="img"
            aria-label={`Word spaces of ${facts.lines} lines, mean ${facts.mean.toFixed(3)} em`}
          >
            <rect
              x={xOf(limits.least)}
              width={Math.max(0, xOf(limits.most) - xOf(limits.least))}
              height={HEIGHT}
              className="fill-primary/10"
            />
            {facts.histogram.map((count, bin) => {
              const em = bin * SPACE_STEP;
              if (count === 0 || em < RANGE.from || em > RANGE.to) return null;
              const height = Math.max(1, (count / highest) * (HEIGHT - 6));
              return (
                <rect
                  key={bin}
                  x={xOf(em - SPACE_STEP / 2)}
                  y={HEIGHT - height}
                  width={xOf(em + SPACE_STEP / 2) - xOf(em - SPACE_STEP / 2) - 1}
                  height={height}
                  className={em > facts.looseOver ? 'fill-error' : 'fill-base-content/45'}
                />
              );
            })}
            <line x1={0} x2={WIDTH} y1={HEIGHT - 0.5} y2={HEIGHT - 0.5} className="stroke-base-content/50" />
          </svg>
          {HANDLES.map(([key, name]) => (
            <button
              key={key}
              role="slider"
              aria-label={`${name} word space`}
              aria-valuemin={0.05}
              aria-valuemax={2}
              aria-valuenow={limits[key]}
              aria-valuetext={`${limits[key]} em`}
              disabled={readOnly}
              title={`${name}: ${limits[key]} em`}
              className="absolute top-0 w-3 -translate-x-1/2 cursor-ew-resize"
              style={{ left: xOf(limits[key]), height: HEIGHT + 10 }}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                gestures += 1;
                gesture.current = `${GESTURE}space.${gestures}`;
              }}
              onPointerMove={(event) => {
                if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
                const box = event.currentTarget.parentElement!.getBoundingClientRect();
                put(key, Math.round(emOf(event.clientX - box.left) * 200) / 200, gesture.current);
              }}
              onKeyDown={(event) => {
                const step = event.key === 'ArrowRight' ? 0.005 : event.key === 'ArrowLeft' ? -0.005 : 0;
                if (step === 0) return;
                event.preventDefault();
                event.stopPropagation();
                put(key, limits[key] + step);
              }}
            >
              <span className="mx-auto block h-full w-[2px] bg-primary" />
              <span className="absolute bottom-0 left-0 size-3 rounded-full border border-base-100 bg-primary" />
            </button>
          ))}
          <span className="absolute bottom-0 left-0 text-[11px] text-quiet">{RANGE.from}</span>
          <span className="absolute bottom-0 right-0 text-[11px] text-quiet">{RANGE.to} em</span>
        </div>
        <p className="text-[12px] text-quiet">
          {facts.lines === 0
            ? 'No justified lines.'
            : `${facts.lines} lines, mean ${facts.mean.toFixed(3)} em; ${facts.looseLines} loose, over ${round(facts.looseOver)} em (${share.toFixed(1)} %)`}
        </p>
      </div>
      {HANDLES.map(([key, name]) => (
        <NumberSetting
          key={key}
          label={name}
          unit="em"
          value={round(limits[key])}
          disabled={readOnly}
          onChange={(to) => set('text.wordSpace', { ...limits, [key]: to }, 'Word space')}
        />
      ))}
      <p className="flex items-center justify-between border-b border-hairline px-3.5 py-1.5">
        <span className="text-quiet">{heldWords(spec.text)}</span>
        <button
          className={BUTTON}
          disabled={readOnly || spec.text.wordSpace === null}
          onClick={() => set('text.wordSpace', null, 'Word space of the face')}
        >
          As the face
        </button>
      </p>
    </>
  );
}
