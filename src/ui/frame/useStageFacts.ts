// The stages of a book in the order of work, each with the one figure that says how it stands.
import { formatNumber } from '../../core/measure/units';
import { selectFindings } from '../../state/send-out/outsideFacts';
import { useAppSelector } from '../../state/hooks';
import { useLate } from '../components/useLate';

export interface StageFact {
  readonly path: 'copy' | 'spec' | 'pages' | 'proof' | 'send-out';
  readonly name: string;
  readonly fact: string;
  /** The figure is of an older state of the book: newer pages are being composed. */
  readonly isProvisional: boolean;
}

export function useStageFacts(): readonly StageFact[] {
  const trim = useAppSelector((state) => state.book.book?.spec.page.trim);
  const summary = useAppSelector((state) => state.compose.summary);
  const composing = useLate(useAppSelector((state) => state.compose.progress !== null));
  const jobs = useAppSelector((state) => state.jobs.jobs);
  const done = Object.values(jobs).filter((job) => job.status === 'done');
  const stale = useAppSelector((state) => done.filter((job) => job.revision !== state.book.revision).length);
  const sendOutFact =
    done.length === 0
      ? ''
      : `${done.length} ${done.length === 1 ? 'file' : 'files'}${stale > 0 ? `, ${stale} stale` : ''}`;
  const must = useAppSelector(selectFindings).length;
  return [
    { path: 'copy', name: 'Copy', fact: summary ? `${groupDigits(summary.words)} words` : '', isProvisional: false },
    {
      path: 'spec',
      name: 'Spec',
      fact: trim
        ? `${formatNumber(trim.width.pt, trim.width.unit)} × ${formatNumber(trim.height.pt, trim.height.unit)} ${trim.height.unit}`
        : '',
      isProvisional: false,
    },
    { path: 'pages', name: 'Pages', fact: summary ? String(summary.pages.length) : '', isProvisional: composing },
    {
      path: 'proof',
      name: 'Proof',
      fact: summary ? `${must} ${must === 1 ? 'finding' : 'findings'}` : '',
      isProvisional: composing,
    },
    { path: 'send-out', name: 'Send out', fact: sendOutFact, isProvisional: stale > 0 },
  ];
}

/** `58,214`. */
export function groupDigits(value: number): string {
  return String(value).replace(/\B(?=(\d{3})+$)/g, ',');
}
