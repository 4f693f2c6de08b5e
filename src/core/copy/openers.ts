// Which opener a division has: that of chapters, or one of its own kind.
import type { Division } from '../model/copy/book';
import type { OpenerVariant, Spec } from '../model/spec/spec';

export type OpenerKind = 'chapter' | 'part' | 'front' | 'short';

/** The kind of a division of so many words. */
export function openerKind(
  { openers }: Spec,
  { role, matter }: Pick<Division, 'role' | 'matter'>,
  words: number,
): OpenerKind {
  if (role === 'part') return 'part';
  if (matter === 'front') return 'front';
  return words < openers.shortUnder ? 'short' : 'chapter';
}

/** Sink and text start of a kind; those of chapters where it has none of its own. */
export function openerSettings({ openers }: Spec, kind: OpenerKind): OpenerVariant {
  return (kind === 'chapter' ? null : openers[kind]) ?? openers;
}

/** Where a value of a kind is kept: with the chapters' while the kind has none of its own. */
export function openerPath({ openers }: Spec, kind: OpenerKind, key: 'sink' | 'textStart'): string {
  return kind === 'chapter' || openers[kind] === null ? `openers.${key}` : `openers.${kind}.${key}`;
}
