// The keys of the desk: from spread to spread, from paragraph to paragraph, and the usual zooms.
import { useEffect } from 'react';
import { useAppDispatch } from '../../../state/hooks';
import { deskMarksToggled, paragraphPointed, spreadCalled, zoomChosen } from '../../../state/view/viewSlice';
import { isTyping } from '../../frame/useShortcuts';

/** `pointBeside`: points at the paragraph after (1) or before (-1) the one pointed at. */
export function useDeskKeys(current: number, spreads: number, pointBeside: (step: 1 | -1) => void): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key === 'Escape') dispatch(paragraphPointed(null));
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const key = event.key.toLowerCase();
      const moves: Readonly<Record<string, number>> = {
        arrowleft: current - 1,
        arrowright: current + 1,
        home: 0,
        end: spreads - 1,
      };
      if (Object.hasOwn(moves, key)) {
        event.preventDefault();
        dispatch(spreadCalled(Math.min(spreads - 1, Math.max(0, moves[key]))));
      } else if (key === 'n' || key === 'p') pointBeside(key === 'n' ? 1 : -1);
      else if (key === 'g') dispatch(deskMarksToggled());
      else if (key === 's') dispatch(zoomChosen({ kind: 'spread' }));
      else if (key === 'w') dispatch(zoomChosen({ kind: 'width' }));
      else if (key === 'a') dispatch(zoomChosen({ kind: 'scale', scale: 1 }));
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [dispatch, current, spreads, pointBeside]);
}
