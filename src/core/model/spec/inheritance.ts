// Values of a style sheet: a style's own, or those of what it takes from.
import type { StyleTag } from '../copy/streams';

type Sheet<T> = Readonly<Record<StyleTag, T>>;

/** Where a value of a style comes from: the style itself, an ancestor, or, null, what a style has when none says more. */
export function originOf<T extends { readonly basedOn?: StyleTag }>(
  styles: Sheet<T>,
  tag: StyleTag,
  key: keyof T,
): StyleTag | null {
  const seen = new Set<StyleTag>();
  for (let at: StyleTag | undefined = tag; at !== undefined && !seen.has(at); at = styles[at]?.basedOn) {
    seen.add(at);
    if (styles[at]?.[key] !== undefined) return at;
  }
  return null;
}

/** The value of a style, its own or from an ancestor; undefined when none says. */
export function valueOf<T extends { readonly basedOn?: StyleTag }, K extends keyof T>(
  styles: Sheet<T>,
  tag: StyleTag,
  key: K,
): T[K] | undefined {
  const origin = originOf(styles, tag, key);
  return origin === null ? undefined : styles[origin][key];
}
