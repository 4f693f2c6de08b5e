// The style sheet of an ebook, derived from the spec. Everything is relative to the size that the device sets: face, size, leading, margins and the colour of
// the text are its own. What carries meaning is always there; a dressed book has its faces, sizes, openers and inks besides.
import type { EbookLevel, EbookSettings } from '../../model/products/ebook';
import type { ResolvedStyle } from '../../model/composed/styled';
import { className } from '../copy/xhtml';
import type { EbookFace, EbookFacts } from './ebookFacts';
import { cssColour, nightInk } from './nightInk';

/** What holds for every book: elements, tables, notes. */
const BASE = `body { margin: 0 5%; }
h1, h2, h3, h4, h5, h6 { font-weight: normal; line-height: 1.2; text-align: center; text-wrap: balance; page-break-after: avoid; break-after: avoid; hyphens: none; }
p { margin: 0; }
.smallcaps { font-variant: small-caps; }
hr { border: 0; margin: 1em 0; text-align: center; }
hr::before { content: "* * *"; }
ul, ol { margin: 0.6em 0; }
nav ol { list-style: none; padding: 0; }
nav ol ol { padding-left: 1.5em; margin: 0; }
nav a { text-decoration: none; }
table { border-collapse: collapse; margin: 1em 0; border-top: 1px solid; border-bottom: 1px solid; font-variant-numeric: lining-nums tabular-nums; }
caption { font-size: 0.9em; text-align: left; padding-bottom: 0.4em; }
th { font-weight: normal; text-align: left; }
td, th { padding: 0 1em 0 0; vertical-align: top; }
thead th, thead td { vertical-align: bottom; }
thead tr:last-child th, thead tr:last-child td { border-bottom: 1px solid; }
tr[data-kind="group"] th { font-style: italic; }
tr[data-kind="total"] th, tr[data-kind="total"] td { border-top: 1px solid; }
td p, th p, caption p, figcaption p { text-indent: 0; }
aside { font-size: 0.9em; margin: 0.6em 0; }
.cover { text-align: center; page-break-after: always; break-after: page; }
.cover img { max-width: 100%; max-height: 100vh; }
ol.notes, ol.list, ul.index { list-style: none; padding: 0; }
ol.notes { font-size: 0.9em; }
ol.notes p { text-indent: 0; margin: 0.4em 0; }
ul.index li { margin: 0 0 0 1.5em; text-indent: -1.5em; }
ul.index ul { list-style: none; padding: 0; margin: 0; text-indent: 0; }
figure { margin: 1em 0; text-align: center; page-break-inside: avoid; break-inside: avoid; }
figcaption { font-size: 0.9em; text-align: left; margin-top: 0.4em; }
figure img + img { margin-left: 1em; }
img { max-width: 100%; max-height: 100%; }
a[role="doc-noteref"] { vertical-align: super; font-size: 0.75em; line-height: 0; text-decoration: none; color: inherit; font-style: normal; font-variant: normal; }
a[role="doc-backlink"] { text-decoration: none; }
.initial { float: left; line-height: 0.8; padding: 0.1em 0.08em 0 0; }
`;

/** Em of white to a hundredth. */
const em = (points: number, size: number) => `${Number((points / size).toFixed(2))}em`;

/** A list of declarations, those without a value left out. */
const declared = (properties: Readonly<Record<string, string | null>>) =>
  Object.entries(properties)
    .flatMap(([name, value]) => (value === null ? [] : [`${name}: ${value};`]))
    .join(' ');

const isHeadLike = ({ meaning }: ResolvedStyle) => meaning.startsWith('heading') || meaning === 'title';

/** What carries meaning in a style: slope, weight, capitals, sides, indents, white. `body`: the style of the text. */
function meaningOf(style: ResolvedStyle, body: ResolvedStyle, isDressed: boolean) {
  const { size, leftIndent, rightIndent, firstIndent, align, above, below, caps } = style;
  const isHead = isHeadLike(style);
  // A head stands in the white that the device gives it, unless the book is dressed.
  const space = (lines: number) => (lines <= 0 || (isHead && !isDressed) ? null : em(lines * body.leading, size));
  return {
    'font-style': style.italic ? 'italic' : null,
    'font-weight': style.weight >= 600 ? 'bold' : null,
    'font-variant': caps === 'small' ? 'small-caps' : null,
    'text-transform': caps === 'all' ? 'uppercase' : null,
    'text-align': align === 'centre' ? 'center' : align === 'right' ? 'right' : isHead ? 'left' : null,
    'text-indent': isHead && firstIndent === 0 ? null : em(firstIndent, size),
    'margin-left': leftIndent > 0 ? em(leftIndent, size) : null,
    'margin-right': rightIndent > 0 ? em(rightIndent, size) : null,
    'margin-top': space(above),
    'margin-bottom': space(below),
  };
}

