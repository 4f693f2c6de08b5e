// What the stages made, kept between composes. The key of a paragraph is the identity of its block: an edit gives every
// changed block a new one, so nothing is ever thrown away by hand.
import type { ComposedParagraph } from '../model/composed/pages';
import type { DivisionPage, FlowParagraph, PaginateMemory } from '../paginate';
import type { ReferenceTable } from '../model/composed/referenceTable';
import type { ShapedParagraph } from '../model/composed/shaped';
import type { ResolvedStyle, StyledParagraph } from '../model/composed/styled';
import type { Spec } from '../model/spec/spec';
import type { Paragraph, StyleTag } from '../model/copy/streams';

export interface ParagraphEntry {
  style: ResolvedStyle;
  /** Character styles and generated text that went into it. */
  characterStyles: unknown;
  generated: string;
  styled: StyledParagraph;
  shaped: ShapedParagraph;
  measure: number;
  composed: ComposedParagraph;
  /** A line shorter and longer, where that can be set well. */
  shorter: ComposedParagraph | null;
  longer: ComposedParagraph | null;
}

/** Pages of a division and everything that they depend on, compared by identity. */
export interface DivisionEntry {
  readonly parts: readonly unknown[];
  readonly pages: readonly DivisionPage[];
  readonly memory: PaginateMemory | undefined;
}

/** Places in the flow by the index of their paragraph, and what all of them depend on. */
export interface FlowMemory {
  readonly environment: readonly unknown[];
  readonly blocks: readonly Paragraph[];
  readonly flows: readonly (FlowParagraph | undefined)[];
}

export interface ResolvedSheet {
  readonly language: string;
  readonly spaces: ReadonlyMap<string, number>;
  readonly sheet: ReadonlyMap<StyleTag, ResolvedStyle>;
}

export class StageCache {
  readonly paragraphs = new WeakMap<Paragraph, ParagraphEntry>();
  /** Generated lines, such as running heads, by their text and style; thrown away when it grows too large. */
  readonly generated = new Map<string, ParagraphEntry>();
  readonly divisions = new Map<string, DivisionEntry>();
  readonly flowMemories = new Map<string, FlowMemory>();
  /** Places in the flow by paragraph: the page search goes by their identity. */
  readonly flows = new WeakMap<ComposedParagraph, FlowParagraph>();
  readonly words = new WeakMap<Paragraph, number>();
  /** Resolved styles by spec, with what else they depend on: the language, and word spaces of families. */
  readonly sheets = new WeakMap<Spec, ResolvedSheet>();
  /** What the last compose found out: the first guess of the next, which then mostly settles at once. */
  references: ReferenceTable | undefined;
  /** Paragraphs shaped and broken since the start; benchmarks and tests read the differences. */
  shapedCount = 0;
  brokenCount = 0;
  /** Divisions divided into pages since the start, and paragraphs that the page search looked at. */
  pagedCount = 0;
  visitedCount = 0;

  /** Most generated lines that are kept. */
  static readonly GENERATED_LIMIT = 4000;

  keepGenerated(key: string, entry: ParagraphEntry): void {
    if (this.generated.size >= StageCache.GENERATED_LIMIT) this.generated.clear();
    this.generated.set(key, entry);
  }
}

/** True when both lists hold the same values by identity. */
export function sameParts(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((part, index) => part === b[index]);
}
