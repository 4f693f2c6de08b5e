// What is changed on single pages of the spread: heads and feet hidden, other furniture, a folio run. Each touch goes with the
// words on which it was made.
import { useState } from 'react';
import type { FolioRun } from '../../../core/model/spec/numbering';
import type { PageTouch } from '../../../core/model/copy/pageTouches';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { changePageTouch, setPageTouch } from '../../../state/order/orderThunks';
import type { PageSummary } from '../../../worker/typesetClient';
import { FolioRunFields } from '../../components/FolioRunFields';
import { ChoiceSetting, SettingRow } from '../../components/Setting';

const FIRST_RUN: FolioRun = { numerals: 'arabic', start: 1, prefix: '', hidden: false };

export function PageTouchFields({ pages }: { pages: readonly PageSummary[] }) {
  return (
    <>
      <h2 className="mt-5 border-b border-base-300 px-3.5 pb-1.5 font-semibold">
        {pages.length > 1 ? 'These pages alone' : 'This page alone'}
      </h2>
      {pages.map((page) => (
        <OnePage key={page.index} page={page} isFirst={page === pages[0]} hasTwo={pages.length > 1} />
      ))}
    </>
  );
}

function OnePage({ page, isFirst, hasTwo }: { page: PageSummary; isFirst: boolean; hasTwo: boolean }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const { sets } = useAppSelector((state) => state.book.book!.spec.furniture);
  const touches = useAppSelector((state) => state.book.book!.pageTouches);
  const anchors = useAppSelector((state) => state.book.book!.anchors);
  const touched = useAppSelector((state) => state.compose.summary?.touched) ?? [];
  const [isOpen, setOpen] = useState(false);
  const { start } = page;
  // One that was made this moment stands by its words; the pages say where it stands once they are composed.
  const ofPage = touches.filter(({ through }) => through === undefined);
  const own =
    ofPage.find(({ id }) => touched.some((one) => one.id === id && one.page === page.index)) ??
    ofPage.find(({ anchor }) => {
      const at = anchors[anchor];
      return at !== undefined && at.block === start?.block && at.from === start.offset;
    });
  const name = hasTwo ? `${isFirst ? 'Left' : 'Right'} page, ${page.folio || page.index + 1}` : 'This page';
  const change = (to: Partial<PageTouch>, what: string) => {
    if (start === null) return;
    const merged = Object.fromEntries(
      Object.entries({ ...own, ...to }).filter(([, value]) => value !== undefined && value !== false),
    ) as unknown as PageTouch;
    const isEmpty = !merged.hideHead && !merged.hideFoot && merged.furniture === undefined && merged.run === undefined;
    if (own !== undefined) dispatch(changePageTouch(own.id, isEmpty ? null : merged, what));
    else if (!isEmpty) dispatch(setPageTouch({ ...merged, madeOn: page.index }, start, what));
  };
  const isFixed = readOnly || start === null;
  return (
    <section aria-label={name}>
      <button
        className="flex w-full justify-between border-b border-hairline px-3.5 py-1.5 text-left hover:bg-base-200"
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
      >
        <span>{name}</span>
        <span className={own ? 'text-primary' : 'text-quiet'}>{own ? 'touched' : 'as its role'}</span>
      </button>
      {isOpen && start === null && (
        <p className="border-b border-hairline px-3.5 py-1 text-[12px] text-quiet">
          There are no words on it that a touch could go by.
        </p>
      )}
      {isOpen && start !== null && (
        <>
          {(
            [
              ['hideHead', 'Without its head'],
              ['hideFoot', 'Without its foot'],
            ] as const
          ).map(([key, label]) => (
            <SettingRow key={key} label={label} id={`${key}${page.index}`}>
              <input
                id={`${key}${page.index}`}
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={own?.[key] === true}
                disabled={isFixed}
                onChange={(event) => change({ [key]: event.target.checked }, label)}
              />
            </SettingRow>
          ))}
          {Object.keys(sets).length > 1 && (
            <ChoiceSetting
              label="Furniture"
              isWide
              value={own?.furniture ?? ''}
              disabled={isFixed}
              choices={[['', 'as its division'] as const, ...Object.keys(sets).map((one) => [one, one] as const)]}
              onChange={(to) => change({ furniture: to || undefined }, 'Furniture of a page')}
            />
          )}
          <SettingRow label="A folio run begins" id={`run${page.index}`}>
            <input
              id={`run${page.index}`}
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={own?.run !== undefined}
              disabled={isFixed}
              onChange={(event) => change({ run: event.target.checked ? FIRST_RUN : undefined }, 'Folio run')}
            />
          </SettingRow>
          {own?.run !== undefined && (
            <FolioRunFields
              run={own.run}
              disabled={isFixed}
              onChange={(run) => {
                change({ run }, 'Folio run');
                return null;
              }}
            />
          )}
        </>
      )}
    </section>
  );
}
