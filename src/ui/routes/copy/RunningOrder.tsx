// The running order: particulars first, then front matter, body and back matter, with words and pages.
import { memo, useState, type DragEvent, type KeyboardEvent } from 'react';
import { useAppDispatch } from '../../../state/hooks';
import { bringDivisionsIn } from '../../../state/incomingThunks';
import type { RunningOrderRow } from '../../../state/selectors';
import { groupDigits } from '../../frame/useStageFacts';

const GROUPS = [
  ['front', 'Front matter'],
  ['body', 'Body'],
  ['back', 'Back matter'],
] as const;

interface Props {
  readonly rows: readonly RunningOrderRow[];
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
}

export function RunningOrder({ rows, chosen, onChoose }: Props) {
  const drop = useFileDrop(rows);
  return (
    <nav
      aria-label="Running order"
      className="flex w-[252px] shrink-0 flex-col overflow-y-auto border-r border-hairline bg-base-100 pb-4"
      onKeyDown={walk}
      onDragOver={drop.over}
      onDragLeave={drop.leave}
      onDrop={drop.drop}
    >
      <div className="sticky top-0 flex justify-between border-b border-hairline bg-base-100 px-3.5 pb-1 pt-2.5 text-[12px] text-quiet">
        <span>Running order</span>
        <span className="flex">
          <span className="w-14 text-right">words</span>
          <span className="w-11 text-right">pages</span>
        </span>
      </div>
      {drop.told !== '' && (
        <p role="alert" className="border-b border-hairline px-3.5 py-1.5 text-[12px] text-error">
          {drop.told}
        </p>
      )}
      <Entry id={null} name="Particulars" isChosen={chosen === null} onChoose={onChoose} />
      {GROUPS.map(([matter, title]) => {
        const own = rows.filter((row) => row.matter === matter);
        if (own.length === 0) return null;
        return (
          <section key={matter} aria-label={title}>
            <h2 className="px-3.5 pb-0.5 pt-3 text-[12px] text-quiet">{title}</h2>
            {own.map((row) => (
              <Entry
                key={row.id}
                id={row.id}
                name={row.name}
                isPart={row.role === 'part'}
                words={row.words === null || row.words === 0 ? 'made' : groupDigits(row.words)}
                pages={row.pages === null ? '' : String(row.pages)}
                isChosen={row.id === chosen}
                isMarked={row.id === drop.before}
                onChoose={onChoose}
              />
            ))}
          </section>
        );
      })}
      {drop.before === END && <div className="mx-3.5 border-t-2 border-primary" />}
    </nav>
  );
}

interface EntryProps {
  readonly id: string | null;
  readonly name: string;
  readonly isPart?: boolean;
  readonly words?: string;
  readonly pages?: string;
  readonly isChosen: boolean;
  /** A file that is dropped now goes in before it. */
  readonly isMarked?: boolean;
  readonly onChoose: (id: string | null) => void;
}

const Entry = memo(function Entry({
  id,
  name,
  isPart = false,
  words = '',
  pages = '',
  isChosen,
  isMarked = false,
  onChoose,
}: EntryProps) {
  return (
    <button
      className={`flex w-full border-l-[3px] py-[3.5px] pl-[11px] pr-3.5 text-left ${isChosen ? 'border-primary bg-tint font-semibold' : 'border-transparent hover:bg-base-200'} ${isPart ? 'mt-1.5' : ''} ${isMarked ? 'shadow-[0_-2px_0_var(--color-primary)]' : ''}`}
      data-division={id ?? undefined}
      aria-current={isChosen ? 'true' : undefined}
      onClick={() => onChoose(id)}
    >
      <span className="min-w-0 grow truncate" title={name}>
        {name}
      </span>
      <span className="w-14 shrink-0 text-right text-quiet">{words}</span>
      <span className="w-11 shrink-0 text-right text-quiet">{pages}</span>
    </button>
  );
});

/** The place behind the last division. */
const END = 'end';

/** A file dropped on the running order becomes divisions of the book, before the entry on which it is dropped. */
function useFileDrop(rows: readonly RunningOrderRow[]) {
  const dispatch = useAppDispatch();
  const [before, setBefore] = useState<string | null>(null);
  const [told, setTold] = useState('');
  const placeOf = (event: DragEvent) =>
    (event.target as HTMLElement).closest<HTMLElement>('[data-division]')?.dataset.division ?? END;
  return {
    before,
    told,
    over(event: DragEvent) {
      if (!event.dataTransfer.types.includes('Files')) return;
      event.preventDefault();
      setBefore(placeOf(event));
    },
    leave: () => setBefore(null),
    drop(event: DragEvent) {
      const file = event.dataTransfer.files[0];
      if (file === undefined) return;
      event.preventDefault();
      event.stopPropagation();
      const at = rows.findIndex((row) => row.id === placeOf(event));
      setBefore(null);
      setTold('');
      void file
        .arrayBuffer()
        .then((bytes) => dispatch(bringDivisionsIn(file.name, new Uint8Array(bytes), at < 0 ? null : at)))
        .then((problem) => setTold(problem ?? ''));
    },
  };
}

/** Arrow keys walk the entries. */
function walk(event: KeyboardEvent<HTMLElement>) {
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (step === 0) return;
  event.preventDefault();
  const buttons = [...event.currentTarget.querySelectorAll('button')];
  buttons[buttons.indexOf(document.activeElement as HTMLButtonElement) + step]?.focus();
}
