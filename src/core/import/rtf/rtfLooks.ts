// The look of a run of rich text as its words change it, one by one.
import { localLook } from '../localLooks';
import type { SpanLook } from '../paragraphBuilder';
import type { TextTouches } from '../../model/copy/streams';

const OF_STYLES = ['face', 'size', 'colour'] as const;

/** The look with touches laid over it; an undefined value takes one away. Faces, sizes and colours as the file has them. */
export function withTouches(
  look: SpanLook,
  change: { readonly [K in keyof TextTouches]: TextTouches[K] | undefined },
): SpanLook {
  const { touches: known, ...rest } = look;
  const local = localLook(change.face, change.size, change.colour);
  const changed = Object.fromEntries(
    Object.entries(change).map(([key, value]) => [
      key,
      OF_STYLES.includes(key as 'face') ? local[key as 'face'] : value,
    ]),
  );
  const touches = Object.fromEntries(
    Object.entries({ ...known, ...changed }).filter(([, value]) => value !== undefined),
  );
  return Object.keys(touches).length > 0 ? { ...rest, touches } : rest;
}

/** The look with a character style, or without it. */
export function withStyle(look: SpanLook, tag: string, isOn: boolean): SpanLook {
  const { style: known, ...rest } = look;
  return isOn ? { ...rest, style: tag } : known === tag ? rest : look;
}
