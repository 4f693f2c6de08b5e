// The ornament of scene breaks in an EPUB: one that ships as a drawing in the package, since a reader's faces have it not; characters as they are.
import { ORNAMENT_EXTENT, ORNAMENTS } from '../../looks/ornaments';
import { valueOf } from '../../model/spec/inheritance';
import type { Spec } from '../../model/spec/spec';

export interface BreakOrnament {
  /** Rules that come after those of every book. */
  readonly css: string;
  /** The drawings that they name, as SVG, by the names of their files. */
  readonly files: Readonly<Record<string, string>>;
}

const ORNAMENT_FILE = 'ornament.svg';

/** Em of the text that the drawing is high. */
const HIGH = 0.9;
const { up: UP, down: DOWN } = ORNAMENT_EXTENT;

export function breakOrnament({ styles }: Pick<Spec, 'styles'>): BreakOrnament {
  const said = valueOf(styles, 'SBO', 'ornament');
  if (!said) return { css: '', files: {} };
  const shipped = ORNAMENTS.find(({ character }) => character === said);
  if (shipped === undefined) return { css: `hr::before { content: ${cssString(said)}; }\n`, files: {} };
  const { advance, path, title } = shipped;
  return {
    css: `hr { height: ${HIGH}em; background: url("${ORNAMENT_FILE}") center / auto 100% no-repeat; }\nhr::before { content: none; }\n`,
    files: {
      [ORNAMENT_FILE]: `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 ${-UP} ${advance} ${UP + DOWN}" width="${advance}" height="${UP + DOWN}"><title>${title}</title><path d="${path}" transform="scale(1 -1)"/></svg>\n`,
    },
  };
}

/** A string of CSS (CSS Syntax 3, 4.3.7): what is no letter or figure by its code point. */
const cssString = (text: string) =>
  `"${[...text].map((char) => (/[\p{L}\p{N} *]/u.test(char) ? char : `\\${char.codePointAt(0)!.toString(16)} `)).join('')}"`;
