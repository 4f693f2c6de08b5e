// The look of a run of a .docx as spans of ours: character styles where we have one, else touches.
import { maybeChild, type XmlElement } from '../../base/xml';
import type { SpanLook } from '../paragraphBuilder';
import { runFace } from './runFace';
import { ownTag, toggle, type DocxStyle, type IncomingStyles } from './styleNames';

export function readLook(properties: XmlElement | undefined, styles: IncomingStyles): SpanLook {
  if (properties === undefined) return {};
  const styleId = maybeChild(properties, 'w:rStyle')?.attributes['w:val'];
  const own = ownTag(styleId);
  const style = own === undefined ? styles.byId.get(styleId ?? '') : undefined;
  const italic = toggle(properties, 'w:i');
  const bold = toggle(properties, 'w:b');
  const tag = own ?? styleOf(properties, style, italic, bold);
  const touches = {
    ...(italic && (own !== undefined || tag !== 'em') ? { italic } : {}),
    ...(bold && (own !== undefined || tag !== 'strong') ? { bold } : {}),
    ...(toggle(properties, 'w:u') ? { underline: true } : {}),
    ...(toggle(properties, 'w:strike') ? { strike: true } : {}),
    ...runFace(properties),
  };
  const side = toggle(properties, 'w:rtl') === true ? 'w:bidi' : 'w:val';
  const language = maybeChild(properties, 'w:lang')?.attributes[side];
  const isOther = language !== undefined && styles.language !== undefined && language !== styles.language;
  return {
    ...(tag ? { style: tag } : {}),
    ...(Object.keys(touches).length > 0 ? { touches } : {}),
    ...(isOther && /^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(language) ? { language } : {}),
  };
}

/** Names that programs and authors give to character styles of code. */
const CODE = /\b(?:code|verbatim|literal|typewriter|monospace|source text|computer)\b/i;

/** Our character style for what a run says of itself, or the style that it names. */
function styleOf(
  properties: XmlElement,
  style: DocxStyle | undefined,
  italic: boolean | undefined,
  bold: boolean | undefined,
): string | undefined {
  const position = maybeChild(properties, 'w:vertAlign')?.attributes['w:val'];
  if (position === 'superscript') return 'sup';
  if (position === 'subscript') return 'sub';
  if (toggle(properties, 'w:smallCaps')) return 'sc';
  if (style !== undefined && CODE.test(style.name)) return 'code';
  if (style?.italic && italic !== false) return 'em';
  return style?.bold && bold !== false ? 'strong' : undefined;
}
