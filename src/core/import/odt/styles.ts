// Styles of an OpenDocument text (ODF 1.3, part 3, 16): names, ancestors and the looks that we keep.
import { elements, maybeChild, type XmlElement } from '../../base/xml';
import type { SpanLook } from '../paragraphBuilder';
import type { IncomingLook } from '../../model/copy/manuscript';
import { ALIGNMENTS, given, localLook, pointsOf, tagOfLook } from '../localLooks';
import { isPlainName, levelOfName, tagOfLevel, tagOfName } from '../styleTags';
import type { Direction, StyleTag } from '../../model/copy/streams';

export interface OdtStyle {
  /** The name that a person sees; of an automatic style that of its parent. */
  readonly name: string;
  readonly tag: StyleTag | undefined;
  readonly look: SpanLook;
  /** Of a paragraph style: how it looks. */
  readonly own: IncomingLook;
  readonly breakBefore: boolean;
  readonly align: 'centre' | 'right' | undefined;
  readonly direction: Direction | undefined;
}

export class OdtStyles {
  private readonly raw = new Map<string, { readonly element: XmlElement; readonly isAutomatic: boolean }>();
  private readonly known = new Map<string, OdtStyle>();
  private readonly bullets = new Map<string, boolean[]>();
  private readonly firsts = new Map<string, readonly number[]>();

  constructor(...parts: (XmlElement | undefined)[]) {
    for (const part of parts) {
      for (const group of part ? elements(part) : []) {
        if (group.name !== 'office:styles' && group.name !== 'office:automatic-styles') continue;
        for (const element of elements(group)) this.take(element, group.name === 'office:automatic-styles');
      }
    }
  }

  private take(element: XmlElement, isAutomatic: boolean): void {
    const name = element.attributes['style:name'];
    if (element.name === 'style:style')
      this.raw.set(`${element.attributes['style:family']} ${name}`, { element, isAutomatic });
    else if (element.name === 'text:list-style') {
      const levels = elements(element);
      this.bullets.set(
        name,
        levels.map((level) => level.name === 'text:list-level-style-number'),
      );
      this.firsts.set(
        name,
        levels.map((level) => Number(level.attributes['text:start-value'] ?? 1) || 0),
      );
    }
  }

  /** What a level of a list style begins with; level from 0. */
  firstOf(style: string | undefined, level: number): number {
    return this.firsts.get(style ?? '')?.[level] ?? 1;
  }

  /** True for numbered levels of a list style; level from 0. */
  isOrdered(style: string | undefined, level: number): boolean {
    return this.bullets.get(style ?? '')?.[level] ?? false;
  }

  get(family: 'paragraph' | 'text', name: string | undefined): OdtStyle {
    const key = `${family} ${name ?? ''}`;
    let found = this.known.get(key);
    if (found === undefined) this.known.set(key, (found = this.resolve(key, new Set())));
    return found;
  }

  /** Points of the text, by the style from which the others come. */
  private bodySize(): number {
    const standard = this.raw.get('paragraph Standard');
    return (standard && styleLook(standard.element).size) ?? BODY_SIZE;
  }

  private resolve(key: string, seen: Set<string>): OdtStyle {
    const entry = this.raw.get(key);
    const [family, id] = [key.slice(0, key.indexOf(' ')), key.slice(key.indexOf(' ') + 1)];
    if (entry === undefined || seen.has(key)) {
      const plain = nameOf(id);
      return {
        name: plain,
        tag: tagOfName(plain),
        look: {},
        own: {},
        breakBefore: false,
        align: undefined,
        direction: undefined,
      };
    }
    seen.add(key);
    const { element, isAutomatic } = entry;
    const { attributes } = element;
    const parentId = attributes['style:parent-style-name'];
    const parent = parentId === undefined ? undefined : this.resolve(`${family} ${parentId}`, seen);
    const name = isAutomatic ? (parent?.name ?? 'Standard') : nameOf(attributes['style:display-name'] ?? id);
    const level = levelOfName(name) ?? (Number(attributes['style:default-outline-level']) || null);
    const paragraph = maybeChild(element, 'style:paragraph-properties')?.attributes ?? {};
    const align = paragraph['fo:text-align'];
    const own = family === 'text' ? {} : { ...parent?.own, ...styleLook(element) };
    const byLook =
      family === 'text' || isAutomatic || isPlainName(name) || parent?.tag !== undefined
        ? undefined
        : tagOfLook(own, this.bodySize());
    return {
      name,
      own,
      tag:
        (isAutomatic ? undefined : (tagOfName(name) ?? (level === null ? undefined : tagOfLevel(level)))) ??
        parent?.tag ??
        byLook,
      look: family === 'text' ? lookOf(maybeChild(element, 'style:text-properties'), parent?.look ?? {}) : {},
      breakBefore:
        paragraph['fo:break-before'] === 'page' || (!('fo:break-before' in paragraph) && parent?.breakBefore === true),
      direction: directionOfMode(paragraph['style:writing-mode']) ?? parent?.direction,
      align: align === 'center' ? 'centre' : align === 'end' || align === 'right' ? 'right' : undefined,
    };
  }
}

