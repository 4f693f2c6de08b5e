// Which style of the sheet is opened.
export type { OpenStyle } from '../../../../state/view/viewSlice';
