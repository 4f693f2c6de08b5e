// Takes over the places in the flow that an edit elsewhere in the division cannot have changed, without looking at their
// paragraphs again: what a letter typed costs must not grow with the division.
import { commonEnds } from '../../base/commonEnds';
import { isEmptyParagraph } from '../../copy/effectiveTag';
import type { Paragraph } from '../../model/copy/streams';
import { isFloat, type FlowParagraph } from '../../paginate';
import type { ComposeContext } from './composeContext';
import { sameParts } from '../../base/remembered';
import type { FlowMemory } from '../stageCache';
import { tablePartOf } from '../tables/tablePart';

export class KeptFlow {
  private readonly known: FlowMemory | undefined;
  private readonly flows: (FlowParagraph | undefined)[] = [];
  private readonly environment: readonly unknown[];
  /** Paragraphs that both have in common at either end. */
  private readonly before: number;
  private readonly behind: number;
  /** Among those behind one with words was seen: the tag of the next does not hang on what is before. */
  private sawWords = false;

  constructor(
    private readonly division: string,
    role: string,
    private readonly blocks: readonly Paragraph[],
    private readonly headCount: number,
    private readonly compose: ComposeContext,
  ) {
    const { book, measure, held, context } = compose;
    this.environment = [book.spec, book.particulars.language, measure, held, headCount, role];
    const known = context.cache.tables.flowMemories.get(division);
    this.known = known !== undefined && sameParts(known.environment, this.environment) ? known : undefined;
    [this.before, this.behind] = this.known === undefined ? [0, 0] : commonEnds(this.known.blocks, blocks);
  }

  /** The place of the k-th paragraph after `previous`, when nothing of it can have changed. `hasFloats`: figures hang on it now. */
  at(k: number, previous: FlowParagraph | undefined, hasFloats: boolean): FlowParagraph | undefined {
    const { known, blocks } = this;
    if (known === undefined) return undefined;
    const isBehind = k >= blocks.length - this.behind;
    const old = isBehind ? k - blocks.length + known.blocks.length : k;
    // The last before the change may hang on what changed.
    const mayTake = k < this.before - 1 || (isBehind && this.sawWords);
    if (isBehind && !isEmptyParagraph(blocks[k])) this.sawWords = true;
    // The first of the text may have a drop capital, and numbers of notes, heads, fields and items come from elsewhere.
    const isOwn =
      blocks[k].objects.length === 0 &&
      blocks[k].list === undefined &&
      !this.compose.numbers.has(blocks[k].id) &&
      !holdsNotes(blocks[k]);
    if (!mayTake || k <= this.headCount || !isOwn || hasFloats) return undefined;
    if (previous === undefined || known.flows[old - 1] !== previous) return undefined;
    const kept = known.flows[old];
    // A figure that hung on it may hang elsewhere now.
    if (kept?.insertions.some(isFloat)) return undefined;
    return (this.flows[k] = kept);
  }

  note(k: number, flow: FlowParagraph): void {
    this.flows[k] = flow;
  }

  /** Leaves what was found for the next time. */
  keep(): void {
    const { environment, blocks, flows } = this;
    this.compose.context.cache.tables.flowMemories.set(this.division, { environment, blocks, flows });
  }
}

/** Whether cells of the part of a table that a paragraph stands for refer to notes, whose words may be others now. */
const holdsNotes = (block: Paragraph): boolean =>
  tablePartOf(block)?.rows.texts.some(({ paragraph }) => paragraph.styled.notes.length > 0) === true;
