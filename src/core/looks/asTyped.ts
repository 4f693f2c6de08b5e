// Stretches that are set as they were typed, by their character style: code.
import type { Stretch } from '../base/technicalWords';
import type { Paragraph } from '../model/copy/streams';
import type { CharacterStyle, Spec } from '../model/spec/spec';

const NONE: readonly Stretch[] = [];

/** Stretches of a paragraph in text order whose style says so, or one that it is based on. */
export function asTypedStretches({ spans }: Pick<Paragraph, 'spans'>, { characterStyles }: Spec): readonly Stretch[] {
  const found = spans.filter(({ style }) => style !== undefined && isAsTyped(style, characterStyles));
  return found.length === 0 ? NONE : found.map(({ from, to }) => ({ from, to }));
}

function isAsTyped(tag: string, styles: Readonly<Record<string, CharacterStyle>>): boolean {
  const seen = new Set<string>();
  for (let at: string | undefined = tag; at !== undefined && !seen.has(at); at = styles[at]?.basedOn) {
    seen.add(at);
    if (styles[at]?.asTyped !== undefined) return styles[at].asTyped === 'on';
  }
  return false;
}
