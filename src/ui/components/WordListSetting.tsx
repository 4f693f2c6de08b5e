// A list of words or word pairs in the settings column, one a line: taken on leaving the field.
import { useId, useState } from 'react';
import { SettingRow } from './Setting';

interface Props {
  readonly label: string;
  readonly value: readonly string[];
  readonly disabled?: boolean;
  readonly note: string;
  /** Answers what is wrong with the list, or null when it was taken. */
  readonly onChange: (to: string[]) => string | null;
}

export function WordListSetting({ label, value, disabled = false, note, onChange }: Props) {
  const id = useId();
  const shown = value.join('\n');
  const [typed, setTyped] = useState<{ over: string; draft: string; problem: string | null } | null>(null);
  const draft = typed?.over === shown ? typed.draft : shown;
  const take = () => {
    if (typed === null) return;
    const words = draft
      .split(/[\n,;]+/)
      .map((word) => word.trim())
      .filter((word) => word !== '');
    const problem = onChange(words);
    setTyped(problem === null ? null : { over: shown, draft, problem });
  };
  return (
    <SettingRow label={label} id={id} note={note} isWide problem={typed?.over === shown ? typed.problem : null}>
      <textarea
        id={id}
        rows={Math.min(6, Math.max(2, draft.split('\n').length))}
        className="setting-input w-full resize-y px-2 py-1 text-left"
        value={draft}
        disabled={disabled}
        spellCheck={false}
        onChange={(event) => setTyped({ over: shown, draft: event.target.value, problem: null })}
        onBlur={take}
      />
    </SettingRow>
  );
}
