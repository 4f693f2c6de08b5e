// A note put in on the page: after the word that was clicked on, with its words typed in the slip.
import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { addNoteHere, wordBefore } from '../../../state/copy/noteThunks';
import { selectParagraph } from '../../../state/book/selectors';
import type { ParagraphPlace } from '../../../state/view/viewSlice';

export function NoteHere({ place }: { place: ParagraphPlace }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const kinds = useAppSelector((state) => state.book.book!.spec.notes.kinds);
  const block = useAppSelector((state) => selectParagraph(state, place.stream, place.block));
  const [chosen, setChosen] = useState(Object.keys(kinds)[0]);
  const [words, setWords] = useState('');
  if (block === undefined || place.offset === undefined) return null;
  const kind = chosen in kinds ? chosen : Object.keys(kinds)[0];
  const { word } = wordBefore(block.text, place.offset);
  const put = () => {
    if (words.trim() === '') return;
    dispatch(addNoteHere(place, place.offset!, kind, words.trim()));
    setWords('');
  };
  return (
    <form
      className="space-y-1.5 border-b border-hairline px-3.5 py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        put();
      }}
    >
      <p className="truncate">
        Note after <span className="font-book text-[15px]">{word || 'the start'}</span>
      </p>
      <input
        aria-label="Words of the note"
        placeholder="its words"
        className="setting-input w-full text-left"
        value={words}
        disabled={readOnly}
        onChange={(event) => setWords(event.target.value)}
      />
      <div className="flex items-center justify-between gap-2">
        <select
          aria-label="Kind of the note"
          className="setting-select w-[118px]"
          value={kind}
          disabled={readOnly}
          onChange={(event) => setChosen(event.target.value)}
        >
          {Object.entries(kinds).map(([id, { name }]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <button type="submit" className="btn btn-xs" disabled={readOnly || words.trim() === ''}>
          Insert
        </button>
      </div>
    </form>
  );
}
