// The focus never falls to the body of the page: when the control that has it goes away or can no longer be used, what is nearest to it
// takes it, so that keys go on from there and a screen reader stays in its place.
import { useEffect } from 'react';

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex]:not([tabindex="-1"]), [contenteditable="true"]';

export function useFocusKeeper(): void {
  useEffect(() => {
    /** The control that had the focus last, and what it stood in, from the inside out. */
    let last: HTMLElement | null = null;
    let around: HTMLElement[] = [];
    let waiting = 0;
    const note = (event: FocusEvent) => {
      if (!(event.target instanceof HTMLElement) || event.target === document.body) return;
      last = event.target;
      around = [];
      for (let at = last.parentElement; at !== null && at !== document.body; at = at.parentElement) around.push(at);
    };
    const check = () => {
      waiting = 0;
      if (last === null || document.activeElement !== document.body || document.querySelector('dialog[open]')) return;
      // Clicking beside all controls is no loss: what had the focus is still there.
      if (last.isConnected && !last.matches(':disabled')) return;
      const home = around.find((one) => one.isConnected && canTake(one));
      (home === undefined ? null : nearestIn(home))?.focus({ preventScroll: true });
    };
    const soon = () => {
      if (waiting === 0 && last !== null) waiting = requestAnimationFrame(check);
    };
    const observer = new MutationObserver(soon);
    observer.observe(document.body, {
      subtree: true,
      childList: true,
      attributes: true,
      attributeFilter: ['disabled', 'hidden'],
    });
    document.addEventListener('focusin', note);
    return () => {
      cancelAnimationFrame(waiting);
      observer.disconnect();
      document.removeEventListener('focusin', note);
    };
  }, []);
}

const canTake = (one: HTMLElement): boolean => one.querySelector(FOCUSABLE) !== null;

/** The stage’s own region where there is one to choose, else the first control. */
function nearestIn(home: HTMLElement): HTMLElement | null {
  return (
    home.querySelector<HTMLElement>('[role="region"][tabindex="0"], section[tabindex="0"]') ??
    home.querySelector<HTMLElement>(FOCUSABLE)
  );
}
