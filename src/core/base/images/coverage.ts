// How much of each pixel shapes cover, to a 255th: for drawings of one ink. By signed areas that are summed along each row.

/** A shape is drawn by lines and curves; what goes one way round covers, what goes the other way inside it is a hole. */
export class Coverage {
  private readonly areas: Float32Array;
  private x = 0;
  private y = 0;
  private startX = 0;
  private startY = 0;

  /** Pixels. What lies outside is cut off. */
  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    // Two more: what is right of the last pixel of the last row falls there.
    this.areas = new Float32Array(width * height + 2);
  }

  move(x: number, y: number): void {
    this.close();
    [this.x, this.y, this.startX, this.startY] = [x, y, x, y];
  }

  line(x: number, y: number): void {
    this.edge(this.x, this.y, x, y);
    [this.x, this.y] = [x, y];
  }

  curve(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void {
    const [x0, y0] = [this.x, this.y];
    const parts = Math.max(4, Math.ceil(Math.sqrt(Math.abs(x - x0) + Math.abs(y - y0)) * 1.5));
    for (let k = 1; k <= parts; k += 1) {
      const t = k / parts;
      const u = 1 - t;
      const [a, b, c, d] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
      this.line(a * x0 + b * x1 + c * x2 + d * x, a * y0 + b * y1 + c * y2 + d * y);
    }
  }

  close(): void {
    if (this.x !== this.startX || this.y !== this.startY) this.line(this.startX, this.startY);
  }

  rectangle(left: number, top: number, width: number, height: number): void {
    this.move(left, top);
    this.line(left + width, top);
    this.line(left + width, top + height);
    this.line(left, top + height);
    this.close();
  }

  /** The same turned the other way: a hole in what is around it. */
  hole(left: number, top: number, width: number, height: number): void {
    this.move(left, top);
    this.line(left, top + height);
    this.line(left + width, top + height);
    this.line(left + width, top);
    this.close();
  }

  /** One byte for each pixel, row by row. */
  pixels(): Uint8Array {
    const { width, height, areas } = this;
    const out = new Uint8Array(width * height);
    for (let row = 0; row < height; row += 1) {
      let sum = 0;
      for (let at = row * width, end = at + width; at < end; at += 1) {
        sum += areas[at];
        out[at] = Math.min(255, Math.round(Math.abs(sum) * 255));
      }
    }
    return out;
  }

  /** Adds the area at the right of an edge, row by row, to the pixels that it goes through. */
  private edge(x0: number, y0: number, x1: number, y1: number): void {
    if (y0 === y1) return;
    const direction = y0 < y1 ? 1 : -1;
    const [topX, topY, bottomX, bottomY] = direction > 0 ? [x0, y0, x1, y1] : [x1, y1, x0, y0];
    const slope = (bottomX - topX) / (bottomY - topY);
    const last = Math.min(this.height, Math.ceil(bottomY));
    for (let row = Math.max(0, Math.floor(topY)); row < last; row += 1) {
      const from = Math.max(row, topY);
      const to = Math.min(row + 1, bottomY);
      if (to <= from) continue;
      this.row(row, topX + (from - topY) * slope, topX + (to - topY) * slope, direction * (to - from));
    }
  }

  /** `area`: signed, of a row that the edge crosses from `a` to `b`. */
  private row(row: number, a: number, b: number, area: number): void {
    const { width, areas } = this;
    const clamp = (x: number) => Math.max(0, Math.min(width - 1e-6, x));
    const [left, right] = a < b ? [clamp(a), clamp(b)] : [clamp(b), clamp(a)];
    const start = row * width;
    const first = Math.floor(left);
    const end = Math.ceil(right);
    if (end <= first + 1) {
      const middle = (left + right) / 2 - first;
      areas[start + first] += area * (1 - middle);
      if (first + 1 < width) areas[start + first + 1] += area * middle;
      return;
    }
    // Share of the area in each pixel that the edge crosses.
    const step = area / (right - left);
    let given = 0;
    let covered = 0;
    for (let x = first; x < end; x += 1) {
      const [from, to] = [Math.max(left, x), Math.min(right, x + 1)];
      // Right of the edge inside the pixel, and all of what crossed before it.
      const inside = (to - from) * (x + 1 - (from + to) / 2);
      const reached = step * inside + given;
      areas[start + x] += reached - covered;
      covered = reached;
      given += step * (to - from);
    }
    if (end < width) areas[start + end] += area - covered;
  }
}
