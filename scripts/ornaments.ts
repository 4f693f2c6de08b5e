// The face of the ornaments, from their outlines: a TrueType font by way of an SVG font.
import svg2ttf from 'svg2ttf';
import { ORNAMENTS } from '../src/core/looks/ornaments';

/** `copyright` and dates are the same at every build: the file is. */
export function buildOrnaments(): Uint8Array {
  const glyphs = ORNAMENTS.map(
    ({ title, character, advance, path }) =>
      `<glyph glyph-name="${title.toLowerCase().replace(/\W+/g, '-')}" unicode="&#x${character.codePointAt(0)!.toString(16)};" horiz-adv-x="${advance}" d="${path}"/>`,
  );
  const font = [
    '<svg xmlns="http://www.w3.org/2000/svg"><defs><font id="walnut-ornaments" horiz-adv-x="600">',
    '<font-face font-family="Walnut Ornaments" font-weight="400" units-per-em="1000" ascent="800" descent="-200" cap-height="650" x-height="450"/>',
    '<missing-glyph horiz-adv-x="500"/>',
    '<glyph glyph-name="space" unicode=" " horiz-adv-x="250" d=""/>',
    ...glyphs,
    '</font></defs></svg>',
  ].join('\n');
  return new Uint8Array(
    svg2ttf(font, { ts: 0, version: 'Version 1.0', description: 'Ornaments of Walnut Leaf' }).buffer,
  );
}
