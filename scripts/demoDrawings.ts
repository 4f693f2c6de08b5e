// The drawings of the demonstration books, as SVG: plants, walls, tides and two maps, drawn here. No two builds differ: what looks like chance comes
// from a seeded row of numbers.

const INK = '#22302b';
const SOFT = '#7d8a80';
const WATER = '#c9d6d6';
const SAND = '#e6dfcd';
const MOSS = '#6f8a5c';

const r = (value: number) => Math.round(value * 10) / 10;

/** Numbers from 0 to 1 that look like chance (Park and Miller 1988). */
function chance(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

const svg = (width: number, height: number, inner: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${inner}</svg>`;

const path = (d: string, said: string) => `<path d="${d}" ${said}/>`;
const line = (width: number, colour = INK) =>
  `fill="none" stroke="${colour}" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round"`;
const words = (x: number, y: number, size: number, said: string, more = '') =>
  `<text x="${r(x)}" y="${r(y)}" font-family="${more.includes('Garamond') ? 'EB Garamond' : 'Source Sans 3'}" font-size="${size}" fill="${INK}" ${more.replace('Garamond', '')}>${said}</text>`;

/** A smooth line through points: quadratic curves between their middles. */
function through(points: readonly (readonly [number, number])[]): string {
  const [first] = points;
  let d = `M${r(first[0])} ${r(first[1])}`;
  for (let k = 1; k < points.length - 1; k += 1) {
    const [x, y] = points[k];
    const [nx, ny] = points[k + 1];
    d += ` Q${r(x)} ${r(y)} ${r((x + nx) / 2)} ${r((y + ny) / 2)}`;
  }
  const [x, y] = points[points.length - 1];
  return `${d} L${r(x)} ${r(y)}`;
}

const ripple = (x: number, y: number, long: number, high = 3) =>
  path(
    through(Array.from({ length: 9 }, (_, k) => [x + (long * k) / 8, y + (k % 2 === 0 ? 0 : -high)] as const)),
    line(1, SOFT),
  );

/** The second post: it leans by four degrees, with its marks by the hand's breadth. */
function post(): string {
  const marks = Array.from({ length: 17 }, (_, k) => {
    const y = 46 + k * 19;
    const long = k % 4 === 0 ? 18 : 9;
    return path(`M88 ${y} h${long}`, line(k % 4 === 0 ? 1.8 : 1));
  });
  const numbers = [4, 3, 2, 1].map((said, k) => words(112, 50 + k * 76, 12, String(said)));
  return svg(
    160,
    430,
    [
      `<g transform="rotate(4 84 400)">`,
      path(
        'M66 26 L88 20 L88 412 L64 412 Z',
        `fill="#d8d2c2" stroke="${INK}" stroke-width="1.6" stroke-linejoin="round"`,
      ),
      path('M72 60 q4 60 -1 130 M80 150 q-3 90 2 180 M70 280 q4 50 0 110', line(0.8, SOFT)),
      ...marks,
      ...numbers,
      '</g>',
      path('M10 392 q34 -12 70 0 t70 0 V430 H10 Z', `fill="${WATER}"`),
      ...[396, 408, 419].map((y, k) => ripple(14 + k * 9, y, 118 - k * 8)),
    ].join(''),
  );
}

/** The ladder from the cottage door, eleven rungs, the third the widest. */
function ladder(): string {
  const rungs = Array.from({ length: 11 }, (_, k) => {
    const t = (k + 0.7) / 11.4;
    const [x, y] = [150 - t * 84, 24 + t * 250];
    const wide = k === 8 ? 34 : 24;
    return path(`M${r(x - wide / 2)} ${r(y)} h${wide}`, line(k === 8 ? 5 : 3));
  });
  return svg(
    220,
    300,
    [
      path('M220 22 H176 q-8 90 -30 150 q-16 56 -20 110 H220 Z', `fill="${SAND}" stroke="${INK}" stroke-width="1.4"`),
      path('M176 22 q10 -8 44 -8', line(1.4)),
      ...[60, 104, 150, 196, 240].map((y, k) =>
        path(`M${190 - k * 9} ${y} q10 6 24 2 M${200 - k * 7} ${y + 14} q8 4 14 1`, line(0.8, SOFT)),
      ),
      path('M140 14 L54 282 M164 18 L78 284', line(2.6)),
      ...rungs,
      path('M10 282 q40 -8 80 0 t130 0 V300 H10 Z', `fill="${WATER}"`),
      ripple(16, 290, 90),
      ripple(118, 292, 84),
    ].join(''),
  );
}

/** Two weeks of tides, and the moon over them. */
function moon(): string {
  const days = Array.from({ length: 9 }, (_, k) => k);
  const moons = days.map((k) => {
    const [x, y, big] = [44 + k * 66.5, 34, 17];
    // Of the half that turns to the light: from the limb to where it ends, which goes over from one side to the other.
    const age = k <= 4 ? k : 8 - k;
    const across = Math.cos((age / 4) * Math.PI) * (big - 1);
    const lit = `M0 ${1 - big} A${big - 1} ${big - 1} 0 0 1 0 ${big - 1} A${r(Math.abs(across))} ${big - 1} 0 0 ${across > 0 ? 0 : 1} 0 ${1 - big} Z`;
    return `<g transform="translate(${r(x)} ${y})${k > 4 ? ' scale(-1 1)' : ''}"><circle r="${big}" fill="${INK}"/>${age === 0 ? '' : path(lit, 'fill="#ffffff"')}</g>`;
  });
  const curve = Array.from({ length: 240 }, (_, k) => {
    const t = k / 239;
    const swell = 26 + 22 * Math.abs(Math.cos(t * Math.PI * 2));
    return [20 + t * 580, 132 - Math.sin(t * Math.PI * 36) * swell * 0.9] as const;
  });
  return svg(
    620,
    190,
    [
      ...moons,
      path('M20 132 H600', line(0.8, SOFT)),
      path(through(curve), line(1.3)),
      ...(['new', 'first quarter', 'full', 'last quarter', 'new'] as const).map((said, k) =>
        words(44 + k * 133, 68, 12, said, 'text-anchor="middle"'),
      ),
      words(20, 186, 12, 'springs'),
      words(178, 186, 12, 'neaps', 'text-anchor="middle"'),
      words(310, 186, 12, 'springs', 'text-anchor="middle"'),
      words(444, 186, 12, 'neaps', 'text-anchor="middle"'),
      words(600, 186, 12, 'springs', 'text-anchor="end"'),
    ].join(''),
  );
}

/** Courses of a wall: stones along it, or with their long sides across it. */
function wall(isUpper: boolean): string {
  const next = chance(isUpper ? 71 : 29);
  const stones: string[] = [];
  const courses = isUpper ? 4 : 6;
  const deep = 132 / courses;
  for (let row = 0; row < courses; row += 1) {
    let x = 14 + (row % 2) * (isUpper ? 12 : 24);
    while (x < 276) {
      const wide = Math.min((isUpper ? 20 : 40) + next() * (isUpper ? 14 : 34), 286 - x);
      const [y, tilt] = [56 + row * deep, (next() - 0.5) * 3];
      stones.push(
        path(
          `M${r(x + 2)} ${r(y + 4 + tilt)} q${r(wide / 2)} ${r(-5 - next() * 3)} ${r(wide - 5)} ${r(next() * 2)} q4 ${r(deep / 2)} 0 ${r(deep - 5)} q${r(-wide / 2)} ${r(3 + next() * 2)} ${r(-wide + 6)} 0 q-4 ${r(-deep / 2)} -1 ${r(-deep + 5)} Z`,
          `fill="${['#cfc8b8', '#bdb7a8', '#d9d3c4', '#aeb0a4'][Math.floor(next() * 4)]}" stroke="${INK}" stroke-width="1.1"`,
        ),
      );
      x += wide + 2;
    }
  }
  return svg(
    300,
    214,
    [
      ...stones,
      path('M6 190 q40 -6 90 0 t110 0 t88 0', line(1.4)),
      ...[198, 206].map((y, k) => ripple(20 + k * 30, y, 220 - k * 40, 2)),
      path('M290 58 V188 M285 58 h10 M285 188 h10', line(1, SOFT)),
      words(150, 30, 15, isUpper ? '38 cm' : '49 cm', 'text-anchor="middle"'),
    ].join(''),
  );
}

/** A rosette of sea kale from above. */
function kale(): string {
  const leaves: string[] = [];
  for (let ring = 0; ring < 3; ring += 1)
    for (let k = 0; k < 9; k += 1) {
      const angle = ((k + ring * 0.5) / 9) * 360;
      const long = 128 - ring * 36;
      const frill = Array.from({ length: 7 }, (_, n) => {
        const t = (n + 1) / 7;
        return `Q${r(long * (t - 0.1))} ${r(-34 + ring * 8 - (n % 2) * 9 + Math.abs(t - 0.6) * 34)} ${r(long * t)} ${r(-22 + ring * 6 + Math.abs(t - 0.55) * 36)}`;
      }).join(' ');
      const back = Array.from({ length: 7 }, (_, n) => {
        const t = 1 - (n + 1) / 7;
        return `Q${r(long * (t + 0.1))} ${r(34 - ring * 8 + (n % 2) * 9 - Math.abs(t - 0.6) * 34)} ${r(long * t)} ${r(22 - ring * 6 - Math.abs(t - 0.55) * 36)}`;
      }).join(' ');
      leaves.push(
        `<g transform="translate(180 150) rotate(${r(angle)})">${path(`M0 0 ${frill} ${back} Z`, `fill="${['#8fa57c', '#a3b690', '#bccaa9'][ring]}" stroke="${INK}" stroke-width="1" stroke-linejoin="round"`)}${path(`M6 0 L${r(long * 0.86)} 0`, line(1, '#e9efe0'))}</g>`,
      );
    }
  const next = chance(5);
  const shingle = Array.from({ length: 120 }, () => {
    const [x, y, size] = [next() * 360, next() * 300, 3 + next() * 7];
    return `<ellipse cx="${r(x)}" cy="${r(y)}" rx="${r(size)}" ry="${r(size * 0.7)}" fill="${['#d8d2c4', '#c8c3b6', '#e2dccd'][Math.floor(next() * 3)]}"/>`;
  });
  return svg(360, 300, [`<rect width="360" height="300" fill="#b9b4a7"/>`, ...shingle, ...leaves].join(''));
}

/** Sea aster: a stem with three flowers. */
function aster(): string {
  const flower = (cx: number, cy: number, big: number) => {
    const petals = Array.from({ length: 17 }, (_, k) =>
      path(
        `M0 ${r(-big * 0.28)} q${r(big * 0.13)} ${r(-big * 0.4)} 0 ${r(-big * 0.74)} q${r(-big * 0.13)} ${r(big * 0.34)} 0 ${r(big * 0.74)} Z`,
        `transform="rotate(${r((k * 360) / 17)})" fill="#b6a7c9" stroke="${INK}" stroke-width="0.8"`,
      ),
    );
    return `<g transform="translate(${cx} ${cy})">${petals.join('')}<circle r="${r(big * 0.3)}" fill="#cda94c" stroke="${INK}" stroke-width="0.9"/></g>`;
  };
  const leaf = (x: number, y: number, turn: number, long: number) =>
    path(
      `M0 0 q${r(long * 0.5)} ${r(-long * 0.17)} ${long} 0 q${r(-long * 0.5)} ${r(long * 0.17)} ${-long} 0 Z`,
      `transform="translate(${x} ${y}) rotate(${turn})" fill="${MOSS}" stroke="${INK}" stroke-width="0.9"`,
    );
  return svg(
    230,
    360,
    [
      path(
        'M112 356 C112 280 118 220 116 88 M114 232 C90 200 74 178 62 150 M116 196 C140 172 156 152 168 132',
        line(2.4, '#566b49'),
      ),
      leaf(113, 318, -34, 82),
      leaf(112, 296, 208, 84),
      leaf(114, 256, -24, 66),
      leaf(113, 262, 196, 58),
      flower(116, 66, 62),
      flower(58, 132, 44),
      flower(174, 116, 42),
    ].join(''),
  );
}

/** The three beds of the trial, from above, with their scale. */
function beds(): string {
  const next = chance(11);
  const bed = (y: number, said: string, fill: string) => {
    const dots = Array.from(
      { length: 46 },
      () => `<circle cx="${r(90 + next() * 470)}" cy="${r(y + 7 + next() * 36)}" r="1.5" fill="${INK}"/>`,
    );
    return `<rect x="80" y="${y}" width="490" height="50" fill="${fill}" stroke="${INK}" stroke-width="1.2"/>${dots.join('')}${words(72, y + 29, 13, said, 'text-anchor="end"')}`;
  };
  return svg(
    600,
    240,
    [
      bed(14, 'Weed', '#dfe5d6'),
      bed(84, 'Manure', '#ddd3c0'),
      bed(154, 'Silt', '#ececE6'),
      path('M80 222 H178 M80 217 v10 M178 217 v10', line(1)),
      words(186, 226, 12, 'two paces'),
    ].join(''),
  );
}

/** What came off the beds, by year. */
function trial(): string {
  const rows = [
    ['Weed', [11.4, 14.0, 13.2]],
    ['Manure', [12.1, 6.3, 2.9]],
    ['Silt alone', [4.0, 4.4, 4.1]],
  ] as const;
  const fills = ['#4f6152', '#8d9c88', '#c9d1c2'];
  const parts = [0, 5, 10, 15].flatMap((kg) => {
    const y = 190 - kg * 11;
    return [
      path(`M60 ${y} H560`, line(kg === 0 ? 1.2 : 0.6, kg === 0 ? INK : SOFT)),
      words(52, y + 4, 12, `${kg} kg`, 'text-anchor="end"'),
    ];
  });
  rows.forEach(([said, weights], k) => {
    const x = 92 + k * 162;
    weights.forEach((weight, year) =>
      parts.push(
        `<rect x="${x + year * 38}" y="${r(190 - weight * 11)}" width="32" height="${r(weight * 11)}" fill="${fills[year]}"/>`,
        words(x + year * 38 + 16, 190 - weight * 11 - 5, 11, weight.toFixed(1), 'text-anchor="middle"'),
      ),
    );
    parts.push(words(x + 54, 210, 13, said, 'text-anchor="middle"'));
  });
  return svg(600, 222, parts.join(''));
}

/** The lower plots and their walls, at half tide. */
function plots(): string {
  const shore = [
    [0, 150],
    [70, 138],
    [150, 166],
    [230, 140],
    [320, 158],
    [400, 132],
    [480, 146],
  ] as const;
  const plot = (d: string, said: string, x: number, y: number) =>
    path(d, `fill="#eef0e4" stroke="${INK}" stroke-width="1.6" stroke-linejoin="round"`) +
    words(x, y, 15, said, 'text-anchor="middle" font-style="italic"');
  return svg(
    480,
    640,
    [
      `<rect width="480" height="640" fill="${WATER}"/>`,
      path(`${through(shore)} V0 H0 Z`, `fill="${SAND}" stroke="${INK}" stroke-width="1.4"`),
      ...[0, 1, 2, 3, 4, 5].map((k) =>
        path(
          through(shore.map(([x, y]) => [x, y + 250 + k * 62 + Math.sin(x / 60 + k) * 9] as const)),
          line(0.7, '#8fa3a3'),
        ),
      ),
      plot('M40 176 L150 190 L144 290 L34 282 Z', 'first plot', 92, 240),
      plot('M164 190 L286 176 L292 300 L158 292 Z', 'second plot', 226, 244),
      plot('M302 174 L436 160 L440 288 L306 300 Z', 'upper plots', 372, 236),
      plot('M60 306 L214 312 L210 396 L66 388 Z', 'lower wall', 138, 356),
      `<circle cx="232" cy="330" r="4" fill="${INK}"/>${words(242, 334, 14, 'second post')}`,
      path('M236 60 L240 172', line(3, '#a89f8b')),
      ...[70, 90, 110, 130, 150].map((y) => path(`M232 ${y} h14`, line(1.2))),
      `<rect x="206" y="22" width="56" height="40" fill="#ffffff" stroke="${INK}" stroke-width="1.4"/>`,
      path('M200 24 L234 4 L268 24', line(1.6)),
      words(286, 46, 15, 'the cottage'),
      words(24, 110, 15, 'the Landing'),
      path('M16 118 H110 V136', line(2.2)),
      words(240, 560, 22, 'the sound', 'text-anchor="middle" font-style="italic" letter-spacing="6"'),
      path('M420 590 V520 M420 520 l-8 18 M420 520 l8 18', line(1.4)),
      words(420, 610, 14, 'N', 'text-anchor="middle"'),
      path('M40 610 H150 M40 604 v12 M150 604 v12', line(1.1)),
      words(160, 615, 13, 'ten paces'),
    ].join(''),
  );
}

/** The tool-house door, with the writing on its inside. */
function door(): string {
  const boards = Array.from({ length: 6 }, (_, k) => path(`M${30 + k * 34} 12 V308`, line(1, SOFT)));
  const lines = Array.from({ length: 9 }, (_, k) => {
    const long = [150, 138, 154, 120, 148, 142, 96, 0, 74][k];
    return long === 0
      ? ''
      : path(
          through(
            Array.from(
              { length: 24 },
              (_, n) => [46 + (long * n) / 23, 74 + k * 17 + (n % 2) * 5 * Math.abs(Math.sin(n * (k + 2)))] as const,
            ),
          ),
          line(1.1),
        );
  });
  return svg(
    234,
    320,
    [
      `<rect width="234" height="320" fill="#d6cdb8"/>`,
      ...boards,
      path('M14 40 H220 M14 270 H220', line(7, '#a99e85')),
      path('M14 270 L220 40', line(6, '#b5aa92')),
      `<rect x="36" y="58" width="168" height="170" fill="#efe9da" fill-opacity="0.82"/>`,
      ...lines,
      `<circle cx="212" cy="160" r="5" fill="${INK}"/>`,
      path('M14 32 h-8 M14 278 h-8', line(4)),
    ].join(''),
  );
}

/** The river between Saltmarket and the sea, as the ferries know it; over two pages. */
function river(): string {
  const spine = (k: number) => {
    const t = k / 60;
    return [-20 + t * 1080, 330 - 150 * Math.sin(t * 5.2 + 0.4) * (1 - t * 0.45) - t * 40] as const;
  };
  const wide = (k: number) => 12 + (k / 60) ** 2.2 * 120;
  const bank = (side: 1 | -1) =>
    Array.from({ length: 61 }, (_, k) => {
      const [x, y] = spine(k);
      const [x1, y1] = spine(Math.min(60, k + 1));
      const [x0, y0] = spine(Math.max(0, k - 1));
      const far = Math.hypot(x1 - x0, y1 - y0) || 1;
      const out = (side * wide(k)) / 2 + Math.sin(k * 1.7 + side) * 2.5;
      return [x - ((y1 - y0) / far) * out, y + ((x1 - x0) / far) * out] as const;
    });
  const upper = bank(-1);
  const lower = bank(1);
  const water = `${through(upper)} L${lower
    .toReversed()
    .map(([x, y]) => `${r(x)} ${r(y)}`)
    .join(' L')} Z`;
  const place = (k: number, side: 1 | -1, said: string, dx = 0, dy = 0) => {
    const [x, y] = (side > 0 ? lower : upper)[k];
    return `<circle cx="${r(x)}" cy="${r(y)}" r="4.4" fill="#ffffff" stroke="${INK}" stroke-width="1.6"/>${words(x + dx, y + dy, 16, said, `text-anchor="middle" Garamond`)}`;
  };
  const next = chance(3);
  /** Where names stand, that no reed is in them. */
  const labels = (
    [
      [upper[11], -26, -24],
      [lower[21], -72, 26],
      [upper[36], 46, -18],
      [lower[36], -58, 26],
      [lower[46], -26, 26],
    ] as const
  ).map(([[x, y], dx, dy]) => [x + dx, y + dy] as const);
  const reeds = Array.from({ length: 90 }, () => {
    const k = Math.floor(next() * 52);
    const side = next() > 0.5 ? upper : lower;
    const out = side === upper ? -1 : 1;
    const [x, y] = side[k];
    const [px, py] = [x + (next() - 0.5) * 30, y + out * (12 + next() * 60)];
    if (labels.some(([lx, ly]) => Math.abs(px - lx) < 74 && Math.abs(py - ly) < 20)) return '';
    return path(`M${r(px)} ${r(py)} v-7 M${r(px - 4)} ${r(py)} l-2 -5 M${r(px + 4)} ${r(py)} l2 -5`, line(0.8, SOFT));
  });
  const crossing = (k: number) => {
    const [[x0, y0], [x1, y1]] = [upper[k], lower[k]];
    return path(`M${r(x0)} ${r(y0)} L${r(x1)} ${r(y1)}`, `${line(1.2)} stroke-dasharray="4 3"`);
  };
  return svg(
    1000,
    600,
    [
      `<rect width="1000" height="600" fill="#f6f3ea"/>`,
      '<clipPath id="sheet"><path d="M14 14 H986 V586 H14 Z"/></clipPath><g clip-path="url(#sheet)">',
      ...reeds,
      path(water, `fill="${WATER}" stroke="${INK}" stroke-width="1.6" stroke-linejoin="round"`),
      ...[0.3, 0.5, 0.7].map((share) =>
        path(
          through(upper.map(([x, y], k) => [x + (lower[k][0] - x) * share, y + (lower[k][1] - y) * share] as const)),
          line(0.6, '#8fa3a3'),
        ),
      ),
      '</g>',
      ...[11, 21, 36, 46].map(crossing),
      place(11, -1, 'The Weir House', -26, -20),
      place(21, 1, 'Ninepenny Landing', -72, 30),
      place(36, -1, 'Saltmarket', 46, -14),
      place(36, 1, 'The Chain Ferry', -58, 30),
      place(46, 1, 'The Turn', -26, 30),
      words(
        spine(54)[0] - 30,
        spine(54)[1] + 6,
        22,
        'the sea',
        'text-anchor="middle" Garamond font-style="italic" letter-spacing="5"',
      ),
      words(60, 556, 26, 'The River of the Register', 'Garamond letter-spacing="1"'),
      path('M60 568 H330', line(0.8)),
      path('M930 520 V440 M930 440 l-9 20 M930 440 l9 20 M912 484 h36', line(1.3)),
      words(930, 546, 16, 'N', 'text-anchor="middle" Garamond'),
      `<rect x="8" y="8" width="984" height="584" fill="none" stroke="${INK}" stroke-width="1.4"/><rect x="14" y="14" width="972" height="572" fill="none" stroke="${INK}" stroke-width="0.6"/>`,
    ].join(''),
  );
}

/** By the names of their files. */
export const DEMO_DRAWINGS: Readonly<Record<string, () => string>> = {
  'post.svg': post,
  'ladder.svg': ladder,
  'moon.svg': moon,
  'lower-wall.svg': () => wall(false),
  'upper-wall.svg': () => wall(true),
  'kale.svg': kale,
  'aster.svg': aster,
  'beds.svg': beds,
  'trial.svg': trial,
  'plots.svg': plots,
  'door.svg': door,
  'river.svg': river,
};
