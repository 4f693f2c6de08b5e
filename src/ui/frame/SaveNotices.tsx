// What a person must know about where the book is kept: another tab holds it, or changes are not on the disk. A strip under
// the top bar while it is so, and a question when the book is to be left or let go with changes that are not written.
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { settleUnwritten, takeOverBook } from '../../state/book/bookThunks';
import { makeProduct } from '../../state/send-out/sendOutThunks';
import { useAppDispatch, useAppSelector } from '../../state/hooks';

const words = (count: number) => (count === 1 ? '1 change' : `${count} changes`);

export function SaveNotices() {
  const { readOnly, save, unwritten } = useAppSelector((state) => state.book);
  if (unwritten !== null && readOnly) return <TakenAway />;
  if (readOnly) return <ReadHere />;
  if (unwritten !== null && save === 'failed') return <NotWritten />;
  return null;
}

function Strip({ isAlert = false, children }: { isAlert?: boolean; children: ReactNode }) {
  return (
    <div
      role={isAlert ? 'alert' : 'status'}
      className={`flex min-h-9 shrink-0 items-center gap-3 border-b bg-base-100 px-4 py-1 ${isAlert ? 'border-error' : 'border-hairline'}`}
    >
      {children}
    </div>
  );
}

function ReadHere() {
  const dispatch = useAppDispatch();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [isAsking, setAsking] = useState(false);
  const take = () => {
    setRefusal(null);
    setAsking(true);
    dispatch(takeOverBook())
      .then(setRefusal, (error: Error) => setRefusal(`It cannot be taken over: ${error.message}`))
      .finally(() => setAsking(false));
  };
  return (
    <Strip>
      <span>This book is open in another tab. Here it can be read, not changed.</span>
      <button className="btn btn-xs btn-outline" disabled={isAsking} onClick={take}>
        Take it over
      </button>
      {isAsking && <span role="status">Waiting for the other tab to write what it has.</span>}
      {refusal !== null && <span className="text-error">{refusal}</span>}
    </Strip>
  );
}

function SaveProject({ size = 'btn-xs' }: { size?: string }) {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => state.jobs.jobs.project);
  return (
    <>
      <button
        className={`btn btn-outline ${size}`}
        disabled={job.status === 'running'}
        onClick={() => void dispatch(makeProduct('project'))}
      >
        Save a project file
      </button>
      {job.status === 'done' && <span className="text-quiet">{job.made?.fileName} is saved.</span>}
      {job.status === 'failed' && <span className="text-error">{job.message}</span>}
    </>
  );
}

function NotWritten() {
  const dispatch = useAppDispatch();
  const { changes, reason } = useAppSelector((state) => state.book.unwritten!);
  return (
    <Strip isAlert>
      <span>
        {words(changes)} could not be written: {reason}.
      </span>
      <button className="btn btn-xs btn-outline" onClick={() => void dispatch(settleUnwritten('again'))}>
        Try again
      </button>
      <SaveProject />
    </Strip>
  );
}

function TakenAway() {
  const dispatch = useAppDispatch();
  const { changes } = useAppSelector((state) => state.book.unwritten!);
  return (
    <Strip isAlert>
      <span>
        Another tab has taken this book over before {words(changes)} made here {changes === 1 ? 'was' : 'were'} written.
        Nothing more is written from this tab.
      </span>
      <SaveProject />
      <button className="btn btn-xs btn-outline" onClick={() => void dispatch(settleUnwritten('giveUp'))}>
        Show the other tab’s book
      </button>
    </Strip>
  );
}

/** The question of a book that is being left, or asked for, with changes that could not be written. `onSettled`: it may be left. */
export function UnwrittenQuestion({ onSettled, onStay }: { onSettled: () => void; onStay: () => void }) {
  const dispatch = useAppDispatch();
  const unwritten = useAppSelector((state) => state.book.unwritten);
  const dialog = useRef<HTMLDialogElement>(null);
  const [isTrying, setTrying] = useState(false);
  const asked = unwritten?.asked ?? null;
  useEffect(() => {
    if (asked !== null) dialog.current?.showModal();
  }, [asked]);
  if (unwritten === null || asked === null) return null;
  const settle = async (choice: 'again' | 'stay' | 'giveUp') => {
    setTrying(true);
    const isSettled = await dispatch(settleUnwritten(choice)).finally(() => setTrying(false));
    if (choice === 'stay') onStay();
    else if (isSettled) onSettled();
  };
  const { changes, reason } = unwritten;
  return (
    <dialog
      ref={dialog}
      className="modal"
      aria-label="Changes that are not written"
      onCancel={(event) => {
        event.preventDefault();
        void settle('stay');
      }}
    >
      <div className="modal-box max-w-lg space-y-4">
        <p className="text-[15px] font-semibold">{words(changes)} could not be written</p>
        <p>
          {asked === 'leave' ? 'The book is being left' : 'Another tab asks for this book'}, and {reason}. What is not
          written is lost when the book is {asked === 'leave' ? 'closed' : 'let go'}.
        </p>
        <div className="flex flex-wrap items-center gap-2">
          <button className="btn btn-sm btn-primary" disabled={isTrying} onClick={() => void settle('again')}>
            Try again
          </button>
          <SaveProject size="btn-sm" />
        </div>
        <div className="flex flex-wrap items-center gap-2 border-t border-hairline pt-3">
          <button className="btn btn-sm" disabled={isTrying} onClick={() => void settle('stay')}>
            Keep the book open
          </button>
          <button
            className="btn btn-sm btn-outline btn-error ml-auto"
            disabled={isTrying}
            onClick={() => void settle('giveUp')}
          >
            {asked === 'leave' ? 'Close' : 'Let go'} without {words(changes)}
          </button>
        </div>
      </div>
    </dialog>
  );
}
