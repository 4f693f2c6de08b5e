// Format 12: faces for scripts that the text face lacks; furniture has a role for the first pages of sections, tabs among its parts; a page touch
// may hold over a range of pages; three keys of the spec have the names that the screens have.
import { part, withSpec, type Migration, type Plain } from '../plainBook';

export const from11: Migration = (book) => withSpec(book, 12, asFormat12);

/** Keys by the part of the spec that they stand in. */
const RENAMED: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  page: { slug: 'sheetEdge' },
  text: { glyphPlay: 'letterWidth', opticalMargins: 'hangingPunctuation' },
};

/** A path in a spec by today's names. */
export function pathOfFormat12(path: readonly string[]): readonly string[] {
  const key = RENAMED[path[0] ?? '']?.[path[1] ?? ''];
  return key === undefined ? path : [path[0], key, ...path.slice(2)];
}

const renamed = (of: Plain, names: Readonly<Record<string, string>>): Plain =>
  Object.fromEntries(Object.entries(of).map(([key, value]) => [names[key] ?? key, value]));

/** A spec, or a part of one, with what format 12 asks for besides; what is laid over another spec stays as short as it is. */
export function asFormat12(spec: Plain): Plain {
  const named = Object.keys(RENAMED).reduce((of, key) => changed(of, key, (part) => renamed(part, RENAMED[key])), spec);
  return changed(changed(named, 'text', withFallbacks), 'furniture', (furniture) =>
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
