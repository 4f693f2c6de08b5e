// The running order: particulars first, then front matter, body and back matter, with words and pages. Entries are added,
// dragged, and moved with the keys.
import {
  closestCenter,
  DndContext,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Fragment, memo, useState, type KeyboardEvent } from 'react';
import type { Matter } from '../../../../core/model/copy/book';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { moveDivision, stepDivision } from '../../../../state/order/orderThunks';
import type { RunningOrderRow } from '../../../../state/book/selectors';
import { selectSections } from '../../../../state/book/selectors';
import { AddDivision } from './AddDivision';
import { OrderEntry, PlainEntry } from './OrderEntry';
import type { BroughtDivisions } from '../../../../state/arrival/incomingThunks';
import { SectionRows } from './SectionRows';
import { END, useFileDrop } from './useFileDrop';

const GROUPS: readonly (readonly [Matter, string])[] = [
  ['front', 'Front matter'],
  ['body', 'Body'],
  ['back', 'Back matter'],
];

/** Pixels that the pointer goes before an entry is dragged and not chosen. */
const DRAG_FROM = 5;

interface Props {
  readonly rows: readonly RunningOrderRow[];
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
}

/** Typing draws it again only when a row of it says something else. */
export const RunningOrder = memo(function RunningOrder({ rows, chosen, onChoose }: Props) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const sections = useAppSelector(selectSections);
  const files = useFileDrop(rows);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM } }));
  const [said, setSaid] = useState('');
  const [added, setAdded] = useState('');
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over === null || over.id === active.id) return;
    const id = String(active.id);
    const others = rows.filter((row) => row.id !== id);
    const group = GROUPS.find(([matter]) => matterId(matter) === over.id)?.[0];
    if (group !== undefined) {
      const before = others.filter((row) => ORDER.indexOf(row.matter) < ORDER.indexOf(group)).length;
      dispatch(moveDivision(id, before, group));
      return;
    }
    const from = rows.findIndex((row) => row.id === id);
    const to = rows.findIndex((row) => row.id === over.id);
    dispatch(moveDivision(id, to, rows[to].matter));
    setSaid(`${rows[from].name} moved to place ${to + 1} of ${rows.length}.`);
  };
  const press = (event: KeyboardEvent<HTMLElement>) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const id = (document.activeElement as HTMLElement).dataset.division;
    if (event.altKey && id !== undefined) {
      dispatch(stepDivision(id, step));
      const at = rows.findIndex((row) => row.id === id);
      setSaid(`${rows[at]?.name ?? ''} moved ${step < 0 ? 'up' : 'down'}.`);
      requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-division="${id}"]`)?.focus());
      return;
    }
    const list = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-order-row]')];
    list[list.indexOf(document.activeElement as HTMLElement) + step]?.focus();
  };
  return (
    <nav
      aria-label="Running order"
      className="contain-content flex w-[252px] shrink-0 flex-col overflow-x-hidden overflow-y-auto border-r border-hairline bg-base-100 pb-4"
      onKeyDown={press}
      onDragOver={files.over}
      onDragLeave={files.leave}
      onDrop={files.drop}
    >
      <div className="sticky top-0 z-20 flex items-center border-b border-hairline bg-base-100 px-3.5 pb-1 pt-2.5 text-[12px] text-quiet">
        <span className="mr-3">Running order</span>
        <AddDivision readOnly={readOnly} onAdded={setAdded} />
        <span className="ml-auto flex">
          <span className="w-12 text-right">words</span>
          <span className="w-11 text-right">pages</span>
        </span>
      </div>
      <p className="sr-only" aria-live="polite">
        {said}
      </p>
      {added !== '' && (
        <p
          role="status"
          className="flex items-start border-b border-hairline py-1.5 pl-3.5 pr-1.5 text-[12px] text-quiet"
        >
          <span className="grow">{added}</span>
          <button className="btn btn-ghost btn-xs" onClick={() => setAdded('')}>
            Good
          </button>
        </p>
      )}
      <Brought told={files.told} onClose={files.close} />
      <div data-entry>
        <PlainEntry id={null} name="Particulars" isChosen={chosen === null} onChoose={onChoose} />
      </div>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <SortableContext items={rows.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          {GROUPS.map(([matter, title]) => {
            const own = rows.filter((row) => row.matter === matter);
            if (own.length === 0) return null;
            return (
              <section key={matter} aria-label={title} data-entry>
                <GroupTitle matter={matter} title={title} />
                {own.map((row) => (
                  <Fragment key={row.id}>
                    <OrderEntry
                      row={row}
                      isChosen={row.id === chosen}
                      isMarked={row.id === files.before}
                      readOnly={readOnly}
                      onChoose={onChoose}
                    />
                    <SectionRows rows={sections.filter(({ division }) => division === row.id)} />
                  </Fragment>
                ))}
              </section>
            );
          })}
        </SortableContext>
      </DndContext>
      {files.before === END && <div className="mx-3.5 border-t-2 border-primary" />}
    </nav>
  );
});

/** What became of files that were dropped: of one that came in whole its divisions tell. */
function Brought({ told, onClose }: { readonly told: readonly BroughtDivisions[]; readonly onClose: () => void }) {
  const isWorthTelling = told.length > 1 || told.some(({ problem }) => problem !== null);
  if (!isWorthTelling) return null;
  return (
    <div
      role={told.some(({ problem }) => problem !== null) ? 'alert' : 'status'}
      className="border-b border-hairline py-1.5 pl-3.5 pr-1.5 text-[12px]"
    >
      <ul>
        {told.map(({ fileName, count, problem }, at) => (
          <li key={at} className={problem === null ? 'text-quiet' : 'text-error'}>
            {problem ?? `${fileName}: ${count} ${count === 1 ? 'division' : 'divisions'}`}
          </li>
        ))}
      </ul>
      <button className="btn btn-ghost btn-xs -ml-2" onClick={onClose}>
        Good
      </button>
    </div>
  );
}

const ORDER: readonly Matter[] = ['front', 'body', 'back'];
const matterId = (matter: Matter) => `matter:${matter}`;

/** An entry dropped on the title of a matter becomes its first. */
function GroupTitle({ matter, title }: { matter: Matter; title: string }) {
  const { setNodeRef, isOver } = useDroppable({ id: matterId(matter) });
  return (
    <h2
      ref={setNodeRef}
      className={`px-3.5 pb-0.5 pt-3 text-[12px] text-quiet ${isOver ? 'shadow-[0_2px_0_var(--color-primary)]' : ''}`}
    >
      {title}
    </h2>
  );
}
