// The cheapest pages by trying everything: every setting and space of every paragraph, every end of every region, every
// depth, every number of floats; in columns of several widths every line by the widths of those before it. Shares with the
// search only the prices, and what a cut costs by itself.
import { makeSetting, type Setting } from '../../src/core/paginate/flow';
import { snappedStart } from '../../src/core/paginate/snap';
import { whiteBefore } from '../../src/core/paginate/costs';
import { COST, type Flow, type PagePlan, type Region } from '../../src/core/paginate';

const SLACK = 1e-3;

interface Line {
  readonly item: number;
  readonly line: number;
  readonly setting: Setting;
  readonly gap: { readonly gap: number; readonly cost: number };
}

const NO_GAP = { gap: 0, cost: 0 };

interface Place {
  /** The lines from here on, as they are set when nothing ends before them. */
  readonly rest: readonly Line[];
  readonly verso: boolean;
  /** Pages before it, and how many regions of its page. */
  readonly page: number;
  readonly column: number;
  /** Of the spread before, until the first column of a verso has ended; null: not settled. */
  readonly depth: number | null;
  readonly note: number;
  readonly float: number;
  /** Grid lines by which the last head of the spread has other white above it than it wishes; null: there was none. */
  readonly head: number | null;
}

/** The least cost of the flow, without balance or holds. */
export function bruteForce(flow: Flow, plan: PagePlan): number {
  const { list, repeat } = plan.regions;
  const areUnequal = list.some(({ width }) => width !== list[0].width);
  let best = Infinity;
  let floats = flow.floats;
  for (const [lines, cost, passed] of areUnequal ? [unequal()] : everyWay()) {
    floats = flow.floats.filter(({ anchor, isPicture }) => !isPicture || passed.has(anchor));
    const start: Place = {
      rest: lines,
      verso: plan.firstSide === 'verso',
      page: 0,
      column: 0,
      depth: null,
      note: 0,
      float: 0,
      head: null,
    };
    best = Math.min(best, cheapest(start, cost, best));
  }
  return best;

  type Way = readonly [readonly Line[], number, ReadonlySet<number>];

  function unequal(): Way {
    return [linesFrom(0, list[0].width), 0, new Set()];
  }

  /** Every setting and space, with every choice of pictures that go over; none does before any text. */
  function* everyWay(): Generator<Way> {
    const mayPass = flow.items.flatMap((item, k) => (item.mayPass ? [k] : []));
    for (let choice = 0; choice < 1 << mayPass.length; choice += 1) {
      const passed = new Set(mayPass.filter((_, k) => choice & (1 << k)));
      if (passed.has(0)) continue;
      for (const [lines, cost] of everySetting(0, passed)) yield [lines, cost + COST.PASSED * passed.size, passed];
    }
  }

  /** The regions of a page, counted from 0: those of the pages that come again as often as they do. */
  function regionsOn(page: number): readonly Region[] {
    const pages = list[list.length - 1].page + 1;
    const from = list[repeat].page;
    const same = page < pages ? page : from + ((page - from) % (pages - from));
    return list.filter((region) => region.page === same);
  }

  function regionAt({ page, column }: Place): Region {
    return regionsOn(page)[column];
  }

  function regionAfter({ page, column }: Place): Region {
    const own = regionsOn(page);
    return column + 1 < own.length ? own[column + 1] : regionsOn(page + 1)[0];
  }

  /** Lines from a paragraph on, all of one width. */
  function linesFrom(item: number, width: number): Line[] {
    return flow.items.slice(item).flatMap((_, k) => linesOf(item + k, 0, settingTo(item + k, [], width)));
  }

  function settingTo(item: number, first: readonly number[], width: number, before?: Setting): Setting {
    const { source } = flow.items[item];
    const measure = { first, width };
    return { ...makeSetting(source, source.toMeasure!(measure, before?.paragraph ?? null), 0, 0, plan.keeps), measure };
  }

  function linesOf(item: number, from: number, setting: Setting): Line[] {
    return Array.from({ length: setting.count - from }, (_, k) => ({
      item,
      line: from + k,
      setting,
      gap: flow.items[item].gaps[0] ?? NO_GAP,
    }));
  }

  /** What is left after so many lines, set to the width in which it goes on; null when nothing of the paragraph is. */
  function restAfter(rest: readonly Line[], to: number, next: number): readonly Line[] | null {
    if (!areUnequal || to === rest.length) return rest.slice(to);
    const { item, line, setting } = rest[to];
    if (line === 0) return linesFrom(item, next);
    const first = Array.from({ length: line }, (_, k) => setting.measure!.first[k] ?? setting.measure!.width);
    const other = settingTo(item, first, next, setting);
    return other.count <= line ? null : [...linesOf(item, line, other), ...linesFrom(item + 1, next)];
  }

  /** Lines and own cost of every combination of settings and spaces from a paragraph on. */
  function* everySetting(from: number, passed: ReadonlySet<number>): Generator<[Line[], number]> {
    if (from === flow.items.length) {
      yield [[], 0];
      return;
    }
    const item = flow.items[from];
    for (const [rest, restCost] of everySetting(from + 1, passed)) {
      if (passed.has(from)) {
        yield [rest, restCost];
        continue;
      }
      for (const setting of item.settings) {
        for (const gap of passed.has(from - 1) ? item.gapsPassed : item.gaps) {
          const own = Array.from({ length: setting.count }, (_, line) => ({ item: from, line, setting, gap }));
          yield [[...own, ...rest], setting.cost + restCost];
        }
      }
    }
  }

  function cheapest(place: Place, cost: number, bound: number): number {
    const lines = place.rest;
    let least = Infinity;
    const base = regionAt(place).lines;
    const total = flow.notes.paragraphs.length;
    for (let float = place.float; float <= floats.length; float += 1) {
      const above = floats.slice(place.float, float).reduce((sum, one) => sum + one.height, 0);
      if (above > base + SLACK) break;
      // A picture over two pages begins on a verso, and goes on on the recto after it.
      if (float === place.float && floats[float]?.half === 'recto') continue;
      if (float > place.float && floats[float - 1].half === 'verso' && !place.verso) break;
      const begun = lines.length === 0 ? flow.items.length : lines[0].item;
      const last = floats[float - 1];
      if (float > place.float && last.isPicture && last.anchor >= begun) break;
      const { page, top, column } = regionAt(place);
      const isBegun = lines.length === 0 || last?.anchor < begun + (lines[0].line > 0 ? 1 : 0);
      if (float > place.float && last.place === 'next' && (!isBegun || column > 0)) break;
      if (float > place.float && !last.isPicture && last.place !== 'foot' && page === 0 && top > 0) break;
      // Those that stand before their reference come before no picture that is to stand in its place: figures keep their order.
      const standing = lines.find(({ item }) => flow.items[item].mayPass)?.item ?? Infinity;
      if (float > place.float && last.anchor > standing) break;
      let used = above;
      let own = 0;
      let mayPlace = false;
      let { head } = place;
      let isBelowText = false;
      // Figures as deep as the page leave no room for text.
      const isFull = above > 0 && above > base - SLACK;
      for (let to = 1; to <= lines.length && !isFull; to += 1) {
        {
          const { item, line, gap } = lines[to - 1];
          const { height, topCost, breakBefore, mayHalve, mayPass, afterHead } = flow.items[item];
          // Pictures stand in their order.
          if (mayPass && isAwaited(item, float)) break;
          if (line === 0 && breakBefore && item > 0 && to > 1) break;
          let start = used;
          if (to === 1) {
            own += line === 0 ? topCost : 0;
            // The heads of a table stand again over its rows.
            start += flow.items[item].source.rows?.top.depth ?? 0;
          }
          if (to > 1 && line === 0) {
            start += gap.gap;
            own += gap.cost;
          }
          if (to > 1 && line === 0) start = snappedStart(flow.items[item], start, gap.gap);
          const wished = passedBefore(lines, to) ? flow.items[item].gapsPassed[0].gap : flow.items[item].source.gap;
          if (line === 0 && afterHead && to > 1) {
            const gives = whiteOf(start - used - wished) === 'less';
            if (isBelowText && gives !== (whiteOf(head!) === 'less')) own += COST.UNLIKE_HEADS;
          } else if (to > 1 && line === 0 && mayHalve) {
            const off = start - used - wished;
            if (head !== null && whiteOf(head) !== whiteOf(off)) own += COST.UNLIKE_HEADS;
            head = off;
          }
          if (line === 0) isBelowText = to > 1 && mayHalve && !afterHead;
          used = start + height;
        }
        if (used > base + 1 + SLACK) break;
        const end = { to, used, float, base, total, isEmpty: false, head };
        const found = endHere(place, cost + own, Math.min(bound, least), end);
        mayPlace ||= found !== null;
        least = Math.min(least, found ?? Infinity);
      }
      if (!mayPlace || lines.length === 0) {
        const waits = lines.length > 0 && flow.items[lines[0].item].mayPass && isAwaited(lines[0].item, float);
        const owes = place.note < dueBefore(lines, 0) || above > 0 || lines.length === 0;
        if (waits && !owes) continue;
        // Beside nothing else, a line that does not fit with its notes stands all the same.
        const end = owes
          ? { to: 0, used: above, float, base, total, isEmpty: true, head: place.head }
          : {
              to: 1,
              used: flow.items[lines[0].item].height + (flow.items[lines[0].item].source.rows?.top.depth ?? 0),
              float,
              base,
              total,
              isEmpty: false,
              isForced: true,
              head: place.head,
            };
        least = Math.min(least, endHere(place, cost, Math.min(bound, least), end) ?? Infinity);
      }
    }
    return least;
  }

  /** Whether a picture before a paragraph stands nowhere yet. */
  function isAwaited(item: number, float: number): boolean {
    return floats.slice(float).some(({ anchor }) => anchor < item);
  }

  function passedBefore(lines: readonly Line[], to: number): boolean {
    return to > 1 && lines[to - 1].item - lines[to - 2].item > 1;
  }

  interface End {
    readonly to: number;
    readonly used: number;
    readonly float: number;
    readonly base: number;
    readonly total: number;
    readonly isEmpty: boolean;
    readonly isForced?: boolean;
    readonly head: number | null;
  }

  function whiteOf(off: number): 'less' | 'wished' | 'more' {
    return off < -0.25 ? 'less' : off > 0.25 ? 'more' : 'wished';
  }

  function endHere(place: Place, before: number, bound: number, end: End): number | null {
    const lines = place.rest;
    const { to, used, float, base, total, isEmpty, isForced = false, head } = end;
    const due = dueBefore(lines, to);
    const isLast = to === lines.length;
    const reached = isLast ? flow.items.length : lines[to].item + (lines[to].line > 0 ? 1 : 0);
    if (float > 0 && floats[float - 1].anchor >= reached) return null;
    const fixed = place.depth !== null && (place.column > 0 || !place.verso) ? place.depth : null;
    let least = Infinity;
    if (isLast) {
      const room = base + Math.max(0, fixed ?? 0) - used;
      if (room < -SLACK) return null;
      if (float === floats.length && notesHeight(place.note, total) <= room + SLACK) {
        let cost = before;
        if (place.page > 0 && place.column === 0 && used < plan.chapterEnd) {
          cost += COST.STUB_LINE * (plan.chapterEnd - used);
          if (used < 3) cost += COST.STUB * (3 - used);
        }
        return cost;
      }
      const note = endOfNotes(place.note, total, room, isEmpty);
      const isIdle = isEmpty && note === place.note && float === place.float;
      const waits = !place.verso && floats[float]?.half === 'verso';
      if (note < 0 || (isIdle && !waits)) return null;
      return cheapest(
        after(place, [], { depth: fixed ?? 0, note, float, head }),
        before + COST.SPLIT_NOTE + (isIdle ? COST.BLANK_PAGE : 0) + pagePrice(place),
        bound,
      );
    }
    let isFeasible = false;
    const rest = restAfter(lines, to, regionAfter(place).width);
    if (rest === null) return null;
    for (const depth of fixed === null ? [-1, 0, 1] : [fixed]) {
      let cost = before + endCost(place, rest[0], reached, float);
      if (fixed === null && depth !== 0) {
        const unit = depth < 0 ? plan.short : plan.long;
        if (unit === null) continue;
        cost += COST.SPREAD * unit;
        if (place.depth !== null && place.depth * depth < 0) cost += COST.OPPOSITE_SPREADS;
      }
      const deep = base + depth;
      const notes = endOfNotes(place.note, due, deep - used, isEmpty || isForced);
      if (isForced && used > deep + SLACK) cost += COST.TOO_DEEP;
      if (notes < 0 || (!isEmpty && !isForced && used > deep + SLACK)) continue;
      const white = isEmpty ? 0 : Math.max(0, deep - used - notesHeight(place.note, notes));
      const breaks = lines[to].line === 0 && flow.items[lines[to].item].breakBefore;
      const own = lines[to].line === 0 ? whiteBefore(flow.items[lines[to].item], white) : null;
      if (own !== null) cost += own;
      else if (!breaks) cost += whiteCost(white, notes > place.note);
      if (notes < due) cost += COST.SPLIT_NOTE + COST.OWED_LINE * (due - notes);
      cost += pagePrice(place);
      isFeasible = true;
      if (cost >= Math.min(bound, least)) continue;
      least = Math.min(
        least,
        cheapest(after(place, rest, { depth, note: notes, float, head }), cost, Math.min(bound, least)),
      );
    }
    return isFeasible ? least : null;
  }

  function closes(place: Place): boolean {
    return place.column + 1 === regionsOn(place.page).length;
  }

  function pagePrice(place: Place): number {
    return closes(place) ? COST.PAGE : 0;
  }

  type Left = Pick<Place, 'depth' | 'note' | 'float' | 'head'>;

  function after(place: Place, rest: readonly Line[], left: Left): Place {
    const newPage = closes(place);
    return {
      rest,
      verso: newPage ? !place.verso : place.verso,
      page: newPage ? place.page + 1 : place.page,
      column: newPage ? 0 : place.column + 1,
      ...left,
      head: newPage && !place.verso ? null : left.head,
    };
  }

  function endCost(place: Place, { item, line, setting }: Line, reached: number, float: number): number {
    const { items } = flow;
    let cost = line === 0 ? (items[item].breakBefore ? 0 : items[item].cutBefore) : setting.cut[line];
    if (line > 0 && setting.paragraph.broken.end[line - 1] === 1) {
      if (!closes(place)) cost += COST.COLUMN_HYPHEN;
      else cost += place.verso ? COST.VERSO_HYPHEN : COST.RECTO_HYPHEN;
    }
    for (let f = float; f < floats.length && floats[f].anchor < reached; f += 1) cost += COST.FLOAT_LATE;
    return cost;
  }

  function whiteCost(white: number, hasNotes: boolean): number {
    if (plan.exempt) return white;
    if (hasNotes) return white <= 1 ? white : COST.NOTE_WHITE * white * white;
    if (white <= SLACK) return 0;
    return white < 1 - SLACK ? COST.UNEVEN_PART : COST.UNEVEN * white * white;
  }

  /** Note lines that belong to the text before the `to`-th of some lines. */
  function dueBefore(lines: readonly Line[], to: number): number {
    if (to === lines.length) return flow.notes.paragraphs.length;
    const { item, line, setting } = lines[to];
    return flow.noteStart[item] + (setting.noteLinesBefore?.[line] ?? 0);
  }

  function notesHeight(from: number, to: number): number {
    return to <= from ? 0 : plan.noteGap + heightOfNotes(flow, from, to);
  }

  /** All the notes that are due, else as many lines as fit with two on either page; -1 when that cannot be. */
  function endOfNotes(from: number, due: number, room: number, isEmpty: boolean): number {
    for (let to = due; to > from; to -= 1) {
      if (notesHeight(from, to) > room + SLACK) continue;
      if (to === due) return to;
      if (isEmpty) return forcedEnd(from, to, due);
      let start = due - 1;
      while (start > from && flow.notes.starts[start] === 0) start -= 1;
      const isOwed = flow.notes.starts[start] === 0;
      const least = isOwed ? from + 1 : start + 2;
      return to <= due - 2 && to >= least ? to : to > due - 2 ? endOfNotes2(from, due, room, least) : -1;
    }
    return isEmpty || from === due ? from : -1;
  }

  /** As many lines as fit, and no single line of a note on either page where fewer lines can do that. */
  function forcedEnd(from: number, most: number, due: number): number {
    const { starts } = flow.notes;
    for (let to = most; to > from; to -= 1) {
      if (starts[to] === 1) return to;
      const isLastLeft = to + 1 === due || starts[to + 1] === 1;
      if (!isLastLeft && starts[to - 1] === 0) return to;
    }
    return most;
  }

  function endOfNotes2(from: number, due: number, room: number, least: number): number {
    for (let to = due - 2; to >= least; to -= 1) if (notesHeight(from, to) <= room + SLACK) return to;
    return -1;
  }
}

/** Height of note lines at a foot, counted line by line: those of one kind together, in their columns or as one paragraph. */
function heightOfNotes({ notes }: Flow, from: number, to: number): number {
  let height = 0;
  for (let k = from; k < to;) {
    const same = (at: number) =>
      at < to && notes.notes[at].layout === notes.notes[k].layout && notes.joined[at] === notes.joined[k];
    const own: number[] = [];
    for (let at = k; same(at); at += 1) own.push(notes.height[at + 1] - notes.height[at]);
    if (notes.joined[k] === 1 && own.length > 1) {
      const { broken, styled } = notes.join(notes.notes.slice(k, k + own.length));
      height += broken.count * (styled.style.leading / notes.leading);
    } else {
      const rows = Math.ceil(own.length / notes.notes[k].layout.columns);
      let deepest = 0;
      for (let at = 0; at < own.length; at += rows)
        deepest = Math.max(
          deepest,
          own.slice(at, at + rows).reduce((sum, one) => sum + one, 0),
        );
      height += deepest;
    }
    k += own.length;
  }
  return height;
}
