// The galley's document: the shape of one stream for ProseMirror. It mirrors the book model block by block; ids are
// attributes, character styles and touches are marks, inline objects are atoms.
import { tableNodes } from './tableNodes';
import { Schema, type MarkSpec, type Node, type NodeSpec } from 'prosemirror-model';
import { PICTURE_KINDS, REFERENCE_SHOWS, type Paragraph, type ParagraphTouches } from '../core/model/copy/streams';

/** Attributes of a paragraph node; `id` is null until the galley has given it one. */
export interface ParagraphAttributes {
  readonly id: string | null;
  readonly style: string;
  readonly touches: ParagraphTouches | null;
  readonly list: Paragraph['list'] | null;
  readonly names: Paragraph['names'] | null;
}

const STYLE_TAG = /^[A-Za-z0-9]{1,12}$/;
const tagOf = (value: string | null, otherwise: string) =>
  value !== null && STYLE_TAG.test(value) ? value : otherwise;

function listOf(dom: HTMLElement): Paragraph['list'] | null {
  const found = /^(\d{1,2})(o?)(?:=(\d{1,4}))?$/.exec(dom.getAttribute('data-list') ?? '');
  if (found === null) return null;
  const start = found[3] === undefined ? {} : { start: Number(found[3]) };
  return { level: Number(found[1]), ordered: found[2] === 'o', ...start };
}

const listMark = ({ level, ordered, start }: NonNullable<Paragraph['list']>): string =>
  `${level}${ordered ? 'o' : ''}${start === undefined ? '' : `=${start}`}`;

/** An atom whose attributes are texts, kept in the attributes of its element. */
const textAtom = (
  name: string,
  tag: string,
  attributes: readonly string[],
  /** What an attribute may say; the first where it says something else. */
  among: Readonly<Record<string, readonly string[]>> = {},
): NodeSpec => ({
  group: 'inline',
  inline: true,
  atom: true,
  attrs: Object.fromEntries(attributes.map((one) => [one, { default: '', validate: 'string' }])),
  parseDOM: [
    {
      tag: `${tag}[data-object=${name}]`,
      getAttrs: (dom) =>
        Object.fromEntries(
          attributes.map((one) => {
            const said = (dom.getAttribute(`data-${one.toLowerCase()}`) ?? '').slice(0, 200);
            return [one, among[one] === undefined || among[one].includes(said) ? said : among[one][0]];
          }),
        ),
    },
  ],
  toDOM: ({ attrs }) => [
    tag,
    {
      'data-object': name,
      ...Object.fromEntries(attributes.map((one) => [`data-${one.toLowerCase()}`, attrs[one] as string])),
    },
  ],
  leafText: () => '',
});

const atom = (name: string, tag: string, attribute?: string): NodeSpec => ({
  group: 'inline',
  inline: true,
  atom: true,
  attrs: attribute === undefined ? {} : { [attribute]: { validate: 'string' } },
  parseDOM: [
    {
      tag: `${tag}[data-object=${name}]`,
      getAttrs: (dom) => (attribute === undefined ? {} : { [attribute]: dom.getAttribute(`data-${attribute}`) ?? '' }),
    },
  ],
  toDOM: (node) => [
    tag,
    {
      'data-object': name,
      ...(attribute === undefined ? {} : { [`data-${attribute}`]: node.attrs[attribute] as string }),
    },
  ],
  leafText: () => (name === 'break' ? '\n' : name === 'tab' ? '\t' : ''),
});

const PICTURE_TEXTS = ['asset', 'format', 'name', 'alt'] as const;
const PICTURE_NUMBERS = ['width', 'height', 'shownWidth', 'shownHeight'] as const;
const IS_ASSET = /^[0-9a-f]{32}$/;

/** A picture between words; its bytes are kept by its hash, so that a copy of it needs none. */
const pictureSpec: NodeSpec = {
  group: 'inline',
  inline: true,
  atom: true,
  attrs: {
    ...Object.fromEntries(PICTURE_TEXTS.map((name) => [name, { validate: 'string' }])),
    ...Object.fromEntries(PICTURE_NUMBERS.map((name) => [name, { validate: 'number' }])),
  },
  parseDOM: [
    {
      tag: 'span[data-object=picture]',
      getAttrs: (dom) => {
        const text = (name: string, most: number) => (dom.getAttribute(`data-${name}`) ?? '').slice(0, most);
        const number = (name: string) => Math.min(20_000, Math.max(0, Number(dom.getAttribute(`data-${name}`)) || 0));
        const format = PICTURE_KINDS.find((kind) => kind === text('format', 10)) ?? 'other';
        return {
          asset: IS_ASSET.test(text('asset', 40)) ? text('asset', 40) : '',
          format,
          name: text('name', 400),
          alt: text('alt', 4000),
          width: Math.round(number('width')),
          height: Math.round(number('height')),
          shownWidth: number('shownwidth'),
          shownHeight: number('shownheight'),
        };
      },
    },
  ],
  toDOM: ({ attrs }) => [
    'span',
    {
      'data-object': 'picture',
      ...Object.fromEntries(
        [...PICTURE_TEXTS, ...PICTURE_NUMBERS].map((name) => [`data-${name.toLowerCase()}`, String(attrs[name])]),
      ),
    },
  ],
};

