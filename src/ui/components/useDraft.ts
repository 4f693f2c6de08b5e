// What is being typed in a field before it is taken: taken with Enter or on leaving, given up with Escape.
import { useState } from 'react';

/** `take` answers what is wrong with the text, or null when it was taken; it is not asked when nothing was changed. */
export function useDraft(shown: string, take: (draft: string) => string | null) {
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const finish = () => {
    if (draft === null) return;
    const fault = draft === shown ? null : take(draft);
    setProblem(fault);
    if (fault === null) setDraft(null);
  };
  const field = {
    value: draft ?? shown,
    'aria-invalid': problem !== null,
    onChange: (event: React.ChangeEvent<HTMLInputElement>) => setDraft(event.target.value),
    onBlur: finish,
    onKeyDown: (event: React.KeyboardEvent<HTMLInputElement>) => {
      if (event.key === 'Enter') finish();
      if (event.key !== 'Escape') return;
      setDraft(null);
      setProblem(null);
    },
  };
  return { field, problem };
}
