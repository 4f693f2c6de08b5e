// Ornaments that ship with the app: our drawings, as outlines of a face of their own. Each has a place in the private use area (Unicode 15, 23.5), so
// that it stands in text like any letter.

export interface Ornament {
  readonly title: string;
  readonly character: string;
  /** Of 1000 to the em. */
  readonly advance: number;
  /** Closed outlines, y upwards from the baseline, filled where they wind round (SVG 1.1, 8.3). */
  readonly path: string;
}

/** Family key and name of the face that they make. */
export const ORNAMENT_FAMILY = 'walnut-ornaments';

/** Of 1000 to the em: what is shown of an ornament by itself, above and below its baseline. */
export const ORNAMENT_EXTENT = { up: 560, down: 100 } as const;

/** Height about which ornaments stand: half way up the small letters of most faces. */
const MIDDLE = 240;

const round = (value: number) => Math.round(value);
const at = (x: number, y: number) => `${round(x)} ${round(y)}`;

/** A circle as four cubic curves, against the clock; with `isHole` the other way round. */
function circle(cx: number, cy: number, r: number, isHole = false): string {
  const k = r * 0.5523;
  const points: [number, number][] = [
    [cx + r, cy],
    [cx + r, cy + k],
    [cx + k, cy + r],
    [cx, cy + r],
    [cx - k, cy + r],
    [cx - r, cy + k],
    [cx - r, cy],
    [cx - r, cy - k],
    [cx - k, cy - r],
    [cx, cy - r],
    [cx + k, cy - r],
    [cx + r, cy - k],
  ];
  const turned = isHole ? [points[0], ...points.slice(1).reverse()] : points;
  const [first, ...rest] = turned;
  const all = [...rest, first];
  return `M${at(...first)}${[0, 3, 6, 9]
    .map(
      (n) =>
        `C${all
          .slice(n, n + 3)
          .map((point) => at(...point))
          .join(' ')}`,
    )
    .join('')}Z`;
}

/** Points round a middle, at distances that follow each other. */
function star(cx: number, cy: number, points: number, outer: number, inner: number, turn = 90): string {
  const corners = Array.from({ length: points * 2 }, (_, k) => {
    const angle = ((turn + (k * 180) / points) * Math.PI) / 180;
    const r = k % 2 === 0 ? outer : inner;
    return at(cx + Math.cos(angle) * r, cy + Math.sin(angle) * r);
  });
  return `M${corners.join('L')}Z`;
}

const lozenge = (cx: number, cy: number, across: number, up: number) =>
  `M${at(cx + across, cy)}L${at(cx, cy + up)}L${at(cx - across, cy)}L${at(cx, cy - up)}Z`;

/** A leaf from its stem at x, y: so long and wide, at an angle in degrees, its tip a little to the left of its way. */
function leaf(x: number, y: number, long: number, wide: number, angle: number): string {
  const [cos, sin] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
  const to = (u: number, v: number) => at(x + u * cos - v * sin, y + u * sin + v * cos);
  const half = wide / 2;
  return [
    `M${to(0, 0)}`,
    `C${to(long * 0.18, -half)} ${to(long * 0.62, -half * 1.15)} ${to(long, half * 0.25)}`,
    `C${to(long * 0.7, half * 0.95)} ${to(long * 0.25, half)} ${to(0, 0)}Z`,
  ].join('');
}

/** A stroke along a smooth line, thickest in its middle; it rises and falls `times` over its length. */
function wave(x: number, y: number, long: number, high: number, times: number, thick: number): string {
  const steps = times * 8;
  const along = (k: number, side: 1 | -1) => {
    const t = k / steps;
    const swell = Math.sin(t * Math.PI) ** 0.6;
    return at(x + long * t, y + Math.sin(t * times * 2 * Math.PI) * high + (side * thick * swell) / 2);
  };
  const there = Array.from({ length: steps + 1 }, (_, k) => along(k, -1));
  const back = Array.from({ length: steps - 1 }, (_, k) => along(steps - 1 - k, 1));
  return `M${[...there, ...back].join('L')}Z`;
}

/** A sprig: a stem with leaves on either side by turns. */
function sprig(x: number, y: number, long: number, pairs: number, direction: 1 | -1): string {
  const parts = [wave(direction > 0 ? x : x - long, y, long, 14, 1, 16)];
  for (let k = 0; k < pairs; k += 1) {
    const along = x + direction * long * ((k + 0.7) / (pairs + 0.6));
    const size = 150 * (1 - k / (pairs * 2.2));
    const up = direction > 0 ? 48 : 132;
    parts.push(leaf(along, y + 6, size, size * 0.42, up), leaf(along - direction * 34, y - 6, size, size * 0.42, -up));
  }
  parts.push(leaf(x + direction * (long - 20), y, 130, 52, direction > 0 ? 6 : 174));
  return parts.join('');
}

/** Leaves that fan out from where they hold together. */
function fan(cx: number, y: number): string {
  const ribs = [-66, -44, -22, 0, 22, 44, 66].map((lean) => leaf(cx, y, 330 - Math.abs(lean) * 1.1, 84, 90 - lean));
  return [...ribs, circle(cx, y - 12, 34)].join('');
}

/** In the order in which they are offered. */
export const ORNAMENTS: readonly Ornament[] = [
  {
    title: 'Three lozenges',
    character: '\uE701',
    advance: 1060,
    path: [150, 530, 910].map((x) => lozenge(x, MIDDLE, 78, 112)).join(''),
  },
  { title: 'Lozenge', character: '\uE702', advance: 360, path: lozenge(180, MIDDLE, 110, 160) },
  {
    title: 'Star',
    character: '\uE703',
    advance: 560,
    path: star(280, MIDDLE, 8, 240, 74),
  },
  {
    title: 'Three stars',
    character: '\uE704',
    advance: 1240,
    path: [180, 620, 1060].map((x) => star(x, MIDDLE, 6, 140, 46)).join(''),
  },
  {
    title: 'Three points',
    character: '\uE705',
    advance: 1000,
    path: [130, 500, 870].map((x) => circle(x, MIDDLE, 58)).join(''),
  },
  { title: 'Tide line', character: '\uE706', advance: 2400, path: wave(60, MIDDLE, 2280, 84, 5, 66) },
  {
    title: 'Leaf',
    character: '\uE707',
    advance: 620,
    path: [wave(60, MIDDLE - 60, 260, 16, 1, 20), leaf(250, MIDDLE - 58, 330, 190, 22)].join(''),
  },
  {
    title: 'Sprigs',
    character: '\uE708',
    advance: 1600,
    path: [sprig(850, MIDDLE, 640, 4, 1), sprig(750, MIDDLE, 640, 4, -1), circle(800, MIDDLE, 34)].join(''),
  },
  { title: 'Fan', character: '\uE709', advance: 760, path: fan(380, MIDDLE - 130) },
  {
    title: 'Rule with a lozenge',
    character: '\uE70A',
    advance: 2200,
    path: [wave(60, MIDDLE, 880, 0, 1, 26), lozenge(1100, MIDDLE, 92, 130), wave(1260, MIDDLE, 880, 0, 1, 26)].join(''),
  },
];
