// The Shelf: the books of this browser with their real title pages. A manuscript dropped anywhere on it makes a book.
import { Moon, Plus, Sun, X } from 'lucide-react';
import { useEffect, useRef, useState, type DragEvent, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { closeBook } from '../../../state/book/bookThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { filesTogether } from '../../../state/arrival/filesTogether';
import { addFiles, beginBook, makeCovers, readShelf } from '../../../state/shelf/shelfThunks';
import { refusalsDismissed } from '../../../state/shelf/shelfSlice';
import { themeChosen } from '../../../state/view/viewSlice';
import { LeafMark } from '../../components/LeafMark';
import { BookCard } from './BookCard';

/** Kinds of manuscript that can be read; the readers themselves come when a file does. */
const KINDS = '.docx,.odt,.rtf,.md,.markdown,.html,.htm,.xhtml,.epub,.txt,.text';

export function Shelf() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [isOver, setOver] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  const choose = () => chooser.current?.click();

  useEffect(() => {
    document.title = 'Walnut Leaf';
    // A book with changes that cannot be written is not left: back to it, where that is asked about.
    void dispatch(closeBook()).then((isClosed) => (isClosed ? dispatch(readShelf()) : navigate(-1)));
  }, [dispatch, navigate]);

  const take = async (files: FileList | null) => {
    const list = [...(files ?? [])];
    const last = await dispatch(addFiles(list));
    if (filesTogether(list).manuscripts.length === 1 && last !== null) void navigate(`/book/${last}/pages`);
    else if (last !== null) void dispatch(makeCovers());
  };

  /** A book without a manuscript begins with its spec. */
  const begin = async () => {
    const id = await dispatch(beginBook());
    if (id !== null) void navigate(`/book/${id}/spec`);
  };

  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take(event.dataTransfer.files);
  };

  return (
    <div
      className="flex h-full flex-col bg-desk text-base-content"
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={(event) => event.currentTarget.contains(event.relatedTarget as Node) || setOver(false)}
      onDrop={drop}
    >
      <ShelfHeader onChoose={choose} onBegin={() => void begin()}>
        <input
          ref={chooser}
          type="file"
          className="hidden"
          accept={`${KINDS},.walnut,image/*`}
          multiple
          aria-label="Manuscript or project file"
          onChange={(event) => {
            void take(event.target.files);
            event.target.value = '';
          }}
        />
      </ShelfHeader>
      <main
        className={`min-h-0 grow overflow-auto p-8 ${isOver ? 'outline-2 -outline-offset-8 outline-dashed outline-primary' : ''}`}
      >
        <Troubles />
        <Books onChoose={choose} />
      </main>
    </div>
  );
}

interface HeaderProps {
  readonly onChoose: () => void;
  readonly onBegin: () => void;
  /** What chooses a file, unseen. */
  readonly children: ReactNode;
}

function ShelfHeader({ onChoose, onBegin, children }: HeaderProps) {
  const dispatch = useAppDispatch();
  const theme = useAppSelector((state) => state.view.theme);
  return (
    <header className="flex h-11 shrink-0 items-center gap-3 border-b border-hairline bg-base-200 px-4">
      <span className="text-primary">
        <LeafMark />
      </span>
      <h1 className="font-book text-[20px] italic">Walnut Leaf</h1>
      <span className="ml-auto" />
      <button
        className="btn btn-ghost btn-sm btn-square"
        aria-label={theme === 'day' ? 'Evening colours' : 'Day colours'}
        onClick={() => dispatch(themeChosen(theme === 'day' ? 'evening' : 'day'))}
      >
        {theme === 'day' ? <Moon size={16} /> : <Sun size={16} />}
      </button>
      <button className="btn btn-ghost btn-sm" onClick={onBegin}>
        No manuscript yet
      </button>
      <button className="btn btn-primary btn-sm" onClick={onChoose}>
        <Plus size={15} aria-hidden /> New book from a manuscript
      </button>
      {children}
    </header>
  );
}

/** What could not be read, and why. */
function Troubles() {
  const dispatch = useAppDispatch();
  const { refused, failed } = useAppSelector((state) => state.shelf);
  return (
    <>
      {refused.length > 0 && (
        <div role="alert" className="mb-6 flex items-start gap-3 rounded border border-error bg-base-100 px-4 py-3">
          <div className="grow space-y-1">
            {refused.map((sentence, index) => (
              <p key={index}>{sentence}</p>
            ))}
            <p className="text-quiet">Nothing on the Shelf has changed.</p>
          </div>
          <button
            className="btn btn-ghost btn-xs btn-square"
            aria-label="Close"
            onClick={() => dispatch(refusalsDismissed())}
          >
            <X size={14} />
          </button>
        </div>
      )}
      {failed !== null && (
        <p role="alert" className="mb-6 rounded border border-error bg-base-100 px-4 py-3">
          {failed}
        </p>
      )}
    </>
  );
}

function Books({ onChoose }: { onChoose: () => void }) {
  const { books, reading, failed } = useAppSelector((state) => state.shelf);
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,200px)] gap-x-10 gap-y-9">
      {books?.map((book) => (
        <BookCard key={book.id} book={book} />
      ))}
      {reading.map((name, index) => (
        <li key={`${name}${index}`} className="w-[200px]" aria-live="polite">
          <div className="grid h-[296px] place-items-center border border-dashed border-base-content/50">
            <span className="loading loading-bar loading-sm" aria-hidden />
          </div>
          <p className="mt-3 truncate font-semibold">{name}</p>
          <p>being read</p>
        </li>
      ))}
      {books === null && reading.length === 0 && failed === null && (
        <li className="w-[200px]" aria-live="polite">
          <div className="grid h-[296px] place-items-center border border-dashed border-base-content/50">
            Looking for books
          </div>
        </li>
      )}
      <li className="w-[200px]">
        <button
          className="grid h-[296px] w-full place-items-center border border-dashed border-base-content/55 px-6 text-center hover:border-base-content"
          onClick={onChoose}
        >
          <span>
            <span className="block font-semibold">{books?.length === 0 ? 'The Shelf is empty' : 'Another book'}</span>
            Drop a manuscript anywhere here: Word, OpenDocument, rich or plain text, Markdown, HTML, EPUB, or a .walnut
            project
          </span>
        </button>
      </li>
    </ul>
  );
}
