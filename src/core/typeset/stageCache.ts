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
  readonly spaces: ReadonlyMap<string, number>;
  readonly sheet: ReadonlyMap<StyleTag, ResolvedStyle>;
}

/** What was made, by what it was made of. */
interface Kept<K, V> {
  get(key: K): V | undefined;
  set(key: K, value: V): unknown;
}

/** Reads fall through to what lies under; writes stay here. */
class Layer<K, V> implements Kept<K, V> {
  readonly written = new Map<K, V>();

  constructor(private readonly under: Kept<K, V>) {}

  get(key: K): V | undefined {
    return this.written.get(key) ?? this.under.get(key);
  }

  set(key: K, value: V): void {
    this.written.set(key, value);
  }
}

/** The tables of a cache: those by objects forget what nobody holds any more. */
function tables() {
  return {
    paragraphs: new WeakMap<Paragraph, ParagraphEntry>() as Kept<Paragraph, ParagraphEntry>,
    /** Generated lines, such as running heads, by their text and style; thrown away when there are too many. */
    generated: new Limited<ParagraphEntry>(GENERATED_LIMIT) as Kept<string, ParagraphEntry>,
    divisions: new Map<string, DivisionEntry>() as Kept<string, DivisionEntry>,
    flowMemories: new Map<string, FlowMemory>() as Kept<string, FlowMemory>,
    /** Places in the flow by paragraph: the page search goes by their identity. */
    flows: new WeakMap<ComposedParagraph, FlowParagraph>() as Kept<ComposedParagraph, FlowParagraph>,
    words: new WeakMap<Paragraph, number>() as Kept<Paragraph, number>,
    /** Resolved styles by spec and language, with what else they depend on: word spaces of families. */
    sheets: new WeakMap<Spec, Map<string, ResolvedSheet>>() as Kept<Spec, Map<string, ResolvedSheet>>,
  };
}

type Tables = ReturnType<typeof tables>;

/** Most generated lines that are kept. */
const GENERATED_LIMIT = 4000;

class Limited<V> implements Kept<string, V> {
  private readonly values = new Map<string, V>();

  constructor(private readonly most: number) {}

  get(key: string): V | undefined {
    return this.values.get(key);
  }

  set(key: string, value: V): void {
    if (this.values.size >= this.most) this.values.clear();
    this.values.set(key, value);
  }
}

export class StageCache {
  readonly tables: Tables;
  /** Paragraphs shaped and broken since the start; benchmarks and tests read the differences. */
  shapedCount = 0;
  brokenCount = 0;
  /** Divisions divided into pages since the start, and paragraphs that the page search looked at. */
  pagedCount = 0;
  visitedCount = 0;
  private settled: ReferenceTable | undefined;

  /** `under`: what a fork falls through to. */
  constructor(private readonly under: StageCache | null = null) {
    this.tables = under === null ? tables() : layersOver(under.tables);
  }

  /** What the last compose found out: the first guess of the next, which then mostly settles at once. */
  get references(): ReferenceTable | undefined {
    return this.settled ?? this.under?.references;
  }

  set references(found: ReferenceTable | undefined) {
    this.settled = found;
  }

  /** A cache to try something in: it knows all that this one does, and nothing that it learns comes here. */
  fork(): StageCache {
    return new StageCache(this);
  }

  /** Takes over what a fork of this cache has learned. */
  adopt(fork: StageCache): void {
    if (fork.under !== this) return;
    for (const name of Object.keys(this.tables) as (keyof Tables)[]) {
      const [own, learned] = [this.tables[name], fork.tables[name]] as unknown as [
        Kept<object, object>,
        Layer<object, object>,
      ];
      for (const [key, value] of learned.written) own.set(key, value);
    }
    this.settled = fork.settled ?? this.settled;
  }
}

function layersOver(under: Tables): Tables {
  const over = (table: unknown) => new Layer(table as Kept<unknown, unknown>);
  return Object.fromEntries(Object.entries(under).map(([name, table]) => [name, over(table)])) as unknown as Tables;
}
