// Keys that work in every stage. Single keys leave fields alone.
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { editRedone, editUndone } from '../../state/book/bookSlice';
import { useAppDispatch } from '../../state/hooks';
import { controlCalled, copyToolChosen } from '../../state/view/viewSlice';
import { FieldHistory } from './fieldHistory';

/** Alt with a figure goes to a stage, in the order of work. */
export const STAGE_KEYS = ['copy', 'spec', 'pages', 'proof', 'send-out'] as const;

export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}

export function useShortcuts(openPanel: (panel: 'commands' | 'help') => void): void {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  useEffect(() => {
    const fields = new FieldHistory();
    const stop = fields.listen(document);
    const press = (event: KeyboardEvent) => {
      const withControl = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      const isRedo = key === 'y' || (key === 'z' && event.shiftKey);
      if (withControl && (key === 'z' || key === 'y')) {
        if (fields.isFields(event.target, isRedo)) return;
        event.preventDefault();
        dispatch(isRedo ? editRedone() : editUndone());
      } else if (withControl && key === 'f') {
        event.preventDefault();
        void navigate('copy');
        dispatch(copyToolChosen('find'));
        dispatch(controlCalled({ stage: 'copy', label: 'Find' }));
      } else if (withControl && key === 'k') {
        event.preventDefault();
        openPanel('commands');
      } else if (event.altKey && /^[1-5]$/.test(event.key)) {
        event.preventDefault();
        void navigate(STAGE_KEYS[Number(event.key) - 1]);
      } else if (event.key === '?' && !isTyping(event.target)) openPanel('help');
    };
    window.addEventListener('keydown', press);
    return () => {
      stop();
      window.removeEventListener('keydown', press);
    };
  }, [dispatch, navigate, openPanel]);
}
