// Widths of columns as they are typed: shares, such as 2 : 1, or lengths, of which one may be the rest of the measure.
import { ValueError } from '../base/errors';
import type { Unit } from '../model/spec/length';
import { parseLength } from './units';

/** Shares are kept between these. */
const SHARES = { least: 0.05, most: 20 };
/** Points by which lengths may miss the measure: what rounding to hundredths of a millimetre leaves. */
const SLACK = 0.5;

/**
 * Shares of so many columns; `room`: points that they have together, without the gaps. Null for nothing typed: equal columns.
 * Throws ValueError for another number of them, for lengths that do not fill the room, and for a column too narrow to set.
 */
export function parseColumnWidths(text: string, count: number, room: number, unit: Unit): readonly number[] | null {
  const parts = text
    .split(/[:;]|,(?=\s)/)
    .map((part) => part.trim())
    .filter((part) => part !== '');
  if (parts.length === 0) return null;
  if (parts.length !== count)
    throw new ValueError('columns', `“${text}” is not ${count} widths: write them as 2 : 1, or as 180 pt : rest.`);
  if (parts.every((part) => /^\d+(?:[.,]\d+)?$/.test(part)))
    return parts.map((part) => checkShare(Number(part.replace(',', '.')), text));
  const isRest = (part: string) => /^(?:rest|\*)$/i.test(part);
  if (parts.filter(isRest).length > 1) throw new ValueError('columns', 'Only one column can be the rest.');
  const lengths = parts.map((part) => (isRest(part) ? null : parseLength(part, unit).pt));
  const given = lengths.reduce<number>((sum, pt) => sum + (pt ?? 0), 0);
  const hasRest = lengths.includes(null);
  if (given > room + SLACK || (!hasRest && given < room - SLACK))
    throw new ValueError(
      'columns',
      `The columns come to ${round(given)} pt; the measure has ${round(room)} pt for them. Leave one as “rest”.`,
    );
  const widths = lengths.map((pt) => pt ?? room - given);
  const mean = room / count;
  return widths.map((pt) => checkShare(pt / mean, text));
}

function checkShare(share: number, text: string): number {
  if (!(share >= SHARES.least && share <= SHARES.most))
    throw new ValueError('columns', `“${text}” makes a column too narrow to set.`);
  return Math.round(share * 1e5) / 1e5;
}

const round = (pt: number) => Number(pt.toFixed(1));

/** Widths in points of columns with these shares. */
export function columnWidthsOf(shares: readonly number[], room: number): number[] {
  const sum = shares.reduce((total, share) => total + share, 0);
  return shares.map((share) => (room * share) / sum);
}
