// Addresses of the web and of mail inside text: never hyphenated, broken only at points that cannot be misread.

export interface Address {
  readonly from: number;
  readonly to: number;
}

const MAY_HOLD_ONE = /:\/\/|www\.|@|doi:/;
const ADDRESS = /\b(?:[a-z][a-z+.-]*:\/\/|www\.|doi:)[^\s<>“”"]+|[\w.+-]+@[\w-]+(?:\.[\w-]+)+/gi;
/** Marks before which an address may go on to the next line: at the end of one they would look like the sentence's. */
const BEFORE = new Set([...'/.?&=#%~@_-']);
/** Letters that stay together at both ends. */
const LEAST = 3;

/** Addresses in text order, without the stop that may follow them. */
export function findAddresses(text: string): Address[] {
  if (!MAY_HOLD_ONE.test(text)) return [];
  return [...text.matchAll(ADDRESS)].map((match) => ({
    from: match.index,
    to: match.index + match[0].replace(/[.,;:!?)\]’”]+$/, '').length,
  }));
}

/** Whether an address may be broken before an offset inside it. */
export function isAddressBreak(text: string, at: number, from: number, to: number): boolean {
  if (at - from < LEAST || to - at < LEAST) return false;
  if (text.slice(at - 3, at) === '://') return true;
  return BEFORE.has(text[at]) && !BEFORE.has(text[at - 1]) && text[at - 1] !== ':';
}
