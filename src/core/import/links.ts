// Links inside a file: each is led to the paragraph that carries the name it goes to, or it becomes plain words, which is said.
import { unescapedAddress } from '../base/unescaped';
import type { Block, InlineObject, Paragraph, Span } from '../model/copy/streams';

/** Longest name that a place is called by, and most names of a paragraph. */
export const LONGEST_PLACE = 200;
const MOST_NAMES = 20;

/** Addresses that lead out of the file (RFC 3986, 3.1: they say how). */
const LEADS_OUT = /^[a-z][a-z0-9+.-]+:/i;

/** The address of a HYPERLINK field: a place of the document with `\l`, else what its first quotes hold (ECMA-376-1, 17.16.5.25). */
export function linkOfField(code: string): string | undefined {
  const match = /^\s*HYPERLINK\b(.*)$/s.exec(code)?.[1];
  if (match === undefined) return undefined;
  const place = /\\l\s+(?:"([^"]*)"|(\S+))/.exec(match);
  const address = /^\s*(?:"([^"]*)"|([^\s\\"]\S*))/.exec(match);
  const outer = address?.[1] ?? address?.[2] ?? '';
  if (outer !== '') return outer;
  const name = place?.[1] ?? place?.[2] ?? '';
  return name === '' ? undefined : `#${name}`;
}

/** Headings as Markdown programs name them: small letters, hyphens for spaces, no other marks; a number where it comes again. */
export class Slugs {
  private readonly used = new Map<string, number>();

  of(words: string): string {
    const slug = words
      .trim()
      .toLowerCase()
      .replace(/[^\p{L}\p{M}\p{N}\s_-]/gu, '')
      .replace(/\s/g, '-');
    const times = this.used.get(slug) ?? 0;
    this.used.set(slug, times + 1);
    return times === 0 ? slug : `${slug}-${times}`;
  }
}

/** Paragraphs by their names, as a file gave them; a name that comes again is that of its first. */
export type PlaceNames = ReadonlyMap<string, readonly string[]>;

interface Linked {
  readonly blocks: readonly Block[];
  readonly notes: readonly (readonly [string, readonly Block[]])[];
  /** Links that lead nowhere. */
  readonly lost: number;
}

/** Cross-references that name their place (`#name`), with the id of its block; one that is gone keeps the name. */
function withTargets(paragraph: Paragraph, blocksByName: ReadonlyMap<string, string>): Paragraph {
  const isNamed = (object: InlineObject) => object.kind === 'reference' && object.target.startsWith('#');
  if (!paragraph.objects.some(isNamed)) return paragraph;
  const objects = paragraph.objects.map((object) =>
    object.kind === 'reference' && isNamed(object)
      ? { ...object, target: blocksByName.get(object.target.slice(1)) ?? object.target.slice(1) }
      : object,
  );
  return { ...paragraph, objects };
}

/** Keeps the names that something leads to, and the links that lead to one or out of the file. `namesOf`: by the id of a block. */
export function withPlaces(
  blocks: readonly Block[],
  notes: readonly (readonly [string, readonly Block[]])[],
  namesOf: PlaceNames,
): Linked {
  const known = new Set([...namesOf.values()].flat());
  const wanted = new Set<string>();
  let lost = 0;
  const resolved = (link: string): string | undefined => {
    if (LEADS_OUT.test(link)) return link;
    if (/^www\./i.test(link)) return `http://${link}`;
    const name = link.startsWith('#')
      ? [link.slice(1), unescapedAddress(link.slice(1))].find((one) => known.has(one))
      : undefined;
    if (name === undefined) {
      lost += 1;
      return undefined;
    }
    wanted.add(name);
    return `#${name}`;
  };
  const blocksByName = new Map([...namesOf].flatMap(([id, names]) => names.map((name) => [name, id] as const)));
  const led = eachParagraph((paragraph) => {
    const referred = withTargets(paragraph, blocksByName);
    return referred.spans.some(({ link }) => link !== undefined)
      ? { ...referred, spans: referred.spans.flatMap((span) => ledSpan(span, resolved)) }
      : referred;
  });
  const ledBlocks = blocks.map(led);
  const ledNotes = notes.map(([id, list]) => [id, list.map(led)] as const);
  if (wanted.size === 0) return { blocks: ledBlocks, notes: ledNotes, lost };
  const named = eachParagraph((paragraph) => {
    const names = (namesOf.get(paragraph.id) ?? []).filter((name) => wanted.delete(name)).slice(0, MOST_NAMES);
    return names.length === 0 ? paragraph : { ...paragraph, names };
  });
  return { blocks: ledBlocks.map(named), notes: ledNotes.map(([id, list]) => [id, list.map(named)]), lost };
}

function ledSpan({ link, ...span }: Span, resolved: (link: string) => string | undefined): Span[] {
  const to = link === undefined ? undefined : resolved(link);
  if (to !== undefined) return [{ ...span, link: to }];
  return Object.keys(span).length > 2 ? [span] : [];
}

function eachParagraph(map: (paragraph: Paragraph) => Paragraph): (block: Block) => Block {
  const mapped = (block: Block): Block =>
    block.kind === 'paragraph'
      ? map(block)
      : {
          ...block,
          rows: block.rows.map((row) => row.map((cell) => ({ ...cell, blocks: cell.blocks.map(mapped) }))),
        };
  return mapped;
}
