// The styles of a .docx: which of ours each becomes, by its name, its outline level and those of its ancestors, and
// which character look each brings.
import { elements, maybeChild, type XmlElement } from '../../base/xml';
import type { Paragraph, StyleTag } from '../../model/copy/streams';
import type { IncomingLook } from '../../model/copy/manuscript';
import { ALIGNMENTS, given, tagOfLook } from '../localLooks';
import { isPlainName, levelOfName, tagOfLevel, tagOfName } from '../styleTags';
import { runFace } from './runFace';
import type { DocxParts } from './parts';

export interface DocxStyle {
  readonly name: string;
  /** Our tag; undefined when nothing of ours fits, which reads as text. */
  readonly tag: StyleTag | undefined;
  /** Level of a heading, from 1. */
  readonly level: number | undefined;
  /** Its paragraphs run from right to left. */
  readonly isRtl: boolean | undefined;
  readonly italic: boolean | undefined;
  readonly bold: boolean | undefined;
  readonly list: Paragraph['list'];
  /** The numbering that its paragraphs are items of. */
  readonly numbering: string | undefined;
  readonly look: IncomingLook;
}

export interface IncomingStyles {
  readonly byId: ReadonlyMap<string, DocxStyle>;
  /** Style of paragraphs that name none. */
  readonly defaultId: string | undefined;
  readonly language: string | undefined;
}

/** Reads word/styles.xml; without it every paragraph is text. */
export function readStyles(part: XmlElement | undefined, parts: DocxParts): IncomingStyles {
  const raw = new Map<string, XmlElement>();
  let defaultId: string | undefined;
  for (const style of part ? elements(part) : []) {
    const { 'w:styleId': id, 'w:type': type, 'w:default': isDefault } = style.attributes;
    if (style.name !== 'w:style' || !id) continue;
    raw.set(id, style);
    if (type === 'paragraph' && (isDefault === '1' || isDefault === 'true')) defaultId = id;
  }
  const defaults = maybeChild(maybeChild(maybeChild(part, 'w:docDefaults'), 'w:rPrDefault'), 'w:rPr');
  const byId = new Map<string, DocxStyle>();
  for (const id of raw.keys()) byId.set(id, resolve(id, raw, parts, new Set()));
  const body = byId.get(defaultId ?? '')?.look.size ?? styleLook(undefined, defaults).size ?? BODY_SIZE;
  for (const [id, style] of byId)
    if (style.tag === undefined && raw.get(id)!.attributes['w:type'] === 'paragraph' && !isPlainName(style.name))
      byId.set(id, { ...style, tag: tagOfLook(style.look, body) });
  return { byId, defaultId, language: maybeChild(defaults, 'w:lang')?.attributes['w:val'] };
}

function resolve(id: string, raw: ReadonlyMap<string, XmlElement>, parts: DocxParts, seen: Set<string>): DocxStyle {
  const style = raw.get(id);
  if (style === undefined || seen.has(id))
    return {
      name: id,
      tag: undefined,
      level: undefined,
      italic: undefined,
      bold: undefined,
      list: undefined,
      numbering: undefined,
      isRtl: undefined,
      look: {},
    };
  seen.add(id);
  const name = maybeChild(style, 'w:name')?.attributes['w:val'] ?? id;
  const parentId = maybeChild(style, 'w:basedOn')?.attributes['w:val'];
  const parent = parentId === undefined ? undefined : resolve(parentId, raw, parts, seen);
  const run = maybeChild(style, 'w:rPr');
  const paragraph = maybeChild(style, 'w:pPr');
  const ours = ownTag(id);
  const level =
    (ours === undefined ? levelOfName(name) : undefined) ??
    outlineOf(paragraph) ??
    (ours === undefined ? parent?.level : undefined);
  const look = { ...parent?.look, ...styleLook(paragraph, run) };
  return {
    name,
    look,
    tag: ours ?? tagOfName(name) ?? (level === undefined ? undefined : tagOfLevel(level)) ?? parent?.tag,
    level,
    isRtl: toggle(paragraph, 'w:bidi') ?? parent?.isRtl,
    italic: toggle(run, 'w:i') ?? parent?.italic,
    bold: toggle(run, 'w:b') ?? parent?.bold,
    list: listOf(paragraph, parts) ?? parent?.list,
    numbering: maybeChild(maybeChild(paragraph, 'w:numPr'), 'w:numId')?.attributes['w:val'] ?? parent?.numbering,
  };
}

/** The tag of a style that this program wrote, by its id (write/copy/writeDocx). */
export function ownTag(id: string | undefined): StyleTag | undefined {
  return id === undefined ? undefined : /^WalnutLeaf([A-Za-z0-9]{1,12})$/.exec(id)?.[1];
}

/** Points of text where nothing says more (17.3.2.38). */
const BODY_SIZE = 10;
const TWIPS = 20;

/** The look that a style gives of itself. */
function styleLook(paragraph: XmlElement | undefined, run: XmlElement | undefined): IncomingLook {
  const indents = maybeChild(paragraph, 'w:ind')?.attributes ?? {};
  const spacing = maybeChild(paragraph, 'w:spacing')?.attributes ?? {};
  const points = (value: string | undefined) => (value === undefined ? undefined : Number(value) / TWIPS);
  const isInLines = spacing['w:lineRule'] === undefined || spacing['w:lineRule'] === 'auto';
  return given({
    ...(run === undefined ? {} : runFace(run)),
    bold: toggle(run, 'w:b'),
    italic: toggle(run, 'w:i'),
    firstIndent: points(indents['w:firstLine']) ?? (indents['w:hanging'] ? -points(indents['w:hanging'])! : undefined),
    leftIndent: points(indents['w:left'] ?? indents['w:start']),
    rightIndent: points(indents['w:right'] ?? indents['w:end']),
    above: points(spacing['w:before']),
    below: points(spacing['w:after']),
    leading: isInLines ? undefined : points(spacing['w:line']),
    leadingLines: isInLines && spacing['w:line'] ? Number(spacing['w:line']) / 240 : undefined,
    align: ALIGNMENTS[maybeChild(paragraph, 'w:jc')?.attributes['w:val'] ?? ''],
    withNext: toggle(paragraph, 'w:keepNext'),
    together: toggle(paragraph, 'w:keepLines'),
  });
}

/** The outline level of a paragraph or style, from 1; undefined for text. */
export function outlineOf(paragraph: XmlElement | undefined): number | undefined {
  const level = maybeChild(paragraph, 'w:outlineLvl')?.attributes['w:val'];
  const value = Number(level);
  return level !== undefined && value >= 0 && value < 9 ? value + 1 : undefined;
}

function listOf(paragraph: XmlElement | undefined, parts: DocxParts): Paragraph['list'] {
  const numbering = maybeChild(paragraph, 'w:numPr');
  const number = maybeChild(numbering, 'w:numId')?.attributes['w:val'];
  if (number === undefined || number === '0') return undefined;
  const level = Number(maybeChild(numbering, 'w:ilvl')?.attributes['w:val'] ?? 0) || 0;
  return { level, ordered: parts.isOrdered(number, level) };
}

/** A toggle property (17.7.3): true when present without a false value, undefined when absent. */
export function toggle(properties: XmlElement | undefined, name: string): boolean | undefined {
  const element = maybeChild(properties, name);
  if (element === undefined) return undefined;
  return !['0', 'false', 'off', 'none'].includes(element.attributes['w:val'] ?? '1');
}
