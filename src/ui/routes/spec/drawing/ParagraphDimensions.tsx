// What is set, on the paragraph that is judged by it: of a style its measures, of the spacing the word spaces of each line, of a face
// its size and the height of its letters.
import { useEffect, useState } from 'react';
import type { FaceRecord } from '../../../../core/model/spec/faces';
import type { DisplayList } from '../../../../core/model/composed/displayList';
import { formatNumber } from '../../../../core/measure/units';
import { askFaces } from '../../../../state/spec/fontThunks';
import { useAppDispatch } from '../../../../state/hooks';
import { usePageCache } from '../../../pageView/pageCacheContext';
import { MARK_COLOURS } from '../../../pageView/pageMarks';
import type { DrawingLayout } from './layout';
import { paragraphLines, paragraphNear, type PlacedLine } from './paragraphLines';
import { useShownSpread } from './shownSpread';
import type { Focus } from './useDrawingView';

/** Pixels from the page to what is said of it, and from one saying to the next. */
const AWAY = 14;
const APART = 20;
/** Pixels of the longest saying. */
const WIDEST = 130;

interface Saying {
  readonly y: number;
  readonly words: string;
}

interface PageOfParagraph {
  readonly list: DisplayList;
  readonly lines: readonly PlacedLine[];
  /** Pixels of a point of the page. */
  readonly x: (pt: number) => number;
  readonly y: (pt: number) => number;
}

export function ParagraphDimensions({ layout, focus }: { layout: DrawingLayout; focus: Focus }) {
  const page = useParagraph(layout, focus);
  if (page === null || page.lines.length === 0) return null;
  switch (focus.topic) {
    case 'styles':
      return <OfStyle layout={layout} focus={focus} page={page} />;
    case 'spacing':
      return <OfSpacing layout={layout} focus={focus} page={page} />;
    case 'faces':
      return <OfFace layout={layout} focus={focus} page={page} />;
    default:
      return null;
  }
}

function useParagraph(layout: DrawingLayout, { side, block }: Focus): PageOfParagraph | null {
  const { spread } = useShownSpread();
  const { cache, version: _ } = usePageCache();
  const page = spread?.[side];
  const list = page ? cache.get(page.index) : undefined;
  if (list === undefined) return null;
  const { scale, top, box } = layout;
  const left = side === 'recto' ? layout.recto : layout.left;
  const own = block === null ? [] : paragraphLines(list, block);
  const near = own.length > 0 ? null : paragraphNear(list, (box.height / 2 - top) / scale);
  const lines = near === null ? own : paragraphLines(list, near);
  return { list, lines, x: (pt) => left + pt * scale, y: (pt) => top + pt * scale };
}

interface PartProps {
  readonly layout: DrawingLayout;
  readonly focus: Focus;
  readonly page: PageOfParagraph;
}

/** Where lines from a paragraph to what is said of it begin. */
function edgeOf({ lines, x }: PageOfParagraph, { side }: Focus): number {
  return side === 'recto'
    ? x(Math.max(...lines.map((line) => line.right))) + 8
    : x(Math.min(...lines.map((line) => line.left))) - 8;
}

const inPoints = (pt: number) => `${formatNumber(pt, 'pt')} pt`;

function OfStyle({ layout, focus, page }: PartProps) {
  const { lines, x, y } = page;
  const [first, second] = lines;
  const inner = second ?? first;
  const indent = first.left - inner.left;
  const right = Math.max(...lines.map((line) => line.right));
  const leftmost = Math.min(...lines.map((line) => line.left));
  const sayings: Saying[] = [
    { y: y(first.y) - 6, words: `size ${inPoints(first.size)}` },
    ...(second === undefined
      ? []
      : [{ y: (y(first.y) + y(second.y)) / 2, words: `leading ${inPoints(second.y - first.y)}` }]),
    ...(second !== undefined && Math.abs(indent) > 0.5
      ? [{ y: y(second.y), words: `first line ${indent > 0 ? 'in' : 'out'} ${inPoints(Math.abs(indent))}` }]
      : []),
    { y: y(inner.y) + 8, words: `measure ${inPoints(right - leftmost)}` },
  ];
  const x1 = focus.side === 'recto' ? x(right) + 5 : x(leftmost) - 5;
  return (
    <Outside layout={layout} focus={focus} sayings={sayings} from={focus.side === 'recto' ? x1 + 4 : x1 - 4}>
      {second !== undefined && (
        <path d={`M${x1} ${y(first.y)}V${y(second.y)}M${x1 - 4} ${y(first.y)}h8M${x1 - 4} ${y(second.y)}h8`} />
      )}
      {Math.abs(indent) > 0.5 && (
        <path
          d={`M${x(Math.min(first.left, inner.left))} ${y(first.y) + 3}H${x(Math.max(first.left, inner.left))}`}
          strokeWidth={2}
        />
      )}
      <path d={`M${x(inner.left)} ${y(lines[lines.length - 1].y) + 5}H${x(right)}`} strokeOpacity={0.7} />
    </Outside>
  );
}

