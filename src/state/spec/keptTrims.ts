// Trims of one's own, kept by name for all books of this browser.
import type { Trim } from '../../core/model/spec/pageSpec';
import { lengthSchema } from '../../core/validate';
import { keptList } from '../keptList';

export interface KeptTrim extends Trim {
  readonly name: string;
}

export const keptTrims = keptList<KeptTrim>('kept trims', {
  width: lengthSchema(72, 2000),
  height: lengthSchema(72, 2000),
});
