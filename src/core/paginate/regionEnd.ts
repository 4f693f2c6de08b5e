// Where a region ends. A search fills one record over and over: it is asked for at every line at which one might end.
import type { Setting } from './flow';
import { CHOICE } from './stateList';

export class RegionEnd {
  /** Index of the state that the region goes on from. */
  from = -1;
  /** The setting of the paragraph that it ends in; null: it ends before it. */
  setting: Setting | null = null;
  /** How the paragraph was begun: see `StateList.choice`. */
  choice = 0;
  flags = 0;
  /** Lines of the paragraph before the end. */
  line = 0;
  /** Grid lines of text in the region. */
  used = 0;
  /** Note lines that are owed: from `noteFrom` on, before `due`. */
  noteFrom = 0;
  due = 0;
  /** What the paragraph costs so far. */
  own = 0;
  /** It ends here whatever stays white. */
  forced = false;
  /** The setting in which the paragraph goes on. */
  next = 0;

  /** Whichever way the region ends from here. */
  begin(from: number, setting: Setting | null, choice: number, flags: number, noteFrom: number, own: number): this {
    this.from = from;
    this.setting = setting;
    this.choice = choice;
    this.flags = flags;
    this.noteFrom = noteFrom;
    this.own = own;
    return this;
  }

  /** One way to end it. */
  at(flags: number, line: number, used: number, due: number, forced: boolean): this {
    this.flags = flags;
    this.line = line;
    this.used = used;
    this.due = due;
    this.forced = forced;
    this.next = this.choice & CHOICE.SETTING;
    return this;
  }
}
