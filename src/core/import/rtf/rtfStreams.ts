// The text of a rich text file as it is read: paragraphs, cells and rows of tables, and the notes inside the text.
import type { IncomingNote } from '../../model/copy/manuscript';
import { directionTouch } from '../../copy/direction';
import type { Block, Direction, Paragraph, ParagraphTouches } from '../../model/copy/streams';
import { cutParagraph } from '../../copy/cutParagraph';
import { isBreakMark } from '../../copy/headings';
import type { Incoming } from '../incoming';
import { headsSaid, type IncomingRow } from '../incomingTable';
import { newRowFacts, rowOf, type RowFacts } from './rowFacts';
import { numbersOfMark } from '../listNumbers';
import { ParagraphBuilder } from '../paragraphBuilder';
import { tagOfLook } from '../localLooks';
import { CONTENTS_TAG, isPlainName, levelOfName, tagOfLevel, tagOfName } from '../styleTags';

/** One stream being read: the text, or a note inside it. */
export interface Stream {
  readonly blocks: Block[];
  builder: ParagraphBuilder;
  readonly note: string | null;
  readonly kind: IncomingNote['kind'];
  format: ParagraphFormat;
  rows: IncomingRow[];
  cells: Block[][] | null;
  /** What is said of the cells of the row, in order, and whether it is a head; of the next cell. */
  rowFacts: RowFacts;
  cell: Block[];
  /** The next paragraph with words begins a page. */
  breaksNext: boolean;
  /** The mark that the program typed before the words of an item. */
  marker: string;
}

export interface ParagraphFormat {
  readonly style: number;
  readonly align?: 'centre' | 'right';
  readonly direction?: Direction | undefined;
  readonly list?: Paragraph['list'];
  readonly outline?: number;
  readonly inTable: boolean;
  readonly breakBefore?: boolean;
}

export const PLAIN: ParagraphFormat = { style: 0, inTable: false };
export class RtfStreams {
  /** Names of paragraph styles by their number. */
  readonly styles = new Map<number, string>();
  private readonly streams: Stream[] = [newStream(null, 'footnote')];

  constructor(private readonly incoming: Incoming) {}

  get current(): Stream {
    return this.streams[this.streams.length - 1];
  }

  /** Ends everything that is open; answers the text. */
  finish(): readonly Block[] {
    while (this.streams.length > 1) this.endNote();
    const [stream] = this.streams;
    if (!stream.builder.isEmpty) this.endParagraph();
    this.endTable(stream);
    return stream.blocks;
  }

  set(change: Partial<ParagraphFormat>): void {
    this.current.format = { ...this.current.format, ...change };
  }

  /** Points of the text that the file's first style sets; 12 where it says nothing (RTF 1.9.1, fs). */
  private bodySize(): number {
    return this.incoming.lookOf(this.styles.get(0) ?? 'Normal').size ?? 12;
  }

  /** A break of the page parts the paragraph in which it stands. */
  breakPage(): void {
    if (!this.current.builder.isBlank) this.endParagraph();
    this.current.breaksNext = true;
  }

  endParagraph(): void {
    const { current: stream, incoming } = this;
    const numbers = numbersOfMark(stream.marker);
    const format = withMark(stream.format, stream.marker);
    stream.marker = '';
    const builder = stream.builder;
    stream.builder = new ParagraphBuilder();
    const named = this.styles.get(format.style) ?? 'Normal';
    const name = stream.note !== null && isPlainName(named) ? 'Note' : named;
    const level = levelOfName(name) ?? (format.outline !== undefined && format.outline <= 9 ? format.outline : null);
    const byLook = isPlainName(name) || format.list ? undefined : tagOfLook(incoming.lookOf(name), this.bodySize());
    const tag = tagOfName(name) ?? (level === null ? (format.list ? 'LI' : (byLook ?? 'TX')) : tagOfLevel(level));
    if (tag === CONTENTS_TAG)
      return incoming.remark('Lines of a contents list left out', 'Ours is made from the headings, and always true.');
    if (tag === 'TX' && stream.note === null && !isPlainName(name)) incoming.leaveUnmatched(name);
    const touches: ParagraphTouches = {
      ...((format.breakBefore || stream.breaksNext) && !builder.isEmpty ? { breakBefore: true } : {}),
      ...directionTouch(format.direction, builder.words),
      ...(format.align !== undefined && tag === 'TX' ? { align: format.align } : {}),
    };
    const built = incoming.paragraph(builder, name, stream.note === null ? tag : 'NT', {
      ...(Object.keys(touches).length > 0 ? { touches } : {}),
      ...(format.list && level === null ? { list: format.list } : {}),
    });
    if (built.list?.ordered) incoming.numberItem(built, ...numbers);
    if (!builder.isEmpty) {
      stream.format = { ...format, breakBefore: undefined };
      stream.breaksNext = false;
    }
    if (level !== null && stream.note === null) incoming.heading(level, built);
    const { touches: _, ...plain } = built;
    const made = isBreakMark(built.text) && built.style === 'TX' ? { ...plain, style: 'SBO' } : built;
    if (format.inTable) stream.cell.push(made);
    else {
      this.endTable(stream);
      stream.blocks.push(made);
    }
  }

