// Inks that can be read by day and by night: a device that turns its page dark leaves the colours of a book's style sheet as they are.

/** Red, green and blue, from 0 to 255. */
export type Rgb = readonly [number, number, number];

/** Least contrast of text and its ground (WCAG 2.2, 1.4.3). */
export const LEAST_CONTRAST = 4.5;

/** Relative luminance of a colour, from 0 to 1 (WCAG 2.2, relative luminance). */
export function luminance(colour: Rgb): number {
  const [r, g, b] = colour.map((part) => {
    const share = part / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** From 1 to 21 (WCAG 2.2, contrast ratio). */
export function contrast(a: Rgb, b: Rgb): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light + 0.05) / (dark + 0.05);
}

const WHITE: Rgb = [255, 255, 255];
const NIGHT: Rgb = [0, 0, 0];

/** Colours nearer to grey than this, in parts of 255, are ink of the text: the device's own. */
const GREY = 24;

/**
 * The ink at a lightness that reads on white and on black; null for black, greys, and what no lightness makes readable: there the device has its own. Between
 * the two grounds lies one luminance that stands off both by 4.58, so that a shade near it is sought from the colour's own outwards.
 */
export function nightInk(colour: Rgb): Rgb | null {
  if (Math.max(...colour) - Math.min(...colour) < GREY) return null;
  const reads = (own: Rgb) => contrast(own, WHITE) >= LEAST_CONTRAST && contrast(own, NIGHT) >= LEAST_CONTRAST;
  if (reads(colour)) return colour;
  const isDark = luminance(colour) < 0.18;
  for (let step = 1; step <= 500; step += 1) {
    const share = step / 500;
    const own = colour.map((part) => Math.round(isDark ? part + (255 - part) * share : part * (1 - share)));
    const shade: Rgb = [own[0], own[1], own[2]];
    if (reads(shade)) return shade;
  }
  return null;
}

export const cssColour = (colour: Rgb): string =>
  `#${colour.map((part) => Math.round(part).toString(16).padStart(2, '0')).join('')}`;
