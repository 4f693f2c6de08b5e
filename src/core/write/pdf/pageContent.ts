// The content stream of a page (ISO 32000-1, 7.8 and 9.4), written from its display list: glyph ids at their places.
import type { DisplayList, TextItem } from '../../model/displayList';
import type { FontUse } from './fontUse';
import { pdfNumber, utf16Hex } from './objects';

/** The content stream; notes every glyph in the fonts that it uses. Page coordinates start at the foot. */
export function pageContent(list: DisplayList, fontOf: (face: string) => FontUse): string {
  const parts: string[] = ['0 g'];
  for (const rule of list.rules) {
    const y = list.height - rule.y - rule.thickness / 2;
    parts.push(`/Artifact BMC ${[rule.x, y, rule.width, rule.thickness].map((v) => pdfNumber(v)).join(' ')} re f EMC`);
  }
  parts.push('BT');
  const writer = new TextWriter(list, fontOf);
  for (const item of list.items) parts.push(writer.write(item));
  parts.push('ET');
  return parts.join('\n');
}

/** Writes items one after another, setting font and rise only when they change. */
class TextWriter {
  private font = '';
  private rise = 0;
  private scale = 1;

  constructor(
    private readonly list: DisplayList,
    private readonly fontOf: (face: string) => FontUse,
  ) {}

  write(item: TextItem): string {
    const { list } = this;
    const font = this.fontOf(item.face);
    const parts: string[] = [];
    if (item.artifact !== null) parts.push('/Artifact << /Type /Pagination >> BDC');
    const key = `/${font.resourceName} ${pdfNumber(item.size, 4)} Tf`;
    if (key !== this.font) parts.push((this.font = key));
    if (item.scaleX !== this.scale) {
      this.scale = item.scaleX;
      parts.push(`${pdfNumber(item.scaleX * 100, 3)} Tz`);
    }
    // Advances and adjustments are both taken times the horizontal scale (9.3.4).
    const em = item.size * (Number(pdfNumber(item.scaleX * 100, 3)) / 100);
    parts.push(`1 0 0 1 ${pdfNumber(list.xs[item.first])} ${pdfNumber(list.height - item.y)} Tm`);
    const end = item.first + item.count;
    // `pen` is where the reader's own advances have taken it, so that rounding never adds up.
    let pen = Number(pdfNumber(list.xs[item.first]));
    let row = '';
    const flush = () => {
      if (row !== '') parts.push(`[${row}] TJ`);
      row = '';
    };
    for (let k = item.first; k < end; k += 1) {
      const glyph = list.glyphs[k];
      if (Math.abs(list.rises[k] - this.rise) > 1e-3) {
        flush();
        this.rise = list.rises[k];
        parts.push(`${pdfNumber(this.rise)} Ts`);
      }
      const shift = Number(pdfNumber(((pen - list.xs[k]) * 1000) / em, 1));
      if (shift !== 0) {
        row += `${row === '' ? '' : ' '}${pdfNumber(shift, 1)}`;
        pen -= (shift * em) / 1000;
      }
      const text = this.glyphText(item, k, end);
      const hex = `<${glyph.toString(16).toUpperCase().padStart(4, '0')}>`;
      const brought = item.endsInHyphen && k === end - 1;
      if (brought || !font.noteText(glyph, text)) {
        flush();
        parts.push(`/Span << /ActualText <FEFF${utf16Hex(text)}> >> BDC [${hex}] TJ EMC`);
        if (brought) font.noteText(glyph, '-');
      } else row += row.endsWith('>') ? hex : ` ${hex}`;
      pen += (font.width(glyph) * em) / 1000;
    }
    flush();
    if (item.artifact !== null) parts.push('EMC');
    return parts.join('\n').replaceAll('><', '');
  }

  /** Text of a glyph's cluster; empty for the second and later glyphs of one cluster. */
  private glyphText(item: TextItem, k: number, end: number): string {
    const { charOffsets } = this.list;
    if (k > item.first && charOffsets[k] === charOffsets[k - 1]) return '';
    let next = k + 1;
    while (next < end && charOffsets[next] === charOffsets[k]) next += 1;
    return item.text.slice(charOffsets[k], next < end ? charOffsets[next] : undefined);
  }
}
