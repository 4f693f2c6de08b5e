// The marks of each page on the desk: all of them while they are shown, else the bleed of plates alone.
import { useMemo } from 'react';
import { useAppSelector } from '../../../state/hooks';
import type { PageSummary } from '../../../worker/typesetClient';
import { marginsOf, pageMarks, type PageMarks } from '../../pageView/pageMarks';

export interface DeskMarks {
  readonly areShown: boolean;
  readonly of: (page: PageSummary) => PageMarks;
}

export function useDeskMarks(): DeskMarks {
  const areShown = useAppSelector((state) => state.view.deskMarks);
  const spec = useAppSelector((state) => state.book.book!.spec);
  const divisions = useAppSelector((state) => state.book.book!.divisions);
  const capHeight = useAppSelector((state) => state.compose.summary?.geometry.capHeight) ?? 0;
  return useMemo(() => {
    const roles = new Map(divisions.map(({ id, role }) => [id, role]));
    return {
      areShown,
      of: ({ side, division }) => pageMarks(spec, capHeight, side, marginsOf(spec, division, roles.get(division))),
    };
  }, [areShown, spec, divisions, capHeight]);
}
