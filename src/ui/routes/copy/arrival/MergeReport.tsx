// What the author's next file came to: what both changed, word by word, with whose words stand; then what each side changed alone.
import { useState } from 'react';
import type { CopyChange, CopyConflict, MergedWords, ReplaceReport } from '../../../../core/model/copy/manuscript';
import { selectStands, takeSide, type MovedPages } from '../../../../state/arrival/incomingThunks';
import { goToBlock } from '../../../../state/copy/galleyThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { groupDigits } from '../../../frame/useStageFacts';

/** Paragraphs listed of each kind, before the rest is asked for. */
const SHOWN = 40;

export function MergeReport({ report, pages }: { readonly report: ReplaceReport; readonly pages: MovedPages | null }) {
  const lists = [
    ['Changed by the author', report.author],
    ['Changed here', report.desk],
    ['Moved', report.moved],
    ['Gone', report.gone],
    ['Touches that lost their place', report.lost.map((words) => ({ block: '', words }))],
  ] as const;
  return (
    <section aria-label="What the newer file changed">
      {report.ways === 'two' && (
        <p className="border-b border-hairline px-3.5 py-1.5 text-[12px] text-quiet">
          Nothing is kept of the file before, so what was changed here could not be told from what the author changed:
          the file has taken the place of the copy. From now on both are told apart.
        </p>
      )}
      {pages !== null && (
        <p className="flex justify-between gap-2 border-b border-hairline px-3.5 py-1">
          <span>
            {pages.changed === 0
              ? 'No page changed'
              : `${groupDigits(pages.changed)} ${pages.changed === 1 ? 'page' : 'pages'} changed`}
          </span>
          <span className="text-quiet">
            {pages.before === pages.after ? `${pages.after} in all` : `${pages.before} before, ${pages.after} now`}
          </span>
        </p>
      )}
      <p className="flex justify-between border-b border-hairline px-3.5 py-1">
        Kept as they were <span>{groupDigits(report.kept)}</span>
      </p>
      {report.both.length > 0 && <Conflicts conflicts={report.both} />}
      {lists.map(([name, list]) => (
        <Changes key={name} name={name} list={list} />
      ))}
    </section>
  );
}

function Changes({ name, list }: { readonly name: string; readonly list: readonly CopyChange[] }) {
  const dispatch = useAppDispatch();
  const [shown, setShown] = useState(SHOWN);
  if (list.length === 0) return null;
  return (
    <details className="border-b border-hairline" open={list.length <= 5}>
      <summary className="flex justify-between px-3.5 py-1">
        {name} <span>{groupDigits(list.length)}</span>
      </summary>
      <ul className="bg-base-200 px-3.5 py-1 font-book text-[14px] leading-[18px]">
        {list.slice(0, shown).map(({ block, words }, at) => (
          <li key={at}>
            <button
              className="block w-full truncate py-0.5 text-left disabled:cursor-default"
              title={words}
              disabled={block === ''}
              onClick={() => dispatch(goToBlock(block))}
            >
              {words || 'an empty paragraph'}
            </button>
          </li>
        ))}
        {list.length > shown && (
          <li>
            <button className="py-0.5 text-primary hover:underline" onClick={() => setShown(list.length)}>
              {groupDigits(list.length - shown)} more
            </button>
          </li>
        )}
      </ul>
    </details>
  );
}

const BUTTON = 'btn btn-xs border-base-300 bg-base-100 aria-pressed:border-primary aria-pressed:bg-tint';

const SIDES = [
  ['together', 'Together'],
  ['desk', 'As here'],
  ['author', 'The author’s'],
] as const;

/** Whose words stand. `stands`: what stands now, for one of them. */
function Sides({
  stands,
  conflicts,
  of = '',
}: {
  readonly stands: readonly (string | null)[];
  readonly conflicts: readonly CopyConflict[];
  readonly of?: string;
}) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  // Where both changed the same words, or one took them out, there is no third way.
  const isApart = (one: CopyConflict) => one.parts.some(({ kind }) => kind !== 'same' && kind !== 'both');
  const sides = SIDES.filter(([side]) => side !== 'together' || conflicts.some(isApart));
  return (
    <div className={`flex flex-wrap items-center gap-1.5 ${of === '' ? 'mt-1.5' : 'px-3.5 pb-2'}`}>
      {of !== '' && <span className="text-[12px] text-quiet">{of}</span>}
      {sides.map(([side, name]) => (
        <button
          key={side}
          className={BUTTON}
          aria-pressed={stands.length === 0 ? undefined : stands[0] === side}
          disabled={readOnly}
          onClick={() => dispatch(takeSide(conflicts, side))}
        >
          {name}
        </button>
      ))}
      {stands.length > 0 && stands[0] === null && <span className="text-[12px] text-quiet">changed since</span>}
    </div>
  );
}

function Conflicts({ conflicts }: { readonly conflicts: readonly CopyConflict[] }) {
  const dispatch = useAppDispatch();
  const stands = useAppSelector((state) => selectStands(state, conflicts));
  return (
    <section aria-label="Changed by both" className="border-b border-hairline">
      <h3 className="flex items-center gap-2 px-3.5 pb-1 pt-2 font-semibold">
        <span className="grow">Changed by both</span>
        <span className="font-normal">{groupDigits(conflicts.length)}</span>
      </h3>
      {conflicts.length > 1 && <Sides stands={[]} conflicts={conflicts} of="All: " />}
      <ul>
        {conflicts.map((conflict, at) => (
          <li key={at} className="border-t border-hairline px-3.5 py-2" aria-label={conflict.words}>
            <button
              className="block w-full text-left font-book text-[14px] leading-[19px] disabled:cursor-default"
              disabled={conflict.block === ''}
              onClick={() => dispatch(goToBlock(conflict.block))}
            >
              <Words parts={conflict.parts} words={conflict.words} />
            </button>
            <Sides stands={[stands[at]]} conflicts={[conflict]} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Letters shown of what is the same at the ends of a paragraph. */
const AROUND = 40;

/** Words of the desk, and of the author. */
const HERE = 'rounded-sm bg-tint px-0.5';
const THEIRS = 'rounded-sm border-b-2 border-warning px-0.5';

/** The paragraph word by word, with whose words are whose. */
function Words({ parts, words }: { readonly parts: readonly MergedWords[]; readonly words: string }) {
  if (parts.length === 0) return <>{words}</>;
  return (
    <>
      {parts.map((part, at) => {
        if (part.kind === 'same')
          return <span key={at}>{shortened(part.text, at === 0, at === parts.length - 1)}</span>;
        if (part.kind === 'both')
          return (
            <span key={at}>
              <span className={HERE} title={`Here; before: ${part.before || 'nothing'}`}>
                {part.text || '(taken out here)'}
              </span>{' '}
              <span className={THEIRS} title={`The author’s; before: ${part.before || 'nothing'}`}>
                {part.author || '(taken out by the author)'}
              </span>
            </span>
          );
        return (
          <span
            key={at}
            className={part.kind === 'desk' ? HERE : THEIRS}
            title={`${part.kind === 'desk' ? 'Changed here' : 'Changed by the author'}; before: ${part.before || 'nothing'}`}
          >
            {part.text}
          </span>
        );
      })}
    </>
  );
}

function shortened(text: string, isFirst: boolean, isLast: boolean): string {
  if (text.length <= AROUND * 2) return text;
  if (isFirst) return `…${text.slice(-AROUND)}`;
  if (isLast) return `${text.slice(0, AROUND)}…`;
  return `${text.slice(0, AROUND)} … ${text.slice(-AROUND)}`;
}
