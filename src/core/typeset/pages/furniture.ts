// The words of furniture: what each slot says on a page, composed as a single line.
import { setInk } from '../../looks/setInk';
import type { FurniturePart, FurnitureSlot } from '../../model/spec/furniture';
import type { TabStop } from '../../model/spec/spec';
import type { ComposedParagraph, Page } from '../../model/composed/pages';
import type { ResolvedStyle } from '../../model/composed/styled';
import { paragraph as makeParagraph, type Span } from '../../model/copy/streams';
import type { FurnitureSource, SlotLine } from '../../paginate';
import type { ComposeContext } from '../flow/composeContext';
import { composeGenerated } from '../flow/composeParagraph';
import { TokenWords } from './tokenWords';
import { touchedSet, type TouchedPages } from './pageTouches';

/** Furniture is one line, however long: wider than any page. */
const ONE_LINE = 6000;
const ELLIPSIS = '\u2009…';

/** The furniture of pages that are placed. `all`: every page of the book or of the reach at hand. */
export function furnitureSource(
  compose: ComposeContext,
  all: readonly Page[],
  firstPages: ReadonlyMap<string, number>,
  touched: TouchedPages,
): FurnitureSource {
  const { book } = compose;
  const { furniture, inks } = book.spec;
  const words = new TokenWords(compose, all, firstPages);
  const slotIn = (page: Page, slot: FurnitureSlot, at: string, room: number, tabs: TabStop[] | null) => {
    if (slot.parts.length === 0) return null;
    const said = slotText(page, slot, words);
    const { text, spans, tellsFolio } = tabs === null ? closed(said) : said;
    if (text.trim() === '' && !slot.parts.some(({ kind }) => kind === 'rule')) return null;
    const whole = composeLine(compose, slot, at, text, spans, tabs === null ? null : { tabs, measure: room });
    if (whole === null || widthOf(whole) <= room + 1e-6) return whole && { paragraph: whole, tellsFolio, isCut: false };
    return cutLine(compose, slot, at, { text, spans, tellsFolio }, room);
  };
  return {
    setOf(page) {
      const name = words.divisionOn(page)?.furniture ?? furniture.set;
      const set = furniture.sets[name] ?? furniture.sets[furniture.set] ?? Object.values(furniture.sets)[0];
      const touches = touched.byPage.get(page.index);
      return touches === undefined ? set : touchedSet(set, furniture.sets, touches);
    },
    roleOf: (page) => (page.role === 'text' && words.beginsSection(page) ? 'section' : page.role),
    slot: (page, slot, at, room) => slotIn(page, slot, at, room, null),
    opened: (page, slot, at, room) => slotIn(page, slot, at, room, TO_THE_END),
    ruleInk: (rule) => setInk(inks, rule.ink) ?? undefined,
  };
}

/** What comes after a tab stands at the other end, where the slot's style has no tab of its own. */
const TO_THE_END: TabStop[] = [{ at: 'end', kind: 'right' }];

/** The words of a slot as narrow as they can be: an em of white for each tab. */
const closed = (said: SlotWords): SlotWords => ({ ...said, text: said.text.replaceAll('\t', '\u2003') });

const widthOf = ({ broken }: ComposedParagraph) => broken.textWidth[0];

interface SlotWords {
  readonly text: string;
  readonly spans: readonly Span[];
  readonly tellsFolio: boolean;
}

function slotText(page: Page, { parts }: FurnitureSlot, words: TokenWords): SlotWords {
  let text = '';
  let tellsFolio = false;
  const spans: Span[] = [];
  parts.forEach((part, index) => {
    const said = sayPart(page, part, words);
    if (part.kind === 'token' && part.token === 'folio') tellsFolio = true;
    // A sign between two tokens goes with what it parts: it says nothing when one of them is empty.
    const isBetween = part.kind !== 'token' && part.kind !== 'tab' && index > 0 && index < parts.length - 1;
    const isAlone =
      isBetween &&
      [parts[index - 1], parts[index + 1]].some((other) => other.kind === 'token' && !sayPart(page, other, words));
    if (said === '' || isAlone) return;
    const touches = part.kind === 'rule' ? { touches: { strike: true } } : {};
    if (part.style !== undefined || part.kind === 'rule')
      spans.push({
        from: text.length,
        to: text.length + said.length,
        ...(part.style === undefined ? {} : { style: part.style }),
        ...touches,
      });
    text += said;
  });
  return { text, spans, tellsFolio };
}

