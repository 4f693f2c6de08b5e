// The content stream of a page (ISO 32000-1, 7.8 and 9.4), written from its display list: glyph ids at their places.
import type { DisplayList, RuleItem, TextItem } from '../../model/composed/displayList';
import { paintLayers } from '../../model/composed/paintLayers';
import type { SetInk } from '../../model/spec/inks';
import { ByteWriter } from './byteWriter';
import type { FontUse } from './fontUse';
import { utf16Hex } from './objects';
import { drawPicture } from './pictureContent';
import type { PictureUse } from './pictureUse';

const out = new ByteWriter();

/** The content stream; notes every glyph in the fonts that it uses. Page coordinates start at the foot; `origin`: where the trim begins. */
export function pageContent(
  list: DisplayList,
  fontOf: (face: string) => FontUse,
  pictures: PictureUse,
  origin: readonly [number, number] = [0, 0],
): Uint8Array<ArrayBuffer> {
  if (origin[0] !== 0 || origin[1] !== 0)
    out.text('1 0 0 1 ').number(origin[0]).space().number(origin[1]).text(' cm\n');
  out.text('0 g\n');
  ink = BLACK;
  for (const layer of paintLayers(list)) {
    if (layer.kind === 'rules') for (const rule of layer.rules) drawRule(rule, list.height);
    else takeInk(undefined);
    if (layer.kind === 'pictures')
      for (const picture of layer.pictures) drawPicture(out, picture, list.height, pictures, strokeInk);
    if (layer.kind === 'text') drawText(layer.items, list, fontOf);
  }
  return out.take();
}

const BLACK = '0 g\n';
const SPACES = { grey: 'g', rgb: 'rg', cmyk: 'k' } as const;

/** Sets the colour of lines; theirs are the same operators in capitals. */
const strokeInk = (own: SetInk | null): string =>
  own === null ? '0 G' : `${own.parts.join(' ')} ${SPACES[own.space].toUpperCase()}`;

/** The operator that set the colour which is on. */
let ink = BLACK;

/** Sets the colour of what follows, when it is another than before (8.6.8). */
function takeInk(own: SetInk | undefined): void {
  const wished = own === undefined ? BLACK : `${own.parts.join(' ')} ${SPACES[own.space]}\n`;
  if (wished === ink) return;
  ink = wished;
  out.text(wished);
}

function drawRule({ x, y, width, thickness, ink: own }: RuleItem, pageHeight: number): void {
  takeInk(own);
  out.text('/Artifact BMC ').number(x).space();
  out.number(pageHeight - y - thickness / 2).space();
  out.number(width).space().number(thickness).text(' re f EMC\n');
}

function drawText(items: readonly TextItem[], list: DisplayList, fontOf: (face: string) => FontUse): void {
  out.text('BT\n');
  const writer = new TextWriter(list, fontOf);
  for (const item of items) writer.write(item);
  out.text('ET');
}

/** What is no part of the text (14.8.2.2); nobody copies the points of a leader. */
const ARTIFACT = {
  head: '/Artifact << /Type /Pagination >> BDC\n',
  folio: '/Artifact << /Type /Pagination >> BDC\n',
  repeated: '/Artifact << /Type /Pagination >> BDC\n',
  leader: '/Artifact << /Type /Layout >> BDC /Span << /ActualText <FEFF> >> BDC\n',
} as const;

const rounded = (value: number, power: number) => Math.round(value * power) / power;

/** Writes items one after another, setting font, rise and scale only when they change. */
class TextWriter {
  private face = '';
  private size = 0;
  private rise = 0;
  private scale = 1;
  /** A row of strings and adjustments is open; a string in it is. */
  private inRow = false;
  private inString = false;

  constructor(
    private readonly list: DisplayList,
    private readonly fontOf: (face: string) => FontUse,
  ) {}

