// The canon: which rule the margins come from, its numbers worked out step by step, and whether they still hold.
import { useState } from 'react';
import { applyCanon, canonState, CANONS, snapToLines } from '../../../core/measure/canon';
import { ValueError } from '../../../core/base/errors';
import { formatNumber } from '../../../core/measure/units';
import type { BackRow, Canon, CanonKind } from '../../../core/model/spec/pageSpec';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { pageFacts, snapMargins, takeCanon } from '../../../state/spec/specThunks';
import { ChoiceSetting, LengthSetting, NumberSetting, SettingGroup } from '../../components/Setting';
import { NumberListSetting } from '../../components/NumberListSetting';
import { useUnits } from '../../components/useUnits';
import { useSpec } from './useSetSpec';

const NAMES: Readonly<Record<CanonKind, string>> = {
  twoThirds: 'Two thirds',
  nths: 'Ninths and other parts',
  ratio: 'Ratio of the four margins',
  equal: 'Equal all around',
  bound: 'Back by the extent',
};
const BUTTON = 'btn btn-xs border-base-300 bg-base-100';

export function CanonGroup() {
  const dispatch = useAppDispatch();
  const { spec, readOnly, set } = useSpec();
  const { page, text } = spec;
  const capHeight = useAppSelector((state) => pageFacts(state).capHeight);
  const pages = useAppSelector((state) => pageFacts(state).pages);
  const [problem, setProblem] = useState<string | null>(null);
  const state = canonState(page, capHeight, text.leading.pt, pages);
  const { shift } = snapToLines(page, capHeight, text.leading.pt);
  const take = (canon: Canon | null, name: string) => {
    const fault = dispatch(takeCanon(canon, state === 'snapped', name));
    setProblem(fault);
    return fault;
  };
  return (
    <SettingGroup
      title="Canon"
      aside={page.canon === null ? 'none' : state === 'changed' ? 'changed by hand' : 'holds'}
    >
      <ChoiceSetting
        label="Margins from"
        isWide
        value={page.canon?.kind ?? ''}
        disabled={readOnly}
        choices={[['', 'Typed by hand'], ...Object.entries(NAMES)]}
        onChange={(kind) =>
          take(kind === '' ? null : CANONS[kind as CanonKind], kind === '' ? 'No canon' : NAMES[kind as CanonKind])
        }
      />
      {problem && (
        <p role="alert" className="border-b border-hairline px-3.5 py-1 text-[12px] text-error">
          {problem}
        </p>
      )}
      {page.canon !== null && <Parameters canon={page.canon} take={(canon) => take(canon, NAMES[canon.kind])} />}
      <LengthSetting
        label="Binding allowance"
        value={page.bindingAllowance}
        disabled={readOnly}
        onChange={(to) => set('page.bindingAllowance', to, 'Binding allowance')}
      />
      {page.canon !== null && <Steps canon={page.canon} />}
      {state === 'changed' && page.canon !== null && (
        <p className="flex items-center justify-between border-b border-hairline px-3.5 py-1">
          <span className="text-quiet">changed by hand</span>
          <button className={BUTTON} disabled={readOnly} onClick={() => take(page.canon, NAMES[page.canon!.kind])}>
            Use these
          </button>
        </p>
      )}
      <p className="flex min-h-9 items-center justify-between border-b border-hairline px-3.5 py-1">
        <span className="text-quiet">
          {shift > 0.05 ? `${formatNumber(shift, 'pt')} pt more than whole lines` : 'Whole lines fill the area'}
        </span>
        {shift > 0.05 && (
          <button className={BUTTON} disabled={readOnly} onClick={() => setProblem(dispatch(snapMargins()))}>
            Snap
          </button>
        )}
      </p>
    </SettingGroup>
  );
}

/** The sums of the rule, with what they come to in the unit of the trim. */
function Steps({ canon }: { canon: Canon }) {
  const { page } = useSpec().spec;
  const pages = useAppSelector((state) => pageFacts(state).pages);
  const units = useUnits();
  const unit = units.unit ?? page.trim.width.unit;
  let result;
  try {
    result = applyCanon(page, canon, pages);
  } catch (error) {
    if (error instanceof ValueError) return null;
    throw error;
  }
  return (
    <dl aria-label="How the margins are found">
      {result.steps.map(({ what, sum, values }) => (
        <div key={what} className="flex items-baseline justify-between gap-2 border-b border-hairline px-3.5 py-1">
          <dt>
            {what} <span className="text-[12px] text-quiet">{sum}</span>
          </dt>
          <dd className="whitespace-nowrap">
            {values.map((value) => formatNumber(value, unit, units.dpi)).join(', ')} {unit === 'pica' ? '' : unit}
          </dd>
        </div>
      ))}
    </dl>
  );
}

