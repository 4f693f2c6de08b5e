// A newer version of the manuscript takes the place of the copy: what it came to, and the states that were kept before.
import { useEffect, useRef, useState } from 'react';
import type { ReplaceReport } from '../../../../core/model/copy/manuscript';
import { goBackToPull, listPulls, replaceCopyBy, type PullBrief } from '../../../../state/arrival/incomingThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { groupDigits } from '../../../frame/useStageFacts';

/** Paragraphs listed of each kind. */
const SHOWN = 40;
const ACCEPTED = '.docx,.odt,.rtf,.txt,.md,.markdown,.html,.htm,.epub,.walnut';

export function NewerCopy() {
  const dispatch = useAppDispatch();
  const { readOnly, book } = useAppSelector((state) => state.book);
  const division = useAppSelector((state) => state.view.division);
  const [where, setWhere] = useState<'book' | 'division'>('book');
  const [reading, setReading] = useState('');
  const [problem, setProblem] = useState('');
  const [report, setReport] = useState<ReplaceReport | null>(null);
  const [pulls, setPulls] = useState<readonly PullBrief[]>([]);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    let isCurrent = true;
    void dispatch(listPulls()).then((list) => isCurrent && setPulls(list));
    return () => {
      isCurrent = false;
    };
  }, [dispatch, report]);
  const recipe = book?.source.recipe.length ?? 0;
  const take = async (file: File | undefined) => {
    if (file === undefined) return;
    setProblem('');
    setReport(null);
    setReading(file.name);
    const done = await dispatch(replaceCopyBy(file.name, file, where === 'division' ? division : null));
    setReading('');
    if ('problem' in done) setProblem(done.problem);
    else setReport(done.report);
  };
  return (
    <>
      <div className="space-y-2 border-b border-hairline px-3.5 py-2">
        <p className="text-[12px] text-quiet">
          Paragraphs that are known keep their styles and touches. The mapping above
          {recipe > 0 ? ` and the recipe of ${recipe} Tidy ${recipe === 1 ? 'job' : 'jobs'} are` : ' is'} used again,
          and the book as it is now is kept first.
        </p>
        <label className="flex items-center justify-between gap-3">
          In place of
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
          onChange={(event) => {
            void take(event.target.files?.[0]);
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
      {report !== null && <Report report={report} />}
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

function Report({ report }: { report: ReplaceReport }) {
  const lists = [
    ['Changed', report.changed],
    ['New', report.added],
    ['Gone', report.gone],
    ['Touches that lost their place', report.lost],
  ] as const;
  return (
    <section aria-label="What the newer file changed">
      <p className="flex justify-between border-b border-hairline px-3.5 py-1">
        Kept as they were <span>{groupDigits(report.kept)}</span>
      </p>
      {lists.map(([name, list]) => (
        <details key={name} className="border-b border-hairline" open={list.length > 0 && list.length <= 5}>
          <summary className="flex justify-between px-3.5 py-1">
            {name} <span>{groupDigits(list.length)}</span>
          </summary>
          <ul className="bg-base-200 px-3.5 py-1 font-book text-[14px] leading-[18px]">
            {list.slice(0, SHOWN).map((words, at) => (
              <li key={at} className="truncate py-0.5" title={words}>
                {words || 'an empty paragraph'}
              </li>
            ))}
            {list.length > SHOWN && <li className="text-quiet">and {groupDigits(list.length - SHOWN)} more</li>}
          </ul>
        </details>
      ))}
    </section>
  );
}
