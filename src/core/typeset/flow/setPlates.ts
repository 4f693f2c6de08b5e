// Pictures that take pages: one over two facing pages, across the fold, and one that fills its own page to the trim and into the bleed.
import type { PageGeometry } from '../../model/composed/pages';
import type { SetPicture } from '../../model/composed/styled';
import { PLAIN_FRAME, type Crop, type FigureSetting } from '../../model/copy/figureSetting';
import type { InksSpec } from '../../model/spec/inks';
import type { Pt } from '../../model/spec/length';
import type { PageSpec } from '../../model/spec/pageSpec';
import { frameSize, setFrame, type Size } from './setFrames';

/** Where a picture of a plate stands: left edges from that of the column, its foot from the head of the page. */
export interface PlateSetting extends Pick<
  SetPicture,
  'x' | 'xVerso' | 'width' | 'height' | 'frame' | 'clip' | 'lacksBleed'
> {
  readonly foot: Pt;
}

export interface PlateContext {
  readonly geometry: PageGeometry;
  readonly bleed: PageSpec['bleed'];
  readonly inks: InksSpec;
  readonly facing: boolean;
}

/** White between a plate that is cut at its foot and its captions, in points. */
const ABOVE_CAPTION = 9;

/** Whether a figure is one picture over two pages. */
const isAcross = (
  { place }: Pick<FigureSetting, 'place'>,
  parts: number,
  { facing, geometry }: Pick<PlateContext, 'facing' | 'geometry'>,
): boolean => place === 'spread' && facing && geometry.columns.length === 1 && parts === 1;

/**
 * The setting of a plate; null for any other figure. `natural`: size at which the picture is shown; `under`: points that its captions take on
 * the foot line.
 */
export function setPlate(
  setting: FigureSetting,
  natural: Size,
  crop: Crop | undefined,
  parts: number,
  under: Pt,
  context: PlateContext,
): PlateSetting | null {
  const { geometry, bleed, inks } = context;
  const across = isAcross(setting, parts, context);
  const fills = setting.width === 'trim' && geometry.columns.length === 1 && parts === 1;
  if (!across && !(fills && setting.place === 'page')) return null;
  const { width, back, foreEdge, leading, capHeight, lines } = geometry;
  const frame = setting.frame ?? PLAIN_FRAME;
  // A spread that runs a line short has its captions a line higher.
  const foot = geometry.head + capHeight + (lines - (under > 0 ? 2 : 1)) * leading;
  const overlap = across ? (setting.fold ?? 0) : 0;
  // Edges of the picture from the left edge of the verso, or of its page.
  const outside = fills ? -bleed.foreEdge.pt : foreEdge;
  const spread = across ? 2 * width : width;
  const [from, to] = across ? [outside, spread - outside] : [-bleed.back.pt, width + bleed.foreEdge.pt];
  const room: Size = fills
    ? {
        width: to - from,
        height: (under > 0 ? foot - under - ABOVE_CAPTION : geometry.height + bleed.foot.pt) + bleed.head.pt,
      }
    : { width: to - from, height: (lines - 1) * leading + capHeight - (under > 0 ? under + ABOVE_CAPTION : 0) };
  const framed = frameSize(natural, frame, crop);
  const isCut = fills && frame.ratio === null;
  const top = fills ? -bleed.head.pt : geometry.head;
  const { width: wished } = setting;
  const asked = typeof wished === 'number' ? wished : wished === 'shown' ? framed.width : room.width;
  const scale = Math.min(asked / framed.width, room.width / framed.width, room.height / framed.height);
  const size = isCut ? room : { width: framed.width * scale, height: framed.height * scale };
  const left = from + (room.width - size.width) / 2;
  const x = across ? left - width - back + overlap : left - back;
  const xVerso = across ? left - foreEdge - overlap : width - left - size.width - foreEdge;
  const set = setFrame(natural, size, frame, crop, inks);
  const bled = [bleed.back.pt, bleed.foreEdge.pt, bleed.head.pt, bleed.foot.pt];
  return {
    x,
    xVerso,
    ...size,
    ...(set === undefined ? {} : { frame: set }),
    ...(across
      ? {
          clip: {
            x: -back - bleed.back.pt,
            xVerso: -foreEdge - bleed.foreEdge.pt,
            width: width + bleed.back.pt + bleed.foreEdge.pt,
          },
        }
      : {}),
    ...(fills && bled.every((one) => one === 0) ? { lacksBleed: true as const } : {}),
    foot: top + (room.height + size.height) / 2,
  };
}