/** White of whole em with a line through it; joined at both ends, so that it is never the end of a line that is cut off. */
const ruleText = (length: number): string => `\u2060${'\u2003'.repeat(length)}\u2060`;

function sayPart(page: Page, part: FurniturePart, words: TokenWords): string {
  if (part.kind === 'text') return part.text;
  if (part.kind === 'tab') return '\t';
  if (part.kind === 'rule') return ruleText(part.length);
  const said = words.say(part.token, page, part.level ?? 2);
  return said === '' && part.orElse !== undefined ? words.say(part.orElse, page, part.level ?? 2) : said;
}

const lineStyles = new WeakMap<ResolvedStyle, ResolvedStyle>();

/** A style as a line of furniture is set in it: remembered, as every page asks for it. */
function lineStyle(own: ResolvedStyle, { context }: ComposeContext): ResolvedStyle {
  let made = lineStyles.get(own);
  if (made === undefined) {
    made = context.interner.intern({
      ...own,
      align: 'left',
      firstIndent: 0,
      leftIndent: 0,
      rightIndent: 0,
      hyphenate: false,
      initial: null,
      hangingPunctuation: 0,
    });
    lineStyles.set(own, made);
  }
  return made;
}

function composeLine(
  compose: ComposeContext,
  slot: FurnitureSlot,
  at: string,
  text: string,
  spans: readonly Span[],
  opened: { readonly tabs: readonly TabStop[]; readonly measure: number } | null = null,
): ComposedParagraph | null {
  const own = compose.sheet.get(slot.style) ?? compose.sheet.get('RH') ?? compose.sheet.get('TX')!;
  const line = lineStyle(own, compose);
  const style =
    opened === null || line.tabs.length > 0 ? line : compose.context.interner.intern({ ...line, tabs: opened.tabs });
  const id = spans.length === 0 && opened === null ? at : `${at}${JSON.stringify([spans, opened?.measure])}`;
  const job = {
    stream: at,
    paragraph: makeParagraph(id, slot.style, text, { spans }),
    style,
    measure: opened?.measure ?? ONE_LINE,
    prefix: '',
    tail: '',
    variants: 'none' as const,
  };
  const composed = composeGenerated(job, compose.style, compose.context, compose.clock);
  return composed.broken.count === 0 ? null : composed;
}

/** As many whole words as the room takes, and an ellipsis; null when not even one. */
function cutLine(
  compose: ComposeContext,
  slot: FurnitureSlot,
  at: string,
  { text, spans, tellsFolio }: SlotWords,
  room: number,
): SlotLine | null {
  const ends = [...text.matchAll(/\s+/gu)].map(({ index }) => index).filter((end) => end > 0);
  let [low, high] = [0, ends.length];
  let best: ComposedParagraph | null = null;
  while (low < high) {
    const middle = (low + high) >> 1;
    const end = ends[middle];
    const kept = spans.filter(({ from }) => from < end).map((span) => ({ ...span, to: Math.min(span.to, end) }));
    const words = text.slice(0, end).replace(/[\p{P}\s]+$/u, '') + ELLIPSIS;
    const tried = composeLine(compose, slot, at, words, kept);
    if (tried !== null && widthOf(tried) <= room + 1e-6) {
      best = tried;
      low = middle + 1;
    } else high = middle;
  }
  return best === null ? null : { paragraph: best, tellsFolio, isCut: true };
}
