// Drawings as paths in a PDF: form XObjects (ISO 32000-1, 8.10) of the unit square, groups that show through as transparency groups (11.6.6).
import {
  SAME,
  type Drawing,
  type DrawnGroup,
  type DrawnPath,
  type Matrix,
  type Paint,
  type PathStep,
} from '../../base/images/drawing';
import { ByteWriter } from './byteWriter';
import { pdfArray, pdfDictionary, pdfName, pdfNumber, type PdfFile, type PdfValue } from './objects';

/** The operands of a colour and what sets it, for fills and for strokes. */
export type ColourOf = (colour: Paint['colour']) => {
  readonly operands: string;
  readonly fill: string;
  readonly stroke: string;
};

/** Decimals of what is written inside drawings: they are in units of their own. */
const FINE = 4;

/** Adds a drawing; its form fills the unit square. */
export function addDrawing(file: PdfFile, { width, height, root }: Drawing, colourOf: ColourOf): PdfValue {
  const form = new FormContent(file, colourOf);
  form.group(root);
  return form.add([0, 0, width, height], [1 / width, 0, 0, -1 / height, 0, 1]);
}

class FormContent {
  private readonly out = new ByteWriter();
  private readonly states = new Map<string, PdfValue>();
  private readonly forms = new Map<string, PdfValue>();

  constructor(
    private readonly file: PdfFile,
    private readonly colourOf: ColourOf,
  ) {}

  group({ matrix, clip, children }: DrawnGroup): void {
    this.out.text('q ');
    this.matrix(matrix);
    if (clip !== null) {
      // A clip path has a space of its own; what it clips goes on in that of the group.
      this.steps(clip.steps.map((step) => moved(step, clip.matrix)));
      this.out.text(clip.evenOdd ? 'W* n ' : 'W n ');
    }
    for (const child of children)
      if (child.kind === 'path') this.path(child);
      else if (child.opacity >= 1) this.group(child);
      else this.sheer(child);
    this.out.text('Q\n');
  }

  /** A group that shows through as a whole: painted by itself first. */
  private sheer(group: DrawnGroup): void {
    const inner = new FormContent(this.file, this.colourOf);
    inner.group(group);
    const name = `F${this.forms.size + 1}`;
    const edge = 1e6;
    this.forms.set(name, inner.add([-edge, -edge, edge, edge], SAME, true));
    this.out.text('q ');
    this.opacity(group.opacity, group.opacity);
    this.out.text(`${pdfName(name)} Do Q\n`);
  }

  private path({ matrix, steps, evenOdd, fill, stroke, strokeFirst }: DrawnPath): void {
    if (fill === null && stroke === null) return;
    this.out.text('q ');
    this.matrix(matrix);
    if (stroke !== null) {
      const { operands, stroke: operator } = this.colourOf(stroke.colour);
      this.out.text(`${operands} ${operator} `).number(stroke.width, FINE).text(' w ');
      this.out.text(`${stroke.cap} J ${stroke.join} j ${pdfNumber(Math.max(1, stroke.mitreLimit))} M `);
      if (stroke.dashes.length > 0)
        this.out.text(
          `${pdfArray(stroke.dashes.map((dash) => pdfNumber(dash, FINE)))} ${pdfNumber(stroke.dashOffset, FINE)} d `,
        );
    }
    if (fill !== null) {
      const { operands, fill: operator } = this.colourOf(fill.colour);
      this.out.text(`${operands} ${operator} `);
    }
    const fills = evenOdd ? 'f*' : 'f';
    const isSolid = (fill?.opacity ?? 1) >= 1 && (stroke?.opacity ?? 1) >= 1;
    if (!isSolid) this.opacity(fill?.opacity ?? 1, stroke?.opacity ?? 1);
    if (fill === null || stroke === null || (isSolid && !strokeFirst)) {
      this.steps(steps);
      this.out.text(fill === null ? 'S ' : stroke === null ? `${fills} ` : evenOdd ? 'B* ' : 'B ');
    } else
      for (const operator of strokeFirst ? ['S', fills] : [fills, 'S']) {
        this.steps(steps);
        this.out.text(`${operator} `);
      }
    this.out.text('Q\n');
  }

  private matrix(matrix: Matrix): void {
    if (matrix.every((value, k) => value === SAME[k])) return;
    for (const value of matrix) this.out.text(`${pdfNumber(value, 6)} `);
    this.out.text('cm ');
  }

  private steps(steps: readonly PathStep[]): void {
    let [x, y] = [0, 0];
    for (const { to, points } of steps) {
      let put = points;
      if (to === 'Q') {
        // A quadratic curve as a cubic one.
        const [cx, cy, ex, ey] = points;
        const toward = (from: number, control: number) => from + ((control - from) * 2) / 3;
        put = [toward(x, cx), toward(y, cy), toward(ex, cx), toward(ey, cy), ex, ey];
      }
      for (const value of put) this.out.number(value, FINE).space();
      this.out.text(OPERATORS[to]);
      if (points.length > 0) [x, y] = points.slice(-2);
    }
  }

  private opacity(fill: number, stroke: number): void {
    const value = pdfDictionary({ Type: '/ExtGState', ca: pdfNumber(fill), CA: pdfNumber(stroke) });
    const known = [...this.states].find(([, state]) => state === value)?.[0];
    const name = known ?? `G${this.states.size + 1}`;
    this.states.set(name, value);
    this.out.text(`${pdfName(name)} gs `);
  }

  /** The form; `matrix`: from the space of its content to that in which it is painted. */
  add(box: readonly number[], matrix: Matrix, isGroup = false): PdfValue {
    const resources = pdfDictionary({
      ExtGState: this.states.size === 0 ? undefined : pdfDictionary(Object.fromEntries(this.states)),
      XObject: this.forms.size === 0 ? undefined : pdfDictionary(Object.fromEntries(this.forms)),
    });
    return this.file.addStream(this.out.take(), {
      Type: '/XObject',
      Subtype: '/Form',
      BBox: pdfArray(box.map((value) => pdfNumber(value, FINE))),
      Matrix: pdfArray(matrix.map((value) => pdfNumber(value, 8))),
      Resources: resources,
      ...(isGroup ? { Group: pdfDictionary({ S: '/Transparency', I: 'true' }) } : {}),
    });
  }
}

const OPERATORS: Readonly<Record<PathStep['to'], string>> = { M: 'm ', L: 'l ', Q: 'c ', C: 'c ', Z: 'h ' };

function moved({ to, points }: PathStep, [a, b, c, d, e, f]: Matrix): PathStep {
  const made: number[] = [];
  for (let k = 0; k < points.length; k += 2)
    made.push(a * points[k] + c * points[k + 1] + e, b * points[k] + d * points[k + 1] + f);
  return { to, points: made };
}
