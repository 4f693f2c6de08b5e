// The index as paragraphs: terms with their folios, sub-entries on lines of their own or run in, see and see also.
import { initialOf } from '../../base/collate';
import { madeWords } from '../../copy/madeWords';
import type { Division } from '../../model/copy/book';
import type { TextLink } from '../../model/composed/links';
import type { IndexLocators, ReferenceTable } from '../../model/composed/referenceTable';
import { paragraph as makeParagraph, type Span } from '../../model/copy/streams';
import type { FlowParagraph } from '../../paginate';
import { CONTINUED_BLOCK, INDEX_BLOCK, rangeText } from '../../references';
import type { ComposeContext } from '../flow/composeContext';
import { composeMade, generatedPlace } from '../flow/flowParagraph';

interface IndexLine {
  readonly key: string;
  readonly tag: 'IXL' | 'IX' | 'IXS';
  readonly text: string;
  readonly spans: readonly Span[];
  /** Locators, over the text. */
  readonly links: readonly TextLink[];
}

type Words = Pick<IndexLine, 'text' | 'spans' | 'links'>;

const CONTINUED = CONTINUED_BLOCK.slice(INDEX_BLOCK.length);
/** The lines with the terms that are said again above sub-entries at a verso head. */
function withContinued(
  lines: readonly IndexLine[],
  { continued }: ReferenceTable,
  { book }: ComposeContext,
): readonly IndexLine[] {
  if (continued.length === 0) return lines;
  const wished = new Set(continued);
  const said = madeWords(book.particulars.language).continued;
  return lines.flatMap((line) => {
    if (line.tag !== 'IXS' || !wished.has(line.key)) return [line];
    const term = line.key.split('\u0000')[0];
    const text = `${term} (${said})`;
    const spans = [{ from: term.length + 2, to: text.length - 1, touches: { italic: true } }];
    return [{ key: `${CONTINUED}${line.key}`, tag: 'IX', text, spans, links: [] } satisfies IndexLine, line];
  });
}

export function composeIndex(division: Division, compose: ComposeContext, references: ReferenceTable): FlowParagraph[] {
  const lines = indexLines(references.index, compose);
  return withContinued(lines, references, compose).map(({ key, tag, text, spans, links }, index) => {
    const own = compose.sheet.get(tag) ?? compose.sheet.get('TX')!;
    const isContinued = key.startsWith(CONTINUED);
    const style = isContinued ? compose.context.interner.intern({ ...own, withNext: true }) : own;
    const id = `${INDEX_BLOCK}${key}${spans.length > 0 ? JSON.stringify(spans) : ''}`;
    const composed = composeMade(division.id, makeParagraph(id, tag, text, { spans }), style, compose, '', links);
    return generatedPlace(composed, index === 0 ? 0 : style.above, compose);
  });
}

function indexLines(entries: readonly IndexLocators[], { book }: ComposeContext): IndexLine[] {
  const { index } = book.spec;
  const { see, seeAlso } = madeWords(book.particulars.language);
  const lines: IndexLine[] = [];
  let letter = '';
  for (const entry of entries) {
    const own = initialOf(entry.term, book.particulars.language);
    if (index.letterHeads && own !== letter && entry.sub === '') {
      letter = own;
      if (own !== '0') lines.push({ key: `letter:${own}`, tag: 'IXL', text: own, spans: [], links: [] });
    }
    const words = entryWords(entry, index.ranges, see, seeAlso);
    const last = lines[lines.length - 1];
    if (entry.sub === '' || last === undefined) lines.push({ key: entry.term, tag: 'IX', ...words });
    else if (index.subentries === 'runIn') lines[lines.length - 1] = runIn(last, words);
    else lines.push({ key: `${entry.term}\u0000${entry.sub}`, tag: 'IXS', ...words });
  }
  return lines;
}

/** A sub-entry after its term: the first after a colon, or a comma's worth of white where the term has folios. */
function runIn(line: IndexLine, words: Words): IndexLine {
  const isFirst = line.text === line.key;
  const between = isFirst ? ': ' : '; ';
  const at = line.text.length + between.length;
  const moved = <T extends { readonly from: number; readonly to: number }>(list: readonly T[]) =>
    list.map((one) => ({ ...one, from: one.from + at, to: one.to + at }));
  return {
    ...line,
    text: line.text + between + words.text,
    spans: [...line.spans, ...moved(words.spans)],
    links: [...line.links, ...moved(words.links)],
  };
}

function entryWords(
  { term, sub, folios, see: seeTerm, seeAlso: alsoTerms }: IndexLocators,
  ranges: Parameters<typeof rangeText>[1],
  see: string,
  seeAlso: string,
): Words {
  let text = sub === '' ? term : sub;
  const spans: Span[] = [];
  const links: TextLink[] = [];
  folios.forEach((range, at) => {
    const said = rangeText(range, ranges);
    if (said === '') return;
    text += `, ${said}`;
    const target = { kind: 'locator', term, sub, at } as const;
    links.push({ from: text.length - said.length, to: text.length, target });
  });
  const refer = (word: string, to: string) => {
    text += folios.length > 0 || text.includes('. ') ? '. ' : ', ';
    const said = text.endsWith('. ') ? word[0].toUpperCase() + word.slice(1) : word;
    spans.push({ from: text.length, to: text.length + said.length, touches: { italic: true } });
    text += `${said} ${to}`;
  };
  if (seeTerm !== '') refer(see, seeTerm);
  if (alsoTerms.length > 0) refer(seeAlso, alsoTerms.join('; '));
  return { text, spans, links };
}
