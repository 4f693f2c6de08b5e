// The look of every stretch of a paragraph's set text: character styles and touches, note references, first words in small
// capitals, and marks after italic words.
import { maybeSpotPattern } from '../looks/spotPatterns';
import type { NotePosition } from '../model/spec/notes';
import type { CharacterStyle, LeadIn, Spec, SpotRule } from '../model/spec/spec';
import type { TextLink } from '../model/composed/links';
import type { NoteMark, ResolvedStyle } from '../model/composed/styled';
import type { Span, StyleTag, TextTouches } from '../model/copy/streams';

export interface SetText {
  readonly text: string;
  readonly source: Int32Array | null;
  readonly notes: NoteMark[];
  /** Set-text ranges of note references. */
  readonly references: [number, number, NotePosition][];
  /** Cross-references over the set text. */
  readonly targets: readonly TextLink[];
  /** Of what is put before the text, the part that has a character style. */
  readonly prefix?: { readonly from: number; readonly to: number; readonly style: StyleTag | null };
}

export interface Look {
  readonly style?: CharacterStyle;
  readonly touches?: TextTouches;
  readonly language?: string;
  /** How the sign of a note stands; null: it is none. */
  readonly reference: NotePosition | null;
  /** The number of a head or note, put before its text. */
  readonly isNumber?: boolean;
  /** Among the first words, set in small capitals. */
  readonly isLead?: boolean;
}

const PLAIN: Look = { reference: null };
const SIGNS: Readonly<Record<NotePosition, Look>> = {
  superior: { reference: 'superior' },
  raised: { reference: 'raised' },
  line: { reference: 'line' },
};

/** Stretches of one look over the set text: `[from, to, look]`, sorted, covering it. */
export function lookOfEach(
  set: SetText,
  spans: readonly Span[],
  paragraph: ResolvedStyle,
  { characterStyles, marks }: Spec,
): [number, number, Look][] {
  const cuts: [number, number, Look][] = [];
  const toSet = makeSourceToSet(set);
  for (const span of spans) {
    const style = span.style === undefined ? undefined : collectCharacterStyle(span.style, characterStyles);
    const look: Look = { style, touches: span.touches, language: span.language, reference: null };
    const [from, to] = [toSet(span.from), toSet(span.to)];
    const isAfterItalic = marks.afterItalic === 'roman' && isItalic(look) && !paragraph.italic;
    cuts.push([from, isAfterItalic ? withoutMark(set.text, from, to) : to, look]);
  }
  const filled: [number, number, Look][] = [];
  let at = 0;
  const fill = (to: number) => {
    if (to > at) filled.push([at, to, PLAIN]);
  };
  for (const [from, to, look] of cuts) {
    if (to <= from) continue;
    fill(from);
    filled.push([from, to, look]);
    at = to;
  }
  fill(set.text.length);
  const { lead, spots } = paragraph;
  const spotted = spots.reduce((cut, spot) => overlaySpot(cut, set.text, spot, characterStyles), filled);
  const looks =
    lead === null ? spotted : overlayLead(spotted, leadEnd(set.text, lead), leadStyle(lead, characterStyles));
  const numbered = overlayPrefix(looks, set, paragraph, characterStyles);
  return set.references.reduce(overlayReference, numbered);
}

const isItalic = ({ style, touches }: Look) => touches?.italic ?? style?.italic !== undefined;

/** Italic words, as against italic sentences, whose marks are their own. */
const ITALIC_WORDS = /^[^.,;:!?…]{1,60}[.,;:]$/;

