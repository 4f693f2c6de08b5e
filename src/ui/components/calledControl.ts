// Finds the control that the search calls by its label, shows it and gives it the focus.
import { useEffect } from 'react';
import { controlReached, type CalledControl } from '../../state/view/viewSlice';
import { useAppDispatch, useAppSelector } from '../../state/hooks';

const FIELDS = 'input, select, textarea, button';
const wordsOf = (element: Element) => (element.textContent ?? '').trim();

/** The control with that label, or the first control of the group with that title. */
export function findControl(
  root: ParentNode,
  { label, group }: Pick<CalledControl, 'label' | 'group'>,
): HTMLElement | null {
  const groups = [...root.querySelectorAll('section')];
  const titled = (title: string) =>
    groups.find(
      (section) => wordsOf(section.querySelector('h2 > span') ?? section.querySelector('h2') ?? section) === title,
    );
  const within = (group === undefined ? undefined : titled(group)) ?? root;
  for (const found of within.querySelectorAll('label')) {
    if (wordsOf(found) !== label) continue;
    const field = document.getElementById(found.htmlFor) ?? found.querySelector<HTMLElement>(FIELDS);
    if (field !== null) return field;
  }
  for (const found of within.querySelectorAll<HTMLElement>(FIELDS))
    if (found.getAttribute('aria-label') === label || wordsOf(found) === label) return found;
  return titled(label)?.querySelector<HTMLElement>(FIELDS) ?? null;
}

/** Follows calls to a stage while it is shown; what is not there is called no more. */
export function useCalledControl(stage: CalledControl['stage']): void {
  const dispatch = useAppDispatch();
  const called = useAppSelector((state) => state.view.control);
  useEffect(() => {
    // The stage that is being left must not take a call to the next one.
    if (called?.stage !== stage) return;
    const found = findControl(document.querySelector('main') ?? document, called);
    for (let at = found?.closest('details') ?? null; at !== null; at = at.parentElement?.closest('details') ?? null)
      at.open = true;
    found?.scrollIntoView({ block: 'center' });
    found?.focus({ preventScroll: true });
    dispatch(controlReached());
  }, [dispatch, called, stage]);
}
