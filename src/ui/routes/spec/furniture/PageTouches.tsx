// The touches of single pages, all in one place: what each does, where its page is now, and the way back.
import { useNavigate } from 'react-router';
import type { PageTouch } from '../../../../core/model/copy/pageTouches';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { changePageTouch } from '../../../../state/order/orderThunks';
import { SettingGroup } from '../../../components/Setting';
import { callPage } from '../../../../state/view/pageThunks';

export function PageTouches() {
  const touches = useAppSelector((state) => state.book.book!.pageTouches);
  return (
    <SettingGroup title="Page touches" aside={touches.length > 0 ? String(touches.length) : undefined}>
      {touches.length === 0 && (
        <p className="px-3.5 py-1.5 text-[12px] text-quiet">
          None: every page carries what its role says. Single pages are changed in Pages, by their slip.
        </p>
      )}
      {touches.map((touch) => (
        <Touch key={touch.id} touch={touch} />
      ))}
    </SettingGroup>
  );
}

/** What a touch does, in words. */
export function touchWords({ hideHead, hideFoot, furniture, run }: PageTouch): string {
  const does = [
    hideHead ? 'no head' : '',
    hideFoot ? 'no foot' : '',
    furniture === undefined ? '' : `furniture ${furniture}`,
    run === undefined ? '' : run.start === null ? 'folio run goes on' : `folios from ${run.start}`,
  ].filter(Boolean);
  return does.length === 0 ? 'changes nothing' : does.join(', ');
}

function Touch({ touch }: { touch: PageTouch }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const touched = useAppSelector((state) => state.compose.summary?.touched.find(({ id }) => id === touch.id));
  const { page, to } = touched ?? { page: -1, to: -1 };
  const pages = useAppSelector((state) => state.compose.summary?.pages);
  const folios = [...new Set([pages?.[page]?.folio, pages?.[to]?.folio])].filter(Boolean).join(' to ');
  const numbers = to > page ? `pages ${page + 1} to ${to + 1}` : `page ${page + 1}`;
  const where =
    page < 0 ? 'its words are gone' : `${numbers}${folios ? `, ${to > page ? 'folios' : 'folio'} ${folios}` : ''}`;
  const moved = page >= 0 && page !== touch.madeOn ? `, made on page ${touch.madeOn + 1}` : '';
  return (
    <div className="flex items-baseline justify-between gap-2 border-b border-hairline px-3.5 py-1">
      <button
        className="min-w-0 text-left hover:underline disabled:no-underline"
        disabled={page < 0}
        onClick={() => {
          dispatch(callPage(page));
          void navigate('../pages', { relative: 'path' });
        }}
      >
        <span className="block truncate">{touchWords(touch)}</span>
        <span className={`block text-[12px] ${page < 0 ? 'text-error' : 'text-quiet'}`}>
          {where}
          {moved}
        </span>
      </button>
      <button
        className="btn btn-xs"
        disabled={readOnly}
        onClick={() => dispatch(changePageTouch(touch.id, null, 'Page touch taken back'))}
      >
        Remove
      </button>
    </div>
  );
}
