// What a press, a shop or a device said of a written file: listed on its card, and put down there. Proof shows it at its page.
import { useId, useState } from 'react';
import { OUTSIDE_SOURCES, type OutsideSource } from '../../../core/model/checks/outside';
import type { ProductId } from '../../../core/model/products/products';
import { addRemark, dropRemark } from '../../../state/send-out/outsideFacts';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';

const NAMES: Readonly<Record<OutsideSource, string>> = { press: 'Press', shop: 'Shop', device: 'Reading device' };

export function Remarks({ product, hasPages }: { readonly product: ProductId; readonly hasPages: boolean }) {
  const dispatch = useAppDispatch();
  const facts = useAppSelector((state) => state.jobs.jobs[product].facts);
  const [isOpen, setIsOpen] = useState(false);
  return (
    <div className="mt-1">
      {facts.length > 0 && (
        <ul aria-label="Remarks on this file">
          {facts.map((fact, index) => (
            <li key={index} className="flex items-baseline gap-2 border-t border-hairline py-1">
              <span className="min-w-0 grow break-words">
                <span className="text-quiet">
                  {NAMES[fact.source]}
                  {fact.page !== null && `, page ${fact.page + 1}`}:
                </span>{' '}
                {fact.message}
              </span>
              <button
                className="btn btn-ghost btn-xs shrink-0"
                aria-label={`Seen to: ${fact.message}`}
                onClick={() => void dispatch(dropRemark(product, fact))}
              >
                Seen to
              </button>
            </li>
          ))}
        </ul>
      )}
      {isOpen ? (
        <RemarkForm product={product} hasPages={hasPages} onClose={() => setIsOpen(false)} />
      ) : (
        <button className="btn btn-ghost btn-xs -ml-2" onClick={() => setIsOpen(true)}>
          Add a remark on this file
        </button>
      )}
    </div>
  );
}

function RemarkForm({
  product,
  hasPages,
  onClose,
}: {
  readonly product: ProductId;
  readonly hasPages: boolean;
  readonly onClose: () => void;
}) {
  const dispatch = useAppDispatch();
  const id = useId();
  const [source, setSource] = useState<OutsideSource>('press');
  const [page, setPage] = useState('');
  const [message, setMessage] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    const isWhole = page.trim() === '';
    const number = isWhole ? null : Number(page);
    if (number !== null && !Number.isInteger(number)) return setProblem('A page is a whole number, counted from 1.');
    const wrong = await dispatch(addRemark(product, { source, page: number, message })).catch(
      () => 'The remark could not be kept: this browser has no room for it. It stands until the page is closed.',
    );
    if (wrong === null) onClose();
    else setProblem(wrong);
  };
  return (
    <form
      className="border-t border-hairline pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <div className="flex gap-3">
        <label className="flex items-center gap-2">
          From
          <select
            className="select select-xs w-32"
            value={source}
            onChange={(event) => setSource(event.target.value as OutsideSource)}
          >
            {OUTSIDE_SOURCES.map((value) => (
              <option key={value} value={value}>
                {NAMES[value]}
              </option>
            ))}
          </select>
        </label>
        {hasPages && (
          <label className="flex items-center gap-2">
            Page
            <input
              className="input input-xs w-16"
              inputMode="numeric"
              placeholder="all"
              value={page}
              onChange={(event) => setPage(event.target.value)}
            />
          </label>
        )}
      </div>
      <label className="mt-2 block">
        Remark
        <input
          className="input input-xs mt-0.5 w-full"
          value={message}
          maxLength={500}
          autoFocus
          aria-describedby={problem === null ? undefined : id}
          onChange={(event) => setMessage(event.target.value)}
        />
      </label>
      {problem !== null && (
        <p id={id} role="alert" className="mt-1 text-error">
          {problem}
        </p>
      )}
      <div className="mt-2 flex gap-2">
        <button className="btn btn-primary btn-xs">Add the remark</button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={onClose}>
          Cancel
        </button>
      </div>
    </form>
  );
}
