// The galley: a division's text in one column, its style tags in the left margin, its notes beside their references.
import { memo, useMemo, type ReactNode } from 'react';
import type { Book, Division } from '../../../core/model/book';
import { effectiveTag } from '../../../core/model/effectiveTag';
import { numberNotes } from '../../../core/measure/numberNotes';
import { OBJECT_CHARACTER, type Block, type Paragraph, type Span } from '../../../core/model/streams';
import { fieldText } from '../../../core/measure/fields';

import { useAppSelector } from '../../../state/hooks';
import type { RunningOrderRow } from '../../../state/selectors';
import { groupDigits } from '../../frame/useStageFacts';

/** How a paragraph of a style looks in the galley: enough to tell them apart, not the page. */
const LOOKS: Readonly<Record<string, string>> = {
  CT: 'text-[27px] leading-[34px] italic mt-1 mb-3',
  PT: 'text-[27px] leading-[34px] italic mt-1 mb-3',
  TOH: 'text-[27px] leading-[34px] italic mt-1 mb-3',
  BT: 'text-[27px] leading-[34px] italic mt-1 mb-3',
  CN: 'mt-3',
  PN: 'mt-3',
  EXT: 'pl-9 my-1.5 text-[16px]',
  EPI: 'pl-9 my-1.5 text-[16px]',
  VRS: 'pl-14 italic',
  SB: 'text-center',
  SBO: 'text-center',
  AH: 'mt-4 font-bold',
  BH: 'mt-2 italic',
};

export function Galley({ division, row }: { division: Division; row: RunningOrderRow }) {
  const book = useAppSelector((state) => state.book.book)!;
  const styles = book.spec.styles;
  const labels = useMemo(() => numberNotes(book), [book]);
  const facts = [
    row.words ? `${groupDigits(row.words)} words` : 'filled from the particulars',
    row.pages ? `${row.pages} ${row.pages === 1 ? 'page' : 'pages'}, from folio ${row.folio}` : '',
  ];
  return (
    <section aria-label={row.name} className="min-w-0 grow overflow-y-auto bg-paper text-paper-ink" tabIndex={0}>
      <div className="mx-auto max-w-[820px] px-4 pb-24 pt-4">
        <p className="mb-3 ml-[72px] text-[#5f5a51]">{[row.name, ...facts].filter(Boolean).join(' · ')}</p>
        {division.blocks.map((block, index) => (
          <Row
            key={block.id}
            block={block}
            tag={effectiveTag(division.blocks, index)}
            styleName={styles[effectiveTag(division.blocks, index)]?.name}
            book={book}
            labels={labels}
          />
        ))}
        {division.role === 'contents' && (
          <p className="ml-[72px] text-[#5f5a51]">
            The entries are made from the headings, with the folios of their pages.
          </p>
        )}
      </div>
    </section>
  );
}

/** Tags, text and notes: the same columns in every row, so that rows can be laid out apart from each other. */
const COLUMNS = 'grid grid-cols-[56px_minmax(min(300px,100%),470px)_minmax(0,190px)] gap-x-4';

interface RowProps {
  readonly block: Block;
  readonly tag: string;
  readonly styleName: string | undefined;
  readonly book: Book;
  readonly labels: ReadonlyMap<string, string>;
}