/** Lines of which the spaces are told; more would not be read. */
const SPACED = 14;

function OfSpacing({ layout, focus, page }: PartProps) {
  const { lines, y } = page;
  // A last line has the space that is wished for, whatever the paragraph needs.
  const told = lines.slice(0, SPACED).filter(({ space }) => space !== null);
  const sayings = told.map((line) => ({ y: y(line.y) - 3, words: line.space!.toFixed(3).replace(/^0/, '0') }));
  return <Outside layout={layout} focus={focus} sayings={sayings} from={edgeOf(page, focus)} title="word space, em" />;
}

function OfFace({ layout, focus, page }: PartProps) {
  const { lines, x, y } = page;
  const face = useFace(lines[0].face);
  const line = lines[1] ?? lines[0];
  if (face === null) return null;
  const high = (units: number) => (units / face.unitsPerEm) * line.size;
  const [xHeight, capHeight] = [high(face.xHeight), high(face.capHeight)];
  const at = (height: number) => `M${x(line.left) - 6} ${y(line.y - height)}H${x(line.right) + 6}`;
  const middle = y(line.y - xHeight / 2);
  const sayings: Saying[] = [
    { y: middle - APART, words: `${face.familyName} ${inPoints(line.size)}` },
    { y: middle, words: `x-height ${inPoints(xHeight)}` },
    { y: middle + APART, words: `cap height ${inPoints(capHeight)}` },
  ];
  return (
    <Outside layout={layout} focus={focus} sayings={sayings} from={edgeOf(page, focus)}>
      <path d={at(0) + at(xHeight) + at(capHeight)} strokeOpacity={0.7} />
    </Outside>
  );
}

function useFace(id: string): FaceRecord | null {
  const dispatch = useAppDispatch();
  const [faces, setFaces] = useState<readonly FaceRecord[]>([]);
  useEffect(() => {
    void dispatch(askFaces()).then(setFaces);
  }, [dispatch]);
  return faces.find((face) => face.id === id) ?? null;
}

interface OutsideProps {
  readonly layout: DrawingLayout;
  readonly focus: Focus;
  readonly sayings: readonly Saying[];
  /** Where lines to what is said begin. */
  readonly from: number;
  readonly title?: string;
  readonly children?: React.ReactNode;
}

/** Sayings beside the page, none over another, each with a line to its place. */
function Outside({ layout, focus, sayings, from, title, children }: OutsideProps) {
  const isRecto = focus.side === 'recto';
  // Within the page where the rest of it is out of view.
  const x = isRecto
    ? Math.min(Math.max(layout.right, from) + AWAY, layout.box.width - WIDEST)
    : Math.max(Math.min(layout.left, from) - AWAY, WIDEST);
  const transform = `translate(${isRecto ? 0 : '-100%'}, -50%)`;
  const apart = title === undefined ? APART : 0;
  const placed: (Saying & { readonly at: number })[] = [];
  for (const saying of [...sayings].sort((a, b) => a.y - b.y))
    placed.push({ ...saying, at: Math.max(saying.y, (placed.at(-1)?.at ?? -Infinity) + apart) });
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden>
        <g fill="none" stroke={MARK_COLOURS.leaf}>
          {children}
          {title === undefined && (
            <path
              d={placed.map(({ y, at }) => `M${from} ${y}L${isRecto ? x - 4 : x + 4} ${at}`).join('')}
              strokeOpacity={0.5}
            />
          )}
        </g>
      </svg>
      {title !== undefined && placed.length > 0 && (
        <span
          className="pointer-events-none absolute whitespace-nowrap text-[11px] text-[#27694b] [[data-theme=evening]_&]:text-primary"
          style={{ left: x, top: placed[0].at - APART, transform }}
        >
          {title}
        </span>
      )}
      {placed.map(({ at, words }) => (
        <span
          key={`${at} ${words}`}
          className="pointer-events-none absolute whitespace-nowrap rounded-sm bg-base-100 px-1.5 text-[12px] leading-[17px] text-primary"
          style={{ left: x, top: at, transform }}
        >
          {words}
        </span>
      ))}
    </>
  );
}
