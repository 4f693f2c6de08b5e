// One book on the Shelf: its composed title page, and its facts below.
import { Trash2 } from 'lucide-react';
import { useMemo, useRef } from 'react';
import { Link } from 'react-router';
import type { DisplayList, GlyphOutline } from '../../../core/model/composed/displayList';
import { useAppDispatch } from '../../../state/hooks';
import { coverOf } from '../../../state/shelf/covers';
import { removeBook } from '../../../state/shelf/shelfThunks';
import type { ShelfBook } from '../../../state/shelf/shelfSlice';
import { PageCanvas } from '../../pageView/PageCanvas';

const WIDTH = 200;
const HEIGHT = 296;

export function BookCard({ book }: { book: ShelfBook }) {
  const dispatch = useAppDispatch();
  const cover = useCover(book);
  const dialog = useRef<HTMLDialogElement>(null);
  const title = book.title || 'Untitled book';
  return (
    <li className="group relative w-[200px]">
      <Link to={`/book/${book.id}/pages`} className="block">
        <div className="flex items-end" style={{ height: HEIGHT }}>
          {cover === undefined ? (
            <div className="grid h-full w-full place-items-center bg-paper text-paper-ink/70">
              Composing the title page
            </div>
          ) : (
            <Cover list={cover.list} outlines={cover.outlines} title={title} />
          )}
        </div>
        <p className="mt-3 line-clamp-2 font-semibold" title={title}>
          <span className="sr-only">Open </span>
          {title}
        </p>
        {book.author && <p className="truncate">{book.author}</p>}
        <p className="mt-1">
          {book.trim}
          {book.pages > 0 && ` · ${book.pages} pages`}
        </p>
        <p>{touchedWords(book.touched)}</p>
        {book.findings > 0 && (
          <p>
            {book.findings} {book.findings === 1 ? 'finding' : 'findings'} left
          </p>
        )}
      </Link>
      <button
        className="btn btn-square btn-xs absolute right-1.5 top-1.5 opacity-0 focus-visible:opacity-100 group-hover:opacity-100"
        aria-label={`Remove ${title}`}
        onClick={() => dialog.current?.showModal()}
      >
        <Trash2 size={13} />
      </button>
      <dialog ref={dialog} className="modal" aria-label={`Remove ${title}`}>
        <div className="modal-box max-w-sm">
          <p className="font-semibold">Remove “{title}” from this browser?</p>
          <p className="mt-2">
            Its text, spec and history go with it. A project file that you have kept stays as it is.
          </p>
          <form method="dialog" className="mt-4 flex justify-end gap-2">
            <button className="btn btn-sm">Keep it</button>
            <button className="btn btn-sm btn-error" onClick={() => void dispatch(removeBook(book.id))}>
              Remove
            </button>
          </form>
        </div>
      </dialog>
    </li>
  );
}

/** The title page inside the card's box, as large as its trim allows. */
function Cover({ list, outlines, title }: { list: DisplayList; outlines: readonly GlyphOutline[]; title: string }) {
  const source = useMemo(() => {
    const byGlyph = new Map(outlines.map((outline) => [`${outline.face}:${outline.glyph}`, outline]));
    return (face: string, glyph: number) => byGlyph.get(`${face}:${glyph}`);
  }, [outlines]);
  const width = Math.min(WIDTH, (HEIGHT * list.width) / list.height);
  return <PageCanvas list={list} outlines={source} width={width} label={`Title page of ${title}`} />;
}

/** Read with the list of the books, so that it is there when its card is. */
function useCover(book: ShelfBook) {
  const dispatch = useAppDispatch();
  return useMemo(() => (book.hasCover ? dispatch(coverOf(book.id)) : undefined), [dispatch, book]);
}

function touchedWords(time: number): string {
  const date = new Date(time);
  const today = new Date();
  const clock = date.toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit', hour12: false });
  if (date.toDateString() === today.toDateString()) return `Edited today, ${clock}`;
  return `Edited ${date.toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' })}`;
}
