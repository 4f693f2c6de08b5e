// Of the slip of a figure: the frame of its pictures, and how each stands in it. What a frame hides is not lost.
import { useState } from 'react';
import {
  FIGURE_LIMITS,
  FRAME_SHAPES,
  PLAIN_CROP,
  PLAIN_FRAME,
  type Crop,
  type Frame,
  type FrameShape,
} from '../../../core/model/copy/figureSetting';
import type { Figure, FigurePart } from '../../../core/model/copy/figures';
import { BLACK, type InkUse } from '../../../core/model/spec/inks';
import type { PictureSetting } from '../../../core/model/answers/paragraphFacts';
import { setFigure } from '../../../state/copy/figureThunks';
import { useAppDispatch } from '../../../state/hooks';
import { ChoiceSetting, NumberSetting } from '../../components/Setting';
import { InkField } from '../spec/styles/compoundFields';
import { Toggle } from './slipFields';

const SHAPES: Readonly<Record<FrameShape, string>> = {
  rectangle: 'rectangle',
  rounded: 'rounded corners',
  ellipse: 'ellipse',
};

interface Props {
  readonly figure: Figure;
  readonly pictures: readonly PictureSetting[];
  readonly disabled: boolean;
}

export function FigureFrame({ figure, pictures, disabled }: Props) {
  const dispatch = useAppDispatch();
  const frame = figure.frame ?? PLAIN_FRAME;
  const put = (change: Partial<Frame>) => {
    dispatch(setFigure({ ...figure, frame: { ...frame, ...change } }, 'Frame of a figure'));
    return null;
  };
  const [first] = pictures;
  const shown = frame.ratio ?? (first === undefined ? 1 : first.height / first.width);
  return (
    <details className="border-b border-hairline" open={figure.frame !== undefined || undefined}>
      <summary className="cursor-pointer px-3.5 py-1.5 font-medium">Frame</summary>
      <ChoiceSetting
        label="Shape"
        value={frame.shape}
        disabled={disabled}
        choices={FRAME_SHAPES.map((shape) => [shape, SHAPES[shape]] as const)}
        onChange={(shape) => put({ shape: shape as FrameShape })}
      />
      {frame.shape === 'rounded' && (
        <Plain
          label="Radius"
          unit="pt"
          value={frame.radius}
          limits={FIGURE_LIMITS.radius}
          disabled={disabled}
          onChange={(radius) => put({ radius })}
        />
      )}
      <ChoiceSetting
        label="Ratio"
        value={frame.ratio === null ? 'picture' : 'own'}
        disabled={disabled}
        choices={[
          ['picture', 'of the picture'],
          ['own', 'typed'],
        ]}
        onChange={(to) => put({ ratio: to === 'picture' ? null : rounded(shown) })}
      />
      {frame.ratio !== null && (
        <Plain
          label="Height to width"
          value={rounded(frame.ratio)}
          limits={FIGURE_LIMITS.ratio}
          disabled={disabled}
          onChange={(ratio) => put({ ratio })}
        />
      )}
      <ChoiceSetting
        label="Border"
        value={frame.border === null ? 'none' : 'line'}
        disabled={disabled}
        choices={[
          ['none', 'none'],
          ['line', 'a line'],
        ]}
        onChange={(to) => put({ border: to === 'none' ? null : { width: 0.5, ink: { ink: BLACK, tint: 100 } } })}
      />
      {frame.border !== null && (
        <Border border={frame.border} disabled={disabled} onChange={(border) => put({ border })} />
      )}
      <CropFields figure={figure} pictures={pictures} disabled={disabled} />
    </details>
  );
}

const rounded = (value: number) => Math.round(value * 1000) / 1000;

interface BorderProps {
  readonly border: NonNullable<Frame['border']>;
  readonly disabled: boolean;
  readonly onChange: (to: NonNullable<Frame['border']>) => null;
}

function Border({ border, disabled, onChange }: BorderProps) {
  return (
    <>
      <Plain
        label="Weight of the border"
        unit="pt"
        value={border.width}
        limits={FIGURE_LIMITS.border}
        disabled={disabled}
        onChange={(width) => onChange({ ...border, width })}
      />
      <InkField
        label="Ink of the border"
        note={undefined}
        none="black"
        disabled={disabled}
        value={border.ink}
        onChange={(ink) => onChange({ ...border, ink: (ink as InkUse | undefined) ?? { ink: BLACK, tint: 100 } })}
      />
    </>
  );
}

