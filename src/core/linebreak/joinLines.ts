// The lines of a paragraph that goes on in another column: those that stand, and its rest as that was broken.
import type { BrokenParagraph } from '../model/broken';

/** The first `line` lines of one setting and all of the rest, which begins where they end; `tabs`: how many stand in them. */
export function joinLines(before: BrokenParagraph, line: number, rest: BrokenParagraph, tabs: number): BrokenParagraph {
  const join = <T extends Joined>(a: T, b: T): T => {
    const made = new (a.constructor as new (length: number) => T)(line + b.length);
    made.set(a.subarray(0, line));
    made.set(b, line);
    return made;
  };
  return {
    count: line + rest.count,
    initial: before.initial,
    demerits: rest.demerits,
    from: join(before.from, rest.from),
    to: join(before.to, rest.to),
    x: join(before.x, rest.x),
    width: join(before.width, rest.width),
    spaceDelta: join(before.spaceDelta, rest.spaceDelta),
    scale: join(before.scale, rest.scale),
    letterSpace: join(before.letterSpace, rest.letterSpace),
    spaceEm: join(before.spaceEm, rest.spaceEm),
    spaceCount: join(before.spaceCount, rest.spaceCount),
    end: join(before.end, rest.end),
    textWidth: join(before.textWidth, rest.textWidth),
    over: join(before.over, rest.over),
    tabs:
      before.tabs === null || rest.tabs === null
        ? null
        : {
            widths: Float32Array.of(...before.tabs.widths.subarray(0, tabs), ...rest.tabs.widths.subarray(tabs)),
            leaders: [...before.tabs.leaders.slice(0, tabs), ...rest.tabs.leaders.slice(tabs)],
          },
  };
}

type Joined = Uint32Array | Uint16Array | Uint8Array | Float32Array;
