// How a figure stands, its frame, and the text beside it.
import { EDITIONS } from '../model/copy/editions';
import {
  CAPTION_SIDES,
  FIGURE_LIMITS,
  FIGURE_PLACES,
  FIGURE_SIDES,
  FIGURE_WIDTHS,
  FRAME_SHAPES,
  TEXT_AROUND,
} from '../model/copy/figureSetting';
import { Joi } from './check';
import { inkUse } from './fields';

const within = (limits: readonly [number, number]) => Joi.number().min(limits[0]).max(limits[1]).required();
const oneOf = (values: readonly string[]) => Joi.string().valid(...values);

const frame = Joi.object({
  shape: oneOf(FRAME_SHAPES).required(),
  radius: within(FIGURE_LIMITS.radius),
  ratio: within(FIGURE_LIMITS.ratio).allow(null),
  border: Joi.object({ width: within(FIGURE_LIMITS.border), ink: inkUse.required() })
    .allow(null)
    .required(),
});

const around = Joi.object({
  text: oneOf(TEXT_AROUND).required(),
  outline: Joi.boolean().required(),
  contour: Joi.array()
    .items(Joi.array().ordered(within(FIGURE_LIMITS.corner), within(FIGURE_LIMITS.corner)))
    .min(FIGURE_LIMITS.corners[0])
    .max(FIGURE_LIMITS.corners[1]),
  side: oneOf(FIGURE_SIDES).required(),
  inset: within(FIGURE_LIMITS.inset),
  from: within(FIGURE_LIMITS.from).integer(),
  above: within(FIGURE_LIMITS.white),
  beside: within(FIGURE_LIMITS.white),
  below: within(FIGURE_LIMITS.white),
});

export const cropSchema = Joi.object({
  zoom: within(FIGURE_LIMITS.zoom),
  across: within(FIGURE_LIMITS.shift),
  down: within(FIGURE_LIMITS.shift),
  turn: within(FIGURE_LIMITS.turn),
  mirrored: Joi.boolean().required(),
  upended: Joi.boolean().required(),
});

/** The keys of a figure's setting. */
export const figureSettingKeys = {
  place: oneOf(FIGURE_PLACES).required(),
  width: Joi.alternatives(oneOf(FIGURE_WIDTHS), Joi.number().min(1).max(20_000)).required(),
  captionAt: oneOf(CAPTION_SIDES),
  fold: within(FIGURE_LIMITS.fold).optional(),
  frame,
  around,
  onlyIn: oneOf(EDITIONS),
};
