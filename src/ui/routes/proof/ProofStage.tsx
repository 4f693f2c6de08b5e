// Proof, first form: what the proof reader found, by grade and kind, each with the way to its page.
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { CHECKS, type FindingGrade } from '../../../core/model/checks/checks';
import type { Finding } from '../../../core/model/checks/finding';
import { selectFindings } from '../../../state/send-out/outsideFacts';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { findingRows } from '../../../state/book/findingRows';
import { ComposeProgress } from '../../components/ComposeProgress';
import { callPage } from '../../../state/view/pageThunks';

const GRADES: readonly [FindingGrade, string][] = [
  ['must', 'Must be mended'],
  ['should', 'Should be looked at'],
  ['look', 'Worth a look'],
];

export default function ProofStage() {
  const summary = useAppSelector((state) => state.compose.summary);
  const findings = useAppSelector(selectFindings);
  const groups = useMemo(() => groupFindings(findings), [findings]);
  return (
    <section aria-label="Findings" className="relative h-full overflow-y-auto bg-base-100" tabIndex={0}>
      <ComposeProgress />
      <div className="mx-auto max-w-[720px] px-6 pb-16 pt-6">
        {summary === null && <p aria-live="polite">Composing before reading proof.</p>}
        {summary !== null && groups.length === 0 && <p>Nothing was found in {summary.pages.length} pages.</p>}
        {groups.map(([grade, title, kinds]) => (
          <section key={grade} className="mb-8">
            <h2 className="mb-1 text-[16px] font-semibold">{title}</h2>
            {kinds.map(([kind, findings]) => (
              <Kind
                key={kind}
                name={CHECKS[kind].name}
                findings={findings}
                isOpen={kinds.length === 1 || findings.length <= 6}
              />
            ))}
          </section>
        ))}
      </div>
    </section>
  );
}

function Kind({ name, findings, isOpen }: { name: string; findings: readonly Finding[]; isOpen: boolean }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const pages = useAppSelector((state) => state.compose.summary!.pages);
  const book = useAppSelector((state) => state.book.book);
  const rows = useMemo(() => (book === null ? [] : findingRows(findings, book)), [findings, book]);
  const go = (page: number) => {
    dispatch(callPage(page));
    void navigate('../pages');
  };
  return (
    <details open={isOpen} className="border-t border-hairline">
      <summary className="flex justify-between py-2 font-semibold">
        <span>{name}</span>
        <span className="font-normal text-quiet">{findings.length}</span>
      </summary>
      <ul className="mb-3">
        {rows.map(({ finding, words, count }, index) => (
          <li key={index}>
            <button
              className="flex w-full gap-4 rounded-sm px-2 py-1 text-left hover:bg-base-200"
              disabled={finding.page < 0}
              onClick={() => go(finding.page)}
            >
              <span className="w-24 shrink-0 text-quiet">
                {finding.page < 0 ? '' : `page ${finding.page + 1} (${pages[finding.page]?.folio})`}
              </span>
              <span>
                {finding.message}
                {words !== '' && <span className="font-book text-quiet"> “{words}”</span>}
                {count > 1 && <span className="text-quiet"> · {count} times</span>}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}

type Group = [FindingGrade, string, [Finding['kind'], Finding[]][]];

function groupFindings(findings: readonly Finding[]): Group[] {
  return GRADES.flatMap(([grade, title]): Group[] => {
    const kinds = new Map<Finding['kind'], Finding[]>();
    for (const finding of findings) {
      if (finding.grade === grade) kinds.set(finding.kind, [...(kinds.get(finding.kind) ?? []), finding]);
    }
    return kinds.size === 0 ? [] : [[grade, title, [...kinds]]];
  });
}
