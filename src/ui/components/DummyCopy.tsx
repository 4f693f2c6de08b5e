// Dummy copy: where it is filled in, and how it is taken out again.
import { useId, useState } from 'react';
import { takesDummyCopy } from '../../core/copy/dummyCopy';
import { dropDummyCopy, fillBook, fillDivision, fillPages } from '../../state/arrival/dummyThunks';
import { selectDummyCount } from '../../state/book/selectors';
import { useAppDispatch, useAppSelector } from '../../state/hooks';

type Extent = 'book' | 'pages' | 'division';

const COUNTS: Readonly<Record<Extent, { readonly label: string; readonly first: string } | null>> = {
  book: { label: 'Chapters', first: '12' },
  pages: { label: 'Pages', first: '16' },
  division: null,
};

export function DummyCopy() {
  const book = useAppSelector((state) => state.book.book);
  const chosen = useAppSelector((state) => state.view.division);
  if (book === null) return null;
  const fillable = book.divisions.filter(takesDummyCopy);
  const division = fillable.find(({ id }) => id === chosen) ?? fillable.at(-1);
  return (
    <>
      <Fill division={division?.id ?? null} isChosen={division?.id === chosen} />
      <TakeOut />
    </>
  );
}

/** `division`: the one that is filled, chosen in Copy or else the last of text. */
function Fill({ division, isChosen }: { readonly division: string | null; readonly isChosen: boolean }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const [extent, setExtent] = useState<Extent>('book');
  const [typed, setTyped] = useState<Readonly<Record<Extent, string>>>({ book: '12', pages: '16', division: '' });
  const [problem, setProblem] = useState<string | null>(null);
  const [isFilling, setFilling] = useState(false);
  const ids = [useId(), useId()];
  const count = COUNTS[extent];
  const where = isChosen ? 'this division' : 'the last chapter';
  const fill = async () => {
    setFilling(true);
    setProblem(
      extent === 'book'
        ? dispatch(fillBook(Number(typed.book)))
        : division === null
          ? 'There is no division that could be filled.'
          : extent === 'pages'
            ? await dispatch(fillPages(division, Number(typed.pages)))
            : (dispatch(fillDivision(division)), null),
    );
    setFilling(false);
  };
  return (
    <form
      className="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-hairline px-3.5 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        void fill();
      }}
    >
      <label htmlFor={ids[0]}>Fill</label>
      <select
        id={ids[0]}
        className="setting-select w-[132px]"
        value={extent}
        disabled={readOnly}
        onChange={(event) => setExtent(event.target.value as Extent)}
      >
        <option value="book">the book</option>
        <option value="pages">pages of {where}</option>
        <option value="division">{where}</option>
      </select>
      {count !== null && (
        <input
          id={ids[1]}
          aria-label={count.label}
          title={count.label}
          inputMode="numeric"
          className="setting-input w-[44px]"
          value={typed[extent]}
          disabled={readOnly}
          onChange={(event) => setTyped({ ...typed, [extent]: event.target.value })}
        />
      )}
      <button className="btn btn-xs" type="submit" disabled={readOnly || isFilling}>
        {count === null ? 'Fill' : `Fill ${count.label.toLowerCase()}`}
      </button>
      {isFilling && (
        <p role="status" className="w-full text-[12px] text-quiet">
          Composing trials.
        </p>
      )}
      {problem !== null && (
        <p role="alert" className="w-full text-[12px] text-error">
          {problem}
        </p>
      )}
    </form>
  );
}

function TakeOut() {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const { paragraphs, divisions } = useAppSelector(selectDummyCount);
  if (paragraphs === 0) return null;
  return (
    <div className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5">
      <p className="text-[12px] text-quiet" role="status">
        {paragraphs} {paragraphs === 1 ? 'paragraph' : 'paragraphs'} of dummy copy in {divisions}{' '}
        {divisions === 1 ? 'division' : 'divisions'}
      </p>
      <button className="btn btn-xs shrink-0" disabled={readOnly} onClick={() => dispatch(dropDummyCopy())}>
        Take out
      </button>
    </div>
  );
}
