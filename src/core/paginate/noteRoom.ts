// The room that notes take at the foot of a region, and where they may be divided.
import { LINE_END } from '../model/composed/broken';
import type { Flow } from './flow';
import { noteHeight } from './noteBlocks';

const SLACK = 1e-3;
/** Lines of a divided note that stay together on either page. */
const LINES_TOGETHER = 2;

/** Note lines are numbered through the flow; `from` inclusive, `to` and `due` exclusive. Heights in grid lines. */
export class NoteRoom {
  constructor(
    private readonly flow: Flow,
    /** Least white above the notes. */
    private readonly gap: number,
  ) {}

  /** Height with the gap above; 0 without notes. */
  height(from: number, to: number): number {
    return to <= from ? 0 : this.gap + noteHeight(this.flow.notes, from, to);
  }

  /** Least that must stand in the region of the notes that are due: all but the end of the last. */
  least(from: number, due: number): number {
    return due <= from ? 0 : this.height(from, this.leastEnd(from, due));
  }

  /** Where the notes of the region end: all that are due, else cut so that both parts keep two lines; -1 when neither fits. */
  place(from: number, due: number, room: number): number {
    if (this.height(from, due) <= room + SLACK) return due;
    const least = this.leastEnd(from, due);
    let divided = -1;
    for (let cut = due - LINES_TOGETHER; cut >= least; cut -= 1) {
      if (this.height(from, cut) > room + SLACK) continue;
      if (!this.endsInHyphen(cut)) return cut;
      // A word is divided over the page only where the note cannot be cut elsewhere.
      if (divided < 0) divided = cut;
    }
    return divided;
  }

  /** Whether the note line before a cut ends in a divided word. */
  private endsInHyphen(cut: number): boolean {
    const { paragraphs, lineOf, joined } = this.flow.notes;
    return joined[cut - 1] !== 1 && paragraphs[cut - 1].broken.end?.[lineOf[cut - 1]] === LINE_END.hyphen;
  }

  /**
   * For a line whose notes cannot start in its region as they should: as many note lines as fit, and `atLeast` so many:
   * where nothing else stands, a line taller than the region stands all the same.
   */
  force(from: number, due: number, room: number, atLeast = 0): number {
    let cut = due;
    while (cut > Math.min(due, from + atLeast) && this.height(from, cut) > room + SLACK) cut -= 1;
    return this.withTwoLines(from, cut, due);
  }

  /** Whether a note among those lines begins there. */
  begins(from: number, to: number): boolean {
    for (let k = from; k < to; k += 1) if (this.flow.notes.starts[k] === 1) return true;
    return false;
  }

  /** A cut that leaves no single line of a note on either page, where one before it can be had. */
  private withTwoLines(from: number, cut: number, due: number): number {
    const { starts } = this.flow.notes;
    if (cut <= from || cut >= due || starts[cut] === 1) return cut;
    let made = cut;
    if (cut + 1 === due || starts[cut + 1] === 1) made -= 1;
    if (made > from && starts[made - 1] === 1) made -= 1;
    return made > from ? made : cut;
  }

  private leastEnd(from: number, due: number): number {
    const { starts: noteStarts } = this.flow.notes;
    let start = due - 1;
    while (start > from && noteStarts[start] === 0) start -= 1;
    // The rest of a note that goes on from the region before may be cut after any line.
    const isRest = noteStarts[start] === 0;
    if (isRest) return from + 1;
    return due - start < LINES_TOGETHER * 2 ? due : start + LINES_TOGETHER;
  }
}
