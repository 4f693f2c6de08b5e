// Finds text of a screen that cannot be read: cut by its own box, or covered by something else.
import type { Page } from 'playwright-core';

/** What may be cut: what tells its whole words when it is pointed at, and places where text scrolls. */
export async function cutTexts(page: Page): Promise<string[]> {
  // The test's compiler names inner functions with it.
  await page.evaluate('globalThis.__name ??= (named) => named');
  return page.evaluate(findCutTexts);
}

/** Runs in the page. */
function findCutTexts(): string[] {
  const faults: string[] = [];
  const say = (what: string, element: Element) => {
    const words = (element instanceof HTMLInputElement ? element.value : (element.textContent ?? '')).trim();
    const where = element.closest('[aria-label]')?.getAttribute('aria-label') ?? '';
    faults.push(`${what}: “${words.replace(/\s+/g, ' ').slice(0, 60)}” (${element.tagName.toLowerCase()} in ${where})`);
  };
  /** Composed pages, drawings and the galley's text are looked at elsewhere. */
  const isApart = (element: Element) =>
    element.closest('[data-page-text], article[data-page], .galley, svg, dialog') !== null;
  const measure = document.createElement('canvas').getContext('2d')!;
  const widthOf = (words: string, element: Element) => {
    const { font } = getComputedStyle(element);
    measure.font = font;
    return measure.measureText(words).width;
  };
  const tellsAll = (element: Element) => {
    const titled = element.closest('[title]');
    return titled !== null && (titled.getAttribute('title') ?? '').includes((element.textContent ?? '').trim());
  };
  for (const element of document.querySelectorAll('body *')) {
    if (isApart(element) || !(element as HTMLElement).checkVisibility?.()) continue;
    const style = getComputedStyle(element);
    if (style.visibility !== 'visible' || element.closest('.sr-only') !== null) continue;
    if (element instanceof HTMLSelectElement) {
      // A native arrow stands beside the words.
      const arrow = parseFloat(style.paddingRight) > 16 ? 0 : 20;
      const room = element.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight) - arrow;
      const words = element.selectedOptions[0]?.text.trim() ?? '';
      if (widthOf(words, element) > room + 2 && element.title === '') say('cut choice', element.selectedOptions[0]);
      continue;
    }
    if (element instanceof HTMLInputElement) {
      if (
        /^(text|search|)$/.test(element.type) &&
        element.scrollWidth > element.clientWidth + 1 &&
        element.title === ''
      )
        say('cut field', element);
      continue;
    }
    const own = [...element.childNodes].filter(
      (node) => node.nodeType === Node.TEXT_NODE && node.textContent!.trim() !== '',
    );
    if (own.length === 0) continue;
    let box: Element | null = element;
    while (box !== null && getComputedStyle(box).display === 'inline') box = box.parentElement;
    if (box !== null && getComputedStyle(box).overflowX !== 'visible') {
      if (box.scrollWidth > box.clientWidth + 1 && !tellsAll(element)) say('cut', element);
    }
    for (const node of own) {
      const range = document.createRange();
      range.selectNodeContents(node);
      const rect = [...range.getClientRects()].find(({ width, height }) => width > 2 && height > 2);
      if (rect === undefined) continue;
      const [x, y] = [rect.left + rect.width / 2, rect.top + rect.height / 2];
      // Only what is in view, in all that scrolls around it, can be covered.
      let isInView = x > 0 && y > 0 && x < innerWidth && y < innerHeight;
      for (let at: Element | null = element; at !== null && isInView; at = at.parentElement) {
        if (getComputedStyle(at).overflow === 'visible') continue;
        const around = at.getBoundingClientRect();
        isInView = x >= around.left && x <= around.right && y >= around.top && y <= around.bottom;
      }
      if (!isInView) continue;
      // What lets the pointer through is not covered by what lies under it.
      const html = element as HTMLElement;
      const { pointerEvents } = style;
      if (pointerEvents === 'none') html.style.pointerEvents = 'auto';
      const top = document.elementFromPoint(x, y);
      if (pointerEvents === 'none') html.style.pointerEvents = '';
      if (top !== null && !element.contains(top) && !top.contains(element)) say('covered', element);
    }
  }
  return [...new Set(faults)];
}
