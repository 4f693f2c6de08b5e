// A drawing as paths in flat colours, from SVG that was simplified: every shape a path of absolute moves, lines and curves, no references but to
// clip paths. What needs more (gradients, patterns, masks, filters, pictures) is drawn as pixels.
import { SaxesParser } from 'saxes';

/** From the space of an element to that of the one it is in: x' = a x + c y + e, y' = b x + d y + f. */
export type Matrix = readonly [number, number, number, number, number, number];

/** One step of a path: `M` and `L` with a point, `Q` with two, `C` with three, `Z` with none; x and y of each, y downwards. */
export interface PathStep {
  readonly to: 'M' | 'L' | 'Q' | 'C' | 'Z';
  readonly points: readonly number[];
}

/** Red, green and blue from 0 to 255; opacity from 0 to 1. */
export interface Paint {
  readonly colour: readonly [number, number, number];
  readonly opacity: number;
}

export interface Stroke extends Paint {
  readonly width: number;
  /** 0 butt, 1 round, 2 square; 0 mitre, 1 round, 2 bevel. */
  readonly cap: 0 | 1 | 2;
  readonly join: 0 | 1 | 2;
  readonly mitreLimit: number;
  readonly dashes: readonly number[];
  readonly dashOffset: number;
}

export interface DrawnPath {
  readonly kind: 'path';
  readonly matrix: Matrix;
  readonly steps: readonly PathStep[];
  readonly evenOdd: boolean;
  readonly fill: Paint | null;
  readonly stroke: Stroke | null;
  readonly strokeFirst: boolean;
}

export interface DrawnGroup {
  readonly kind: 'group';
  readonly matrix: Matrix;
  readonly opacity: number;
  readonly clip: Pick<DrawnPath, 'matrix' | 'steps' | 'evenOdd'> | null;
  readonly children: readonly (DrawnPath | DrawnGroup)[];
}

/** Width and height of the picture in units of its own; `root` in those. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly root: DrawnGroup;
}

export const SAME: Matrix = [1, 0, 0, 1, 0, 0];

interface Element {
  readonly name: string;
  readonly said: Readonly<Record<string, string>>;
  readonly children: Element[];
}

/** Thrown inside this file for what no paths can show. */
class NotPaths extends Error {}

/** The drawing; null where it is not one of paths alone. `size`: width and height at which it is seen. */
export function drawingOf(
  simplified: string,
  size: { readonly width: number; readonly height: number },
): Drawing | null {
  try {
    const root = elementOf(simplified);
    if (root?.name !== 'svg') return null;
    const clips = new Map<string, Element>();
    for (const { name, children } of root.children)
      if (name === 'defs')
        for (const child of children) if (child.name === 'clipPath') clips.set(child.said.id ?? '', child);
    const children = nodesOf(root, clips);
    const { width, height } = size;
    return {
      ...{ width, height },
      root: { kind: 'group', matrix: fitted(root.said.viewBox, size), opacity: 1, clip: null, children },
    };
  } catch (error) {
    if (error instanceof NotPaths) return null;
    throw error;
  }
}

function elementOf(text: string): Element | null {
  const parser = new SaxesParser();
  const open: Element[] = [];
  let root: Element | null = null;
  let isWrong = false;
  parser.on('error', () => {
    isWrong = true;
  });
  parser.on('opentag', ({ name, attributes }) => {
    const element = { name, said: attributes as Record<string, string>, children: [] };
    open[open.length - 1]?.children.push(element);
    root ??= element;
    open.push(element);
  });
  parser.on('closetag', () => {
    open.pop();
  });
  parser.write(text).close();
  return isWrong ? null : root;
}

/** The box of the view in the middle of the picture, as large as it fits (SVG 1.1, 7.8, xMidYMid meet). */
function fitted(
  box: string | undefined,
  { width, height }: { readonly width: number; readonly height: number },
): Matrix {
  const [x, y, across, deep] = numbers(box ?? `0 0 ${width} ${height}`);
  if (!(across > 0 && deep > 0)) throw new NotPaths();
  const scale = Math.min(width / across, height / deep);
  return [scale, 0, 0, scale, (width - across * scale) / 2 - x * scale, (height - deep * scale) / 2 - y * scale];
}

