// Which glyphs of a face a document uses and what text each stands for, and the font objects that come of it
// (ISO 32000-1, 9.7: composite fonts; 9.10.3: ToUnicode).
import { fnv1a } from '../../base/hash';
import type { FaceRecord } from '../../model/spec/faces';
import { pdfArray, pdfDictionary, pdfName, pdfNumber, utf16Hex, type PdfFile, type PdfValue } from './objects';

/** A block of a ToUnicode map holds at most this many entries (Adobe Technical Note 5411). */
const MAP_BLOCK = 100;

export class FontUse {
  /** By glyph: the text that it stands for. */
  private readonly texts: (string | undefined)[] = [];
  /** By glyph: that text, where it is one UTF-16 unit, plus one; 0 for other glyphs. */
  private units = new Uint32Array(256);
  /** By glyph: its width plus one; 0 for a glyph that is not used. Looked up for every glyph of the book. */
  private widths = new Float64Array(256);

  constructor(
    readonly resourceName: string,
    readonly face: FaceRecord,
    private readonly advance: (glyph: number) => number,
  ) {}

  /** Width of a glyph in thousandths of an em, as it stands in the file. */
  width(glyph: number): number {
    const known = glyph < this.widths.length ? this.widths[glyph] : 0;
    return known > 0 ? known - 1 : this.measure(glyph);
  }

  private measure(glyph: number): number {
    if (glyph >= this.widths.length) {
      const wide = new Float64Array(glyph * 2);
      wide.set(this.widths);
      this.widths = wide;
    }
    const width = Math.round((this.advance(glyph) * 1000 * 100) / this.face.unitsPerEm) / 100;
    this.widths[glyph] = width + 1;
    return width;
  }

  /** As noteText, for a text of one UTF-16 unit: nearly all of a book, told without making text of it. */
  noteUnit(glyph: number, unit: number): boolean {
    return (
      (glyph < this.units.length && this.units[glyph] === unit + 1) || this.noteText(glyph, String.fromCharCode(unit))
    );
  }

  /** Notes that a glyph shows a text. False when it already stands for another one: that place needs ActualText. */
  noteText(glyph: number, text: string): boolean {
    const known = this.texts[glyph];
    if (known === undefined) {
      this.texts[glyph] = text;
      if (text.length === 1) this.noteSingle(glyph, text.charCodeAt(0));
    }
    return known === undefined || known === text;
  }

  private noteSingle(glyph: number, unit: number): void {
    if (glyph >= this.units.length) {
      const wide = new Uint32Array(glyph * 2);
      wide.set(this.units);
      this.units = wide;
    }
    this.units[glyph] = unit + 1;
  }

  get glyphs(): number[] {
    const used: number[] = [];
    for (let glyph = 0; glyph < this.widths.length; glyph += 1) if (this.widths[glyph] > 0) used.push(glyph);
    return used;
  }

  /** Writes the font's objects; `program` is the font file cut down to the glyphs. */
  write(file: PdfFile, program: Uint8Array): PdfValue {
    const { face } = this;
    const name = pdfName(`${this.subsetTag()}+${face.postScriptName}`);
    const em = (units: number) => pdfNumber((units * 1000) / face.unitsPerEm, 0);
    // Outlines of PostScript go in whole (9.9, table 126); their glyphs are found by their numbers as those of TrueType are.
    const isCff = String.fromCharCode(...program.subarray(0, 4)) === 'OTTO';
    const SYMBOLIC = 4;
    const ITALIC = 64;
    const descriptor = file.add(
      pdfDictionary({
        Type: '/FontDescriptor',
        FontName: name,
        Flags: String(SYMBOLIC + (face.italic ? ITALIC : 0)),
        FontBBox: pdfArray(face.box.map(em)),
        ItalicAngle: pdfNumber(face.italicAngle, 2),
        Ascent: em(face.ascender),
        Descent: em(face.descender),
        CapHeight: em(face.capHeight),
        StemV: face.weight >= 600 ? '120' : '80',
        ...(isCff
          ? { FontFile3: file.addStream(program, { Subtype: '/OpenType' }) }
          : { FontFile2: file.addStream(program, { Length1: String(program.length) }) }),
      }),
    );
    const descendant = file.add(
      pdfDictionary({
        Type: '/Font',
        Subtype: isCff ? '/CIDFontType0' : '/CIDFontType2',
        BaseFont: name,
        CIDSystemInfo: '<< /Registry (Adobe) /Ordering (Identity) /Supplement 0 >>',
        FontDescriptor: descriptor,
        CIDToGIDMap: isCff ? undefined : '/Identity',
        DW: '1000',
        W: this.widthArray(),
      }),
    );
    return file.add(
      pdfDictionary({
        Type: '/Font',
        Subtype: '/Type0',
        BaseFont: name,
        Encoding: '/Identity-H',
        DescendantFonts: pdfArray([descendant]),
        ToUnicode: file.addStream(new TextEncoder().encode(this.toUnicode())),
      }),
    );
  }

  private widthArray(): PdfValue {
    const parts: string[] = [];
    let previous = -2;
    for (const glyph of this.glyphs) {
      const width = pdfNumber(this.width(glyph), 2);
      if (glyph === previous + 1) parts[parts.length - 1] += ` ${width}`;
      else parts.push(`${glyph} [${width}`);
      previous = glyph;
    }
    return pdfArray(parts.map((part) => `${part}]`));
  }

  private toUnicode(): string {
    const hex = (glyph: number) => glyph.toString(16).toUpperCase().padStart(4, '0');
    const rows: [number, string][] = [];
    this.texts.forEach((text, glyph) => {
      if (text !== undefined && text !== '') rows.push([glyph, text]);
    });
    const blocks: string[] = [];
    for (let k = 0; k < rows.length; k += MAP_BLOCK) {
      const block = rows.slice(k, k + MAP_BLOCK).map(([glyph, text]) => `<${hex(glyph)}> <${utf16Hex(text)}>`);
      blocks.push(`${block.length} beginbfchar\n${block.join('\n')}\nendbfchar`);
    }
    return [
      '/CIDInit /ProcSet findresource begin',
      '12 dict begin',
      'begincmap',
      '/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def',
      '/CMapName /Adobe-Identity-UCS def',
      '/CMapType 2 def',
      '1 begincodespacerange\n<0000> <FFFF>\nendcodespacerange',
      ...blocks,
      'endcmap',
      'CMapName currentdict /CMap defineresource pop',
      'end\nend\n',
    ].join('\n');
  }

  /** Six capitals (9.6.4), the same for the same glyphs. */
  private subsetTag(): string {
    let hash = fnv1a(`${this.face.id}:${this.glyphs.join(',')}`);
    let tag = '';
    for (let k = 0; k < 6; k += 1) {
      tag += String.fromCharCode(65 + (hash % 26));
      hash = Math.floor(hash / 26);
    }
    return tag;
  }
}
