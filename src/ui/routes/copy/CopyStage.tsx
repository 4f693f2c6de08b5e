// Copy: the running order at the left, in the middle the galley of the chosen division or the particulars.
import { useCallback, useEffect } from 'react';
import { chooseDivision } from '../../../state/copy/galleyThunks';
import { divisionChosen } from '../../../state/view/viewSlice';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { selectRunningOrder } from '../../../state/book/selectors';
import { useCalledControl } from '../../components/calledControl';
import { Galley } from './Galley';
import { Particulars } from './Particulars';
import { RunningOrder } from './order/RunningOrder';
import { CopyTools } from './CopyTools';

export default function CopyStage() {
  const dispatch = useAppDispatch();
  useCalledControl('copy');
  const chosen = useAppSelector((state) => state.view.division);
  const rows = useAppSelector(selectRunningOrder);
  const division = useAppSelector((state) => state.book.book!.divisions.find(({ id }) => id === chosen));
  const row = rows.find((candidate) => candidate.id === chosen);

  useEffect(() => {
    if (chosen !== null && division === undefined) dispatch(divisionChosen(null));
  }, [dispatch, chosen, division]);

  const choose = useCallback((id: string | null) => dispatch(chooseDivision(id)), [dispatch]);
  return (
    <div className="flex h-full">
      <RunningOrder rows={rows} chosen={division ? chosen : null} onChoose={choose} />
      {division === undefined || row === undefined ? (
        <Particulars />
      ) : (
        <Galley key={division.id} division={division} row={row} />
      )}
      <CopyTools />
    </div>
  );
}