const nodes: Record<string, NodeSpec> = {
  doc: { content: 'block+' },
  paragraph: {
    group: 'block',
    content: 'inline*',
    attrs: {
      id: { default: null },
      style: { default: 'TX', validate: 'string' },
      touches: { default: null },
      list: { default: null },
      names: { default: null },
    },
    parseDOM: [
      {
        tag: 'p',
        getAttrs: (dom) => ({ style: tagOf(dom.getAttribute('data-style'), 'TX'), list: listOf(dom) }),
      },
      // Of what was copied here, for other programs: the notes come with their references.
      { tag: 'aside[data-note-text]', ignore: true },
    ],
    toDOM: ({ attrs }) => {
      const { style, list, touches } = attrs as ParagraphAttributes;
      const dir = touches?.direction === undefined ? {} : { dir: touches.direction };
      return ['p', { 'data-style': style, ...(list ? { 'data-list': listMark(list) } : {}), ...dir }, 0];
    },
  },
  ...tableNodes,
  text: { group: 'inline' },
  note: atom('note', 'sup', 'note'),
  field: atom('field', 'span', 'field'),
  reference: textAtom('reference', 'span', ['target', 'shows'], { shows: REFERENCE_SHOWS }),
  index: textAtom('index', 'span', ['term', 'sub', 'see', 'seeAlso', 'range'], {
    range: ['here', 'from', 'to'],
  }),
  picture: pictureSpec,
  figure: atom('figure', 'span', 'figure'),
  break: { ...atom('break', 'br'), parseDOM: [{ tag: 'br' }] },
  tab: atom('tab', 'span'),
};

/** `on` is false where the look of the style is taken away. */
const touch = (name: string, ...tags: string[]): MarkSpec => ({
  attrs: { on: { default: true, validate: 'boolean' } },
  parseDOM: [
    { tag: `span[data-touch=${name}]` },
    { tag: `span[data-without=${name}]`, attrs: { on: false } },
    ...tags.map((tag) => ({ tag })),
  ],
  toDOM: (mark) => ['span', { [mark.attrs.on ? 'data-touch' : 'data-without']: name }, 0],
});

const LOCAL = ['face', 'size', 'colour'] as const;

/** Face, size and colour that only this stretch has, as they came in. */
const local: MarkSpec = {
  attrs: Object.fromEntries(LOCAL.map((name) => [name, { default: null }])),
  parseDOM: [
    {
      tag: 'span[data-local]',
      getAttrs: (dom) => {
        const size = Number(dom.getAttribute('data-size'));
        const colour = dom.getAttribute('data-colour') ?? '';
        return {
          face: dom.getAttribute('data-face')?.slice(0, 80) || null,
          size: size >= 1 && size <= 400 ? size : null,
          colour: /^#[0-9a-f]{6}$/.test(colour) ? colour : null,
        };
      },
    },
  ],
  toDOM: ({ attrs }) => {
    const { face, size, colour } = attrs as { face: string | null; size: number | null; colour: string | null };
    const told = [face, size === null ? null : `${size} pt`, colour].filter((one) => one !== null).join(', ');
    return [
      'span',
      {
        'data-local': '',
        ...Object.fromEntries(
          LOCAL.flatMap((name) => (attrs[name] === null ? [] : [[`data-${name}`, String(attrs[name])]])),
        ),
        ...(colour === null ? {} : { style: `--local: ${colour}` }),
        title: `By hand: ${told}`,
      },
      0,
    ];
  },
};

const marks: Record<string, MarkSpec> = {
  link: {
    attrs: { href: { validate: 'string' } },
    inclusive: false,
    parseDOM: [{ tag: '[data-href]', getAttrs: (dom) => ({ href: dom.getAttribute('data-href') ?? '' }) }],
    toDOM: (mark) => ['span', { 'data-href': mark.attrs.href as string, title: mark.attrs.href as string }, 0],
  },
  language: {
    attrs: { tag: { validate: 'string' } },
    parseDOM: [{ tag: 'span[data-lang]', getAttrs: (dom) => ({ tag: dom.getAttribute('data-lang') ?? '' }) }],
    toDOM: (mark) => ['span', { 'data-lang': mark.attrs.tag as string, lang: mark.attrs.tag as string }, 0],
  },
  character: {
    attrs: { tag: { validate: 'string' } },
    parseDOM: [
      { tag: '[data-character]', getAttrs: (dom) => ({ tag: tagOf(dom.getAttribute('data-character'), 'em') }) },
      { tag: 'em', attrs: { tag: 'em' } },
      { tag: 'i', attrs: { tag: 'em' } },
      { tag: 'strong', attrs: { tag: 'strong' } },
      { tag: 'b', attrs: { tag: 'strong' } },
    ],
    toDOM: (mark) => ['span', { 'data-character': mark.attrs.tag as string }, 0],
  },
  italic: touch('italic'),
  bold: touch('bold'),
  underline: touch('underline', 'u'),
  strike: touch('strike', 's', 'del'),
  local,
};

export const schema = new Schema({ nodes, marks });

/** The touches on text that are marks of the same name. */
export const TOUCH_MARKS = ['italic', 'bold', 'underline', 'strike'] as const;

export const paragraphAttributes = (node: Node) => node.attrs as ParagraphAttributes;
