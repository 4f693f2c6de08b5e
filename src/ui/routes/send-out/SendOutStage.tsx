// Send out, first form: a card per product with what goes into it, its progress and its result.
import { bookFingerprint } from '../../../core/copy/bookFingerprint';
import {
  PRODUCT_IDS,
  PRODUCTS,
  type FileCount,
  type MadeProduct,
  type ProductId,
} from '../../../core/model/products/products';
import { makeProduct, stopProduct } from '../../../state/send-out/sendOutThunks';
import type { ProductJob } from '../../../state/send-out/jobsSlice';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { useCalledControl } from '../../components/calledControl';
import { PRODUCT_CHOICES } from './productChoices';
import { PRODUCT_FACTS } from './productFacts';
import { Remarks } from './Remarks';

export default function SendOutStage() {
  useCalledControl('send-out');
  return (
    <section aria-label="Send out" className="h-full overflow-y-auto bg-base-200" tabIndex={0}>
      <div className="mx-auto grid max-w-[860px] grid-cols-2 items-start gap-6 px-6 py-8">
        {COLUMNS.map((products) => (
          <div key={products[0]} className="flex flex-col gap-6">
            {products.map((product) => (
              <Card key={product} product={product} />
            ))}
          </div>
        ))}
      </div>
    </section>
  );
}

/** Each card is as high as what it says: those of a column stand under each other, whatever the other column holds. */
const COLUMNS = [0, 1].map((column) => PRODUCT_IDS.filter((_, at) => at % 2 === column));

function Card({ product }: { product: ProductId }) {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => state.jobs.jobs[product]);
  const isRunning = job.status === 'running';
  const { title, what, action } = PRODUCTS[product];
  const Choices = PRODUCT_CHOICES[product];
  return (
    <article className="flex flex-col rounded border border-hairline bg-base-100 p-5" aria-label={title}>
      <h2 className="text-[16px] font-semibold">{title}</h2>
      <p className="mt-1 text-quiet">{what}</p>
      <Facts product={product} />
      {Choices !== null && <Choices disabled={isRunning} />}
      <div className="flex items-center gap-3 pt-4">
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
      <div className="mt-3 empty:mt-0" aria-live="polite">
        <Result job={job} />
      </div>
      {!isRunning && job.made !== null && <Remarks product={product} hasPages={job.made.pages > 0} />}
    </article>
  );
}

function Result({ job: { status, share, message, made } }: { job: ProductJob }) {
  switch (status) {
    case 'running':
      return (
        <progress
          className="progress progress-primary h-1.5 w-full"
          value={share}
          max={1}
          aria-label={`Writing, ${Math.round(share * 100)} %`}
        />
      );
    case 'stopped':
      return <p>Stopped; no file was written.</p>;
    case 'failed':
      return <p className="text-error">{message}</p>;
    case 'idle':
    case 'done':
      return made === null ? null : <Written made={made} isBefore={status === 'idle'} />;
  }
}

const DAY_AND_TIME = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'long',
  hour: '2-digit',
  minute: '2-digit',
});

/** A size to two figures or to whole units, such as `12 kB`, `3.4 MB` or `1,001 MB`. */
function fileSize(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1e3))} kB`;
  const megabytes = bytes / 1e6;
  return `${megabytes.toLocaleString('en-GB', { maximumFractionDigits: megabytes < 10 ? 1 : 0 })} MB`;
}

/** `isBefore`: when the book was open the last time, or before the stage was left. */
function Written({ made, isBefore }: { made: MadeProduct; isBefore: boolean }) {
  const book = useAppSelector((state) => state.book.book!);
  const isStale = made.book !== bookFingerprint(book);
  return (
    <p>
      <span className="text-primary">{isBefore ? `Written ${DAY_AND_TIME.format(made.time)}:` : 'Written:'}</span>{' '}
      {made.fileName}, {made.pages > 0 && `${made.pages} pages, `}
      {fileSize(made.bytes)}
      {isStale && <span className="block text-warning">The book has changed since: this file is stale.</span>}
      {made.counts !== undefined && <Counts counts={made.counts} />}
    </p>
  );
}

/** What of the book is in a file that was held against it. */
function Counts({ counts }: { readonly counts: readonly FileCount[] }) {
  const lacking = counts.filter(({ inBook, inFile }) => inBook !== inFile);
  if (lacking.length === 0) {
    const all = counts.filter(({ inBook }) => inBook > 0).map(({ what, inBook }) => counted(what, inBook));
    return <span className="block text-quiet">The same as in the book: {all.join(', ')}.</span>;
  }
  const said = lacking.map(({ what, inBook, inFile }) => `${inFile} of ${counted(what, inBook)}`);
  return <span className="block text-warning">Not as in the book: {said.join(', ')}.</span>;
}

/** `12 words`, `1 link`; of a kind of notes, by its name, `41 notes (Footnote)`. */
function counted(what: string, count: number): string {
  const number = count.toLocaleString('en-GB');
  if (!/^[a-z]+s$/.test(what)) return `${number} notes (${what})`;
  return `${number} ${count === 1 ? what.slice(0, -1) : what}`;
}

function Facts({ product }: { product: ProductId }) {
  const book = useAppSelector((state) => state.book.book)!;
  const summary = useAppSelector((state) => state.compose.summary);
  return (
    <dl className="mt-3">
      {PRODUCT_FACTS[product](book, summary).map(([label, value]) => (
        <div key={label} className="flex justify-between gap-4 border-t border-hairline py-1">
          <dt>{label}</dt>
          <dd className="min-w-0 truncate text-right">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
