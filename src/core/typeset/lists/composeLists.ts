// The lists that a book makes of itself, as paragraphs of its flow: contents, lists of figures and tables, the index.
import type { Division } from '../../model/copy/book';
import type { ReferenceTable } from '../../model/composed/referenceTable';
import { wholeLink } from '../../model/composed/links';
import type { ResolvedStyle } from '../../model/composed/styled';
import { paragraph as makeParagraph, type StyleTag } from '../../model/copy/streams';
import type { FlowParagraph } from '../../paginate';
import { captionEntries, contentsEntries, type ContentsEntry } from '../../references';
import type { ComposeContext } from '../flow/composeContext';
import { composeIndex } from './composeIndex';
import { inColumn, numberColumns, type NumberColumn } from './numberColumns';
import { bookEndNotes } from '../notes/composeNotes';
import { composeMade, generatedPlace } from '../flow/flowParagraph';

/** What a division makes of the book; nothing for one that makes no list. */
export function composeLists(
  division: Division,
  compose: ComposeContext,
  references: ReferenceTable,
): readonly FlowParagraph[] {
  const { contents } = compose.book.spec;
  switch (division.role) {
    case 'contents':
      return entries(division, contentsEntries(references, contents, division.id, division.corrections), compose);
    case 'figures':
    case 'tables': {
      const kind = division.role === 'figures' ? 'figure' : 'table';
      return entries(division, captionEntries(references.captions, kind, contents, division.corrections), compose);
    }
    case 'notes':
      return bookEndNotes(division, compose);
    case 'index':
      return composeIndex(division, compose, references);
    default:
      return [];
  }
}

function entries(division: Division, list: readonly ContentsEntry[], compose: ComposeContext): FlowParagraph[] {
  const styleOf = (tag: StyleTag) => compose.sheet.get(tag) ?? compose.sheet.get('TOC') ?? compose.sheet.get('TX')!;
  const plain = (style: ResolvedStyle) =>
    compose.context.interner.intern({ ...style, leftIndent: 0, firstIndent: 0, rightIndent: 0, hangingPunctuation: 0 });
  const widthOf = (number: string, style: ResolvedStyle) =>
    composeMade(division.id, makeParagraph(`number:${number}`, style.tag, number), plain(style), compose).broken
      .textWidth[0];
  const columns = numberColumns(list, styleOf, widthOf);
  return runTogether(list).map((entry) => {
    const style = styleOf(entry.tag);
    const column = entry.kind === 'entry' ? columns.get(entry.tag) : undefined;
    const { text, tail, set } = arranged(entry, style, column, compose.book.spec.contents.leader);
    const line = makeParagraph(`contents:${entry.block || entry.division}:${entry.kind}`, entry.tag, text);
    const own = set === style ? style : compose.context.interner.intern(set);
    const link = wholeLink({ kind: 'place', id: entry.block || entry.division });
    const composed = composeMade(division.id, line, own, compose, tail, [link]);
    return generatedPlace(composed, style.above, compose);
  });
}

/** Entries that run in stand in one paragraph, parted by semicolons. */
function runTogether(list: readonly ContentsEntry[]): ContentsEntry[] {
  const made: ContentsEntry[] = [];
  for (const entry of list) {
    const last = made[made.length - 1];
    const joins = entry.arrangement === 'runIn' && last?.arrangement === 'runIn' && last.tag === entry.tag;
    const words = entry.arrangement === 'runIn' && entry.kind === 'entry' ? runIn(entry) : entry;
    if (joins) made[made.length - 1] = { ...last, title: `${last.title}; ${words.title}` };
    else made.push(words);
  }
  return made;
}

const runIn = (entry: ContentsEntry): ContentsEntry => ({
  ...entry,
  number: '',
  folio: '',
  title: [entry.number, entry.title, entry.folio]
    .filter((part) => part !== '')
    .join('\u00a0')
    .replace(/\u00a0(?=\D)/g, ' '),
});

/** Room of a folio that stands first, in em. */
const FIRST_ROOM = 2.5;

/** How an entry's number, words and folio stand. */
function arranged(
  entry: ContentsEntry,
  style: ResolvedStyle,
  column: NumberColumn | undefined,
  leader: string,
): { readonly text: string; readonly tail: string; readonly set: ResolvedStyle } {
  const { number, title, folio, arrangement } = entry;
  const inRow = column && arrangement !== 'first' && arrangement !== 'runIn' ? inColumn(entry, column) : null;
  const words = inRow?.words ?? (number === '' ? title : `${number}\u2002${title}`);
  const set =
    inRow === null
      ? style
      : { ...style, tabs: inRow.stops, leftIndent: inRow.leftIndent, firstIndent: inRow.firstIndent };
  if (folio === '') return { text: words, tail: '', set };
  switch (arrangement) {
    case 'leaders': {
      const end = { at: 'end' as const, kind: 'right' as const, ...(leader === '' ? {} : { leader }) };
      const tabs = [...(inRow?.stops ?? []), end];
      // Letters that hang at the left would take the folios with them.
      return { text: `${words}\t${folio}`, tail: '', set: { ...set, tabs, rightIndent: 0, hangingPunctuation: 0 } };
    }
    case 'after':
      return { text: `${words}\u2003${folio}`, tail: '', set };
    case 'first': {
      const room = FIRST_ROOM * style.size;
      const leftIndent = style.leftIndent + style.firstIndent + room;
      return {
        text: `${folio}\t${words}`,
        tail: '',
        set: { ...style, leftIndent, firstIndent: -room, rightIndent: 0, hangingPunctuation: 0 },
      };
    }
    default:
      return { text: words, tail: folio, set };
  }
}