const Row = memo(function Row({ block, tag, styleName, book, labels }: RowProps) {
  if (block.kind === 'table')
    return (
      <div className={COLUMNS}>
        <span className="pt-[5px] text-right text-[11px] font-semibold text-[#27694b]" title="Table">
          {tag}
        </span>
        <table className="my-2 w-full border-y border-[#b9b1a3] font-book text-[15px] leading-[20px]">
          <tbody>
            {block.rows.map((row, index) => (
              <tr key={index} className="border-b border-[#e2dccf] last:border-0">
                {row.map((cell) => (
                  <td key={cell.id} className="py-0.5 pr-4 align-top">
                    {cell.blocks.map((inner) => (
                      <p key={inner.id}>{inner.kind === 'paragraph' && inlineText(inner, book, labels)}</p>
                    ))}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    );
  const notes = block.objects.filter((object) => object.kind === 'note');
  return (
    <div className={`${COLUMNS} [contain-intrinsic-size:auto_46px] [content-visibility:auto]`}>
      <span className="pt-[5px] text-right text-[11px] font-semibold text-[#27694b]" title={styleName ?? tag}>
        {tag}
      </span>
      <p data-block={block.id} className={`min-h-[23px] font-book text-[17px] leading-[23px] ${LOOKS[tag] ?? ''}`}>
        {block.text === '' ? (
          <span className="text-[13px] text-[#8a6412]">empty paragraph</span>
        ) : (
          inlineText(block, book, labels)
        )}
      </p>
      <div className="space-y-1 pt-[3px]">
        {notes.map((object) => (
          <p key={object.at} className="font-book text-[13px] leading-[17px] text-[#4d4941]">
            {labels.get(object.note)}&ensp;{noteText(book, object.note)}
          </p>
        ))}
      </div>
    </div>
  );
});

function noteText(book: Book, note: string): string {
  const blocks = book.notes[note]?.blocks ?? [];
  return (
    blocks.map((block) => (block.kind === 'paragraph' ? block.text.replaceAll(OBJECT_CHARACTER, '') : '')).join(' ') ||
    'The note is empty.'
  );
}

/** Text with its looks and objects, cut wherever either changes. */
function inlineText(paragraph: Paragraph, book: Book, labels: ReadonlyMap<string, string>): ReactNode[] {
  const nodes: ReactNode[] = [];
  const cuts = new Set([0, paragraph.text.length]);
  for (const span of paragraph.spans) cuts.add(span.from).add(span.to);
  for (const object of paragraph.objects) cuts.add(object.at).add(object.at + 1);
  const places = [...cuts].sort((a, b) => a - b);
  for (let k = 0; k + 1 < places.length; k += 1) {
    const [from, to] = [places[k], places[k + 1]];
    const object = paragraph.objects.find((candidate) => candidate.at === from);
    const span = paragraph.spans.find((candidate) => candidate.from <= from && candidate.to >= to);
    if (object === undefined) nodes.push(styledText(paragraph.text.slice(from, to), span, from));
    else if (object.kind === 'note') {
      nodes.push(
        <sup key={from} className="text-[11px] font-semibold not-italic text-[#27694b]">
          {labels.get(object.note)}
        </sup>,
      );
    } else if (object.kind === 'break') nodes.push(<br key={from} />);
    else if (object.kind === 'tab') nodes.push(<span key={from}>&emsp;</span>);
    else nodes.push(<FieldChip key={from} words={fieldText(object.field, book.particulars)} field={object.field} />);
  }
  return nodes;
}

function FieldChip({ words, field }: { words: string; field: string }) {
  return (
    <span className="border-b border-dotted border-[#27694b]" title={`From the particulars: ${field}`}>
      {words || <span className="font-sans text-[13px] not-italic text-[#5f5a51]">{field}: not given</span>}
    </span>
  );
}

function styledText(text: string, span: Span | undefined, key: number): ReactNode {
  if (span === undefined) return text;
  const touches = span.touches ?? {};
  const looks = [
    span.style === 'em' || touches.italic ? 'italic' : '',
    span.style === 'strong' || touches.bold ? 'font-bold' : '',
    touches.underline ? 'underline' : '',
    touches.strike ? 'line-through' : '',
    span.style === 'sc' ? '[font-variant-caps:small-caps]' : '',
    span.style === 'sup' ? 'align-super text-[12px]' : '',
    span.style === 'sub' ? 'align-sub text-[12px]' : '',
  ];
  return (
    <span key={key} className={looks.filter(Boolean).join(' ')}>
      {text}
    </span>
  );
}
