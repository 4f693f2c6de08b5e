// The entries of the contents and of the lists of figures and tables, with the folios of their pages.
import type { ContentsLevel, ContentsSpec } from '../model/spec/contents';
import type { CaptionPlace, HeadingPlace, ReferenceTable } from '../model/composed/referenceTable';
import type { BlockId, StreamId, StyleTag } from '../model/copy/streams';

/** A line of a list. */
export interface ContentsEntry {
  /** Paragraph style. */
  readonly tag: StyleTag;
  /** What is said before the words, such as the number of a chapter; and the words. */
  readonly number: string;
  readonly title: string;
  readonly folio: string;
  readonly page: number;
  readonly arrangement: ContentsLevel['arrangement'];
  readonly division: StreamId;
  /** The block that it stands for. */
  readonly block: BlockId;
  /** An entry, or a line under one. */
  readonly kind: 'entry' | 'author' | 'description';
}

/** The corrections of a list: what an entry says instead, by the block that it stands for. */
export type Corrections = Readonly<Record<BlockId, string>>;

export function contentsEntries(
  references: ReferenceTable,
  spec: ContentsSpec,
  own: StreamId,
  corrections: Corrections = {},
): ContentsEntry[] {
  return references.headings
    .filter(({ division }) => division !== own)
    .flatMap((heading) => {
      const level = levelOf(heading, spec);
      return level === undefined ? [] : entryLines(heading, level, spec, corrections);
    });
}

/** The level of a head; a title of another style, such as that of a list, is listed as a chapter's. */
function levelOf(heading: HeadingPlace, { levels }: ContentsSpec): ContentsLevel | undefined {
  const own = levels.find(({ source }) => source === heading.tag);
  if (own !== undefined || heading.level > 1) return own;
  const wished = heading.role === 'part' ? 'PT' : 'CT';
  return levels.find(({ source }) => source === wished);
}

function entryLines(
  heading: HeadingPlace,
  level: ContentsLevel,
  spec: ContentsSpec,
  corrections: Corrections,
): ContentsEntry[] {
  const { folio, page, division, block } = heading;
  const place = { folio, page, division, block, arrangement: level.arrangement };
  const words = level.number ? entryWords(heading) : { number: '', title: heading.title || heading.number };
  const title = corrections[block] ?? words.title;
  const lines: ContentsEntry[] = [{ ...place, ...words, title, tag: level.entry, kind: 'entry' }];
  const add = (kind: 'author' | 'description', tag: StyleTag | undefined, text: string | undefined) => {
    if (tag !== undefined && text !== undefined)
      lines.push({ ...place, kind, tag, number: '', title: text, folio: '', arrangement: 'after' });
  };
  add('author', spec.author?.entry, heading.author);
  add('description', spec.description?.entry, heading.description);
  return lines;
}

/** A part says its number in words; a chapter its figure before the title; a number spelt out says nothing there. */
function entryWords({ number, title, role }: HeadingPlace): { number: string; title: string } {
  if (number === '' || title === '') return { number: '', title: title || number };
  if (role === 'part') return { number, title };
  const figure = /^(?:[\p{L}]+\s+)?([\d.]+|[ivxlc]+|\p{L}(?:\.[\d.]+)?)\.?$/iu.exec(number);
  return { number: figure?.[1].replace(/\.$/, '') ?? '', title };
}

/** The captions of one kind as entries. */
export function captionEntries(
  captions: readonly CaptionPlace[],
  kind: CaptionPlace['kind'],
  spec: ContentsSpec,
  corrections: Corrections = {},
): ContentsEntry[] {
  const level = spec.levels.find(({ source }) => source === 'CT') ?? spec.levels[0];
  return captions
    .filter((caption) => caption.kind === kind)
    .map(({ block, text, page, folio }) => ({
      tag: level?.entry ?? 'TOC',
      number: '',
      title: corrections[block] ?? text,
      folio,
      page,
      arrangement: level?.arrangement ?? 'white',
      division: '',
      block,
      kind: 'entry',
    }));
}
