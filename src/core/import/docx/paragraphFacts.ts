// What the properties of a paragraph say besides its style (ECMA-376, part 1, 17.3.1).
import { maybeChild, type XmlElement } from '../../base/xml';
import type { Paragraph } from '../../model/copy/streams';
import { cutParagraph } from '../../copy/cutParagraph';
import { isPlainName, tagOfLevel } from '../styleTags';
import { outlineOf, type DocxStyle } from './styleNames';

/** A paragraph in a frame that is the drop capital of the one after it (17.3.1.11). */
export const isDropCapital = (properties: XmlElement | undefined): boolean =>
  /^(?:drop|margin)$/.test(maybeChild(properties, 'w:framePr')?.attributes['w:dropCap'] ?? '');

/** The paragraph's own style: an outline level makes a heading of what is plain text by its style (17.3.1.20). */
export function styleWithOutline(
  properties: XmlElement | undefined,
  style: DocxStyle | undefined,
): DocxStyle | undefined {
  const level = outlineOf(properties);
  const isPlain = style === undefined || (style.level === undefined && isPlainName(style.name));
  if (level === undefined || !isPlain) return style;
  const none = {
    isRtl: undefined,
    italic: undefined,
    bold: undefined,
    list: undefined,
    numbering: undefined,
    look: {},
  };
  return { ...none, ...style, name: `Outline level ${level}`, tag: tagOfLevel(level), level };
}

/** A contents list that the program makes. */
export function isContentsControl(control: XmlElement): boolean {
  const gallery = maybeChild(maybeChild(maybeChild(control, 'w:sdtPr'), 'w:docPartObj'), 'w:docPartGallery');
  return gallery?.attributes['w:val'] === 'Table of Contents';
}

/** Without the white space at the start, which parts a note from its own mark. */
export function trimStart(source: Paragraph): Paragraph {
  const lead = source.text.length - source.text.trimStart().length;
  return lead === 0 ? source : cutParagraph(source, lead, source.text.length);
}
