// What files of ours say in attributes of what no element has a word for (`write/copy/ourMarks`): taken as far as it is what a book can hold, and
// anything else for not said.
import { isInherited } from '../../base/table';
import { EDITIONS } from '../../model/copy/editions';
import type { IndexMark } from '../../model/spec/indexSpec';
import {
  FIELD_NAMES,
  type Block,
  type FieldName,
  type Paragraph,
  type ParagraphTouches,
  type TextTouches,
} from '../../model/copy/streams';
import { editText, type TextEdit } from '../../copy/textEdit';
import type { XmlElement } from '../../base/xml';
import type { SpanLook } from '../paragraphBuilder';
import { plainText } from '../withinBounds';

/** Characters of a part of a mark, at most. */
const MOST = 500;
const RANGES: readonly IndexMark['range'][] = ['here', 'from', 'to'];
const STYLE_TAG = /^[A-Za-z0-9]{1,12}$/;

type Said = Readonly<Record<string, unknown>>;

/** The object that an attribute says in JSON; null for what is none. */
function saidIn(attribute: string | undefined): Said | null {
  if (attribute === undefined) return null;
  try {
    const value: unknown = JSON.parse(attribute);
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Said) : null;
  } catch {
    return null;
  }
}

function listIn(attribute: string | undefined): readonly unknown[] {
  try {
    const value: unknown = JSON.parse(attribute ?? '[]');
    return Array.isArray(value) ? value : [];
  } catch {
    return [];
  }
}

const among = <T>(values: readonly T[], said: unknown): T | undefined => values.find((value) => value === said);

/** Only what has a value. */
const given = <T extends object>(facts: T): Partial<T> =>
  Object.fromEntries(Object.entries(facts).filter(([, value]) => value !== undefined)) as Partial<T>;

/** How a paragraph is set, where its element does not tell. */
export interface ExactParagraph {
  readonly style?: string;
  readonly touches?: ParagraphTouches;
  /** What makes the words as they are set those that were typed. */
  readonly typed?: readonly (TextEdit & { readonly set: string })[];
}

/** Undefined: the element says nothing of the kind. */
export function exactParagraph({ attributes }: XmlElement): ExactParagraph | undefined {
  const style = attributes['data-style'];
  const said = saidIn(attributes['data-touches']);
  const isStyle = style !== undefined && STYLE_TAG.test(style) && !isInherited(style);
  const typed = typedIn(attributes['data-typed']);
  if (!isStyle && said === null && typed.length === 0) return undefined;
  const touches = given({
    align: among(['justify', 'left', 'right', 'centre'] as const, said?.align),
    breakBefore: among([true, 'column', 'recto', 'verso'] as const, said?.breakBefore),
    unnumbered: among([true], said?.unnumbered),
    section: typeof said?.section === 'string' ? said.section.slice(0, 200) : undefined,
    onlyIn: among(EDITIONS, said?.onlyIn),
  });
  return {
    ...(isStyle ? { style } : {}),
    ...(Object.keys(touches).length > 0 ? { touches } : {}),
    ...(typed.length > 0 ? { typed } : {}),
  };
}

/** Edits in order, apart from each other; none where one is no such thing. */
function typedIn(attribute: string | undefined): NonNullable<ExactParagraph['typed']> {
  const said = listIn(attribute);
  const edits = said.flatMap((edit) => {
    const [at, set, text] = Array.isArray(edit) ? (edit as unknown[]) : [];
    const isEdit = Number.isInteger(at) && typeof set === 'string' && typeof text === 'string';
    return isEdit ? [{ from: at as number, to: (at as number) + set.length, set, text: plainText(text) }] : [];
  });
  const areInOrder = edits.every(({ from }, k) => from >= (edits[k - 1]?.to ?? 0));
  return areInOrder && edits.length === said.length ? edits : [];
}

/** The paragraph with what was typed in place of what is set; as it is where its words are others now. */
export function asTyped(paragraph: Paragraph, { typed = [] }: ExactParagraph): Paragraph {
  const fits = typed.every(({ from, to, set }) => paragraph.text.slice(from, to) === set);
  return fits ? editText(paragraph, typed) : paragraph;
}

/** A table as a file of ours says it. */
export function exactTable(table: Block, exact: ExactParagraph | undefined): Block {
  if (table.kind !== 'table' || exact === undefined) return table;
  const { onlyIn } = exact.touches ?? {};
  return {
    ...table,
    ...(exact.style === undefined ? {} : { style: exact.style }),
    ...(onlyIn === undefined ? {} : { setting: { ...table.setting, onlyIn } }),
  };
}

/** The look of the text in an element, all of it; null where it says none. */
export function exactLook({ attributes }: XmlElement): SpanLook | null {
  const said = saidIn(attributes['data-look']);
  if (said === null) return null;
  const of = saidTouches(said.touches);
  const style = typeof said.style === 'string' && STYLE_TAG.test(said.style) ? said.style : undefined;
  const language = typeof said.language === 'string' ? said.language : undefined;
  return given({ style, touches: Object.keys(of).length > 0 ? of : undefined, language });
}

function saidTouches(value: unknown): TextTouches {
  const said = (typeof value === 'object' && value !== null ? value : {}) as Said;
  const is = (key: string) => among([true, false], said[key]);
  return given({
    ...{ italic: is('italic'), bold: is('bold'), underline: is('underline'), strike: is('strike') },
    face: typeof said.face === 'string' ? said.face : undefined,
    size: typeof said.size === 'number' ? said.size : undefined,
    colour: typeof said.colour === 'string' ? said.colour : undefined,
  });
}

/** An object of the text that an element stands for. */
export type OurObject =
  | ({ readonly kind: 'index' } & IndexMark)
  | { readonly kind: 'tab' }
  | { readonly kind: 'field'; readonly field: FieldName };

/** Null for an element that stands for none. */
export function ourObject({ attributes }: XmlElement): OurObject | null {
  const mark = saidIn(attributes['data-index']);
  if (mark !== null) return indexMark(mark);
  if ('data-book-tab' in attributes) return { kind: 'tab' };
  const field = among(FIELD_NAMES, attributes['data-book-field']);
  return field === undefined ? null : { kind: 'field', field };
}

function indexMark(said: Said): OurObject {
  const words = (key: string) => {
    const part = said[key];
    return typeof part === 'string' ? part.slice(0, MOST) : '';
  };
  const range = among(RANGES, said.range) ?? 'here';
  return { kind: 'index', term: words('term'), sub: words('sub'), see: words('see'), seeAlso: words('seeAlso'), range };
}

/** What a picture is called, and the points at which its file showed it. */
export function exactPicture({
  attributes,
}: XmlElement): { name: string; shown: { width: number; height: number } } | null {
  const said = saidIn(attributes['data-picture']);
  if (typeof said?.name !== 'string') return null;
  const points = (value: unknown) => (typeof value === 'number' && value > 0 && value < 20_000 ? value : 0);
  return { name: said.name.slice(0, 400), shown: { width: points(said.width), height: points(said.height) } };
}
