// Inks: named colours in sets that can be swapped, their tints, and what becomes of them on the press.

/** Parts in percent, or of red, green and blue from 0 to 255. */
export type InkColour =
  | { readonly kind: 'grey'; readonly k: number }
  | { readonly kind: 'cmyk'; readonly c: number; readonly m: number; readonly y: number; readonly k: number }
  | { readonly kind: 'rgb'; readonly r: number; readonly g: number; readonly b: number };

/** `press`: what the press PDF has for it; `k`: on the black plate alone. */
export interface Ink {
  readonly colour: InkColour;
  readonly press: 'k' | 'cmyk' | 'asis';
}

export type InkSet = Readonly<Record<string, Ink>>;

/** Percent of ink for what is 0, 25, 50, 75 and 100 percent dark in a picture, none less than the one before. */
export type Tone = readonly [number, number, number, number, number];
export const PLAIN_TONE: Tone = [0, 25, 50, 75, 100];

/** What the press has for pictures. `asis`: the colours that they came in; `grey`: black alone, by `tone`. */
export interface PicturePress {
  readonly press: 'asis' | 'grey';
  readonly tone: Tone;
}

export interface InksSpec {
  /** Name of the set that the book is set in. */
  readonly set: string;
  readonly sets: Readonly<Record<string, InkSet>>;
  readonly pictures: PicturePress;
}

/** An ink by its name, at a tint in percent. */
export interface InkUse {
  readonly ink: string;
  readonly tint: number;
}

/** An ink as it is set: a CSS colour for the screen, and the operands of a PDF colour, each from 0 to 1 (ISO 32000-1, 8.6.4). */
export interface SetInk {
  readonly css: string;
  readonly space: 'grey' | 'rgb' | 'cmyk';
  readonly parts: readonly number[];
}

/** The ink of all text for which no style says more. */
export const BLACK = 'Black';

export const BLACK_INKS: InksSpec = {
  set: 'Black only',
  sets: { 'Black only': { [BLACK]: { colour: { kind: 'grey', k: 100 }, press: 'k' } } },
  pictures: { press: 'grey', tone: PLAIN_TONE },
};
