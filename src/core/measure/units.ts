// Units of length. Everything is kept in points; other units exist only in what a person types and reads.
import { table } from '../base/table';
import { ValueError } from '../base/errors';
import type { Length, Pt, Unit } from '../model/spec/length';

/** Points in one of each unit; px is the CSS pixel of 1/96 in. */
export const POINTS_PER: Readonly<Record<Unit, number>> = {
  pt: 1,
  in: 72,
  mm: 72 / 25.4,
  cm: 72 / 2.54,
  pica: 12,
  px: 0.75,
};

/** Pixels in an inch where nothing else is said. */
export const CSS_DPI = 96;

/** Points in one of the unit; `dpi`: pixels in an inch. */
export const pointsPer = (unit: Unit, dpi = CSS_DPI): number => (unit === 'px' ? 72 / dpi : POINTS_PER[unit]);

/** By so much of each unit a length goes that is dragged. */
const DRAG_STEP: Readonly<Record<Unit, number>> = { pt: 0.5, in: 0.01, mm: 0.25, cm: 0.025, pica: 1 / 24, px: 1 };

/** Points rounded to what a drag goes by in a unit. */
export function roundedTo(pt: Pt, unit: Unit, dpi = CSS_DPI): Pt {
  const step = pointsPer(unit, dpi) * DRAG_STEP[unit];
  return Math.round(pt / step) * step;
}

const DECIMALS: Readonly<Record<Unit, number>> = { pt: 2, in: 4, mm: 2, cm: 3, pica: 2, px: 1 };

/** A length of `value` units. */
export function length(value: number, unit: Unit): Length {
  return { pt: value * POINTS_PER[unit], unit };
}

/** The number without trailing zeros, at the precision that suits the unit: `5.5`, `139.7`, `1p6`. */
export function formatNumber(pt: Pt, unit: Unit, dpi = CSS_DPI): string {
  if (unit === 'pica') {
    const sign = pt < 0 ? '-' : '';
    const points = Math.round(Math.abs(pt) * 100) / 100;
    const whole = Math.floor(points / 12 + 1e-9);
    return `${sign}${whole}p${trimZeros((points - whole * 12).toFixed(2))}`;
  }
  return trimZeros((pt / pointsPer(unit, dpi)).toFixed(DECIMALS[unit]));
}

/** The length as a person reads it: `5.5 in`, `60 pt`, `1p6`. */
export function formatLength(value: Length, dpi = CSS_DPI): string {
  const number = formatNumber(value.pt, value.unit, dpi);
  return value.unit === 'pica' ? number : `${number} ${value.unit}`;
}

function trimZeros(decimal: string): string {
  return decimal.includes('.') ? decimal.replace(/\.?0+$/, '') : decimal;
}

/**
 * Reads what a person typed as a length: a number, a unit, or arithmetic over both (`8in - 5in`, `5.06in * 5.06 / 7.81`,
 * `1p6`). Numbers without a unit take `unit` when the whole is a length. Throws ValueError with a sentence when the text
 * is not a length, divides by zero, or multiplies two lengths. `dpi`: pixels in an inch.
 */
export function parseLength(text: string, unit: Unit, dpi = CSS_DPI): Length {
  const reader = new ExpressionReader(text, dpi);
  const value = reader.readAll();
  if (!Number.isFinite(value.amount)) throw new ValueError('length', `“${text}” divides by zero.`);
  if (value.power === 0) return { pt: value.amount * pointsPer(unit, dpi), unit };
  if (value.power === 1) return { pt: value.amount, unit: reader.firstUnit ?? unit };
  throw new ValueError('length', `“${text}” is not a length: two lengths are multiplied or divided.`);
}

/** A number with the power of its unit: 0 a plain number, 1 a length in points, 2 an area. */
interface Quantity {
  readonly amount: number;
  readonly power: number;
}

const UNIT_NAMES: Readonly<Record<string, Unit>> = table({
  pt: 'pt',
  pts: 'pt',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  mm: 'mm',
  cm: 'cm',
  pica: 'pica',
  picas: 'pica',
  pc: 'pica',
  px: 'px',
});

