// The cover of an ebook that has no picture for it: title and names in the faces of the title page, in one ink on a ground.
import { Coverage } from '../../base/images/coverage';
import { indexedPng } from '../../base/images/indexedPng';
import { directionOfLanguage } from '../../copy/direction';
import type { FaceLibrary } from '../../fonts/faceLibrary';
import type { HarfBuzzFont } from '../../fonts/harfbuzz';
import { namesOf, type Particulars } from '../../model/copy/book';
import { maybeFace } from '../../model/spec/faces';
import type { ResolvedStyle } from '../../model/composed/styled';

/** Pixels: 5 to 8, as shops ask for. */
export const COVER = { width: 1200, height: 1920 };

/** Red, green, blue. */
const GROUND = [0xf2, 0xed, 0xe2];
const INK = [0x2c, 0x27, 0x21];
/** From the edge to the frame, and from the frame to the words. */
const [FRAME, INSET] = [64, 96];
const MEASURE = COVER.width - 2 * (FRAME + INSET);

interface Setting {
  readonly font: HarfBuzzFont;
  readonly features: string;
  readonly language: string;
  readonly isRtl: boolean;
}

/** Words that stand together: set as large as they fit, within sizes. */
interface Group {
  readonly text: string;
  /** Styles whose face sets it, the first that has one. */
  readonly styles: readonly string[];
  readonly largest: number;
  readonly least: number;
  readonly mostLines: number;
}

/** A PNG. Without a face that can be had the words are left out. */
export function drawnCover(
  particulars: Particulars,
  styles: ReadonlyMap<string, ResolvedStyle>,
  library: FaceLibrary,
  isGrey: boolean,
): Uint8Array {
  const { width, height } = COVER;
  const shapes = new Coverage(width, height);
  const pen = new CoverPen(particulars, styles, library, shapes);
  const title = pen.set({ text: particulars.title, styles: ['BT', 'TX'], largest: 170, least: 56, mostLines: 6 });
  const subtitle = pen.set({ text: particulars.subtitle, styles: ['BS', 'TX'], largest: 60, least: 34, mostLines: 4 });
  const author = pen.set({
    ...{ text: namesOf(particulars, 'author'), styles: ['BA', 'TX'] },
    ...{ largest: 72, least: 38, mostLines: 4 },
  });
  const publisher = pen.set({
    text: particulars.publisher,
    styles: ['BP', 'TX'],
    largest: 40,
    least: 28,
    mostLines: 2,
  });
  const top = Math.max(FRAME + INSET, height * 0.36 - title.height / 2);
  const rule = top + title.height + (subtitle.height > 0 ? 56 + subtitle.height : 0) + 76;
  for (const [inset, weight] of FRAMES) {
    shapes.rectangle(inset, inset, width - 2 * inset, height - 2 * inset);
    const inner = inset + weight;
    shapes.hole(inner, inner, width - 2 * inner, height - 2 * inner);
  }
  shapes.rectangle(width / 2 - 70, rule, 140, 3);
  title.drawAt(top);
  subtitle.drawAt(top + title.height + 56);
  author.drawAt(rule + 76);
  publisher.drawAt(height - FRAME - INSET - publisher.height);
  return indexedPng(shapes.pixels(), COVER, paletteOf(isGrey));
}

/** From the edge, and how heavy. */
const FRAMES = [
  [FRAME, 5],
  [FRAME + 14, 1.5],
] as const;

/** From the ground to the ink by how much of it there is. */
function paletteOf(isGrey: boolean): Uint8Array {
  const [ground, ink] = isGrey ? [GROUND, INK].map(greyOf) : [GROUND, INK];
  return Uint8Array.from({ length: 768 }, (_, at) => {
    const share = Math.floor(at / 3) / 255;
    return Math.round(ground[at % 3] * (1 - share) + ink[at % 3] * share);
  });
}

/** As light as it looks (Rec. ITU-R BT.709, 3.2). */
const greyOf = ([red, green, blue]: readonly number[]) => Array(3).fill(0.2126 * red + 0.7152 * green + 0.0722 * blue);

/** Lines of a group: how deep they are, and how they are drawn below a height. */
interface SetGroup {
  readonly height: number;
  readonly drawAt: (top: number) => void;
}

const NOTHING: SetGroup = { height: 0, drawAt: () => undefined };

class CoverPen {
  /** In em, by the line: sizes are tried one after another. */
  private readonly widths = new Map<Setting, Map<string, number>>();

  constructor(
    private readonly particulars: Particulars,
    private readonly styles: ReadonlyMap<string, ResolvedStyle>,
    private readonly library: FaceLibrary,
    private readonly shapes: Coverage,
  ) {}