const numbers = (text: string): number[] => (text.match(/[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi) ?? []).map(Number);

const nodesOf = (of: Element, clips: ReadonlyMap<string, Element>): (DrawnPath | DrawnGroup)[] =>
  of.children.filter(({ name }) => name !== 'defs').map((child) => nodeOf(child, clips));

/** Attributes that paths cannot show. */
const MORE = ['mask', 'filter', 'mix-blend-mode', 'isolation', 'style'];

function nodeOf(element: Element, clips: ReadonlyMap<string, Element>): DrawnPath | DrawnGroup {
  const { name, said } = element;
  if (MORE.some((key) => key in said)) throw new NotPaths();
  if (name === 'path') return pathOf(element);
  if (name !== 'g') throw new NotPaths();
  const reference = /^url\(#(.*)\)$/.exec(said['clip-path'] ?? '')?.[1];
  return {
    kind: 'group',
    matrix: matrixOf(said.transform),
    opacity: numberOf(said.opacity, 1),
    clip: reference === undefined ? null : clipOf(clips.get(reference)),
    children: nodesOf(element, clips),
  };
}

/** A clip path of one path. */
function clipOf(element: Element | undefined): DrawnGroup['clip'] {
  const [path] = element?.children ?? [];
  const isPlain = element?.children.length === 1 && path.name === 'path' && !('clip-path' in element.said);
  if (!isPlain || (element.said.clipPathUnits ?? 'userSpaceOnUse') !== 'userSpaceOnUse') throw new NotPaths();
  const { matrix, steps } = pathOf(path);
  return {
    matrix: times(matrix, matrixOf(element.said.transform)),
    steps,
    evenOdd: path.said['clip-rule'] === 'evenodd',
  };
}

function pathOf({ said }: Element): DrawnPath {
  return {
    kind: 'path',
    matrix: matrixOf(said.transform),
    steps: stepsOf(said.d ?? ''),
    evenOdd: said['fill-rule'] === 'evenodd',
    fill: paintOf(said.fill ?? '#000000', said['fill-opacity']),
    stroke: strokeOf(said),
    strokeFirst: (said['paint-order'] ?? '').startsWith('stroke'),
  };
}

function paintOf(colour: string, opacity: string | undefined): Paint | null {
  if (colour === 'none') return null;
  const hex = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(colour);
  if (hex === null) throw new NotPaths();
  const [r, g, b] = hex.slice(1).map((part) => parseInt(part, 16));
  return { colour: [r, g, b], opacity: numberOf(opacity, 1) };
}

const CAPS: Readonly<Record<string, Stroke['cap']>> = { butt: 0, round: 1, square: 2 };
const JOINS: Readonly<Record<string, Stroke['join']>> = { miter: 0, 'miter-clip': 0, round: 1, bevel: 2 };

function strokeOf(said: Element['said']): Stroke | null {
  const paint = paintOf(said.stroke ?? 'none', said['stroke-opacity']);
  if (paint === null) return null;
  const dashes = said['stroke-dasharray'] ?? 'none';
  return {
    ...paint,
    width: numberOf(said['stroke-width'], 1),
    cap: CAPS[said['stroke-linecap'] ?? 'butt'] ?? 0,
    join: JOINS[said['stroke-linejoin'] ?? 'miter'] ?? 0,
    mitreLimit: numberOf(said['stroke-miterlimit'], 4),
    dashes: dashes === 'none' ? [] : numbers(dashes),
    dashOffset: numberOf(said['stroke-dashoffset'], 0),
  };
}

function numberOf(text: string | undefined, usual: number): number {
  const value = text === undefined ? usual : Number(text);
  if (!Number.isFinite(value)) throw new NotPaths();
  return value;
}

function matrixOf(text: string | undefined): Matrix {
  if (text === undefined) return SAME;
  const values = /^matrix\(/.test(text) ? numbers(text) : [];
  if (values.length !== 6) throw new NotPaths();
  return values as unknown as Matrix;
}

/** First the one, then the other. */
export function times([a, b, c, d, e, f]: Matrix, [p, q, r, s, t, u]: Matrix): Matrix {
  return [a * p + b * r, a * q + b * s, c * p + d * r, c * q + d * s, e * p + f * r + t, e * q + f * s + u];
}

const POINTS: Readonly<Record<PathStep['to'], number>> = { M: 1, L: 1, Q: 2, C: 3, Z: 0 };

function stepsOf(d: string): PathStep[] {
  return [...d.matchAll(/([A-Za-z])([^A-Za-z]*(?:e[-+]?\d[^A-Za-z]*)*)/g)].map(([, letter, rest]) => {
    const to = letter as PathStep['to'];
    const points = numbers(rest);
    if (!(letter in POINTS) || points.length !== POINTS[to] * 2) throw new NotPaths();
    return { to, points };
  });
}