/** Of a writing mode (ODF 1.3, part 3, 20.404); undefined where it is that of the page. */
function directionOfMode(mode: string | undefined): Direction | undefined {
  if (mode === 'rl-tb' || mode === 'rl') return 'rtl';
  return mode === 'lr-tb' || mode === 'lr' ? 'ltr' : undefined;
}

/** Points of text where nothing says more. */
const BODY_SIZE = 12;

/** The look that a paragraph style gives of itself. */
function styleLook(element: XmlElement): IncomingLook {
  const paragraph = maybeChild(element, 'style:paragraph-properties')?.attributes ?? {};
  const text = maybeChild(element, 'style:text-properties')?.attributes ?? {};
  const height = paragraph['fo:line-height'];
  return given({
    ...textLook(text),
    bold: text['fo:font-weight'] === undefined ? undefined : /^(bold|[6-9]00)$/.test(text['fo:font-weight']),
    italic: text['fo:font-style'] === undefined ? undefined : text['fo:font-style'] !== 'normal',
    firstIndent: pointsOf(paragraph['fo:text-indent']),
    leftIndent: pointsOf(paragraph['fo:margin-left'] ?? paragraph['fo:margin']),
    rightIndent: pointsOf(paragraph['fo:margin-right'] ?? paragraph['fo:margin']),
    above: pointsOf(paragraph['fo:margin-top'] ?? paragraph['fo:margin']),
    below: pointsOf(paragraph['fo:margin-bottom'] ?? paragraph['fo:margin']),
    leading: pointsOf(height),
    leadingLines: height?.endsWith('%') ? Number.parseFloat(height) / 100 : undefined,
    align: ALIGNMENTS[paragraph['fo:text-align'] ?? ''],
    withNext: paragraph['fo:keep-with-next'] === undefined ? undefined : paragraph['fo:keep-with-next'] === 'always',
    together: paragraph['fo:keep-together'] === undefined ? undefined : paragraph['fo:keep-together'] === 'always',
  });
}

function textLook(of: Readonly<Record<string, string>>) {
  return localLook(of['style:font-name'] ?? of['fo:font-family'], pointsOf(of['fo:font-size']), of['fo:color']);
}

/** `Heading_20_1` is how a space stands in a name. */
function nameOf(id: string): string {
  return id.replace(/_([0-9a-f]{2})_/g, (_, code: string) => String.fromCharCode(Number.parseInt(code, 16)));
}

function lookOf(properties: XmlElement | undefined, inherited: SpanLook): SpanLook {
  const of = properties?.attributes ?? {};
  const touches = { ...inherited.touches };
  let { style } = inherited;
  if (of['fo:font-style'] !== undefined) touches.italic = of['fo:font-style'] !== 'normal';
  if (of['fo:font-weight'] !== undefined) touches.bold = /^(bold|[6-9]00)$/.test(of['fo:font-weight']);
  if (of['style:text-underline-style'] !== undefined) touches.underline = of['style:text-underline-style'] !== 'none';
  if (of['style:text-line-through-style'] !== undefined)
    touches.strike = of['style:text-line-through-style'] !== 'none';
  if (of['fo:font-variant'] === 'small-caps') style = 'sc';
  const position = of['style:text-position'];
  if (position !== undefined && /^(super|[1-9])/.test(position)) style = 'sup';
  else if (position !== undefined && /^(sub|-)/.test(position)) style = 'sub';
  const set = Object.fromEntries(Object.entries({ ...touches, ...textLook(of) }).filter(([, value]) => value));
  const language = of['fo:language'];
  return {
    ...(style === undefined ? {} : { style }),
    ...(Object.keys(set).length > 0 ? { touches: set } : {}),
    ...(language !== undefined && /^[a-z]{2,3}$/.test(language) ? { language } : {}),
  };
}
