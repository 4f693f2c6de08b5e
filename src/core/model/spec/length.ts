// Lengths and their units. A Pt is a plain number at run time; the flavour keeps font units from being taken for points.

/** A length in points of 1/72 in. */
export type Pt = number & { readonly __unit?: 'pt' };

/** A length in the units of a font's em square. */
export type FontUnit = number & { readonly __unit?: 'fontUnit' };

export type Unit = 'pt' | 'mm' | 'cm' | 'in' | 'pica' | 'px';

/** A length that a person typed: points, and the unit in which they think of it. */
export interface Length {
  readonly pt: Pt;
  readonly unit: Unit;
}
