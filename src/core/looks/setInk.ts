// Inks as they are set: the ink of a name in the book's set, at its tint, as the press is to have it.
import type { InkColour, InksSpec, InkUse, SetInk } from '../model/spec/inks';

/** Null for plain black, and for a name that the set lacks: what is set in it is black then. */
export function setInk(inks: InksSpec, use: InkUse | undefined): SetInk | null {
  const ink = use === undefined ? undefined : inks.sets[inks.set]?.[use.ink];
  if (use === undefined || ink === undefined) return null;
  const tinted = atTint(ink.colour, use.tint / 100);
  const press = ink.press === 'asis' ? tinted : ink.press === 'k' ? greyOf(tinted) : cmykOf(tinted);
  const made = { css: cssOf(tinted), ...operands(press) };
  const isBlack = made.space === 'grey' && made.parts[0] === 0 && made.css === '#000000';
  return isBlack ? null : made;
}

/** The colour with so much of it, from 0 (paper) to 1. */
export function atTint(colour: InkColour, tint: number): InkColour {
  const part = (value: number) => value * tint;
  switch (colour.kind) {
    case 'grey':
      return { kind: 'grey', k: part(colour.k) };
    case 'cmyk':
      return { kind: 'cmyk', c: part(colour.c), m: part(colour.m), y: part(colour.y), k: part(colour.k) };
    case 'rgb': {
      const light = (value: number) => 255 - (255 - value) * tint;
      return { kind: 'rgb', r: light(colour.r), g: light(colour.g), b: light(colour.b) };
    }
  }
}

/** Red, green and blue of a colour, from 0 to 255, without a profile: each plate takes its share of the light. */
export function rgbOf(colour: InkColour): readonly [number, number, number] {
  switch (colour.kind) {
    case 'grey': {
      const value = 255 * (1 - colour.k / 100);
      return [value, value, value];
    }
    case 'rgb':
      return [colour.r, colour.g, colour.b];
    case 'cmyk': {
      const light = (part: number) => 255 * (1 - part / 100) * (1 - colour.k / 100);
      return [light(colour.c), light(colour.m), light(colour.y)];
    }
  }
}

/** On the black plate: as dark as the colour looks (Rec. 709 luma). */
export function greyOf(colour: InkColour): InkColour {
  if (colour.kind === 'grey') return colour;
  const [r, g, b] = rgbOf(colour);
  return { kind: 'grey', k: 100 - (0.2126 * r + 0.7152 * g + 0.0722 * b) / 2.55 };
}

/** In four plates, with as much black as the colour has in common. Grey stays on the black plate. */
export function cmykOf(colour: InkColour): InkColour {
  if (colour.kind === 'cmyk') return colour;
  if (colour.kind === 'grey') return { kind: 'cmyk', c: 0, m: 0, y: 0, k: colour.k };
  const [c, m, y] = [colour.r, colour.g, colour.b].map((value) => 1 - value / 255);
  const k = Math.min(c, m, y);
  const rest = (part: number) => (k === 1 ? 0 : (100 * (part - k)) / (1 - k));
  return { kind: 'cmyk', c: rest(c), m: rest(m), y: rest(y), k: 100 * k };
}

export function cssOf(colour: InkColour): string {
  const hex = (value: number) => Math.round(value).toString(16).padStart(2, '0');
  return `#${rgbOf(colour).map(hex).join('')}`;
}

function operands(colour: InkColour): Pick<SetInk, 'space' | 'parts'> {
  switch (colour.kind) {
    case 'grey':
      return { space: 'grey', parts: [round(1 - colour.k / 100)] };
    case 'rgb':
      return { space: 'rgb', parts: [colour.r, colour.g, colour.b].map((value) => round(value / 255)) };
    case 'cmyk':
      return { space: 'cmyk', parts: [colour.c, colour.m, colour.y, colour.k].map((value) => round(value / 100)) };
  }
}

const round = (value: number) => Math.round(value * 1e4) / 1e4;
