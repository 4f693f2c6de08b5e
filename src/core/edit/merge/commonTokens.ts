// What two lists have in common, in order: the shortest way from one to the other (Myers 1986, "An O(ND) difference algorithm").
import { commonEndsBy } from '../../base/commonEnds';

/** Steps after which two lists count as having nothing more in common. */
const MOST_STEPS = 800;

/** For each place of `a` its place in `b`, -1 for none; places rise. */
export function commonPlaces(a: readonly string[], b: readonly string[]): Int32Array {
  const places = new Int32Array(a.length).fill(-1);
  const [head, tail] = commonEndsBy(a.length, b.length, (i, j) => a[i] === b[j]);
  for (let k = 0; k < head; k += 1) places[k] = k;
  for (let k = 1; k <= tail; k += 1) places[a.length - k] = b.length - k;
  const [n, m] = [a.length - head - tail, b.length - head - tail];
  if (n > 0 && m > 0) middle(a, b, head, [n, m], places);
  return places;
}

function middle(
  a: readonly string[],
  b: readonly string[],
  head: number,
  [n, m]: readonly [number, number],
  places: Int32Array,
): void {
  const most = Math.min(n + m, MOST_STEPS);
  const centre = most + 1;
  let ends = new Int32Array(2 * most + 3);
  const history: Int32Array[] = [];
  for (let steps = 0; steps <= most; steps += 1) {
    history.push(ends.slice());
    for (let k = -steps; k <= steps; k += 2) {
      const isDown = k === -steps || (k !== steps && ends[centre + k - 1] < ends[centre + k + 1]);
      let x = isDown ? ends[centre + k + 1] : ends[centre + k - 1] + 1;
      while (x < n && x - k < m && x - k >= 0 && a[head + x] === b[head + x - k]) x += 1;
      ends[centre + k] = x;
      if (x >= n && x - k >= m) return walkBack(history, centre, [n, m], head, places);
    }
    ends = ends.slice();
  }
}

function walkBack(
  history: readonly Int32Array[],
  centre: number,
  [n, m]: readonly [number, number],
  head: number,
  places: Int32Array,
): void {
  let [x, y] = [n, m];
  for (let steps = history.length - 1; steps >= 0 && (x > 0 || y > 0); steps -= 1) {
    const ends = history[steps];
    const k = x - y;
    const isDown = k === -steps || (k !== steps && ends[centre + k - 1] < ends[centre + k + 1]);
    const before = isDown ? k + 1 : k - 1;
    const fromX = steps === 0 ? 0 : ends[centre + before];
    const fromY = steps === 0 ? 0 : fromX - before;
    while (x > fromX && y > fromY) {
      [x, y] = [x - 1, y - 1];
      places[head + x] = head + y;
    }
    [x, y] = [fromX, fromY];
  }
}
