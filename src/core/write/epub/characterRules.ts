// Rules of the character styles that a person made: what carries meaning of them, in relative units.
import type { CharacterStyle, Spec } from '../../model/spec/spec';
import type { StyleTag } from '../../model/copy/streams';
import { characterClass, isToldByElement } from '../copy/ourMarks';

type Styles = Spec['characterStyles'];

/** A style with what it takes from those that it is based on. */
function wholeStyle(tag: StyleTag, styles: Styles): Partial<CharacterStyle> {
  let whole: Partial<CharacterStyle> = {};
  const met = new Set<StyleTag>();
  for (let at: StyleTag | undefined = tag; at !== undefined && !met.has(at); at = styles[at]?.basedOn) {
    met.add(at);
    whole = { ...styles[at], ...whole };
  }
  return whole;
}

function declared({ italic, weight, caps, position, line, asTyped }: Partial<CharacterStyle>): string {
  return [
    italic === undefined ? '' : 'font-style: italic;',
    weight === undefined ? '' : `font-weight: ${weight >= 600 ? 'bold' : 'normal'};`,
    caps === 'small' ? 'font-variant: small-caps;' : '',
    caps === 'all' ? 'text-transform: uppercase;' : '',
    position === undefined ? '' : `vertical-align: ${position === 'superior' ? 'super' : 'sub'}; font-size: 0.75em;`,
    line === undefined ? '' : `text-decoration: ${line === 'under' ? 'underline' : 'line-through'};`,
    asTyped === 'on' ? 'font-family: monospace;' : '',
  ]
    .filter(Boolean)
    .join(' ');
}

/** One rule for each style that no element tells; none for one that says nothing of the kind. */
export const characterRules = (styles: Styles): string =>
  Object.keys(styles)
    .filter((tag) => !isToldByElement(tag))
    .map((tag) => [tag, declared(wholeStyle(tag, styles))] as const)
    .filter(([, said]) => said !== '')
    .map(([tag, said]) => `.${characterClass(tag)} { ${said} }\n`)
    .join('');
