// The last ten replacements in this book, with their counts.
import type { Replacement } from '../../../../state/copy/lastReplacements';
import { groupDigits } from '../../../frame/useStageFacts';
import { withSigns } from '../signs';

export function LastReplacements({ list }: { list: readonly Replacement[] }) {
  if (list.length === 0) return null;
  return (
    <section aria-label="Last replacements" className="pt-3">
      <h3 className="border-b border-base-300 px-3.5 pb-1 font-semibold">Last replacements</h3>
      <ul>
        {list.map(({ words, put, count, before, after }, at) => (
          <li key={at} className="border-b border-hairline px-3.5 py-1">
            <p className="break-words font-book text-[14px]">
              {withSigns(words) || 'what was found'}
              <span className="font-sans text-[12px] text-quiet">
                {put === null ? ' restyled' : put === '' ? ' deleted' : ' by '}
              </span>
              {put !== null && withSigns(put)}
            </p>
            <p className="text-[12px] text-quiet">
              {groupDigits(count)} of {groupDigits(before)}, {after === 0 ? 'none' : groupDigits(after)} found after it
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
