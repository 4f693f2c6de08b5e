// Going to a page: the spread on which it stands is shown.
import { selectFacing, spreadOfPage } from '../book/selectors';
import type { AppThunk } from '../store';
import { spreadCalled } from './viewSlice';

/** Shows a page by its index, from 0. */
export function callPage(page: number): AppThunk {
  return (dispatch, getState) => dispatch(spreadCalled(spreadOfPage(page, selectFacing(getState()))));
}
