// The styles of a .docx: which of ours each becomes, by its name, its outline level and those of its ancestors, and
// which character look each brings.
import { elements, maybeChild, type XmlElement } from '../../base/xml';
import type { StyleTag } from '../../model/streams';

export interface IncomingStyle {
  readonly name: string;
  /** Our tag; undefined when nothing of ours fits, which reads as text. */
  readonly tag: StyleTag | undefined;
  readonly italic: boolean | undefined;
  readonly bold: boolean | undefined;
}

export interface IncomingStyles {
  readonly byId: ReadonlyMap<string, IncomingStyle>;
  readonly language: string | undefined;
}

const BY_NAME: readonly [RegExp, StyleTag][] = [
  [/^heading 1$/, 'CT'],
  [/^heading 2$/, 'AH'],
  [/^heading [3-9]$/, 'BH'],
  [/^part (title|heading)$/, 'PT'],
  [/^chapter (title|heading|name)$/, 'CT'],
  [/^chapter (number|no\.?)$/, 'CN'],
  [/^title$/, 'BT'],
  [/^subtitle$/, 'BS'],
  [/^author$/, 'BA'],
  [/^dedication$/, 'DED'],
  [/^epigraph$/, 'EPI'],
  [/^(intense )?quote$|^extract\b|^letter\b|^block (text|quote)/, 'EXT'],
  [/^verse\b|^poem\b|^poetry\b|^song\b/, 'VRS'],
  [/^list\b/, 'LI'],
  [/^(foot|end)note text$/, 'NT'],
  [/^(scene|section|space) break$/, 'SB'],
  [/^toc( heading| \d)$/, 'contents'],
];

/** Tag of an incoming contents list, which is left out: ours is made from the headings. */
export const CONTENTS_TAG = 'contents';

/** Reads word/styles.xml; without it every paragraph is text. */
export function readStyles(part: XmlElement | undefined): IncomingStyles {
  const raw = new Map<string, XmlElement>();
  for (const style of part ? elements(part) : []) {
    if (style.name === 'w:style' && style.attributes['w:styleId']) raw.set(style.attributes['w:styleId'], style);
  }
  const byId = new Map<string, IncomingStyle>();
  for (const id of raw.keys()) byId.set(id, resolve(id, raw, new Set()));
  const defaults = maybeChild(maybeChild(maybeChild(part, 'w:docDefaults'), 'w:rPrDefault'), 'w:rPr');
  return { byId, language: maybeChild(defaults, 'w:lang')?.attributes['w:val'] };
}

function resolve(id: string, raw: ReadonlyMap<string, XmlElement>, seen: Set<string>): IncomingStyle {
  const style = raw.get(id);
  if (style === undefined || seen.has(id)) return { name: id, tag: undefined, italic: undefined, bold: undefined };
  seen.add(id);
  const name = maybeChild(style, 'w:name')?.attributes['w:val'] ?? id;
  const parentId = maybeChild(style, 'w:basedOn')?.attributes['w:val'];
  const parent = parentId === undefined ? undefined : resolve(parentId, raw, seen);
  const run = maybeChild(style, 'w:rPr');
  return {
    name,
    tag: tagOfName(name) ?? tagOfOutline(style) ?? parent?.tag,
    italic: toggle(run, 'w:i') ?? parent?.italic,
    bold: toggle(run, 'w:b') ?? parent?.bold,
  };
}

function tagOfName(name: string): StyleTag | undefined {
  const plain = name.toLowerCase().replace(/[_-]+/g, ' ').trim();
  return BY_NAME.find(([pattern]) => pattern.test(plain))?.[1];
}

function tagOfOutline(style: XmlElement): StyleTag | undefined {
  const level = maybeChild(maybeChild(style, 'w:pPr'), 'w:outlineLvl')?.attributes['w:val'];
  return level === '0' ? 'CT' : level === '1' ? 'AH' : level === '2' || level === '3' ? 'BH' : undefined;
}

/** A toggle property (17.7.3): true when present without a false value, undefined when absent. */
export function toggle(properties: XmlElement | undefined, name: string): boolean | undefined {
  const element = maybeChild(properties, name);
  if (element === undefined) return undefined;
  return !['0', 'false', 'off', 'none'].includes(element.attributes['w:val'] ?? '1');
}