function Parameters({ canon, take }: { canon: Canon; take: (canon: Canon) => string | null }) {
  const { spec, readOnly } = useSpec();
  const { unit } = spec.page.trim.width;
  switch (canon.kind) {
    case 'nths':
      return (
        <ChoiceSetting
          label="Parts"
          value={String(canon.parts)}
          disabled={readOnly}
          choices={[6, 7, 8, 9, 10, 11, 12].map((parts) => [String(parts), String(parts)] as const)}
          onChange={(to) => take({ ...canon, parts: Number(to) })}
        />
      );
    case 'ratio': {
      const take4 = (shares: readonly number[] | null) => {
        if (shares === null) return 'A ratio has four numbers, such as 1 : 1 : 1 : 2.';
        const [back, head, foreEdge, foot] = shares;
        return take({ ...canon, back, head, foreEdge, foot });
      };
      return (
        <>
          <NumberListSetting
            label="Ratio"
            hint="back : head : fore-edge : foot"
            count={4}
            value={[canon.back, canon.head, canon.foreEdge, canon.foot]}
            none=""
            disabled={readOnly}
            onChange={take4}
          />
          <LengthSetting
            label="One part"
            value={
              canon.part ?? {
                pt: (spec.page.trim.width.pt - spec.page.bindingAllowance.pt) / 3 / (canon.back + canon.foreEdge),
                unit,
              }
            }
            disabled={readOnly}
            note={canon.part === null ? 'A third of the width is margin.' : undefined}
            onChange={(part) => take({ ...canon, part })}
          />
        </>
      );
    }
    case 'equal':
      return (
        <LengthSetting
          label="All around"
          value={canon.margin ?? { pt: (spec.page.trim.width.pt - spec.page.bindingAllowance.pt) / 6, unit }}
          disabled={readOnly}
          onChange={(margin) => take({ ...canon, margin })}
        />
      );
    case 'bound':
      return <BackTable canon={canon} take={take} />;
    case 'twoThirds':
      return null;
  }
}

/** The table of back margins by extent; every row can be changed. */
function BackTable({
  canon,
  take,
}: {
  canon: Extract<Canon, { kind: 'bound' }>;
  take: (canon: Canon) => string | null;
}) {
  const { readOnly } = useSpec();
  const { table } = canon;
  const withRow = (index: number, row: BackRow) => take({ ...canon, table: table.with(index, row) });
  const last = table.length - 1;
  /** Before the row of all longer books; a hundred pages more than the one before it. */
  const addRow = () =>
    take({
      ...canon,
      table: table.toSpliced(last, 0, { upTo: (table[last - 1]?.upTo ?? 100) + 100, back: table[last].back }),
    });
  const dropRow = () => take({ ...canon, table: table.toSpliced(last - 1, 1) });
  return (
    <>
      <ChoiceSetting
        label="Binding"
        note="Pages up to which each back margin is enough."
        value={canon.binding}
        disabled={readOnly}
        choices={[
          ['adhesive', 'Adhesive'],
          ['sewn', 'Sewn, 0.1 in less'],
        ]}
        onChange={(to) => take({ ...canon, binding: to as 'adhesive' | 'sewn' })}
      />
      {table.map((row, index) => (
        <div key={index} className="flex">
          {row.upTo !== null && (
            <div className="w-[118px] shrink-0">
              <NumberSetting
                label="to"
                value={row.upTo}
                disabled={readOnly}
                onChange={(upTo) =>
                  Number.isInteger(upTo) &&
                  upTo > (table[index - 1]?.upTo ?? 0) &&
                  upTo < (table[index + 1]?.upTo ?? Infinity)
                    ? withRow(index, { ...row, upTo })
                    : 'A whole number between those of its neighbours.'
                }
              />
            </div>
          )}
          <div className={row.upTo === null ? 'grow' : '-ml-3.5 grow'}>
            <LengthSetting
              label={row.upTo === null ? 'Longer' : 'back'}
              value={row.back}
              disabled={readOnly}
              onChange={(back) => withRow(index, { ...row, back })}
            />
          </div>
        </div>
      ))}
      <p className="flex gap-1.5 border-b border-hairline px-3.5 py-1.5">
        <button className={BUTTON} disabled={readOnly || table.length >= 12} onClick={addRow}>
          Add a row
        </button>
        <button className={BUTTON} disabled={readOnly || table.length < 2} onClick={dropRow}>
          Remove the longest
        </button>
      </p>
    </>
  );
}
