// Format 12: faces for scripts that the text face lacks; furniture has a role for the first pages of sections, tabs among its parts; a page touch
// may hold over a range of pages.
import { part, withSpec, type Migration, type Plain } from '../plainBook';

export const from11: Migration = (book) => withSpec(book, 12, withSectionRole);

/** A spec, or a part of one, with what format 12 asks for besides; what is laid over another spec stays as short as it is. */
export function withSectionRole(spec: Plain): Plain {
  return changed(changed(spec, 'text', withFallbacks), 'furniture', (furniture) =>
    changed(furniture, 'sets', (sets) =>
      Object.fromEntries(Object.keys(sets).map((name) => [name, changed(part(sets, name), 'roles', withSection)])),
    ),
  );
}

const withFallbacks = (text: Plain): Plain => ('liftedTies' in text ? { fallbacks: {}, ...text } : text);
const withSection = (roles: Plain): Plain => ('text' in roles ? { section: null, ...roles } : roles);

/** What has no object of that name stays as it is. */
function changed(of: Plain, key: string, change: (value: Plain) => Plain): Plain {
  const value = of[key];
  return typeof value === 'object' && value !== null && !Array.isArray(value)
    ? { ...of, [key]: change(value as Plain) }
    : of;
}
