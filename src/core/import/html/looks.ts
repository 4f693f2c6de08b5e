// The look that an inline element of HTML gives its text.
import { table } from '../../base/table';
import type { XmlElement } from '../../base/xml';
import { localLook, pointsOf } from '../localLooks';
import type { SpanLook } from '../paragraphBuilder';

const TAGS: Readonly<Record<string, SpanLook>> = table({
  em: { style: 'em' },
  i: { style: 'em' },
  cite: { style: 'em' },
  dfn: { style: 'em' },
  var: { style: 'em' },
  strong: { style: 'strong' },
  b: { style: 'strong' },
  sup: { style: 'sup' },
  sub: { style: 'sub' },
  code: { style: 'code' },
  kbd: { style: 'code' },
  samp: { style: 'code' },
  tt: { style: 'code' },
  u: { touches: { underline: true } },
  s: { touches: { strike: true } },
  strike: { touches: { strike: true } },
});

/** The look inside an element; null for what was deleted. Character styles of two elements become style and touch. */
export function withElement({ name, attributes }: XmlElement, look: SpanLook): SpanLook | null {
  if (name === 'del') return null;
  const css = attributes.style ?? '';
  const says = (property: string) => declared(css, property)?.toLowerCase() ?? '';
  const [slope, weight] = [says('font-style'), says('font-weight')];
  const own = TAGS[name] ?? {};
  // Programs wrap whole pastes in a bold that is none.
  const isPlain =
    (own.style === 'strong' && /^(normal|[1-4]00)$/.test(weight)) || (own.style === 'em' && slope === 'normal');
  let made = isPlain ? look : merged(look, own);
  if (/^(italic|oblique)/.test(slope)) made = merged(made, { style: 'em' });
  if (slope === 'normal' && isItalic(made)) made = withoutStyle(made, 'em', { italic: false });
  if (/^(bold|bolder|[6-9]00)$/.test(weight)) made = merged(made, { style: 'strong' });
  if (/^(normal|[1-4]00)$/.test(weight) && isBold(made)) made = withoutStyle(made, 'strong', { bold: false });
  if (says('font-variant').includes('small-caps') || says('font-variant-caps').includes('small-caps'))
    made = merged(made, { style: 'sc' });
  else if (/(^|\s)small-?caps(\s|$)/i.test(attributes.class ?? '')) made = merged(made, { style: 'sc' });
  if (/(^|;)\s*text-decoration[^;]*underline/i.test(css) && name !== 'a')
    made = merged(made, { touches: { underline: true } });
  if (/(^|;)\s*text-decoration[^;]*line-through/i.test(css)) made = merged(made, { touches: { strike: true } });
  if (says('vertical-align') === 'super') made = merged(made, { style: 'sup' });
  if (says('vertical-align') === 'sub') made = merged(made, { style: 'sub' });
  const local = localLook(
    declared(css, 'font-family') ?? (name === 'font' ? attributes.face : undefined),
    pointsOf(declared(css, 'font-size')),
    declared(css, 'color') ?? (name === 'font' ? attributes.color : undefined),
  );
  if (Object.keys(local).length > 0) made = merged(made, { touches: local });
  const language = attributes.lang ?? attributes['xml:lang'];
  const isLanguage = language !== undefined && /^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(language);
  return isLanguage && /^(span|i|em|b|q|cite|a)$/.test(name) ? { ...made, language } : made;
}

const isItalic = ({ style, touches }: SpanLook) => style === 'em' || touches?.italic === true;
const isBold = ({ style, touches }: SpanLook) => style === 'strong' || touches?.bold === true;

/** A look taken back inside an element that has it from outside. */
function withoutStyle({ style, touches, ...rest }: SpanLook, gone: string, off: SpanLook['touches']): SpanLook {
  const own = style === gone ? touches : { ...touches, ...off };
  return {
    ...rest,
    ...(style === undefined || style === gone ? {} : { style }),
    ...(own && Object.keys(own).length > 0 ? { touches: own } : {}),
  };
}

/** The value of a declaration of a style attribute. */
export function declared(css: string, property: string): string | undefined {
  return new RegExp(`(?:^|;)\\s*${property}\\s*:\\s*([^;]+)`, 'i').exec(css)?.[1].trim();
}

/** A second character style beside one that is there: italic and bold as touches. */
function merged(a: SpanLook, b: SpanLook): SpanLook {
  const touches = { ...a.touches, ...b.touches };
  let { style } = a;
  if (b.style !== undefined && style !== undefined && b.style !== style) {
    if (b.style === 'em') touches.italic = true;
    else if (b.style === 'strong') touches.bold = true;
    else {
      if (style === 'em') touches.italic = true;
      else if (style === 'strong') touches.bold = true;
      style = b.style;
    }
  } else style = b.style ?? style;
  return {
    ...a,
    ...(style === undefined ? {} : { style }),
    ...(Object.keys(touches).length > 0 ? { touches } : {}),
  };
}
