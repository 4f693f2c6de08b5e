// The author's next file: taken in, what it came to, and the states that were kept before.
import { useEffect, useRef, useState } from 'react';
import {
  goBackToPull,
  listPulls,
  replaceCopyBy,
  type CopyReplaced,
  type PullBrief,
} from '../../../../state/arrival/incomingThunks';
import { filesTogether } from '../../../../state/arrival/filesTogether';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { MergeReport } from './MergeReport';

const ACCEPTED = '.docx,.odt,.rtf,.txt,.md,.markdown,.html,.htm,.epub,.walnut,image/*';

export function NewerCopy() {
  const dispatch = useAppDispatch();
  const { readOnly, book } = useAppSelector((state) => state.book);
  const division = useAppSelector((state) => state.view.division);
  const [where, setWhere] = useState<'book' | 'division'>('book');
  const [reading, setReading] = useState('');
  const [problem, setProblem] = useState('');
  const [done, setDone] = useState<Extract<CopyReplaced, { report: unknown }> | null>(null);
  const [pulls, setPulls] = useState<readonly PullBrief[]>([]);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    let isCurrent = true;
    void dispatch(listPulls()).then((list) => isCurrent && setPulls(list));
    return () => {
      isCurrent = false;
    };
  }, [dispatch, done]);
  const recipe = book?.source.recipe.length ?? 0;
  const take = async (files: readonly File[]) => {
    const { manuscripts, pictures } = filesTogether(files);
    const [file, ...others] = manuscripts;
    if (file === undefined) return;
    if (others.length > 0) return setProblem('Choose one text, with the pictures to which it refers.');
    setProblem('');
    setDone(null);
    setReading(file.name);
    const taken = await dispatch(replaceCopyBy(file.name, file, where === 'division' ? division : null, pictures));
    setReading('');
    if ('problem' in taken) setProblem(taken.problem);
    else setDone(taken);
  };
  return (
    <>
      <div className="space-y-2 border-b border-hairline px-3.5 py-2">
        <p className="text-[12px] text-quiet">
          What the author changed comes in, what was done here stays; what both changed is listed word by word. The
          mapping above
          {recipe > 0 ? ` and the recipe of ${recipe} Tidy ${recipe === 1 ? 'job' : 'jobs'} are` : ' is'} used again,
          and the book as it is now is kept first.
        </p>
        <label className="flex items-center justify-between gap-3">
          It is
          <select
            className="select select-xs w-40"
            value={where}
            onChange={(event) => setWhere(event.target.value as 'book' | 'division')}
          >
            <option value="book">the whole copy</option>
            <option value="division" disabled={division === null}>
              this division
            </option>
          </select>
        </label>
        <input
          ref={input}
          type="file"
          className="sr-only"
          tabIndex={-1}
          aria-label="Newer manuscript"
          accept={ACCEPTED}
          multiple
          onChange={(event) => {
            void take([...(event.target.files ?? [])]);
            event.target.value = '';
          }}
        />
        <button
          className="btn btn-xs border-base-300 bg-base-100"
          disabled={readOnly || reading !== ''}
          onClick={() => input.current?.click()}
        >
          Choose the newer file
        </button>
        <p aria-live="polite" className="text-[12px] text-quiet">
          {reading !== '' && `Reading ${reading}.`}
        </p>
        {problem !== '' && (
          <p role="alert" className="text-[12px] text-error">
            {problem}
          </p>
        )}
      </div>
      {done !== null && <MergeReport key={done.pull} report={done.report} pages={done.pages} />}
      {pulls.length > 0 && (
        <section aria-label="Kept states">
          <h3 className="border-b border-hairline px-3.5 pb-1 pt-3 text-[12px] font-semibold text-quiet">
            Kept states
          </h3>
          {pulls.map(({ name, time }) => (
            <div key={name} className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5">
              <span className="min-w-0">
                <span className="block truncate" title={name}>
                  {name}
                </span>
                <span className="block text-[12px] text-quiet">{timeWords(time)}</span>
              </span>
              <button
                className="btn btn-xs shrink-0 border-base-300 bg-base-100"
                disabled={readOnly}
                onClick={() => void dispatch(goBackToPull(name)).then((told) => setProblem(told ?? ''))}
              >
                Go back
              </button>
            </div>
          ))}
        </section>
      )}
    </>
  );
}

const timeWords = (time: number) =>
  new Date(time).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
