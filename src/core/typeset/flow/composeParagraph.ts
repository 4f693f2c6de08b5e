// One paragraph through style, shape and break, each stage only when something that it depends on changed.
import { breakOn, breakParagraph, type BreakContext, type VariantWish } from '../../linebreak';
import { column, type BrokenParagraph, type Measure } from '../../model/composed/broken';
import type { ComposedParagraph } from '../../model/composed/pages';
import { joinLines } from '../../model/composed/joinLines';
import type { LinkTarget, TextLink } from '../../model/composed/links';
import type { NotePosition } from '../../model/spec/notes';
import type { FallbackFaces } from '../../model/spec/scripts';
import type { Spec } from '../../model/spec/spec';
import type { ResolvedStyle } from '../../model/composed/styled';
import type { Paragraph, StreamId, StyleTag } from '../../model/copy/streams';
import type { FlowParagraph } from '../../paginate';
import { cutWidths, shapeParagraph } from '../../shape';
import { styleParagraph, type StyleContext } from '../../styles';
import type { TypesetContext } from '../context';
import type { ParagraphEntry } from '../stageCache';

/** Times of the stages, added up over paragraphs, in ms. */
export interface StageClock {
  style: number;
  shape: number;
  break: number;
}

export interface ParagraphJob {
  readonly stream: StreamId;
  readonly paragraph: Paragraph;
  readonly style: ResolvedStyle;
  readonly measure: number;
  /** Put before the text: the number of a note. */
  readonly prefix: string;
  /** Character style of what is put before; absent: as the words. */
  readonly prefixStyle?: StyleTag | null;
  /** Where in it that style begins. */
  readonly prefixFrom?: number;
  /** So much of it stands as the sign of a note. */
  readonly prefixSign?: { readonly to: number; readonly position: NotePosition };
  /** Where what is put before leads. */
  readonly prefixTarget?: LinkTarget;
  /** Links over the text of the paragraph besides those that it has. */
  readonly links?: readonly TextLink[];
  /** Set flush right in the right indent of the last line. */
  readonly tail: string;
  /** Whether it may run a line shorter or longer: text of the pages, not furniture, notes or heads. */
  readonly variants: VariantWish;
}

/** Composes text that the book holds, keyed by its block. */
export function composeBlock(
  job: ParagraphJob,
  styleContext: StyleContext,
  context: TypesetContext,
  clock: StageClock,
): ParagraphEntry {
  const known = context.cache.tables.paragraphs.get(job.paragraph);
  const entry = composeWith(known, job, styleContext, context, clock);
  if (entry !== known) context.cache.tables.paragraphs.set(job.paragraph, entry);
  return entry;
}

/** Composes text that is made, such as a running head, keyed by what it says. */
export function composeGenerated(
  job: ParagraphJob,
  styleContext: StyleContext,
  context: TypesetContext,
  clock: StageClock,
): ComposedParagraph {
  const key = `${job.paragraph.id}\u0000${job.style.tag}\u0000${job.paragraph.text}\u0000${job.tail}`;
  const known = context.cache.tables.generated.get(key);
  const entry = composeWith(known, job, styleContext, context, clock);
  if (entry !== known) context.cache.tables.generated.set(key, entry);
  return entry.composed;
}

function composeWith(
  known: ParagraphEntry | undefined,
  job: ParagraphJob,
  styleContext: StyleContext,
  context: TypesetContext,
  clock: StageClock,
): ParagraphEntry {
  const { cache, library } = context;
  const generated = generatedKey(job, styleContext);
  const characterStyles = characterLooks(styleContext.spec);
  const sameStyle =
    known?.style === job.style && known.generated === generated && known.characterStyles === characterStyles;
  if (known && sameStyle && known.measure === job.measure) return known;
  const start = context.now();
  const styleOf = (style: ResolvedStyle) => styleParagraph(job.stream, job.paragraph, style, styleContext, job);
  let styled = known && sameStyle ? known.styled : { ...styleOf(job.style), tail: job.tail };
  const afterStyle = context.now();
  const reuse = known !== undefined && known.styled.shapeKey === styled.shapeKey;
  let shaped = reuse ? known.shaped : shapeParagraph(styled, library);
  if (!reuse) cache.shapedCount += 1;
  const afterShape = context.now();
  const breakNow = () =>
    breakParagraph(styled, shaped, column(job.measure), breakContext(styled, shaped, context), job.variants);
  let broken = breakNow();
  const { initial } = job.style;
  if (initial !== null && broken.best.count < initial.lines && !styled.style.initial?.isRaised) {
    // Too short to stand beside its drop capital: the letter is raised.
    const raised = { ...job.style, initial: { ...initial, isRaised: true } };
    styled = { ...styleOf(raised), tail: job.tail };
    shaped = shapeParagraph(styled, library);
    broken = breakNow();
  }
  cache.brokenCount += 1;
  clock.style += afterStyle - start;
  clock.shape += afterShape - afterStyle;
  clock.break += context.now() - afterShape;
  return {
    style: job.style,
    characterStyles,
    generated,
    styled,
    shaped,
    measure: job.measure,
    composed: { styled, shaped, broken: broken.best },
    shorter: broken.shorter && { styled, shaped, broken: broken.shorter },
    longer: broken.longer && { styled, shaped, broken: broken.longer },
  };
}

