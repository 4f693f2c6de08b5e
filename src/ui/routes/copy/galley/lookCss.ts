// How styles look in the galley: enough to tell them apart and to know them again, made from the spec as it is now.
import type { CharacterStyle, ParagraphStyle, Spec } from '../../../../core/model/spec/spec';

/** Size of the galley's text, in px, and the least and most that a style's own size makes of it. */
const SIZE = 17;
const LEAST = 14;
const MOST = 27;

/** A style sheet for one spec. Tags are letters and figures only. */
export function lookCss({ styles, characterStyles, text }: Spec): string {
  const rules: string[] = [];
  for (const tag of Object.keys(styles)) {
    const style = resolved(styles, tag);
    const size = Math.min(MOST, Math.max(LEAST, SIZE * ((style.size ?? text.size.pt) / text.size.pt)));
    const declared = [
      `font-size:${size.toFixed(1)}px`,
      `line-height:${Math.round(size * 1.36)}px`,
      style.italic ? 'font-style:italic' : '',
      (style.weight ?? 400) >= 600 ? 'font-weight:700' : '',
      capsRule(style.caps),
      style.align === 'centre' ? 'text-align:center' : style.align === 'right' ? 'text-align:right' : '',
      (style.leftIndent ?? 0) > 0 ? `padding-left:${Math.min(60, 12 + style.leftIndent! * 1.4)}px` : '',
      (style.above ?? 0) >= 1 ? 'margin-top:10px' : '',
      (style.below ?? 0) >= 1 ? 'margin-bottom:8px' : '',
    ];
    rules.push(`.galley-text[data-style="${tag}"]{${declared.filter(Boolean).join(';')}}`);
    if (style.italic) rules.push(`.galley-text[data-style="${tag}"] [data-character="em"]{font-style:normal}`);
  }
  for (const [tag, style] of Object.entries(characterStyles))
    rules.push(
      `.galley-editor [data-character="${tag}"],.galley-note [data-character="${tag}"]{${characterRules(style)}}`,
    );
  return rules.join('\n');
}

function characterRules(style: CharacterStyle): string {
  return [
    style.italic === undefined ? '' : 'font-style:italic',
    (style.weight ?? 0) >= 600 ? 'font-weight:700' : '',
    style.caps === 'small' ? 'font-variant-caps:small-caps;letter-spacing:0.03em' : capsRule(style.caps),
    style.position === 'superior' ? 'vertical-align:super;font-size:0.7em' : '',
    style.position === 'inferior' ? 'vertical-align:sub;font-size:0.7em' : '',
  ]
    .filter(Boolean)
    .join(';');
}

function capsRule(caps: ParagraphStyle['caps']): string {
  if (caps === 'small') return 'font-variant-caps:small-caps';
  return caps === 'all' ? 'text-transform:uppercase' : '';
}

/** A style with what it takes from its ancestors. */
function resolved(styles: Readonly<Record<string, ParagraphStyle>>, tag: string): ParagraphStyle {
  const chain: ParagraphStyle[] = [];
  for (let at: string | undefined = tag; at !== undefined && styles[at] && chain.length < 20; at = styles[at].basedOn)
    chain.unshift(styles[at]);
  return Object.assign({}, ...chain) as ParagraphStyle;
}
