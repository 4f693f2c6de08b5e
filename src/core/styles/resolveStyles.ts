// Resolves paragraph styles: own values, then those of the ancestors, at the root the text spec.
import { invariant } from '../base/errors';
import { looseOver, wordSpaceAlone, wordSpaceOf } from '../model/spec/faces';
import type { InksSpec } from '../model/spec/inks';
import type { Align, Meaning, ParagraphRule, ParagraphStyle, Spec, WordSpace } from '../model/spec/spec';
import type { ResolvedStyle, SetRule } from '../model/composed/styled';
import type { LocalLook, StyleTag } from '../model/copy/streams';
import { setInk } from '../looks/setInk';

export type StyleSheet = ReadonlyMap<StyleTag, ResolvedStyle>;

/** Own space of a family's roman, in em; for the limits of faces without measured ones. */
export type SpaceOfFamily = (family: string) => number;

/** Keeps one object per set of values, over all specs of a session. */
export class StyleInterner {
  private readonly known = new Map<string, ResolvedStyle>();
  private readonly derived = new WeakMap<ResolvedStyle, Map<string, ResolvedStyle>>();

  intern(style: ResolvedStyle): ResolvedStyle {
    const key = JSON.stringify(style);
    const found = this.known.get(key);
    if (found !== undefined) return found;
    this.known.set(key, style);
    return style;
  }

  /** An interned style changed in one way, which `change` names: looked up without a glance at the rest. */
  derive(style: ResolvedStyle, change: string, make: () => ResolvedStyle): ResolvedStyle {
    let changed = this.derived.get(style);
    if (changed === undefined) this.derived.set(style, (changed = new Map()));
    let made = changed.get(change);
    if (made === undefined) changed.set(change, (made = this.intern(make())));
    return made;
  }
}

/** Leading under this share of the size sets lines into each other: it is refused, and told. */
const LEAST_LEADING = 0.75;

/** Letter-width tolerance touches running text only: no heads, no verse, nothing of the display pages. */
const PLAYED: ReadonlySet<Meaning> = new Set<Meaning>(['body', 'extract', 'listItem', 'note']);

/** All styles of the spec, resolved. A missing or circular `basedOn` ends at the text spec. */
export function resolveStyles(spec: Spec, language: string, space: SpaceOfFamily, interner: StyleInterner): StyleSheet {
  const sheet = new Map<StyleTag, ResolvedStyle>();
  for (const tag of Object.keys(spec.styles)) {
    sheet.set(tag, interner.intern(resolveStyle(tag, spec, language, space)));
  }
  invariant(sheet.has('TX'), 'the spec has the style TX');
  return sheet;
}

/** A style with what a person changed of it on one paragraph. */
export function resolveWithLook(
  tag: StyleTag,
  look: LocalLook,
  spec: Spec,
  language: string,
  space: SpaceOfFamily,
  interner: StyleInterner,
): ResolvedStyle {
  return interner.intern(resolveStyle(tag in spec.styles ? tag : 'TX', spec, language, space, look));
}