const inked = new WeakMap<object, WeakMap<object, object>>();

/** One object for all that character styles come to: the styles, and the inks where one of them has an ink. */
function characterLooks({ characterStyles, inks }: Spec): object {
  let known = inked.get(characterStyles);
  if (known === undefined) {
    known = new WeakMap();
    inked.set(characterStyles, known);
    const hasInk = Object.values(characterStyles).some(({ ink }) => ink !== undefined);
    if (!hasInk) known.set(characterStyles, characterStyles);
  }
  if (known.has(characterStyles)) return characterStyles;
  const pair = known.get(inks) ?? {};
  known.set(inks, pair);
  return pair;
}

/** A paragraph a line shorter or longer, if that can be set at all. */
export function variantOnWish(entry: ParagraphEntry, step: -1 | 1, context: TypesetContext): BrokenParagraph | null {
  const { styled, shaped } = entry.composed;
  const wish = breakParagraph(styled, shaped, column(entry.measure), breakContext(styled, shaped, context), step);
  return step < 0 ? wish.shorter : wish.longer;
}

/**
 * Sets a paragraph to columns of other widths. As many first lines as a measure has widths of their own stand as they do in
 * the setting before; the rest is broken once for each place and width.
 */
export function setterToMeasures(
  { styled, shaped, broken }: ComposedParagraph,
  context: TypesetContext,
): NonNullable<FlowParagraph['toMeasure']> {
  const rests = new Map<string, BrokenParagraph>();
  const own = () => breakContext(styled, shaped, context);
  return (measure, before) => {
    if (before === null) return { styled, shaped, broken: breakParagraph(styled, shaped, measure, own()).best };
    const line = measure.first.length;
    const from = before.broken.from[line];
    // Beside a drop capital it matters which line it is.
    const key = `${from} ${measure.width} ${broken.initial > 0 ? line : ''}`;
    let rest = rests.get(key);
    if (rest === undefined) {
      rest = breakOn(styled, shaped, measure, before.broken, own());
      rests.set(key, rest);
    }
    const pieces = [
      { broken: before.broken, from: 0, to: line },
      { broken: rest, from: 0, to: rest.count },
    ];
    return { styled, shaped, broken: joinLines(styled.text, pieces) };
  };
}

/** A paragraph in lines of other widths, in its best way. */
export function setToMeasure(
  { styled, shaped }: ComposedParagraph,
  measure: Measure,
  context: TypesetContext,
): ComposedParagraph {
  context.cache.brokenCount += 1;
  return {
    styled,
    shaped,
    broken: breakParagraph(styled, shaped, measure, breakContext(styled, shaped, context)).best,
  };
}

function breakContext(
  styled: ComposedParagraph['styled'],
  shaped: ComposedParagraph['shaped'],
  { library, hyphenators }: TypesetContext,
): BreakContext {
  return {
    unitsPerEm: (face) => library.font(face).unitsPerEm,
    space: (face) => library.marks(face).space,
    hyphen: (face) => library.marks(face).hyphen,
    ink: (face, glyph) => library.harfBuzz.inkOf(library.font(face), glyph),
    outline: (face, glyph) => library.harfBuzz.outlineOf(library.font(face), glyph),
    cutWidths: (offset) => cutWidths(styled, shaped, offset, library),
    hyphenator: (language) => hyphenators.get(language) ?? null,
  };
}

/** Everything that goes into the set text besides the block itself. */
function generatedKey(job: ParagraphJob, styleContext: StyleContext): string {
  let key = `${job.prefix}\u0000${job.prefixStyle ?? ''}\u0000${job.prefixSign?.position ?? ''}\u0000${job.tail}\u0000${styleContext.spec.marks.set}\u0000${styleContext.spec.marks.afterItalic}\u0000${fallbacksKey(styleContext.spec.text.fallbacks)}`;
  for (const object of job.paragraph.objects) {
    if (object.kind === 'note') {
      const { text, position } = styleContext.noteReference(object.note);
      key += `\u0000${position}${text}`;
    } else if (object.kind === 'field') key += `\u0000${styleContext.fieldText(object.field)}`;
    else if (object.kind === 'reference')
      key += `\u0000${styleContext.referenceText(object, job.paragraph.id, object.at)}`;
  }
  return key;
}

const fallbackKeys = new WeakMap<FallbackFaces, string>();

function fallbacksKey(fallbacks: FallbackFaces): string {
  let key = fallbackKeys.get(fallbacks);
  if (key === undefined) fallbackKeys.set(fallbacks, (key = Object.entries(fallbacks).flat().join(' ')));
  return key;
}
