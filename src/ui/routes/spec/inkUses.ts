// Which inks the styles of a spec use.
import type { InkUse } from '../../../core/model/spec/inks';
import type { Spec } from '../../../core/model/spec/spec';

/** Styles that use each ink by its name. */
export function inkUses({ styles, characterStyles, tables }: Spec): ReadonlyMap<string, number> {
  const uses = new Map<string, number>();
  const note = (all: readonly (InkUse | null | undefined)[]) => {
    for (const name of new Set(all.flatMap((use) => (use ? [use.ink] : [])))) uses.set(name, (uses.get(name) ?? 0) + 1);
  };
  for (const { ink, background, ruleAbove, ruleBelow } of Object.values(styles))
    note([ink, background, ruleAbove?.ink, ruleBelow?.ink]);
  for (const { ink } of Object.values(characterStyles)) note([ink]);
  for (const { band, rules } of Object.values(tables)) note([band, ...Object.values(rules).map(({ ink }) => ink)]);
  return uses;
}
