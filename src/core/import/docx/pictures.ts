// Pictures of a .docx: DrawingML (20.4) and the older VML.
import { maybeInside, type XmlElement } from '../../base/xml';
import type { IncomingImage } from '../../model/copy/manuscript';
import type { DocxParts, RelatedPart } from './parts';

/** English Metric Units in a pixel of a 96th of an inch, and in a point. */
const EMU_PER_PIXEL = 9525;
const EMU_PER_POINT = 12700;

/** The picture inside a drawing: its bytes when the file has them, and the points at which it is shown. */
export interface DrawnPicture {
  readonly bytes: Uint8Array | undefined;
  readonly facts: IncomingImage;
  readonly shown: { readonly width: number; readonly height: number };
}

/** Null when the drawing holds no picture. */
export function readPicture(drawn: XmlElement, parts: DocxParts, part: RelatedPart): DrawnPicture | null {
  const blip = find(drawn, 'a:blip') ?? find(drawn, 'v:imagedata');
  const id = blip?.attributes['r:embed'] ?? blip?.attributes['r:id'] ?? blip?.attributes['r:link'];
  if (blip === undefined || id === undefined) return null;
  const file = parts.file(part, id);
  const described = find(drawn, 'wp:docPr')?.attributes ?? {};
  // Word processors put the name of the file that was taken here, or call it by its number.
  const taken = find(drawn, 'pic:cNvPr')?.attributes.name ?? '';
  const own = /^(Picture|Image|Grafik|Bild) ?\d+$/i.test(taken) ? '' : taken;
  const named = described.name?.includes('.') ? described.name : '';
  const shape = find(drawn, 'v:shape')?.attributes ?? {};
  const extent = find(drawn, 'wp:extent')?.attributes ?? {};
  const emu = { width: Number(extent.cx ?? 0) || 0, height: Number(extent.cy ?? 0) || 0 };
  return {
    bytes: file?.bytes,
    facts: {
      name: own || named || file?.name || described.name || '',
      width: Math.round(emu.width / EMU_PER_PIXEL),
      height: Math.round(emu.height / EMU_PER_PIXEL),
      alt: described.descr ?? shape.alt ?? '',
    },
    shown: { width: emu.width / EMU_PER_POINT, height: emu.height / EMU_PER_POINT },
  };
}

const find = (parent: XmlElement, name: string): XmlElement | undefined =>
  maybeInside(parent, (element) => element.name === name);