/** How the picture of a part stands in its frame. */
function CropFields({ figure, pictures, disabled }: Props) {
  const dispatch = useAppDispatch();
  const [chosen, setChosen] = useState(0);
  const at = Math.min(chosen, figure.parts.length - 1);
  const crop = figure.parts[at].crop ?? PLAIN_CROP;
  const put = (change: Partial<Crop>, name = 'Picture in its frame') => {
    const to = { ...crop, ...change };
    const { crop: _, ...bare } = figure.parts[at];
    const part: FigurePart = isPlain(to) ? bare : { ...bare, crop: to };
    const parts = figure.parts.map((one, k) => (k === at ? part : one));
    dispatch(setFigure({ ...figure, parts }, name));
    return null;
  };
  const share = (value: number) => Math.round(value * 1000) / 10;
  return (
    <>
      {figure.parts.length > 1 && (
        <ChoiceSetting
          label="Picture of part"
          value={String(at)}
          choices={figure.parts.map((_, k) => [String(k), `(${String.fromCharCode(0x61 + k)})`] as const)}
          onChange={(to) => setChosen(Number(to))}
        />
      )}
      <Plain
        label="Scale"
        unit="%"
        value={share(crop.zoom)}
        limits={percent(FIGURE_LIMITS.zoom)}
        disabled={disabled}
        note="100 %: it just fills its frame."
        onChange={(to) => put({ zoom: to / 100 })}
      />
      <Plain
        label="Moved across"
        unit="%"
        value={share(crop.across)}
        limits={percent(FIGURE_LIMITS.shift)}
        disabled={disabled}
        onChange={(to) => put({ across: to / 100 })}
      />
      <Plain
        label="Moved down"
        unit="%"
        value={share(crop.down)}
        limits={percent(FIGURE_LIMITS.shift)}
        disabled={disabled}
        onChange={(to) => put({ down: to / 100 })}
      />
      <Plain
        label="Turned"
        unit="°"
        value={crop.turn}
        limits={FIGURE_LIMITS.turn}
        disabled={disabled}
        onChange={(turn) => put({ turn })}
      />
      <Toggle
        label="Left for right"
        isOn={crop.mirrored}
        cost=""
        disabled={disabled}
        onChange={(mirrored) => put({ mirrored })}
      />
      <Toggle
        label="Head for foot"
        isOn={crop.upended}
        cost=""
        disabled={disabled}
        onChange={(upended) => put({ upended })}
      />
      <p className="flex flex-wrap gap-x-4 gap-y-1 px-3.5 py-1.5">
        <Act
          name="Fill the frame"
          disabled={disabled}
          onClick={() => put({ zoom: 1, across: 0, down: 0 }, 'Picture fills its frame')}
        />
        <Act
          name="Show all of it"
          disabled={disabled}
          onClick={() =>
            put({ zoom: wholeZoom(figure, at, pictures[at]), across: 0, down: 0 }, 'All of a picture shown')
          }
        />
        <Act
          name="Turn by 90°"
          disabled={disabled}
          onClick={() => put({ turn: crop.turn >= 90 ? crop.turn - 270 : crop.turn + 90 }, 'Picture turned')}
        />
      </p>
    </>
  );
}

const percent = ([least, most]: readonly [number, number]) => [least * 100, most * 100] as const;

const isPlain = (crop: Crop) =>
  (Object.keys(PLAIN_CROP) as (keyof Crop)[]).every((key) => crop[key] === PLAIN_CROP[key]);

/** The scale at which the whole of an upright picture is in its frame, against the one that fills it. */
function wholeZoom(figure: Figure, at: number, set: PictureSetting | undefined): number {
  const { picture, crop = PLAIN_CROP } = figure.parts[at];
  if (set === undefined || picture.width === 0 || picture.height === 0) return 1;
  const isOnSide = Math.round(Math.abs(crop.turn) / 90) % 2 === 1;
  const own = isOnSide ? picture.width / picture.height : picture.height / picture.width;
  const frame = set.height / set.width;
  return Math.min(own / frame, frame / own);
}

function Act({ name, disabled, onClick }: { name: string; disabled: boolean; onClick: () => unknown }) {
  return (
    <button
      className="text-primary underline-offset-2 hover:underline disabled:text-quiet"
      disabled={disabled}
      onClick={onClick}
    >
      {name}
    </button>
  );
}

interface PlainProps {
  readonly label: string;
  readonly unit?: string;
  readonly value: number;
  readonly limits: readonly [number, number];
  readonly disabled: boolean;
  readonly note?: string;
  readonly onChange: (to: number) => unknown;
}

function Plain({ label, unit = '', value, limits: [least, most], disabled, note, onChange }: PlainProps) {
  return (
    <NumberSetting
      label={label}
      unit={unit}
      value={value}
      disabled={disabled}
      note={note}
      onChange={(to) => {
        if (to < least || to > most) return `${least} to ${most}${unit === '' ? '' : ` ${unit}`}.`;
        onChange(to);
        return null;
      }}
    />
  );
}
