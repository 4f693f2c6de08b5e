// Putting in an index mark: its term and sub-term, see and see also, and whether it is a place or an end of a range.
import { useState, type FormEvent } from 'react';
import type { IndexMark } from '../../../../core/model/spec/indexSpec';
import { useAppSelector } from '../../../../state/hooks';
import { selectIndexTerms } from '../../../../state/book/selectors';

interface Props {
  /** The mark that is changed. */
  readonly first: IndexMark | undefined;
  /** Words for a new one. */
  readonly words: string;
  readonly onTake: (mark: IndexMark) => void;
}

const TEXTS = [
  ['term', 'Term'],
  ['sub', 'Under it'],
  ['see', 'See'],
  ['seeAlso', 'See also'],
] as const;

export function IndexForm({ first, words, onTake }: Props) {
  const terms = useAppSelector(selectIndexTerms);
  const [mark, setMark] = useState<IndexMark>(first ?? { term: words, sub: '', see: '', seeAlso: '', range: 'here' });
  const isRight = mark.term.trim() !== '';
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (isRight) onTake(mark);
  };
  return (
    <form className="space-y-1.5 px-3 py-2" onSubmit={submit}>
      <datalist id="index-terms">
        {terms.map((term) => (
          <option key={term} value={term} />
        ))}
      </datalist>
      {TEXTS.map(([key, label]) => (
        <label key={key} className="grid grid-cols-[72px_1fr] items-center gap-2">
          {label}
          <input
            autoFocus={key === 'term'}
            className="border border-[#b9b1a3] bg-transparent px-1.5 py-0.5"
            list={key === 'sub' ? undefined : 'index-terms'}
            maxLength={200}
            value={mark[key]}
            onChange={(event) => setMark({ ...mark, [key]: event.target.value })}
          />
        </label>
      ))}
      <label className="grid grid-cols-[72px_1fr] items-center gap-2">
        Pages
        <select
          className="galley-select"
          value={mark.range}
          onChange={(event) => setMark({ ...mark, range: event.target.value as IndexMark['range'] })}
        >
          <option value="here">this place</option>
          <option value="from">a range begins here</option>
          <option value="to">the range ends here</option>
        </select>
      </label>
      <div className="flex items-center justify-between pt-1">
        <span className="text-[12px] text-[#5f5a51]">{isRight ? '' : 'A mark has a term.'}</span>
        <button className="galley-button border border-[#b9b1a3]" disabled={!isRight}>
          {first === undefined ? 'Insert' : 'Change'}
        </button>
      </div>
    </form>
  );
}
