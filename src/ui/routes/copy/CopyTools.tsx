// The right column of Copy: tidying, or finding and replacing.
import { useState } from 'react';
import { FindPanel } from './FindPanel';
import { TidyPanel } from './TidyPanel';

const TOOLS = [
  ['tidy', 'Tidy'],
  ['find', 'Find and replace'],
] as const;

export function CopyTools() {
  const [chosen, setChosen] = useState<(typeof TOOLS)[number][0]>('tidy');
  return (
    <aside aria-label="Tools" className="w-[272px] shrink-0 overflow-y-auto border-l border-hairline bg-base-100 pb-6">
      <div className="flex gap-5 border-b border-base-300 px-3.5 pb-1.5 pt-2.5">
        {TOOLS.map(([key, name]) => (
          <button
            key={key}
            aria-pressed={chosen === key}
            className={chosen === key ? 'font-semibold' : 'text-quiet hover:underline'}
            onClick={() => setChosen(key)}
          >
            {name}
          </button>
        ))}
      </div>
      {chosen === 'tidy' ? <TidyPanel /> : <FindPanel />}
    </aside>
  );
}
