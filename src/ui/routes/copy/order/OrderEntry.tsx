// One entry of the running order: chosen with a click, moved by dragging it or with the arrow keys and Alt.
import { useSortable } from '@dnd-kit/sortable';
import { memo } from 'react';
import type { RunningOrderRow } from '../../../../state/book/selectors';
import { groupDigits } from '../../../frame/useStageFacts';

interface EntryProps {
  readonly id: string | null;
  readonly name: string;
  readonly isPart?: boolean;
  /** Goes on where the one before it ends. */
  readonly isJoined?: boolean;
  readonly words?: string;
  readonly pages?: string;
  readonly isOut?: boolean;
  readonly isChosen: boolean;
  /** A file that is dropped now goes in before it. */
  readonly isMarked?: boolean;
  readonly onChoose: (id: string | null) => void;
}

const classOf = ({ isChosen, isPart, isMarked, isJoined, isOut }: EntryProps) =>
  [
    'flex w-full border-l-[3px] py-[3.5px] pr-3.5 text-left',
    isJoined ? 'pl-[23px]' : 'pl-[11px]',
    isChosen ? 'border-primary bg-tint font-semibold' : 'border-transparent hover:bg-base-200',
    isPart ? 'mt-1.5' : '',
    isMarked ? 'shadow-[0_-2px_0_var(--color-primary)]' : '',
    isOut ? 'text-quiet line-through decoration-[var(--color-quiet)]/50' : '',
  ].join(' ');

/** The particulars: first, and not to be moved. */
export function PlainEntry(props: EntryProps) {
  const { id, name, isChosen, onChoose } = props;
  return (
    <button
      data-order-row
      className={classOf(props)}
      aria-current={isChosen ? 'true' : undefined}
      onClick={() => onChoose(id)}
    >
      <span className="min-w-0 grow truncate">{name}</span>
    </button>
  );
}

export const OrderEntry = memo(function OrderEntry({
  row,
  isChosen,
  isMarked,
  readOnly,
  onChoose,
}: {
  row: RunningOrderRow;
  isChosen: boolean;
  isMarked: boolean;
  readOnly: boolean;
  onChoose: (id: string | null) => void;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useSortable({ id: row.id, disabled: readOnly });
  const words = row.words === null || row.words === 0 ? 'made' : groupDigits(row.words);
  const className = classOf({
    id: row.id,
    name: row.name,
    isPart: row.role === 'part',
    isJoined: row.start === 'same',
    isOut: row.isOut && !row.isEbookOnly,
    isChosen,
    isMarked,
    onChoose,
  });
  return (
    <button
      ref={setNodeRef}
      {...listeners}
      className={`${className} ${isDragging ? 'relative z-10 bg-base-100 shadow-md' : ''}`}
      style={transform === null ? undefined : { transform: `translateY(${transform.y}px)` }}
      data-order-row
      data-division={row.id}
      aria-current={isChosen ? 'true' : undefined}
      aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown"
      title={row.isEbookOnly ? `${row.name}: in the ebook alone` : row.isOut ? `${row.name}: in neither` : row.name}
      onClick={() => onChoose(row.id)}
    >
      <span className="min-w-0 grow truncate">{row.name}</span>
      <span className="w-14 shrink-0 text-right text-quiet">{words}</span>
      <span className="w-11 shrink-0 text-right text-quiet">
        {row.isEbookOnly ? 'ebook' : row.isOut ? 'out' : (row.pages ?? '')}
      </span>
    </button>
  );
});
