// All notes of the book: number, page and first words, by kind or by what they say; walked to, made of another kind one by
// one or all at once. Those without words or without a reference are told.
import { useMemo, useState } from 'react';
import { goToText } from '../../../state/copy/galleyThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { noteRows, type NoteRow } from '../../../state/copy/notes';
import { convertNotes, dropNote } from '../../../state/copy/noteThunks';
import { topicChosen } from '../../../state/view/viewSlice';
import { Link, useParams } from 'react-router';

/** Rows drawn at once; more are found by their words. */
const SHOWN = 300;

export function NotesPanel() {
  const dispatch = useAppDispatch();
  const { bookId } = useParams();
  const book = useAppSelector((state) => state.book.book)!;
  const places = useAppSelector((state) => state.compose.summary?.notes);
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const [kind, setKind] = useState('');
  const [words, setWords] = useState('');
  const rows = useMemo(() => noteRows(book, places ?? {}), [book, places]);
  const { kinds } = book.spec.notes;
  const needle = words.trim().toLowerCase();
  const shown = rows.filter(
    (row) =>
      (kind === '' || (kind === 'faulty' ? isFaulty(row) : row.kind === kind)) &&
      (needle === '' || row.words.toLowerCase().includes(needle) || row.label === words.trim()),
  );
  const faulty = rows.filter(isFaulty).length;
  const choices = [
    ['', `All ${rows.length}`],
    ...Object.entries(kinds).map(([id, { name }]) => [id, `${name}: ${rows.filter((row) => row.kind === id).length}`]),
    ...(faulty > 0 ? [['faulty', `Faulty: ${faulty}`]] : []),
  ] as const;
  const others = Object.entries(kinds).filter(([id]) => id !== kind);
  return (
    <section aria-label="Notes">
      <div className="flex items-center gap-2 border-b border-hairline px-3.5 py-2">
        <select
          aria-label="Kind"
          className="setting-select w-[118px]"
          value={kind}
          onChange={(event) => setKind(event.target.value)}
        >
          {choices.map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <input
          aria-label="Words of the note"
          placeholder="words or number"
          className="setting-input min-w-0 grow text-left"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </div>
      {shown.length > 0 && kind !== 'faulty' && (
        <div className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5">
          <span className="text-quiet">Change {shown.length === rows.length ? 'all' : `these ${shown.length}`}</span>
          <select
            aria-label="Change these to the kind"
            className="setting-select w-[150px]"
            value=""
            disabled={readOnly}
            onChange={(event) =>
              dispatch(
                convertNotes(
                  shown.map(({ id }) => id),
                  event.target.value,
                ),
              )
            }
          >
            <option value="">to the kind …</option>
            {others.map(([id, { name }]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </div>
      )}
      <ul>
        {shown.slice(0, SHOWN).map((row) => (
          <Row key={row.id} row={row} />
        ))}
      </ul>
      {shown.length === 0 && (
        <p className="px-3.5 py-2 text-quiet">
          {rows.length === 0
            ? 'The book has no notes. Insert, above the galley, puts one in at the caret.'
            : 'No note is like that.'}
        </p>
      )}
      {shown.length > SHOWN && <p className="px-3.5 py-2 text-quiet">and {shown.length - SHOWN} more</p>}
      <p className="px-3.5 py-2 text-[12px] text-quiet">
        Where each kind stands and how it is numbered is set in{' '}
        <Link className="underline" to={`/book/${bookId}/spec`} onClick={() => dispatch(topicChosen('notes'))}>
          Spec, Notes
        </Link>
        .
      </p>
    </section>
  );
}

const isFaulty = ({ isEmpty, hasReference }: NoteRow) => isEmpty || !hasReference;

function Row({ row }: { row: NoteRow }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const { id, label, folio, words, isEmpty, hasReference, kindName } = row;
  const place = { block: '', offset: 0 };
  return (
    <li className="border-b border-hairline">
      <button
        className="grid w-full grid-cols-[34px_1fr_34px] items-baseline gap-x-2 px-3.5 py-1.5 text-left hover:bg-base-200 disabled:hover:bg-transparent"
        title={hasReference ? `${kindName}: to its reference in the galley` : kindName}
        disabled={!hasReference}
        onClick={() => dispatch(goToText({ stream: id, anchor: place, head: place }))}
      >
        <span className="truncate text-right font-book text-[14px] text-primary">{label || '–'}</span>
        <span className="line-clamp-2 break-words font-book text-[14px] leading-[18px]">
          {isEmpty ? <span className="font-sans text-[13px] text-error">no words</span> : words}
        </span>
        <span className="text-right text-quiet">{folio}</span>
      </button>
      {!hasReference && (
        <p className="flex items-center justify-between gap-2 px-3.5 pb-1.5 text-[12px] text-error">
          No reference in the text: it is not set.
          <button className="btn btn-xs" disabled={readOnly} onClick={() => dispatch(dropNote(id))}>
            Remove
          </button>
        </p>
      )}
    </li>
  );
}
