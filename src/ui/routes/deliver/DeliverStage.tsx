// Deliver, first form: a card per product with what goes into it, its progress and its result.
import { makeProduct, stopProduct } from '../../../state/deliver/deliverThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { jobChanged, type Product } from '../../../state/deliver/jobsSlice';
import { COPY_KINDS, type CopyKind } from '../../../core/model/copy/copyKinds';
import { groupDigits } from '../../frame/useStageFacts';
import { formatLength } from '../../../core/measure/units';
import { LANGUAGES, namesOf } from '../../../core/model/copy/book';

const CARDS: readonly {
  readonly product: Product;
  readonly title: string;
  readonly what: string;
  readonly action: string;
}[] = [
  {
    product: 'press',
    title: 'Press PDF of the interior',
    what: 'Pages to the trim, text in black on one plate, pictures in the colours they came in, faces embedded as subsets.',
    action: 'Write the PDF',
  },
  {
    product: 'screen',
    title: 'PDF for the screen',
    what: 'The same pages to the trim, with an outline; contents, index, cross-references and addresses lead where they say.',
    action: 'Write for the screen',
  },
  {
    product: 'epub',
    title: 'Plain EPUB',
    what: 'A file a division, contents, notes beside the text; the reader chooses face and size. For reading and correcting.',
    action: 'Write the EPUB',
  },
  {
    product: 'copy',
    title: 'The copy, for its author',
    what: 'Text, notes, tables, lists and pictures with our styles, to correct and send back. The Word document comes back as the same copy.',
    action: 'Write the copy',
  },
  {
    product: 'project',
    title: 'Project file',
    what: 'The whole book in one file: text, pictures, spec and particulars. It opens again to an identical book, here or in another browser.',
    action: 'Write the project file',
  },
];

export default function DeliverStage() {
  return (
    <section aria-label="Deliver" className="h-full overflow-y-auto bg-base-200" tabIndex={0}>
      <div className="mx-auto grid max-w-[860px] grid-cols-2 gap-6 px-6 py-8">
        {CARDS.map((card) => (
          <Card key={card.product} {...card} />
        ))}
      </div>
    </section>
  );
}

function Card({ product, title, what, action }: (typeof CARDS)[number]) {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => state.jobs[product]);
  const revision = useAppSelector((state) => state.book.revision);
  const isRunning = job.status === 'running';
  return (
    <article className="flex flex-col rounded border border-hairline bg-base-100 p-5" aria-label={title}>
      <h2 className="text-[16px] font-semibold">{title}</h2>
      <p className="mt-1 min-h-14 text-quiet">{what}</p>
      <Facts product={product} />
      {product === 'copy' && <CopyFormat disabled={isRunning} />}
      <div className="mt-auto flex items-center gap-3 pt-4">
        <button
          className="btn btn-sm btn-primary"
          disabled={isRunning}
          onClick={() => void dispatch(makeProduct(product))}
        >
          {action}
        </button>
        {isRunning && (
          <button className="btn btn-sm" onClick={() => dispatch(stopProduct(product))}>
            Stop
          </button>
        )}
      </div>
      <div className="mt-3 min-h-9" aria-live="polite">
        {isRunning && (
          <progress
            className="progress progress-primary h-1.5 w-full"
            value={job.share}
            max={1}
            aria-label={`Writing, ${Math.round(job.share * 100)} %`}
          />
        )}
        {job.status === 'done' && (
          <p>
            <span className="text-primary">Written:</span> {job.fileName}, {job.pages > 0 && `${job.pages} pages, `}
            {Math.max(1, Math.round(job.bytes / 1024))} kB
            {job.revision !== revision && (
              <span className="block text-warning">The book has changed since: this file is stale.</span>
            )}
          </p>
        )}
        {job.status === 'stopped' && <p>Stopped; no file was written.</p>}
        {job.status === 'failed' && <p className="text-error">{job.message}</p>}
      </div>
    </article>
  );
}

const FORMATS: Readonly<Record<CopyKind, string>> = {
  docx: 'Word document',
  md: 'Markdown',
  html: 'HTML',
  txt: 'Plain text',
};

function CopyFormat({ disabled }: { disabled: boolean }) {
  const dispatch = useAppDispatch();
  const { format } = useAppSelector((state) => state.jobs.copy);
  return (
    <label className="flex items-center justify-between gap-4 border-t border-hairline py-1">
      Format
      <select
        className="select select-xs w-40"
        value={format}
        disabled={disabled}
        onChange={(event) =>
          dispatch(jobChanged({ product: 'copy', change: { format: event.target.value as CopyKind, status: 'idle' } }))
        }
      >
        {COPY_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {FORMATS[kind]}
          </option>
        ))}
      </select>
    </label>
  );
}

function Facts({ product }: { product: Product }) {
  const book = useAppSelector((state) => state.book.book)!;
  const summary = useAppSelector((state) => state.compose.summary);
  const { trim } = book.spec.page;
  const must = summary?.findings.filter((finding) => finding.grade === 'must').length ?? 0;
  const rows: readonly (readonly [string, string])[] =
    product === 'press'
      ? [
          ['Trim', `${formatLength(trim.width)} × ${formatLength(trim.height)}`],
          ['Pages', summary ? String(summary.pages.length) : 'being composed'],
          ['Title', book.particulars.title || 'not given'],
          ['Author', namesOf(book.particulars, 'author') || 'not given'],
          ['Findings that must be mended', String(must)],
        ]
      : product === 'screen'
        ? [
            ['Pages', summary ? String(summary.pages.length) : 'being composed'],
            ['In the outline', summary ? String(summary.headings.length) : 'being composed'],
          ]
        : product === 'copy'
          ? [
              ['Words', summary ? groupDigits(summary.words) : 'being counted'],
              ['Notes', String(Object.keys(book.notes).length)],
            ]
          : product === 'epub'
            ? [
                ['Language', LANGUAGES[book.particulars.language]],
                ['ISBN', book.particulars.isbnEbook || 'not given'],
                ['Notes', String(Object.keys(book.notes).length)],
              ]
            : [
                ['Divisions', String(book.divisions.length)],
                ['Notes', String(Object.keys(book.notes).length)],
                ['Format', String(book.format)],
              ];
  return (
    <dl className="mt-3">
      {rows.map(([label, value]) => (
        <div key={label} className="flex justify-between gap-4 border-t border-hairline py-1">
          <dt>{label}</dt>
          <dd className="min-w-0 truncate text-right">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
