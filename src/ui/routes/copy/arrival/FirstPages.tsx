// On the arrival sheet: what each piece of the manuscript's first pages was taken for, changed by one choice.
import { partOfPiece } from '../../../../core/copy/firstPages';
import { FIRST_PARTS, isFirstRole, type FirstPart, type FirstPiece } from '../../../../core/model/copy/firstPages';
import { roleName } from '../../../../core/model/copy/roles';
import { takePieceAs } from '../../../../state/arrival/arrivalThunks';
import { goToBlock } from '../../../../state/copy/galleyThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';

/** Names of what is no division of its own. */
const NAMES = {
  title: 'Title',
  subtitle: 'Subtitle',
  author: 'Author',
  imprint: 'Imprint',
  contents: 'Contents: left out, ours stands there',
  toTypesetter: 'For the typesetter, not set',
  cover: 'Cover, outside the pages',
} as const;

const nameOf = (part: FirstPart): string => (isFirstRole(part) ? roleName(part) : NAMES[part]);

export function FirstPages() {
  const pieces = useAppSelector((state) => state.book.book?.source.firstPages) ?? [];
  if (pieces.length === 0) return null;
  return (
    <section aria-label="First pages">
      <h2 className="border-b border-hairline px-3.5 pb-1 pt-3 text-[12px] font-semibold text-quiet">
        First pages, and what they are
      </h2>
      <ul>
        {pieces.map((piece, at) => (
          <Piece key={piece.ids[0] ?? at} piece={piece} at={at} />
        ))}
      </ul>
    </section>
  );
}

function Piece({ piece, at }: { readonly piece: FirstPiece; readonly at: number }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const part = useAppSelector((state) => partOfPiece(state.book.book!, piece));
  const words = piece.words || 'a picture';
  const standing = piece.ids.find((id) => piece.kept.every((block) => block.id !== id));
  return (
    <li className="border-b border-hairline px-3.5 py-1.5">
      <button
        className="block w-full truncate text-left font-book text-[14px] leading-[18px] disabled:cursor-default"
        title={standing === undefined ? words : `${words}: to it in the galley`}
        disabled={standing === undefined}
        onClick={() => dispatch(goToBlock(standing!))}
      >
        {words}
      </button>
      <label className="mt-1 flex items-center gap-2">
        <span className="shrink-0 text-[12px] text-quiet">{piece.isGuess === true ? 'perhaps:' : 'this is:'}</span>
        <select
          className="select select-xs w-full min-w-0"
          aria-label={`What “${words}” is`}
          value={part}
          disabled={readOnly}
          onChange={(event) => {
            const to = event.target.value as FirstPart;
            dispatch(takePieceAs(at, to, `“${words.slice(0, 24)}”: ${nameOf(to).toLowerCase()}`));
          }}
        >
          {FIRST_PARTS.map((value) => (
            <option key={value} value={value}>
              {nameOf(value)}
            </option>
          ))}
        </select>
      </label>
    </li>
  );
}
