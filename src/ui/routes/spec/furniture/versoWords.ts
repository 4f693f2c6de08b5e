// What of the furniture only versos carry: pages that are single have none.
import { roleFurniture, SLOTS, type FurnitureLine } from '../../../../core/model/spec/furniture';
import { FURNITURE_ROLES } from '../../../../core/model/spec/pageRoles';
import type { Spec } from '../../../../core/model/spec/spec';
import { partName } from './tokens';

/** Heads and feet of versos that say what their rectos do not, of single pages, such as `Author (head)`; each once. */
export function versoWordsLost({ page, furniture }: Spec): readonly string[] {
  const set = furniture.sets[furniture.set];
  if (page.facing || set === undefined) return [];
  const lost = FURNITURE_ROLES.flatMap((role) => {
    const { head, foot } = roleFurniture(set, role);
    return [...versoOnly(head).map((words) => `${words} (head)`), ...versoOnly(foot).map((words) => `${words} (foot)`)];
  });
  return [...new Set(lost)];
}

function versoOnly(line: FurnitureLine | null): string[] {
  if (line === null || line.verso === null) return [];
  const parts = (slots: FurnitureLine['recto']) => SLOTS.flatMap((name) => slots[name].parts.map(partName));
  const onRectos = new Set(parts(line.recto));
  return parts(line.verso).filter((name) => !onRectos.has(name));
}
