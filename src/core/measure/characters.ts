// Characters a line before anything is set: mean widths of a character as measured on English prose (house rules, section 2).
import { table } from '../base/table';

/** Mean width of a character, word spaces among them, in em. */
const WIDTHS: Readonly<Record<string, number>> = table({
  'eb-garamond': 0.371,
  'source-serif-4': 0.464,
  spectral: 0.435,
});
const OTHER = 0.43;

/** About how many characters a line of a family and size holds; width and size in points. */
export const charactersIn = (width: number, family: string, size: number): number =>
  width / (size * (WIDTHS[family] ?? OTHER));
