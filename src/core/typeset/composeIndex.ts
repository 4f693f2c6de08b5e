// The index as paragraphs: terms with their folios, sub-entries on lines of their own or run in, see and see also.
import { initialOf } from '../base/collate';
import type { Division } from '../model/book';
import type { IndexLocators, ReferenceTable } from '../model/referenceTable';
import { paragraph as makeParagraph, type Span } from '../model/streams';
import type { FlowParagraph } from '../paginate';
import { rangeText } from '../references';
import type { ComposeContext } from './composeDivision';
import { composeGenerated } from './composeParagraph';
import { generatedPlace } from './flowParagraph';

interface IndexLine {
  readonly key: string;
  readonly tag: 'IXL' | 'IX' | 'IXS';
  readonly text: string;
  readonly spans: readonly Span[];
}

const SEE: Readonly<Record<string, readonly [string, string]>> = {
  en: ['see', 'see also'],
  de: ['siehe', 'siehe auch'],
  fr: ['voir', 'voir aussi'],
  es: ['véase', 'véase también'],
};

export function composeIndex(division: Division, compose: ComposeContext, references: ReferenceTable): FlowParagraph[] {
  return indexLines(references.index, compose).map(({ key, tag, text, spans }, index) => {
    const style = compose.sheet.get(tag) ?? compose.sheet.get('TX')!;
    const job = {
      stream: division.id,
      paragraph: makeParagraph(`index:${key}${spans.length > 0 ? JSON.stringify(spans) : ''}`, tag, text, { spans }),
      style,
      measure: compose.measure,
      prefix: '',
      tail: '',
      variants: 'none' as const,
    };
    const composed = composeGenerated(job, compose.style, compose.context, compose.clock);
    return generatedPlace(composed, index === 0 ? 0 : style.above, compose);
  });
}

function indexLines(entries: readonly IndexLocators[], { book }: ComposeContext): IndexLine[] {
  const { index } = book.spec;
  const [see, seeAlso] = SEE[book.particulars.language.split('-')[0]] ?? SEE.en;
  const lines: IndexLine[] = [];
  let letter = '';
  for (const entry of entries) {
    const own = initialOf(entry.term);
    if (index.letterHeads && own !== letter && entry.sub === '') {
      letter = own;
      if (own !== '0') lines.push({ key: `letter:${own}`, tag: 'IXL', text: own, spans: [] });
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
function runIn(line: IndexLine, words: Pick<IndexLine, 'text' | 'spans'>): IndexLine {
  const isFirst = line.text === line.key;
  const between = isFirst ? ': ' : '; ';
  const at = line.text.length + between.length;
  const moved = words.spans.map((span) => ({ ...span, from: span.from + at, to: span.to + at }));
  return { ...line, text: line.text + between + words.text, spans: [...line.spans, ...moved] };
}

function entryWords(
  { term, sub, folios, see: seeTerm, seeAlso: alsoTerms }: IndexLocators,
  ranges: Parameters<typeof rangeText>[1],
  see: string,
  seeAlso: string,
): Pick<IndexLine, 'text' | 'spans'> {
  let text = sub === '' ? term : sub;
  const spans: Span[] = [];
  const shown = folios.map((range) => rangeText(range, ranges)).filter((range) => range !== '');
  if (shown.length > 0) text += `, ${shown.join(', ')}`;
  const refer = (word: string, to: string) => {
    text += folios.length > 0 || text.includes('. ') ? '. ' : ', ';
    const said = text.endsWith('. ') ? word[0].toUpperCase() + word.slice(1) : word;
    spans.push({ from: text.length, to: text.length + said.length, touches: { italic: true } });
    text += `${said} ${to}`;
  };
  if (seeTerm !== '') refer(see, seeTerm);
  if (alsoTerms.length > 0) refer(seeAlso, alsoTerms.join('; '));
  return { text, spans };
}
