// The order in which a page is painted, for whoever paints it: a later layer lies over an earlier one. Boxes, when there are some, follow the
// text by their own layers, each painted in this same order.
import type { DisplayList, PictureItem, RuleItem, TextItem } from './displayList';

export type PaintLayer =
  | { readonly kind: 'rules'; readonly rules: readonly RuleItem[] }
  | { readonly kind: 'pictures'; readonly pictures: readonly PictureItem[] }
  | { readonly kind: 'text'; readonly items: readonly TextItem[] };

/** Grounds, rules, pictures, text; layers without anything are left out. */
export function paintLayers({
  rules,
  pictures,
  items,
}: Pick<DisplayList, 'rules' | 'pictures' | 'items'>): PaintLayer[] {
  const grounds = rules.filter(({ kind }) => kind === 'ground');
  const others = grounds.length === 0 ? rules : rules.filter(({ kind }) => kind !== 'ground');
  return [
    ...(grounds.length === 0 ? [] : [{ kind: 'rules', rules: grounds } as const]),
    ...(others.length === 0 ? [] : [{ kind: 'rules', rules: others } as const]),
    ...(pictures.length === 0 ? [] : [{ kind: 'pictures', pictures } as const]),
    ...(items.length === 0 ? [] : [{ kind: 'text', items } as const]),
  ];
}
