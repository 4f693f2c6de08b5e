// What the frame has called "Saved", known outside a browser that is about to be killed.
import type { Page } from 'playwright-core';
import { eventually } from './app';

export interface SavedWatch {
  /** What the fields showed each time the frame came to say "Saved", oldest first. */
  readonly said: string[];
  /** Waits until the frame has called this text saved. */
  readonly until: (text: string) => Promise<void>;
}

/**
 * Notes from now on, in every document of the page, what `selector` matches whenever the frame comes to say "Saved": texts or
 * values, joined by line ends. What is noted leaves the browser at once and outlives it.
 */
export async function watchSaved(page: Page, selector: string): Promise<SavedWatch> {
  const said: string[] = [];
  await page.exposeFunction('noteSaved', (text: string) => void said.push(text));
  const watch = `(() => {
    const stateNow = () => document.querySelector('header [role="status"]')?.textContent ?? '';
    // What is saved already does not come to be: a letter is on the screen a moment before the frame says anything of it.
    let before = stateNow();
    new MutationObserver(() => {
      const state = stateNow();
      if (state === 'Saved' && before !== 'Saved') {
        const shown = [...document.querySelectorAll(${JSON.stringify(selector)})];
        window.noteSaved(shown.map((one) => one.value ?? one.textContent).join('\\n'));
      }
      before = state;
    }).observe(document, { subtree: true, childList: true, characterData: true });
  })()`;
  await page.addInitScript(watch);
  await page.evaluate(watch);
  return { said, until: (text) => eventually(`“${text.slice(-40)}” is saved`, async () => said.includes(text)) };
}
