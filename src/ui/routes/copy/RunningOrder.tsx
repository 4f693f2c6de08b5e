// The running order: particulars first, then front matter, body and back matter, with words and pages.
import { memo, type KeyboardEvent } from 'react';
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
  return (
    <nav
      aria-label="Running order"
      className="flex w-[252px] shrink-0 flex-col overflow-y-auto border-r border-hairline bg-base-100 pb-4"
      onKeyDown={walk}
    >
      <div className="sticky top-0 flex justify-between border-b border-hairline bg-base-100 px-3.5 pb-1 pt-2.5 text-[12px] text-quiet">
        <span>Running order</span>
        <span className="flex">
          <span className="w-14 text-right">words</span>
          <span className="w-11 text-right">pages</span>
        </span>
      </div>
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
                onChoose={onChoose}
              />
            ))}
          </section>
        );
      })}
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
  readonly onChoose: (id: string | null) => void;
}

const Entry = memo(function Entry({
  id,
  name,
  isPart = false,
  words = '',
  pages = '',
  isChosen,
  onChoose,
}: EntryProps) {
  return (
    <button
      className={`flex w-full border-l-[3px] py-[3.5px] pl-[11px] pr-3.5 text-left ${isChosen ? 'border-primary bg-tint font-semibold' : 'border-transparent hover:bg-base-200'} ${isPart ? 'mt-1.5' : ''}`}
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

/** Arrow keys walk the entries. */
function walk(event: KeyboardEvent<HTMLElement>) {
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (step === 0) return;
  event.preventDefault();
  const buttons = [...event.currentTarget.querySelectorAll('button')];
  buttons[buttons.indexOf(document.activeElement as HTMLButtonElement) + step]?.focus();
}
