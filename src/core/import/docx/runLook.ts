// The look of a run of a .docx as spans of ours: character styles where we have one, else touches.
import { maybeChild, type XmlElement } from '../../base/xml';
import type { SpanLook } from '../paragraphBuilder';
import { toggle, type IncomingStyles } from './styleNames';

export function readLook(properties: XmlElement | undefined, styles: IncomingStyles): SpanLook {
  if (properties === undefined) return {};
  const style = styles.byId.get(maybeChild(properties, 'w:rStyle')?.attributes['w:val'] ?? '');
  const italic = toggle(properties, 'w:i');
  const bold = toggle(properties, 'w:b');
  const position = maybeChild(properties, 'w:vertAlign')?.attributes['w:val'];
  let tag: string | undefined;
  if (position === 'superscript') tag = 'sup';
  else if (position === 'subscript') tag = 'sub';
  else if (toggle(properties, 'w:smallCaps')) tag = 'sc';
  else if (style?.italic && italic !== false) tag = 'em';
  else if (style?.bold && bold !== false) tag = 'strong';
  const touches = {
    ...(italic && tag !== 'em' ? { italic } : {}),
    ...(bold && tag !== 'strong' ? { bold } : {}),
    ...(toggle(properties, 'w:u') ? { underline: true } : {}),
    ...(toggle(properties, 'w:strike') ? { strike: true } : {}),
  };
  const language = maybeChild(properties, 'w:lang')?.attributes['w:val'];
  const isOther = language !== undefined && styles.language !== undefined && language !== styles.language;
  return {
    ...(tag ? { style: tag } : {}),
    ...(Object.keys(touches).length > 0 ? { touches } : {}),
    ...(isOther && /^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(language) ? { language } : {}),
  };
}
