// Tabs as a person writes them: `12pt left, 40pt right ., end right`.
import { ValueError } from '../base/errors';
import { formatNumber, parseLength } from '../measure/units';
import type { TabStop } from '../model/spec/spec';

const KINDS = ['left', 'right', 'centre', 'decimal'];

export function tabsInWords(tabs: readonly TabStop[]): string {
  return tabs
    .map(({ at, kind, leader }) =>
      [at === 'end' ? 'end' : `${formatNumber(at, 'pt')}pt`, kind, leader].filter(Boolean).join(' '),
    )
    .join(', ');
}

/** The tabs that a text gives, in order from the edge; a sentence when it gives none. */
export function tabsOf(text: string): readonly TabStop[] | string {
  const tabs: TabStop[] = [];
  for (const part of text.split(',').map((one) => one.trim())) {
    if (part === '') continue;
    const [at, kind = 'left', leader] = part.split(/\s+/);
    if (!KINDS.includes(kind)) return `“${kind}” is no kind of tab: use left, right, centre or decimal.`;
    try {
      const place = at === 'end' ? 'end' : parseLength(at, 'pt').pt;
      tabs.push({ at: place, kind: kind as TabStop['kind'], ...(leader === undefined ? {} : { leader }) });
    } catch (error) {
      if (error instanceof ValueError) return error.message;
      throw error;
    }
  }
  const order = ({ at }: TabStop) => (at === 'end' ? Infinity : at);
  return tabs.sort((a, b) => order(a) - order(b));
}
