// Face, size and colour of a run or a style of a .docx (17.3.2).
import { maybeChild, type XmlElement } from '../../base/xml';
import { localLook } from '../localLooks';

/** Face, size and colour that a run says of itself. */
export function runFace(properties: XmlElement) {
  const fonts = maybeChild(properties, 'w:rFonts')?.attributes ?? {};
  const size = maybeChild(properties, 'w:sz')?.attributes['w:val'];
  const points = size === undefined ? undefined : Number(size) / 2;
  return localLook(
    fonts['w:ascii'] ?? fonts['w:hAnsi'],
    points,
    maybeChild(properties, 'w:color')?.attributes['w:val'],
  );
}
