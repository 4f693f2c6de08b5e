// The frames of a figure's pictures as they are set: their shapes, and how the picture stands in each.
import { setInk } from '../../looks/setInk';
import type { SetFrame } from '../../model/composed/styled';
import { PLAIN_CROP, PLAIN_FRAME, type Crop, type Frame } from '../../model/copy/figureSetting';
import type { InksSpec } from '../../model/spec/inks';
import type { Pt } from '../../model/spec/length';

export interface Size {
  readonly width: Pt;
  readonly height: Pt;
}

/** The size of a picture's frame that is as wide as the picture: of the frame's proportions, or those of the picture at its nearest quarter turn. */
export function frameSize(picture: Size, { ratio } = PLAIN_FRAME, { turn } = PLAIN_CROP): Size {
  const isOnSide = Math.round(Math.abs(turn) / 90) % 2 === 1;
  const size = isOnSide ? { width: picture.height, height: picture.width } : picture;
  return ratio === null ? size : { width: size.width, height: size.width * ratio };
}

/** How a picture stands in its frame; undefined where it just fills it. `picture`: of any size; `size`: the frame's. */
export function setFrame(
  picture: Size,
  size: Size,
  frame: Frame = PLAIN_FRAME,
  crop: Crop = PLAIN_CROP,
  inks: InksSpec,
): SetFrame | undefined {
  const { shape, radius, border } = frame;
  const { zoom, across, down, turn, mirrored, upended } = crop;
  const scale = zoom * fillingScale(picture, size, turn);
  const set = {
    shape,
    radius: shape === 'rounded' ? Math.min(radius, size.width / 2, size.height / 2) : 0,
    border: border === null ? null : { width: border.width, ink: setInk(inks, border.ink) },
    across: across * size.width,
    down: down * size.height,
    width: picture.width * scale,
    height: picture.height * scale,
    turn,
    mirrored,
    upended,
  };
  const isPlain =
    shape === 'rectangle' && border === null && across === 0 && down === 0 && turn === 0 && !mirrored && !upended;
  const fills = Math.abs(set.width - size.width) < 1e-3 && Math.abs(set.height - size.height) < 1e-3;
  return isPlain && fills ? undefined : set;
}

/** The least scale at which a picture, turned by so many degrees round the middle of its frame, leaves no white in it. */
function fillingScale(picture: Size, { width, height }: Size, turn: number): number {
  const angle = (turn * Math.PI) / 180;
  const [cos, sin] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  return Math.max((width * cos + height * sin) / picture.width, (width * sin + height * cos) / picture.height);
}
