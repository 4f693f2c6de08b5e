// The frame of a book: top bar with the five stages as one path, the stage, and the deckle at the right edge.
import { useEffect, useState } from 'react';
import { Link, Outlet, useNavigate, useParams } from 'react-router';
import { openBook } from '../../state/book/bookThunks';
import { readMadeProducts } from '../../state/send-out/sendOutThunks';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { Deckle } from './Deckle';
import { SaveNotices, UnwrittenQuestion } from './SaveNotices';
import { TopBar } from './TopBar';
import { useFocusKeeper } from './useFocusKeeper';
import { useLeaving } from './useLeaving';
import { usePlace } from './usePlace';
import { useShortcuts } from './useShortcuts';
import { CommandSearch } from './commands/CommandSearch';
import { ShortcutHelp } from './ShortcutHelp';

export default function BookFrame() {
  const { bookId } = useParams();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const book = useAppSelector((state) => state.book.book);
  const leaving = useLeaving(bookId!);
  const [trouble, setTrouble] = useState<{ bookId: string; message: string } | null>(null);
  const problem = trouble?.bookId === bookId ? trouble!.message : null;
  const [panel, setPanel] = useState<'commands' | 'help' | null>(null);
  useShortcuts(setPanel);
  usePlace(bookId);
  useFocusKeeper();

  useEffect(() => {
    const tell = (message: string) => setTrouble({ bookId: bookId!, message });
    dispatch(openBook(bookId!))
      .then((outcome) => {
        if (outcome === 'missing') tell('This book is not on the Shelf of this browser.');
        if (outcome === 'unwritten') void navigate(-1);
        void dispatch(readMadeProducts());
      })
      .catch((error: Error) => tell(error.message));
  }, [dispatch, navigate, bookId]);

  useEffect(() => {
    if (book !== null) document.title = `${book.particulars.title || 'Untitled book'} – Walnut Leaf`;
  }, [book]);

  if (problem !== null) return <Problem message={problem} />;
  if (book === null || book.id !== bookId) {
    return (
      <div className="grid h-full place-items-center bg-desk" aria-live="polite">
        Opening the book
      </div>
    );
  }
  return (
    <div className="flex h-full flex-col">
      <TopBar onSearch={() => setPanel('commands')} onHelp={() => setPanel('help')} />
      <SaveNotices />
      <div className="flex min-h-0 grow">
        <main className="min-w-0 grow">
          <Outlet />
        </main>
        <Deckle />
      </div>
      <UnwrittenQuestion onSettled={leaving.settled} onStay={leaving.stay} />
      {panel === 'commands' && <CommandSearch onClose={() => setPanel(null)} />}
      {panel === 'help' && <ShortcutHelp onClose={() => setPanel(null)} />}
    </div>
  );
}

function Problem({ message }: { message: string }) {
  return (
    <main className="grid h-full place-items-center bg-desk">
      <div role="alert" className="space-y-3 text-center">
        <p>{message}</p>
        <Link to="/" className="btn btn-sm">
          To the Shelf
        </Link>
      </div>
    </main>
  );
}
