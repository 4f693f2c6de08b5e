// Faces, sizes and colours of runs as files name them; what is the file's default is none.
import { table } from '../base/table';
import type { IncomingLook } from '../model/copy/manuscript';
import type { StyleTag, TextTouches } from '../model/copy/streams';

/** The touches that a face, a size in points and a colour come to; what is no such thing is left out. */
export function localLook(
  face: string | undefined,
  size: number | undefined,
  colour: string | undefined,
): Pick<TextTouches, 'face' | 'size' | 'colour'> {
  const family = face?.split(',')[0].replace(/["']/g, '').trim().slice(0, 80);
  const points =
    size !== undefined && Number.isFinite(size) && size >= 1 && size <= 400 ? Math.round(size * 10) / 10 : 0;
  const hex = colourOf(colour);
  return {
    ...(family ? { face: family } : {}),
    ...(points > 0 ? { size: points } : {}),
    ...(hex === null ? {} : { colour: hex }),
  };
}

const NAMED: Readonly<Record<string, string>> = table({
  red: '#ff0000',
  green: '#008000',
  blue: '#0000ff',
  gray: '#808080',
  grey: '#808080',
  orange: '#ffa500',
  purple: '#800080',
  navy: '#000080',
  maroon: '#800000',
});

/** `#rrggbb`; null for black, for what is left to the program, and for what is no colour. */
function colourOf(colour: string | undefined): string | null {
  const text = colour?.trim().toLowerCase() ?? '';
  const short = /^#?([0-9a-f])([0-9a-f])([0-9a-f])$/.exec(text);
  const parts = /^rgb\(\s*(\d{1,3})\s*,\s*(\d{1,3})\s*,\s*(\d{1,3})\s*\)$/.exec(text);
  const hex =
    NAMED[text] ??
    (short !== null
      ? `#${short
          .slice(1)
          .map((digit) => digit + digit)
          .join('')}`
      : undefined) ??
    (parts !== null
      ? `#${parts
          .slice(1)
          .map((part) => Math.min(255, Number(part)).toString(16).padStart(2, '0'))
          .join('')}`
      : undefined) ??
    (/^#?[0-9a-f]{6}$/.test(text) ? `#${text.replace('#', '')}` : null);
  return hex === '#000000' ? null : hex;
}

const UNITS: Readonly<Record<string, number>> = table({
  pt: 1,
  in: 72,
  cm: 72 / 2.54,
  mm: 72 / 25.4,
  pc: 12,
  px: 0.75,
});

/** A length with its unit in points; undefined for anything else. */
export function pointsOf(length: string | undefined): number | undefined {
  const found = /^(-?[\d.]+)(pt|in|cm|mm|pc|px)$/.exec(length?.trim() ?? '');
  const points = found === null ? Number.NaN : Number(found[1]) * UNITS[found[2]];
  return Number.isFinite(points) ? points : undefined;
}

/** Alignments as files name them. */
export const ALIGNMENTS: Readonly<Record<string, IncomingLook['align']>> = table({
  left: 'left',
  start: 'left',
  right: 'right',
  end: 'right',
  center: 'centre',
  both: 'justify',
  justify: 'justify',
});

/** A look without what the file does not say, or says in no figures. */
export function given(look: { readonly [K in keyof IncomingLook]: IncomingLook[K] | undefined }): IncomingLook {
  const entries = Object.entries(look).filter(([, value]) => value !== undefined && !Number.isNaN(value));
  return Object.fromEntries(entries) as IncomingLook;
}

/** Larger than the text by so much, a paragraph is a head. */
const HEAD_SIZE = 1.2;
/** Points in from both sides by which a paragraph is an extract. */
const EXTRACT_INDENT = 14;

/** Our tag for a style by its look, where its name says nothing; `body`: the size of the text around, in points. */
export function tagOfLook(look: IncomingLook, body: number): StyleTag | undefined {
  const isLarge = look.size !== undefined && look.size >= body * HEAD_SIZE;
  if (isLarge || (look.bold === true && look.withNext === true)) return 'AH';
  const isIn = (look.leftIndent ?? 0) >= EXTRACT_INDENT && (look.rightIndent ?? 0) >= EXTRACT_INDENT;
  return isIn ? 'EXT' : undefined;
}
