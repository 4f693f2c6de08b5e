// Trade sizes of books, with the names that printers use. Width and height in the unit in which the trade knows them.
import type { Unit } from '../model/spec/length';
import { POINTS_PER } from './units';

/** Where a size is at home. */
export type TrimTradition = 'american' | 'british' | 'iso' | 'continental';

export const TRIM_TRADITIONS: Readonly<Record<TrimTradition, string>> = {
  american: 'American',
  british: 'British',
  iso: 'ISO 216',
  continental: 'Continental',
};

export interface TradeTrim {
  readonly key: string;
  readonly tradition: TrimTradition;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly unit: Unit;
}

const trim = (
  tradition: TrimTradition,
  key: string,
  name: string,
  width: number,
  height: number,
  unit: Unit,
): TradeTrim => ({ key, tradition, name, width, height, unit });

/** By tradition, the smaller first. */
export const TRADE_TRIMS: readonly TradeTrim[] = [
  trim('american', 'mass', 'Mass market', 4.25, 6.87, 'in'),
  trim('american', '5x8', 'Small trade', 5, 8, 'in'),
  trim('american', '5.25x8', 'Middle trade', 5.25, 8, 'in'),
  trim('american', '5.5x8.5', 'Digest', 5.5, 8.5, 'in'),
  trim('american', '6x9', 'Large trade', 6, 9, 'in'),
  trim('american', '7x10', 'Textbook', 7, 10, 'in'),
  trim('american', '8.5x11', 'Letter', 8.5, 11, 'in'),
  trim('british', 'aformat', 'A format', 110, 178, 'mm'),
  trim('british', 'crown', 'Crown octavo', 123, 186, 'mm'),
  trim('british', 'bformat', 'B format', 129, 198, 'mm'),
  trim('british', 'demy', 'Demy octavo', 138, 216, 'mm'),
  trim('british', 'royal', 'Royal octavo', 156, 234, 'mm'),
  trim('british', 'crown-quarto', 'Crown quarto', 189, 246, 'mm'),
  trim('iso', 'b6', 'B6', 125, 176, 'mm'),
  trim('iso', 'a5', 'A5', 148, 210, 'mm'),
  trim('iso', 'b5', 'B5', 176, 250, 'mm'),
  trim('iso', 'a4', 'A4', 210, 297, 'mm'),
  trim('continental', '11x18', 'Pocket', 110, 180, 'mm'),
  trim('continental', '12x19', 'Small octavo', 120, 190, 'mm'),
  trim('continental', '13.5x21.5', 'Octavo', 135, 215, 'mm'),
  trim('continental', '17x24', 'Large octavo', 170, 240, 'mm'),
];

/** Proportions with a name of their own, as height over width. */
const PROPORTIONS: readonly (readonly [number, string])[] = [
  [4 / 3, '3 : 4'],
  [Math.SQRT2, '1 : √2'],
  [3 / 2, '2 : 3'],
  [8 / 5, '5 : 8'],
  [(1 + Math.sqrt(5)) / 2, 'golden section'],
  [5 / 3, '3 : 5'],
];

/** How near a named proportion is: half a per cent of the height. */
const NEAR = 0.005;

/** Width to height in any unit: `2 : 3`, `golden section`, or `1 : 1.53` where no named one is near. */
export function proportionOf(width: number, height: number): string {
  const [short, long] = [Math.min(width, height), Math.max(width, height)];
  const ratio = long / short;
  const near = PROPORTIONS.filter(([value]) => Math.abs(ratio / value - 1) <= NEAR).sort(
    ([a], [b]) => Math.abs(a - ratio) - Math.abs(b - ratio),
  )[0];
  return near?.[1] ?? `1 : ${ratio.toFixed(2)}`;
}

/** Half a hundredth of an inch: sizes this close are one. */
const SAME = 0.36;

/** The trade size of a trim in points; undefined for a size of the person's own. */
export function maybeTradeTrim(width: number, height: number): TradeTrim | undefined {
  return TRADE_TRIMS.find((trim) => {
    const points = POINTS_PER[trim.unit];
    return Math.abs(trim.width * points - width) < SAME && Math.abs(trim.height * points - height) < SAME;
  });
}

/** Name, size and proportion: `Digest, 5.5 × 8.5 in, 1 : 1.55`. */
export const describeTrim = (trim: TradeTrim): string =>
  `${trim.name}, ${trim.width} × ${trim.height} ${trim.unit}, ${proportionOf(trim.width, trim.height)}`;

/** The size in the other of inches and millimetres: `140 × 216 mm`. */
export function inOtherUnit({ width, height, unit }: TradeTrim): string {
  const points = POINTS_PER[unit];
  return unit === 'in'
    ? `${Math.round((width * points) / POINTS_PER.mm)} × ${Math.round((height * points) / POINTS_PER.mm)} mm`
    : `${((width * points) / 72).toFixed(2)} × ${((height * points) / 72).toFixed(2)} in`;
}
