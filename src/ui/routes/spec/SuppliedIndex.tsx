// An index that an indexer made from the pages of a pull: its file is read against that pull, and what is not sure is listed.
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { IndexQuestion } from '../../../core/model/answers/suppliedIndex';
import { listPulls } from '../../../state/arrival/incomingThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { keepPull, supplyIndexFrom, type IndexSupplied } from '../../../state/order/suppliedIndexThunks';
import { paragraphPointed } from '../../../state/view/viewSlice';
import { ChoiceSetting, SettingGroup } from '../../components/Setting';
import { callPage } from '../../../state/view/pageThunks';

const WHY: Readonly<Record<IndexQuestion['why'], string>> = {
  'no page': 'no such page in the kept state',
  'words not found': 'its words are not on that page: marked at its beginning',
  'text gone': 'the text is gone',
  moved: 'stands on another page now',
  straddles: 'its paragraph goes over a page end',
};
const MOST_SHOWN = 200;

export function SuppliedIndex() {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const [pulls, setPulls] = useState<readonly string[]>([]);
  const [chosen, setChosen] = useState('');
  const [isReading, setReading] = useState(false);
  const [done, setDone] = useState<IndexSupplied | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const list = () => void dispatch(listPulls()).then((found) => setPulls(found.map(({ name }) => name)));
  useEffect(list, [dispatch]);
  const pull = pulls.includes(chosen) ? chosen : (pulls[0] ?? '');
  const keep = () =>
    void dispatch(keepPull('Kept state for the index')).then((name) => {
      if (name !== null) setChosen(name);
      list();
    });
  const take = (taken: File | undefined) => {
    if (taken === undefined) return;
    setReading(true);
    setDone(null);
    void taken
      .arrayBuffer()
      .then((bytes) => dispatch(supplyIndexFrom(pull, taken.name, new Uint8Array(bytes))))
      .then(setDone)
      .finally(() => setReading(false));
  };
  return (
    <SettingGroup title="A supplied index" aside={isReading ? 'being read' : undefined}>
      <p className="px-3.5 py-1 text-[12px] text-quiet">
        An indexer works from the pages of a kept state. Their file, with a term and its folios on each line and
        sub-entries indented, is read against that state; from then on its folios follow the text.
      </p>
      {pulls.length > 0 && (
        <ChoiceSetting
          label="Made from"
          value={pull}
          disabled={readOnly}
          choices={pulls.map((name) => [name, name])}
          onChange={setChosen}
        />
      )}
      <div className="flex justify-end gap-1.5 px-3.5 py-1.5">
        <button className="btn btn-xs" disabled={readOnly} onClick={keep}>
          Keep this state
        </button>
        <button
          className="btn btn-xs"
          disabled={readOnly || pull === '' || isReading}
          title={pull === '' ? 'Keep a state first: the index is made from its pages' : undefined}
          onClick={() => file.current?.click()}
        >
          Read the file
        </button>
        <input
          ref={file}
          type="file"
          className="hidden"
          aria-label="File of the index"
          accept=".txt,.csv,text/plain"
          onChange={(event) => {
            take(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </div>
      <div aria-live="polite">{done !== null && <Outcome done={done} />}</div>
    </SettingGroup>
  );
}

function Outcome({ done }: { done: IndexSupplied }) {
  if ('problem' in done) return <p className="px-3.5 py-1 text-error">{done.problem}</p>;
  const { entries, marks, questions } = done;
  return (
    <>
      <p className="px-3.5 py-1">
        {entries} {entries === 1 ? 'entry' : 'entries'}, {marks} {marks === 1 ? 'mark' : 'marks'} put in,{' '}
        {questions.length === 0 ? 'nothing to confirm.' : `${questions.length} to confirm:`}
      </p>
      {questions.slice(0, MOST_SHOWN).map((question, at) => (
        <Question key={at} question={question} />
      ))}
      {questions.length > MOST_SHOWN && (
        <p className="px-3.5 py-1 text-quiet">and {questions.length - MOST_SHOWN} more.</p>
      )}
    </>
  );
}

function Question({ question }: { question: IndexQuestion }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const page = useAppSelector(
    (state) => state.compose.summary?.pages.find(({ folio }) => folio !== '' && folio === question.now)?.index ?? -1,
  );
  const stream = useAppSelector(
    (state) =>
      state.book.book?.divisions.find(({ blocks }) => blocks.some(({ id }) => id === question.block))?.id ?? '',
  );
  return (
    <button
      className="block w-full border-b border-hairline px-3.5 py-1 text-left hover:bg-base-200 disabled:hover:bg-transparent"
      disabled={page < 0}
      onClick={() => {
        dispatch(callPage(page));
        if (stream !== '') dispatch(paragraphPointed({ stream, block: question.block }));
        void navigate('../pages', { relative: 'path' });
      }}
    >
      <span className="flex justify-between gap-2">
        <span className="truncate">{question.term}</span>
        <span className="whitespace-nowrap text-quiet">
          {question.locator}
          {question.now !== '' && question.now !== question.locator ? `, now ${question.now}` : ''}
        </span>
      </span>
      <span className="block text-[12px] text-quiet">{WHY[question.why]}</span>
    </button>
  );
}