/** Heads are no larger than so many times the text: screens are narrow. */
const MOST_SIZE = 2.2;
const LEAST_SIZE = 0.75;

/** What a dressed book has besides. */
function dressOf(style: ResolvedStyle, body: ResolvedStyle, families: ReadonlySet<string>) {
  const ratio = Math.min(MOST_SIZE, Math.max(LEAST_SIZE, style.size / body.size));
  const white = (lines: number) =>
    `${Number(((Math.max(0, lines) * body.leading) / (ratio * body.size)).toFixed(2))}em`;
  return {
    'font-family': style.family !== body.family && families.has(style.family) ? `"${style.family}", serif` : null,
    // Devices make heads larger, and set white around them.
    'font-size': Math.abs(ratio - 1) < 0.02 && !isHeadLike(style) ? null : `${Number(ratio.toFixed(2))}em`,
    ...(isHeadLike(style) ? { 'margin-top': white(style.above), 'margin-bottom': white(style.below) } : {}),
    'letter-spacing': style.tracking === 0 ? null : `${Number((style.tracking / 1000).toFixed(3))}em`,
    color: inkOf(style),
  };
}

/** The ink of a style as it reads by day and by night; null: the device's own. */
function inkOf({ ink }: ResolvedStyle): string | null {
  const known = ink === null ? null : rgbOfCss(ink.css);
  const night = known === null ? null : nightInk(known);
  return night === null ? null : cssColour(night);
}

const rgbOfCss = (css: string): readonly [number, number, number] | null => {
  const found = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(css);
  if (found === null) return null;
  return [parseInt(found[1], 16), parseInt(found[2], 16), parseInt(found[3], 16)];
};

/** The name of a face's file in the package. */
export const faceFile = ({ family, weight, italic }: EbookFace): string =>
  `faces/${family.replace(/[^a-z0-9-]/gi, '-')}-${weight}${italic ? '-italic' : ''}.ttf`;

const faceRule = (face: EbookFace): string =>
  `@font-face { font-family: "${face.family}"; font-weight: ${face.weight >= 600 ? 'bold' : 'normal'}; font-style: ${face.italic ? 'italic' : 'normal'}; src: url("${faceFile(face)}"); }\n`;

export interface SheetChoices {
  readonly level: EbookLevel;
  /** Lines of a drop capital; 0: none. */
  readonly dropLines: number;
  readonly tables: EbookSettings['tables'];
  /** Grid lines above the first element of an opener. */
  readonly sink: number;
}

/** The style sheet; `used`: the styles that stand in the text. */
export function styleSheet(
  { styles, faces }: Pick<EbookFacts, 'styles' | 'faces'>,
  used: ReadonlySet<string>,
  { level, dropLines, sink, tables }: SheetChoices,
): string {
  const body = styles.get('TX');
  if (body === undefined) return BASE + UNKNOWN;
  const isDressed = level === 'dressed';
  const families = new Set(faces.map(({ family }) => family));
  const rules = [...styles]
    .filter(([tag]) => used.has(tag))
    .map(([tag, style]) => {
      const said = declared({
        ...meaningOf(style, body, isDressed),
        ...(isDressed ? dressOf(style, body, families) : {}),
      });
      return said === '' ? '' : `.${className(tag)} { ${said} }\n`;
    });
  const base = BASE + (tables === 'lists' ? LISTED : '');
  if (!isDressed) return base + rules.join('');
  const ofBody = families.has(body.family) ? `body { font-family: "${body.family}", serif; }\n` : '';
  const openers = `.opener { padding-top: ${Number(Math.min(6, sink * 0.9).toFixed(1))}em; }\n`;
  const initial = dropLines === 0 ? '' : `.initial { font-size: ${Number((dropLines * 1.18).toFixed(2))}em; }\n`;
  return faces.map(faceRule).join('') + base + ofBody + openers + rules.join('') + initial;
}

/** Tables row by row where a screen is too narrow for them: each entry after the head of its column. */
const LISTED = `@media (max-width: 30em) {
table.listed, .listed tbody, .listed tr, .listed th, .listed td { display: block; border: 0; text-align: left !important; }
.listed thead { display: none; }
.listed tr { margin: 0 0 0.9em; }
.listed [data-head]::before { content: attr(data-head) ": "; font-style: italic; }
.listed [data-head] p { display: inline; }
}
`;

/** For a book whose styles are not known: plain paragraphs. */
const UNKNOWN = `p { text-indent: 1.3em; }
h1 + p, h2 + p, hr + p, blockquote p, .cn, .pn { text-indent: 0; }
.cn, .pn { text-align: center; margin-top: 2em; }
.verse { text-indent: -1.5em; margin-left: 3em; }
.dedication p, .titlepage p { text-align: center; text-indent: 0; margin: 1em 0; }
`;