/** Recursive descent over `sum = product (+|- product)*`, `product = atom (*|/ atom)*`. */
class ExpressionReader {
  private at = 0;
  firstUnit: Unit | undefined;

  constructor(
    private readonly text: string,
    private readonly dpi: number,
  ) {}

  readAll(): Quantity {
    const value = this.readSum();
    this.skipSpaces();
    if (this.at < this.text.length) throw this.fault();
    return value;
  }

  private readSum(): Quantity {
    let left = this.readProduct();
    for (;;) {
      const sign = this.take(/[+\-−]/y);
      if (sign === undefined) return left;
      const right = this.readProduct();
      if (left.power !== right.power) {
        throw new ValueError('length', `“${this.text}” adds a length to a plain number: give both a unit.`);
      }
      left = { amount: sign === '+' ? left.amount + right.amount : left.amount - right.amount, power: left.power };
    }
  }

  private readProduct(): Quantity {
    let left = this.readAtom();
    for (;;) {
      const sign = this.take(/[*×/÷]/y);
      if (sign === undefined) return left;
      const right = this.readAtom();
      left =
        sign === '*' || sign === '×'
          ? { amount: left.amount * right.amount, power: left.power + right.power }
          : { amount: left.amount / right.amount, power: left.power - right.power };
    }
  }

  private readAtom(): Quantity {
    if (this.take(/\(/y) !== undefined) {
      const inner = this.readSum();
      if (this.take(/\)/y) === undefined) throw this.fault();
      return inner;
    }
    if (this.take(/[-−]/y) !== undefined) {
      const inner = this.readAtom();
      return { amount: -inner.amount, power: inner.power };
    }
    const picas = this.take(/(\d+)p(\d+(?:\.\d+)?)?(?![a-z])/y);
    if (picas !== undefined) {
      const [whole, points] = picas.split('p');
      this.firstUnit ??= 'pica';
      return { amount: Number(whole) * 12 + Number(points || 0), power: 1 };
    }
    const number = this.readFraction() ?? this.readNumber();
    const name = this.take(/[a-z]+|["″]/iy);
    if (name === undefined) return { amount: number, power: 0 };
    const unit = UNIT_NAMES[name.toLowerCase()];
    if (unit === undefined) throw new ValueError('length', `“${name}” is not a unit: use mm, cm, in, pt, pica or px.`);
    this.firstUnit ??= unit;
    return { amount: number * pointsPer(unit, this.dpi), power: 1 };
  }

  private readNumber(): number {
    const digits = this.take(/\d+(?:[.,]\d+)?|[.,]\d+/y);
    if (digits === undefined) throw this.fault();
    return Number(digits.replace(',', '.'));
  }

  /** `5 1/4`, `1/4` before a unit, `5¼`; undefined for anything else. Over 0 is infinite, which is told as a division. */
  private readFraction(): number | undefined {
    const typed =
      this.take(/\d+[ \u00A0\u2009\u202F-]\d+[/⁄]\d+/y) ??
      this.take(/\d+[/⁄]\d+(?=\s*(?:["″a-z]))/iy) ??
      this.take(/(?:\d+\s*)?[¼½¾⅐-⅞]/y);
    if (typed === undefined) return undefined;
    // A sign such as ¼ is its figures with a fraction slash between them (Unicode compatibility decomposition).
    const parts = typed.replace(/[¼½¾⅐-⅞]/, (sign) => ` ${sign.normalize('NFKD')}`).split(/[^\d/⁄]+/);
    return parts.filter(Boolean).reduce((sum, part) => {
      const [over, under = '1'] = part.split(/[/⁄]/);
      return sum + Number(over) / Number(under);
    }, 0);
  }

  private take(pattern: RegExp): string | undefined {
    this.skipSpaces();
    pattern.lastIndex = this.at;
    const found = pattern.exec(this.text);
    if (found === null) return undefined;
    this.at += found[0].length;
    return found[0];
  }

  private skipSpaces(): void {
    while (this.at < this.text.length && /\s/.test(this.text[this.at])) this.at += 1;
  }

  private fault(): ValueError {
    return new ValueError('length', `“${this.text}” is not a length: type a number and a unit, such as 5.5 in.`);
  }
}