/** One piece: every property of the resolved style once. */
function resolveStyle(
  tag: StyleTag,
  spec: Spec,
  language: string,
  space: SpaceOfFamily,
  look: LocalLook = {},
): ResolvedStyle {
  const { text } = spec;
  const own = { ...collect(tag, spec.styles), ...look };
  const family = own.face ?? text.face;
  const { leading } = own;
  const size = own.size ?? text.size.pt;
  const wishedLeading =
    leading === undefined ? text.leading.pt : typeof leading === 'number' ? leading : leading.grid * text.leading.pt;
  const leadingReplaced = !(wishedLeading >= size * LEAST_LEADING);
  const align = alignOf(own.align ?? 'text', text.setting);
  const isPlayed = align === 'justify' && PLAYED.has(own.meaning ?? 'body');
  return {
    tag,
    meaning: own.meaning ?? 'body',
    family,
    size,
    leading: leadingReplaced ? (size * text.leading.pt) / text.size.pt : wishedLeading,
    leadingReplaced,
    weight: own.weight ?? 400,
    italic: own.italic ?? false,
    caps: own.caps ?? 'none',
    tracking: own.tracking ?? 0,
    align,
    lastAlign: own.lastAlign ?? 'left',
    features: own.features ?? '',
    firstIndent: own.drop
      ? 0
      : own.firstIndent === undefined || own.firstIndent === 'text'
        ? text.indent.pt
        : own.firstIndent,
    leftIndent: own.leftIndent ?? 0,
    rightIndent: own.rightIndent ?? 0,
    above: own.above ?? 0,
    below: own.below ?? 0,
    hyphenate: text.hyphenation.on && (own.hyphenate ?? true),
    withNext: own.withNext ?? false,
    keepTogether: own.keepTogether ?? false,
    keepSpace: own.keepSpace ?? false,
    atFoot: own.atFoot ?? false,
    lastLine: hasLastLine(align, own.meaning ?? 'other') ? text.lastLine : 0,
    rag: text.rag,
    letterWidth: isPlayed ? text.letterWidth : 0,
    letterPlay: isPlayed ? text.letterPlay : 0,
    ties: text.ties,
    liftedTies: text.liftedTies,
    hangingPunctuation: align === 'justify' || align === 'left' ? text.hangingPunctuation / 100 : 0,
    wordSpace: own.wordSpace ?? (family === text.face ? text.wordSpace : null) ?? held(family, text, space, isPlayed),
    looseOver: looseOver(family, space(family)),
    language: own.language ?? language,
    initial: own.drop ? { ...own.drop, isRaised: false } : null,
    lead: own.lead ?? null,
    spots: own.spots ?? NO_SPOTS,
    rise: own.rise ?? 0,
    breakBefore: own.breakBefore === undefined || own.breakBefore === 'none' ? null : own.breakBefore,
    ink: setInk(spec.inks, own.ink),
    background: setInk(spec.inks, own.background ?? undefined),
    ruleAbove: setRule(spec.inks, own.ruleAbove),
    ruleBelow: setRule(spec.inks, own.ruleBelow),
    ornament: own.ornament || null,
    tabs: own.tabs ?? NO_TABS,
    lineNumbers: own.lineNumbers ?? 0,
    hyphenation: own.division ? { ...text.hyphenation, ...own.division } : text.hyphenation,
  };
}

/** The limits of the word space that a family has where neither spec nor style says any. */
function held(family: string, text: Spec['text'], space: SpaceOfFamily, isPlayed: boolean): WordSpace {
  const isAlone = isPlayed && text.letterWidth === 0 && text.letterPlay === 0;
  return isAlone ? wordSpaceAlone(space(family)) : wordSpaceOf(family, space(family));
}

function setRule(inks: InksSpec, rule: ParagraphRule | null | undefined): SetRule | null {
  if (!rule || rule.weight <= 0) return null;
  const { ink, ...rest } = rule;
  return { ...rest, ink: setInk(inks, ink) };
}

const NO_SPOTS: ResolvedStyle['spots'] = [];
const NO_TABS: ResolvedStyle['tabs'] = [];

function collect(tag: StyleTag, styles: Readonly<Record<StyleTag, ParagraphStyle>>): Partial<ParagraphStyle> {
  const chain: ParagraphStyle[] = [];
  const seen = new Set<StyleTag>();
  for (let at: StyleTag | undefined = tag; at !== undefined && !seen.has(at); at = styles[at]?.basedOn) {
    seen.add(at);
    if (styles[at] !== undefined) chain.unshift(styles[at]);
  }
  return Object.assign({}, ...chain) as Partial<ParagraphStyle>;
}

function alignOf(align: Align, setting: 'justified' | 'ragged'): ResolvedStyle['align'] {
  if (align !== 'text') return align;
  return setting === 'justified' ? 'justify' : 'left';
}

const RUNNING_TEXT: ReadonlySet<Meaning> = new Set<Meaning>(['body', 'extract', 'listItem', 'note']);

/** Whether the last line of a paragraph must be so long: of all that is justified, and of running text set ragged. */
function hasLastLine(align: ResolvedStyle['align'], meaning: Meaning): boolean {
  return align === 'justify' || (align !== 'centre' && RUNNING_TEXT.has(meaning));
}