  set({ text, styles, largest, least, mostLines }: Group): SetGroup {
    const setting = this.settingOf(styles);
    const words = text.trim().split(/\s+/u);
    if (setting === null || text.trim() === '') return NOTHING;
    for (let size = largest; ; size = Math.max(least, size * 0.94)) {
      const lines = this.linesOf(words, setting, size);
      const fits = lines.length <= mostLines && lines.every((line) => this.widthOf(line, setting, size) <= MEASURE);
      if (!fits && size > least) continue;
      const leading = size * 1.22;
      return {
        height: lines.length * leading - size * 0.22,
        drawAt: (top) => lines.forEach((line, k) => this.draw(line, setting, size, top + size * 0.8 + k * leading)),
      };
    }
  }

  private settingOf(tags: readonly string[]): Setting | null {
    const { language } = this.particulars;
    for (const tag of tags) {
      const style = this.styles.get(tag);
      const face = style && maybeFace(this.library.table, style.family, style.weight, style.italic);
      if (face === undefined || !this.library.has(face.id)) continue;
      const isRtl = directionOfLanguage(language) === 'rtl';
      return { font: this.library.font(face.id), features: style!.features, language, isRtl };
    }
    return null;
  }

  /** As few lines as hold the words, and those as even as they can be. */
  private linesOf(words: readonly string[], setting: Setting, size: number): string[] {
    const within = (measure: number): string[] => {
      const lines: string[] = [];
      for (const word of words) {
        const longer = lines.length === 0 ? word : `${lines[lines.length - 1]} ${word}`;
        if (lines.length > 0 && this.widthOf(longer, setting, size) <= measure) lines[lines.length - 1] = longer;
        else lines.push(word);
      }
      return lines;
    };
    const fewest = within(MEASURE);
    let best = fewest;
    for (let share = 0.95; share >= 0.4; share -= 0.05) {
      const lines = within(MEASURE * share);
      if (lines.length > fewest.length) break;
      best = lines;
    }
    return best;
  }

  private widthOf(line: string, setting: Setting, size: number): number {
    let own = this.widths.get(setting);
    if (own === undefined) this.widths.set(setting, (own = new Map()));
    let width = own.get(line);
    if (width === undefined) {
      const { advances } = this.shaped(line, setting);
      width = advances.reduce((sum, advance) => sum + advance, 0) / setting.font.unitsPerEm;
      own.set(line, width);
    }
    return width * size;
  }

  private shaped(line: string, { font, features, language, isRtl }: Setting) {
    return this.library.harfBuzz.shape(font, line, features, language, isRtl);
  }

  /** A line that stands in the middle, on a base line. */
  private draw(line: string, setting: Setting, size: number, base: number): void {
    const { glyphs, advances, xOffsets, yOffsets } = this.shaped(line, setting);
    const scale = size / setting.font.unitsPerEm;
    const width = advances.reduce((sum, advance) => sum + advance, 0) * scale;
    let x = (COVER.width - width) / 2 + (setting.isRtl ? width : 0);
    glyphs.forEach((glyph, k) => {
      const advance = advances[k] * scale;
      if (setting.isRtl) x -= advance;
      this.glyph(setting.font, glyph, scale, x + xOffsets[k] * scale, base - yOffsets[k] * scale);
      if (!setting.isRtl) x += advance;
    });
  }

  /** Commands of an outline: see fonts/harfbuzz. */
  private glyph(font: HarfBuzzFont, glyph: number, scale: number, x: number, y: number): void {
    const { shapes } = this;
    const pen = this.library.harfBuzz.outlineOf(font, glyph);
    let [lastX, lastY] = [x, y];
    for (let k = 0; k < pen.length;) {
      const command = pen[k];
      const points = Array.from(pen.subarray(k + 1, k + 1 + COORDINATES[command]), (value, c) =>
        c % 2 === 0 ? x + value * scale : y - value * scale,
      );
      const [a, b, c, d, e, f] = points;
      if (command === 0) shapes.move(a, b);
      else if (command === 1) shapes.line(a, b);
      // A curve of one point as one of two (the same curve).
      else if (command === 2)
        shapes.curve((lastX + 2 * a) / 3, (lastY + 2 * b) / 3, (c + 2 * a) / 3, (d + 2 * b) / 3, c, d);
      else if (command === 3) shapes.curve(a, b, c, d, e, f);
      else shapes.close();
      if (points.length > 0) [lastX, lastY] = points.slice(-2);
      k += 1 + COORDINATES[command];
    }
    shapes.close();
  }
}

/** Of the commands of an outline. */
const COORDINATES = [2, 2, 4, 6, 0];