/** End of an italic stretch without the comma or stop after its last word. */
function withoutMark(text: string, from: number, to: number): number {
  const isWhole = from === 0 && to >= text.trimEnd().length;
  if (isWhole || !ITALIC_WORDS.test(text.slice(from, to))) return to;
  return /^[\s”’"')\]]|^$/.test(text.slice(to, to + 1)) ? to - 1 : to;
}

/** Where the lead-in ends; the marks after its last word or letter are left out. */
function leadEnd(text: string, { kind, count, mark }: LeadIn): number {
  switch (kind) {
    case 'words': {
      const found = count < 1 ? null : new RegExp(`^\\s*(?:\\S+\\s+){0,${count - 1}}\\S+`).exec(text);
      return found === null ? 0 : found[0].replace(/[^\p{L}\p{N}]+$/u, '').length;
    }
    case 'letters': {
      const found = count < 1 ? null : new RegExp(`^(?:[^\\p{L}]*\\p{L}\\p{M}*){1,${count}}`, 'u').exec(text);
      return found === null ? 0 : found[0].length;
    }
    case 'line':
      return Math.min(count, text.length);
    case 'mark': {
      const at = mark === '' ? -1 : text.indexOf(mark);
      return at < 0 ? 0 : at + mark.length;
    }
  }
}

function leadStyle({ style }: LeadIn, styles: Spec['characterStyles']): CharacterStyle | undefined {
  return style === null ? undefined : collectCharacterStyle(style, styles);
}

/** Matches of one paragraph that are set: more than that is no spot. */
const MOST_SPOTS = 2000;

function overlaySpot(
  looks: [number, number, Look][],
  text: string,
  { pattern, style: tag }: SpotRule,
  styles: Spec['characterStyles'],
): [number, number, Look][] {
  const found = maybeSpotPattern(pattern);
  const style = collectCharacterStyle(tag, styles);
  if (found === null || style === undefined) return looks;
  let made = looks;
  let count = 0;
  // A sign that ends a line is a line end like any other.
  for (const { index: from, end: to } of found.matchesIn(text.replace(/[\r\u2028\u2029]/g, '\n')) ?? []) {
    if ((count += 1) > MOST_SPOTS) break;
    made = made.flatMap(([a, b, look]) =>
      cutWith(a, b, look, from, to, { ...look, style: { ...look.style, ...style } }),
    );
  }
  return made;
}

/** A stretch with another look where it lies between two places. */
function cutWith(a: number, b: number, look: Look, from: number, to: number, inside: Look): [number, number, Look][] {
  if (b <= from || a >= to) return [[a, b, look]];
  const parts: [number, number, Look][] = [];
  if (a < from) parts.push([a, from, look]);
  parts.push([Math.max(a, from), Math.min(b, to), inside]);
  if (b > to) parts.push([to, b, look]);
  return parts;
}

function overlayLead(
  looks: readonly [number, number, Look][],
  end: number,
  style: CharacterStyle | undefined,
): [number, number, Look][] {
  return looks.flatMap(([from, to, look]): [number, number, Look][] => {
    if (from >= end) return [[from, to, look]];
    const led = style === undefined ? { ...look, isLead: true } : { ...look, style: { ...style, ...look.style } };
    const lead: [number, number, Look] = [from, Math.min(to, end), led];
    return to > end ? [lead, [end, to, look]] : [lead];
  });
}

/** The number of a head or note, in its own character style if it has one. */
function overlayPrefix(
  looks: [number, number, Look][],
  { prefix }: SetText,
  { meaning }: ResolvedStyle,
  styles: Spec['characterStyles'],
): [number, number, Look][] {
  if (prefix === undefined || prefix.to === 0) return looks;
  const style = prefix.style === null ? undefined : collectCharacterStyle(prefix.style, styles);
  // The number of an italic note is roman.
  const number: Look = {
    reference: null,
    isNumber: true,
    ...(meaning === 'note' ? { touches: { italic: false } } : {}),
  };
  const from = style === undefined ? prefix.to : prefix.from;
  return looks.flatMap(([a, b, look]) =>
    cutWith(a, b, look, 0, from, number).flatMap(([c, d, inner]) =>
      style === undefined
        ? [[c, d, inner] as [number, number, Look]]
        : cutWith(c, d, inner, from, prefix.to, { ...number, style, touches: undefined }),
    ),
  );
}

function overlayReference(
  looks: [number, number, Look][],
  [from, to, position]: [number, number, NotePosition],
): [number, number, Look][] {
  return looks.flatMap(([a, b, look]) => cutWith(a, b, look, from, to, SIGNS[position]));
}

/** Set offset of a source offset: the first set unit that came from it or from later text. */
/** The offset in the set text of an offset of the source. */
export function makeSourceToSet(set: Pick<SetText, 'text' | 'source'>): (offset: number) => number {
  const { source } = set;
  if (source === null) return (offset) => offset;
  return (offset) => {
    let low = 0;
    let high = set.text.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (source[middle] < offset) low = middle + 1;
      else high = middle;
    }
    return low;
  };
}

function collectCharacterStyle(
  tag: string,
  styles: Readonly<Record<string, CharacterStyle>>,
): CharacterStyle | undefined {
  const chain: CharacterStyle[] = [];
  const seen = new Set<string>();
  for (let at: string | undefined = tag; at !== undefined && !seen.has(at); at = styles[at]?.basedOn) {
    seen.add(at);
    if (styles[at] !== undefined) chain.unshift(styles[at]);
  }
  return chain.length === 0 ? undefined : (Object.assign({}, ...chain) as CharacterStyle);
}