  write(item: TextItem): void {
    const { list } = this;
    const font = this.fontOf(item.face);
    takeInk(item.ink);
    if (item.artifact !== null) out.text(ARTIFACT[item.artifact]);
    if (item.face !== this.face || item.size !== this.size) {
      [this.face, this.size] = [item.face, item.size];
      out.text(`/${font.resourceName} `).number(item.size, 4).text(' Tf\n');
    }
    if (item.scaleX !== this.scale) {
      this.scale = item.scaleX;
      out.number(item.scaleX * 100).text(' Tz\n');
    }
    // Advances and adjustments are both taken times the horizontal scale (9.3.4).
    const em = item.size * (rounded(item.scaleX * 100, 1000) / 100);
    out
      .text('1 0 0 1 ')
      .number(list.xs[item.first])
      .space()
      .number(list.height - item.y)
      .text(' Tm\n');
    const end = item.first + item.count;
    const { xs, rises, glyphs } = list;
    // `pen` is where the reader's own advances have taken it, so that rounding never adds up: no glyph stands more than
    // half a thousandth of an em from its place.
    let pen = rounded(xs[item.first], 1000);
    for (let k = item.first; k < end; k += 1) {
      const glyph = glyphs[k];
      if (Math.abs(rises[k] - this.rise) > 1e-3) {
        this.closeRow();
        this.rise = rises[k];
        out.number(this.rise).text(' Ts\n');
      }
      const shift = Math.round(((pen - xs[k]) * 1000) / em);
      if (shift !== 0) {
        this.openRow();
        this.closeString();
        out.number(shift, 0);
        pen -= (shift * em) / 1000;
      }
      this.writeGlyph(item, font, glyph, k, end);
      pen += (font.width(glyph) * em) / 1000;
    }
    this.closeRow();
    if (item.artifact === 'leader') out.text('EMC EMC\n');
    else if (item.artifact !== null) out.text('EMC\n');
  }

  /** A glyph in the row, or, where it stands for other text than elsewhere, by itself with its text. */
  private writeGlyph(item: TextItem, font: FontUse, glyph: number, k: number, end: number): void {
    const brought = item.endsInHyphen && k === end - 1;
    const unit = brought || item.isRtl ? -1 : this.onlyUnit(item, k, end);
    const text = unit >= 0 ? '' : item.isRtl ? this.glyphTextBack(item, k) : this.glyphText(item, k, end);
    if (!brought && (unit >= 0 ? font.noteUnit(glyph, unit) : font.noteText(glyph, text))) {
      this.openRow();
      if (!this.inString) {
        this.inString = true;
        out.openString();
      }
      out.glyph(glyph);
      return;
    }
    this.writeAlone(glyph, unit >= 0 ? String.fromCharCode(unit) : text);
    if (brought) font.noteText(glyph, '-');
  }

  /** A glyph with the text that it stands for at this place only. */
  private writeAlone(glyph: number, text: string): void {
    this.closeRow();
    out.text(`/Span << /ActualText <FEFF${utf16Hex(text)}> >> BDC `);
    out.openString();
    out.glyph(glyph);
    out.closeString();
    out.text(' Tj EMC\n');
  }

  private openRow(): void {
    if (this.inRow) return;
    this.inRow = true;
    out.text('[');
  }

  private closeString(): void {
    if (!this.inString) return;
    this.inString = false;
    out.closeString();
  }

  private closeRow(): void {
    if (!this.inRow) return;
    this.closeString();
    this.inRow = false;
    out.text('] TJ\n');
  }

  /**
   * The same for glyphs that stand from left to right as seen while their text runs the other way. Readers of PDF turn
   * such runs round by themselves, so that nothing else is said of their order.
   */
  private glyphTextBack(item: TextItem, k: number): string {
    const { charOffsets } = this.list;
    const offset = charOffsets[k];
    let before = k - 1;
    if (before >= item.first && charOffsets[before] === offset) return '';
    while (before >= item.first && charOffsets[before] === offset) before -= 1;
    return item.text.slice(offset, before >= item.first ? charOffsets[before] : undefined);
  }

  /** The UTF-16 unit that a glyph stands for, alone and wholly; -1 for a ligature, or a part of a cluster. */
  private onlyUnit(item: TextItem, k: number, end: number): number {
    const { charOffsets } = this.list;
    const offset = charOffsets[k];
    const next = k + 1 < end ? charOffsets[k + 1] : item.text.length;
    const isFirst = k === item.first || charOffsets[k - 1] !== offset;
    // Letters of a drop capital stand for nothing: their text is given with the word that they begin.
    return isFirst && next === offset + 1 && offset < item.text.length ? item.text.charCodeAt(offset) : -1;
  }

  /** Text of a glyph's cluster; empty for the second and later glyphs of one cluster. */
  private glyphText(item: TextItem, k: number, end: number): string {
    const { charOffsets } = this.list;
    const offset = charOffsets[k];
    if (k > item.first && offset === charOffsets[k - 1]) return '';
    let next = k + 1;
    while (next < end && charOffsets[next] === offset) next += 1;
    const to = next < end ? charOffsets[next] : item.text.length;
    return item.text.slice(offset, to);
  }
}
