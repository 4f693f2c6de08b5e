// Trade sizes of books, with the names that printers use. Width and height in the unit in which the trade knows them.
import type { Unit } from '../model/spec/length';
import { POINTS_PER } from './units';

export interface TradeTrim {
  readonly key: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly unit: Unit;
}

export const TRADE_TRIMS: readonly TradeTrim[] = [
  { key: 'mass', name: 'Mass market', width: 4.25, height: 6.87, unit: 'in' },
  { key: '5x8', name: 'Trade, small', width: 5, height: 8, unit: 'in' },
  { key: '5.06x7.81', name: 'Trade, British', width: 5.06, height: 7.81, unit: 'in' },
  { key: '5.25x8', name: 'Trade, middle', width: 5.25, height: 8, unit: 'in' },
  { key: '5.5x8.5', name: 'Digest', width: 5.5, height: 8.5, unit: 'in' },
  { key: '6x9', name: 'Trade, large', width: 6, height: 9, unit: 'in' },
  { key: '7x10', name: 'Textbook', width: 7, height: 10, unit: 'in' },
  { key: '8.5x11', name: 'Letter', width: 8.5, height: 11, unit: 'in' },
  { key: 'aformat', name: 'A format', width: 110, height: 178, unit: 'mm' },
  { key: 'bformat', name: 'B format', width: 129, height: 198, unit: 'mm' },
  { key: 'demy', name: 'Demy octavo', width: 138, height: 216, unit: 'mm' },
  { key: 'royal', name: 'Royal octavo', width: 156, height: 234, unit: 'mm' },
  { key: 'a5', name: 'A5', width: 148, height: 210, unit: 'mm' },
  { key: 'a4', name: 'A4', width: 210, height: 297, unit: 'mm' },
];

/** Half a hundredth of an inch: sizes this close are one. */
const SAME = 0.36;

/** The trade size of a trim in points; undefined for a size of the person's own. */
export function maybeTradeTrim(width: number, height: number): TradeTrim | undefined {
  return TRADE_TRIMS.find((trim) => {
    const points = POINTS_PER[trim.unit];
    return Math.abs(trim.width * points - width) < SAME && Math.abs(trim.height * points - height) < SAME;
  });
}

/** Name and size in both units: `Digest, 5.5 × 8.5 in (140 × 216 mm)`. */
export function describeTrim(trim: TradeTrim): string {
  const points = POINTS_PER[trim.unit];
  const own = `${trim.width} × ${trim.height} ${trim.unit}`;
  const other =
    trim.unit === 'in'
      ? `${Math.round((trim.width * points) / POINTS_PER.mm)} × ${Math.round((trim.height * points) / POINTS_PER.mm)} mm`
      : `${((trim.width * points) / 72).toFixed(2)} × ${((trim.height * points) / 72).toFixed(2)} in`;
  return `${trim.name}, ${own} (${other})`;
}