  endCell(): void {
    const { current: stream } = this;
    stream.format = { ...stream.format, inTable: true };
    if (!stream.builder.isEmpty || stream.cell.length === 0) this.endParagraph();
    (stream.cells ??= []).push(stream.cell);
    stream.cell = [];
  }

  endRow(): void {
    const { current: stream } = this;
    if (stream.cells !== null) stream.rows.push(rowOf(stream.cells, stream.rowFacts));
    stream.cells = null;
  }

  private endTable(stream: Stream): void {
    if (stream.rows.length === 0) return;
    stream.blocks.push(this.incoming.table(headsSaid(stream.rows)));
    stream.rows = [];
  }

  /** The note being read turns out to be an endnote. */
  asEndnote(): void {
    const { current } = this;
    if (current.note !== null) this.streams[this.streams.length - 1] = { ...current, kind: 'endnote' };
  }

  beginNote(): void {
    const note = this.incoming.note('footnote');
    // A sign typed before a note is its own: numbers come from a control word.
    const mark = this.current.builder.takeSigns();
    if (mark !== '') this.incoming.markNote(note, mark);
    this.current.builder.addObject({ kind: 'note', note });
    this.streams.push(newStream(note, 'footnote'));
  }

  endNote(): void {
    const { current: stream } = this;
    if (stream.note === null) return;
    if (!stream.builder.isEmpty) this.endParagraph();
    this.endTable(stream);
    this.streams.pop();
    const blocks = stream.blocks.map((block, index) =>
      block.kind === 'paragraph' && index === 0 ? trimmed(block) : block,
    );
    const { mark } = this.incoming.notes[stream.note];
    this.incoming.notes[stream.note] = {
      ...this.incoming.notes[stream.note],
      kind: stream.kind,
      blocks: withoutMark(blocks, mark),
    };
  }
}

/** Whether a list is numbered is told by its marks. */
function withMark(format: ParagraphFormat, marker: string): ParagraphFormat {
  if (format.list === undefined || marker.trim() === '') return format;
  return { ...format, list: { ...format.list, ordered: numbersOfMark(marker).length > 0 } };
}

function newStream(note: string | null, kind: IncomingNote['kind']): Stream {
  const builder = new ParagraphBuilder();
  return {
    blocks: [],
    builder,
    note,
    kind,
    format: PLAIN,
    rows: [],
    cells: null,
    cell: [],
    rowFacts: newRowFacts(),
    breaksNext: false,
    marker: '',
  };
}

/** Without the space that parts a note from its own mark. */
function trimmed(source: Paragraph): Paragraph {
  const lead = source.text.length - source.text.trimStart().length;
  if (lead === 0) return source;
  const shift = (at: number) => Math.max(0, at - lead);
  return {
    ...source,
    text: source.text.slice(lead),
    spans: source.spans
      .map((span) => ({ ...span, from: shift(span.from), to: shift(span.to) }))
      .filter((span) => span.to > span.from),
    objects: source.objects.map((object) => ({ ...object, at: shift(object.at) })),
  };
}

/** A note's paragraphs without the sign that it begins with. */
function withoutMark(blocks: readonly Block[], mark: string | undefined): readonly Block[] {
  const [first, ...rest] = blocks;
  if (mark === undefined || first?.kind !== 'paragraph' || !first.text.startsWith(mark)) return blocks;
  const lead = /^\s*/.exec(first.text.slice(mark.length))![0].length;
  return [cutParagraph(first, mark.length + lead, first.text.length), ...rest];
}
