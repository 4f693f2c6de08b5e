// Which style of the sheet is opened.
import type { StyleSort } from '../../../../state/spec/styleThunks';

export interface OpenStyle {
  readonly sort: StyleSort;
  readonly tag: string;
}
