// Where the blocks of a newer version go: into the divisions that the book has, and into new ones where the manuscript begins one.
import { table } from '../../base/table';
import type { Division } from '../../model/copy/book';
import { picturesIn } from '../../model/copy/holders';
import type { Block, BlockId, StreamId } from '../../model/copy/streams';

/** Characters of a paragraph that a report shows. */
const SAMPLE = 80;

/**
 * Blocks go into the division of the last one before them that the book had; a heading that is new begins a division of
 * its own, as the manuscript has it. `starts`: the divisions of the manuscript by their first block. `moved`: blocks that stand elsewhere
 * than they did; a division moves when all of it does.
 */
export function inDivisions(
  old: readonly Division[],
  fresh: readonly Division[],
  blocks: readonly Block[],
  starts: ReadonlyMap<BlockId, Division>,
  takeId: (letter: string) => string,
  moved: ReadonlySet<BlockId> = new Set(),
): Division[] {
  const home = homes(old, blocks, moved);
  const made: { division: Division; blocks: Block[] }[] = [];
  const used = new Set<StreamId>();
  blocks.forEach((block, k) => {
    const own = home.get(block.id);
    const begun = starts.get(block.id);
    const last = made[made.length - 1];
    if (own !== undefined && own.id !== last?.division.id && !used.has(own.id)) {
      used.add(own.id);
      // What stands before it in the manuscript's division, such as a new number above a known title, goes with it.
      const since = last === undefined ? 0 : newSinceStart(starts, blocks, home, k);
      const taken = since > 0 ? last.blocks.splice(-since) : [];
      if (last !== undefined && last.blocks.length === 0) made.pop();
      made.push({ division: own, blocks: [...taken, block] });
    } else if (last === undefined || (begun !== undefined && own === undefined))
      made.push({ division: { ...(begun ?? fresh[0] ?? old[0]), id: takeId('d') }, blocks: [block] });
    else last.blocks.push(block);
  });
  return made.map((one) => ({ ...one.division, blocks: one.blocks }));
}

function homes(
  old: readonly Division[],
  blocks: readonly Block[],
  moved: ReadonlySet<BlockId>,
): Map<BlockId, Division> {
  const left = new Set(blocks.map(({ id }) => id));
  return new Map(
    old.flatMap((division) => {
      const own = division.blocks.filter(({ id }) => left.has(id));
      const stays = own.filter(({ id }) => !moved.has(id));
      return (stays.length === 0 ? own : stays).map((block) => [block.id, division] as const);
    }),
  );
}

/** New blocks right before a place, back to where the manuscript begins a division; 0 when known ones stand between. */
function newSinceStart(
  starts: ReadonlyMap<BlockId, Division>,
  blocks: readonly Block[],
  home: ReadonlyMap<string, Division>,
  place: number,
): number {
  for (let k = place; k >= 0; k -= 1) {
    if (k < place && home.has(blocks[k].id)) return 0;
    if (starts.has(blocks[k].id)) return place - k;
  }
  return 0;
}

/**
 * The running order with `placed` for the divisions that were replaced; each other one stays behind the one that it stood behind. Front
 * matter before the body, the body before back matter, each in the order that it has.
 */
export function inOrder(
  before: readonly Division[],
  placed: readonly Division[],
  isReplaced: (division: Division) => boolean,
): Division[] {
  const order = [...placed];
  before.forEach((division, k) => {
    if (isReplaced(division)) return;
    let at = 0;
    for (let back = k - 1; back >= 0 && at === 0; back -= 1)
      at = order.findIndex(({ id }) => id === before[back].id) + 1;
    order.splice(at, 0, division);
  });
  return (['front', 'body', 'back'] as const).flatMap((matter) =>
    order.filter((division) => division.matter === matter),
  );
}

/** First words of a block, as a report has them. */
export function sampleOf(block: Block): string {
  if (block.kind === 'table') return 'A table';
  const words = block.text.replace(/\uFFFC/g, ' ').trim();
  return words === '' && picturesIn(block).length > 0 ? 'A picture' : words.slice(0, SAMPLE);
}

const TOUCH_NAMES: Readonly<Record<string, string>> = table({
  align: 'alignment',
  breakBefore: 'page begun here',
  together: 'kept together',
  lines: 'lines wished',
  spread: 'depth of the spread',
  liftedTies: 'ties lifted',
});

/** What is said of the touches of a block that is gone; nothing where it had none. */
export function lostTouches(block: Block): string[] {
  if (block.kind === 'table' || block.touches === undefined) return [];
  const names = Object.keys(block.touches).map((key) => TOUCH_NAMES[key] ?? key);
  return [`${names.join(', ')}: ${sampleOf(block)}`];
}
