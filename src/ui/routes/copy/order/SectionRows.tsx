// The sections that begin in a division, as rows under it: name, first folio and pages; what a section says of its pages is
// edited in the row.
import { useState } from 'react';
import type { SectionRow } from '../../../../state/book/selectors';
import { SectionFields } from './SectionFields';

export function SectionRows({ rows }: { readonly rows: readonly SectionRow[] }) {
  const [open, setOpen] = useState<string | null>(null);
  return rows.map((row) => (
    <div key={row.block}>
      <button
        data-order-row
        className={`flex w-full border-l-[3px] border-transparent py-[2.5px] pl-[23px] pr-3.5 text-left text-[12px] ${row.block === open ? 'bg-base-200' : 'hover:bg-base-200'}`}
        aria-expanded={row.block === open}
        title={`Section: ${row.name}`}
        onClick={() => setOpen(row.block === open ? null : row.block)}
      >
        <span className="min-w-0 grow truncate">
          <span className="mr-1 text-quiet" aria-hidden>
            §
          </span>
          <span className="sr-only">Section </span>
          {row.name || 'Without a name'}
        </span>
        <span className="w-14 shrink-0 text-right text-quiet">
          <span className="sr-only">from folio </span>
          {row.folio || '–'}
        </span>
        <span className="w-11 shrink-0 text-right text-quiet">{row.pages ?? ''}</span>
      </button>
      {row.block === open && <SectionFields row={row} onGone={() => setOpen(null)} />}
    </div>
  ));
}
