// Which of our styles one of a file becomes, by its name and outline level: the same guess for every format.
import { NOVEL_SPEC } from '../defaults/novelSpec';
import type { StyleTag } from '../model/copy/streams';

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
  [/^(intense )?quot(e|ations?)$|^extract\b|^letter\b|^block ?(text|quote)/, 'EXT'],
  [/^verse\b|^poem\b|^poetry\b|^song\b/, 'VRS'],
  [/^list\b/, 'LI'],
  [/^(foot|end)note( text)?$/, 'NT'],
  [/^(figure|table|picture|image) ?captions?$|^captions?\b|^(illustration|drawing|legend)$|^figcaption$/, 'CAP'],
  [/^((photo|photograph|picture|image|figure|illustration) )?credits?( lines?)?$/, 'CR'],
  [/^(scene|section|space) break$/, 'SB'],
  [/^(toc|contents)( heading| \d)$/, 'contents'],
];

/** Tag of an incoming contents list, which is left out: ours is made from the headings. */
export const CONTENTS_TAG = 'contents';

/** Our tag for a style of that name; undefined when nothing of ours fits. */
export function tagOfName(name: string): StyleTag | undefined {
  const plain = name.toLowerCase().replace(/[_-]+/g, ' ').replace(/\s+/g, ' ').trim();
  return BY_NAME.find(([pattern]) => pattern.test(plain))?.[1];
}

/** Our tag for a heading of a level, from 1. */
export function tagOfLevel(level: number): StyleTag {
  return level <= 1 ? 'CT' : level === 2 ? 'AH' : 'BH';
}

/** Level of a heading by the name of its style; null for what is no heading. */
export function levelOfName(name: string): number | null {
  const plain = name.toLowerCase().replace(/[_-]+/g, ' ').trim();
  const numbered = /^heading (\d)$/.exec(plain);
  if (numbered !== null) return Number(numbered[1]);
  return /^(part|chapter) (title|heading|name)$/.test(plain) ? 1 : null;
}

/** Names of styles that say no more than that a paragraph is text. */
export function isPlainName(name: string): boolean {
  return /^(normal|body text.*|standard|text body|default( paragraph)?( style)?|first line indent)$/i.test(
    name.replace(/_20_|_/g, ' '),
  );
}

/** Classes that programs give to any paragraph, and those that this one writes. */
const PLAIN_CLASS =
  /^([a-z]+-?\d+|[a-z]*(normal|bodytext|paragraph)|para|[a-z]{1,2}|(no-?)?indent|first|text|body|plain|center|centre)$/i;

/** Classes of a web page that say no more than that a paragraph is text. */
export function isPlainClass(name: string): boolean {
  return isPlainName(name) || PLAIN_CLASS.test(name) || Object.hasOwn(NOVEL_SPEC.styles, name.toUpperCase());
}
