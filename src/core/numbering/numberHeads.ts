// Numbers the heads by the schemes of their styles: in reading order, through the levels, parts apart from chapters.
import { isTypedNumber, meaningOfTag } from '../copy/meanings';
import { valueOf } from '../model/spec/inheritance';
import { inNumerals } from './numerals';
import type { Division } from '../model/copy/book';
import type { NumberScheme } from '../model/spec/numbering';
import { roleFacts } from '../model/copy/roles';
import type { Spec } from '../model/spec/spec';
import type { BlockId, StyleTag } from '../model/copy/streams';

export interface HeadNumber {
  /** As it is set: `Chapter One`, `1.2`. */
  readonly text: string;
  /** The number alone, those above before it where the scheme says so: `1.2`. */
  readonly plain: string;
  /** Its place in the counting, from 1. */
  readonly count: number;
  readonly scheme: NumberScheme;
}

export type HeadNumbers = ReadonlyMap<BlockId, HeadNumber>;

const NO_NUMBERS: HeadNumbers = new Map();

/** Scheme and level of each style that has one; parts are level 0. */
interface NumberedStyle {
  readonly scheme: NumberScheme | null;
  readonly level: number;
}

/** The numbers by the block of their head. */
export function numberHeads(divisions: readonly Division[], spec: Spec, language = 'en'): HeadNumbers {
  const styles = headStyles(spec);
  if (![...styles.values()].some(({ scheme }) => scheme !== null)) return NO_NUMBERS;
  const counter = new HeadCounter(spec, language);
  const numbers = new Map<BlockId, HeadNumber>();
  for (const division of divisions) {
    if (division.notInPrint && division.notInEbook) continue;
    const isNumbered = roleFacts(division.role).numbered === true;
    let typed = false;
    for (const block of division.blocks) {
      if (block.kind !== 'paragraph') continue;
      // What the copy says is not said twice.
      if (isTypedNumber(meaningOfTag(spec.styles, block.style))) typed = true;
      const style = styles.get(block.style);
      if (style === undefined) continue;
      const isOut = !isNumbered || style.scheme === null || block.touches?.unnumbered === true;
      const number = counter.next(block.style, style, division.role === 'appendix', isOut);
      const isTypedAbove = typed && style.level <= 1;
      if (number !== null && !isTypedAbove && block.text.trim() !== '') numbers.set(block.id, number);
      if (style.level <= 1) typed = false;
    }
  }
  return numbers;
}

function headStyles({ styles }: Spec): Map<StyleTag, NumberedStyle> {
  const found = new Map<StyleTag, NumberedStyle>();
  for (const tag of Object.keys(styles)) {
    const level = /^heading([1-6])$/.exec(meaningOfTag(styles, tag));
    if (level === null) continue;
    const isPart = tag === 'PT' || styles[tag].basedOn === 'PT';
    found.set(tag, {
      scheme: valueOf(styles, tag, 'number') ?? null,
      level: isPart ? 0 : Number(level[1]),
    });
  }
  return found;
}

/** The scheme by which a style's heads are numbered, its own or an ancestor's; null: none. */
export const inheritedNumber = (styles: Spec['styles'], tag: StyleTag): NumberScheme | null =>
  valueOf(styles, tag, 'number') ?? null;

class HeadCounter {
  private readonly counts = new Map<string, number>();
  /** The number alone of the last head of each level from 1, in its signs; empty where it has none. */
  private readonly path: string[] = [];

  constructor(
    private readonly spec: Spec,
    private readonly language: string,
  ) {}

  /** Passes a head, and answers its number; null when it is out of the counting. */
  next(tag: StyleTag, { scheme, level }: NumberedStyle, isAppendix: boolean, isOut: boolean): HeadNumber | null {
    this.restartBelow(level);
    this.path.length = Math.max(0, Math.min(this.path.length, level));
    if (isOut || scheme === null) {
      if (level > 0) this.path[level] = '';
      return null;
    }
    const appendix = isAppendix && level === 1 ? this.spec.numbering.appendix : null;
    const key = `${level}:${tag}${appendix === null ? '' : ':appendix'}`;
    const count = (this.counts.get(key) ?? 0) + 1;
    this.counts.set(key, count);
    const own = inNumerals(count, appendix?.numerals ?? scheme.numerals, this.language);
    if (level > 0) this.path[level] = own;
    const above = scheme.whole ? this.path.slice(1, level).filter((part) => part) : [];
    const plain = [...above, own].join('.');
    return { text: (appendix?.before ?? scheme.before) + plain + scheme.after, plain, count, scheme };
  }

  /** A head begins the counts of those below it again. */
  private restartBelow(level: number): void {
    for (const key of this.counts.keys()) {
      const [own, tag] = [Number(key.split(':')[0]), key.split(':')[1]];
      const restart = valueOf(this.spec.styles, tag, 'number')?.restart ?? 'above';
      const isUnder = own > level;
      if (isUnder && ((restart === 'above' && !(level === 0 && own === 1)) || (restart === 'part' && level === 0)))
        this.counts.set(key, 0);
    }
  }
}
