// What the main thread is told of a composed book: the page table and what stands on it, without the lines themselves.
import type { TypesetBook } from '../core/model/composed/pages';
import { listChange } from '../core/index';
import type { ComposedSummary, PageSummary, SummaryChange } from './protocol';

export function summarise(book: TypesetBook, revision: number): ComposedSummary {
  const pages = book.pages.map((page): PageSummary => {
    const first = page.fragments[0];
    const at = first?.paragraph.broken.from[first.from] ?? 0;
    const styled = first?.paragraph.styled;
    return {
      index: page.index,
      side: page.side,
      role: page.role,
      division: page.division,
      folio: page.folio,
      ...(page.isMade ? { isMade: true } : {}),
      start:
        styled === undefined ? null : { stream: styled.stream, block: styled.block, offset: styled.source?.[at] ?? at },
    };
  });
  return {
    revision,
    pages,
    geometry: book.geometry,
    extents: book.extents,
    headings: book.references.headings,
    sections: book.references.sections,
    captions: book.references.captions,
    touched: book.touched,
    notes: book.notes,
    findings: book.findings,
    words: book.words,
    lines: book.lines,
    times: book.times,
    charactersPerLine: charactersPerLine(book),
  };
}

/** Mean characters of the lines of body text that fill the widest of its columns; 0 under ten of them. */
function charactersPerLine(book: TypesetBook): number {
  let [lines, characters, widest] = [0, 0, 0];
  for (const page of book.pages) {
    for (const { paragraph, from, to } of page.fragments) {
      const { styled, broken } = paragraph;
      if (styled.style.meaning !== 'body') continue;
      for (let line = from; line < Math.min(to, broken.count - 1); line += 1) {
        if (broken.width[line] < widest - 0.5) continue;
        if (broken.width[line] > widest + 0.5) [lines, characters, widest] = [0, 0, broken.width[line]];
        lines += 1;
        characters += broken.to[line] - broken.from[line];
      }
    }
  }
  return lines < 10 ? 0 : characters / lines;
}

/** Tells each summary by what it changes of the one told before. */
export class SummaryTeller {
  /** The summary that the main thread has, with its number. */
  private told: { readonly number: number; readonly summary: ComposedSummary } | null = null;

  changeTo(summary: ComposedSummary): SummaryChange {
    const { told } = this;
    const { pages, extents, headings, findings, ...facts } = summary;
    this.told = { number: (told?.number ?? 0) + 1, summary };
    const before = told?.summary;
    return {
      number: this.told.number,
      from: told?.number ?? null,
      facts,
      lists: {
        pages: listChange(before?.pages ?? [], pages),
        extents: listChange(before?.extents ?? [], extents),
        headings: listChange(before?.headings ?? [], headings),
        findings: listChange(before?.findings ?? [], findings),
      },
    };
  }
}
