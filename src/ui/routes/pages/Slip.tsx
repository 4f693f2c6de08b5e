// The slip: facts of the spread in view, and the findings on it.
import type { DisplayList } from '../../../core/model/composed/displayList';
import { findTable } from '../../../core/copy/findTable';
import { figureAt } from '../../../core/copy/figures/findFigures';
import { findingRows } from '../../../state/book/findingRows';
import { selectFindings } from '../../../state/send-out/outsideFacts';
import { useAppSelector } from '../../../state/hooks';
import type { Spread } from '../../../state/book/selectors';
import { usePageCache } from '../../pageView/pageCacheContext';
import { PageTouchFields } from './PageTouchFields';
import { FigureSlip } from './FigureSlip';
import { ParagraphSlip } from './ParagraphSlip';
import { SpreadDepth } from './SpreadDepth';
import { TableSlip } from './TableSlip';
import type { PageSummary } from '../../../worker/typesetClient';

const ROLES: Readonly<Record<PageSummary['role'], string>> = {
  opener: 'opener',
  text: 'text',
  blank: 'blank',
  display: 'display',
  plate: 'plate',
};

export function Slip({ spread }: { spread: Spread | undefined }) {
  const findings = useAppSelector(selectFindings);
  const paragraph = useAppSelector((state) => state.view.paragraph);
  const { cache } = usePageCache();
  const pages = spread ? [spread.verso, spread.recto].filter((page) => page !== null) : [];
  const here = findings.filter((finding) => pages.some((page) => page.index === finding.page));
  const book = useAppSelector((state) => state.book.book);
  const figure = book && paragraph ? figureAt(book, paragraph.stream, paragraph.block) : undefined;
  const table = book && paragraph ? findTable(book, paragraph.stream, paragraph.block) : undefined;
  const rows = book === null ? [] : findingRows(here, book);
  const lines = pages.map((page) => countLines(cache.get(page.index)));
  return (
    <aside
      aria-label="This spread"
      className="w-[224px] shrink-0 overflow-y-auto border-l border-hairline bg-base-100 [&_.setting-select]:min-w-[110px]"
    >
      {paragraph && table && <TableSlip place={paragraph} found={table} />}
      {paragraph && !table && figure === undefined && (
        <ParagraphSlip key={`${paragraph.stream} ${paragraph.block}`} place={paragraph} />
      )}
      {paragraph && figure !== undefined && <FigureSlip key={figure.id} place={paragraph} figure={figure} />}
      <h2 className="border-b border-base-300 px-3.5 pb-1.5 pt-2.5 font-semibold">
        {pages.length > 1 ? 'This spread' : 'This page'}
      </h2>
      <dl>
        <Row label="Folios" value={pages.map((page) => page.folio).join(' and ')} />
        <Row label="Roles" value={pages.map((page) => ROLES[page.role]).join(', ')} />
        <Row label="Lines" value={lines.join(' and ')} />
      </dl>
      {pages.some((page) => page.role === 'text') && (
        <SpreadDepth lists={pages.filter((page) => page.role === 'text').map((page) => cache.get(page.index))} />
      )}
      {pages.length > 0 && <PageTouchFields pages={pages} />}
      <h2
        className={`mt-5 flex justify-between border-b border-base-300 px-3.5 pb-1.5 font-semibold ${here.length > 0 ? 'text-error' : ''}`}
      >
        <span>Findings here</span>
        <span className="font-normal text-quiet">{here.length}</span>
      </h2>
      {here.length === 0 && paragraph === null && (
        <p className="px-3.5 py-2 text-quiet">Click a paragraph to see how it is set and to change where it stands.</p>
      )}
      <ul>
        {rows.map(({ finding, words, count }, index) => (
          <li key={index} className="border-b border-hairline px-3.5 py-2">
            <span className="text-quiet">Page {finding.page + 1}.</span> {finding.message}
            {words !== '' && <span className="font-book text-quiet"> “{words}”</span>}
            {count > 1 && <span className="text-quiet"> · {count} times</span>}
          </li>
        ))}
      </ul>
    </aside>
  );
}

function Row({ label, value }: { label: string; value: string }) {
  return (
    <div className="flex justify-between gap-3 border-b border-hairline px-3.5 py-1.5">
      <dt>{label}</dt>
      <dd className="text-right">{value}</dd>
    </div>
  );
}

/** Baselines of text on a page, furniture left out. */
function countLines(list: DisplayList | undefined): number {
  const baselines = new Set<number>();
  for (const item of list?.items ?? []) if (item.artifact === null) baselines.add(Math.round(item.y * 10));
  return baselines.size;
}
