// Pictures of a .docx: DrawingML (20.4) and the older VML.
import { imageSize } from '../../base/imageSize';
import { elements, type XmlElement } from '../../base/xml';
import type { IncomingImage } from '../../model/manuscript';
import type { DocxParts } from './parts';

/** English Metric Units in a pixel of a 96th of an inch. */
const EMU = 9525;

/** The picture inside a drawing; null when it holds none. */
export function readPicture(drawn: XmlElement, parts: DocxParts, part: string): IncomingImage | null {
  const blip = find(drawn, 'a:blip') ?? find(drawn, 'v:imagedata');
  const id = blip?.attributes['r:embed'] ?? blip?.attributes['r:id'] ?? blip?.attributes['r:link'];
  if (blip === undefined || id === undefined) return null;
  const file = parts.file(part, id);
  const facts = find(drawn, 'wp:docPr')?.attributes ?? {};
  const alt = facts.descr ?? find(drawn, 'v:shape')?.attributes.alt ?? '';
  const extent = find(drawn, 'wp:extent')?.attributes ?? {};
  const shown = { width: Math.round(Number(extent.cx ?? 0) / EMU), height: Math.round(Number(extent.cy ?? 0) / EMU) };
  const own = file === undefined ? shown : imageSize(file.bytes);
  const { width, height } = own.width > 0 ? own : shown;
  return { name: file?.name ?? facts.name ?? '', width: width || 0, height: height || 0, alt };
}

function find(parent: XmlElement, name: string): XmlElement | undefined {
  for (const child of elements(parent)) {
    if (child.name === name) return child;
    const inside = find(child, name);
    if (inside !== undefined) return inside;
  }
  return undefined;
}
