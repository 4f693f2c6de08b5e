// Head and foot of each page of the spread at a size that can be judged, the text between them cut out: where the slots are
// chosen. Scrolling, or the key for the whole spread, goes back to the drawing of whole pages.
import type { PageSide } from '../../../../core/model/spec/pageRoles';
import type { Spec } from '../../../../core/model/spec/spec';
import { useAppSelector } from '../../../../state/hooks';
import { Layers } from '../drawing/Layers';
import { drawingLayout, pagesOf } from '../drawing/layout';
import { LiveSpread } from '../drawing/LiveSpread';
import { READABLE } from '../drawing/useDrawingView';
import { useSpec } from '../useSetSpec';
import { FurnitureSlots } from './FurnitureSlots';

/** Pixels: desk beside and beyond the edges of the page, between strips, and for their names. */
const EDGE = 14;
const BETWEEN = 10;
const NAME = 64;

interface Size {
  readonly width: number;
  readonly height: number;
}

interface StripsProps {
  readonly size: Size;
  /** Cap height of the text, in points. */
  readonly capHeight: number;
  /** No page has the role that is worked on: what is shown is an example. */
  readonly isExample: boolean;
}

/** The page goes out of sight where it is cut. */
const fade = (at: 'head' | 'foot') =>
  `linear-gradient(to ${at === 'head' ? 'top' : 'bottom'}, transparent, black 40px)`;

/** Size and place of each strip in a box of so many pixels: heads above feet, of the verso before those of the recto. */
export function stripsOf(spec: Spec, { width, height }: Size) {
  const sides: readonly PageSide[] = spec.page.facing ? ['verso', 'recto'] : ['recto'];
  const pageWidth = spec.page.trim.width.pt;
  const scale = Math.min(READABLE / spec.text.size.pt, (width - 2 * EDGE - NAME) / pageWidth);
  const parts = (['head', 'foot'] as const).flatMap((at) => sides.map((side) => ({ at, side })));
  const stripHeight = (height - BETWEEN * (parts.length + 1)) / parts.length;
  const stripWidth = pageWidth * scale + 2 * EDGE;
  const left = NAME + (width - NAME - stripWidth) / 2;
  return parts.map((part, k) => ({
    ...part,
    scale,
    left,
    top: BETWEEN + k * (stripHeight + BETWEEN),
    width: stripWidth,
    height: stripHeight,
  }));
}

export function FurnitureStrips({ size, capHeight, isExample }: StripsProps) {
  const { spec } = useSpec();
  const layers = useAppSelector((state) => state.view.layers);
  const { trim } = spec.page;
  return (
    <>
      {stripsOf(spec, size).map(({ at, side, scale, left, top, width, height }) => {
        const isVerso = side === 'verso';
        const layout = drawingLayout(spec, capHeight, width, height, {
          scale,
          x: trim.width.pt * (isVerso ? 0.5 : pagesOf(spec) - 0.5),
          y: at === 'head' ? (height / 2 - EDGE) / scale : trim.height.pt - (height / 2 - EDGE) / scale,
        });
        const spine = spec.page.facing ? EDGE - 1 : 0;
        const cut = isVerso ? `inset(0 ${spine}px 0 0)` : `inset(0 0 0 ${spine}px)`;
        const pageLeft = isVerso ? layout.left : layout.recto;
        return (
          <div key={`${at} ${side}`}>
            <p className="absolute text-[12px] leading-tight text-quiet" style={{ left: 14, top: top + EDGE }}>
              {at === 'head' ? 'Head' : 'Foot'}
              {spec.page.facing && (
                <>
                  <br />
                  {side}
                </>
              )}
            </p>
            <div className="absolute overflow-hidden" style={{ left, top, width, height }}>
              {layers.includes('text') ? (
                // The facing page is cut off, as the text between is.
                <div className="absolute inset-0" style={{ clipPath: cut, maskImage: fade(at) }}>
                  <LiveSpread layout={layout} isExample={false} />
                </div>
              ) : (
                <div
                  className="absolute bg-paper"
                  style={{ left: pageLeft, top: layout.top, width: layout.w, height: layout.h }}
                />
              )}
              <svg
                width={width}
                height={height}
                className="pointer-events-none absolute inset-0"
                style={{ clipPath: cut, maskImage: fade(at) }}
                aria-hidden
              >
                <Layers spec={spec} layout={layout} shown={layers} />
                <rect
                  x={pageLeft + 0.5}
                  y={layout.top + 0.5}
                  width={layout.w}
                  height={layout.h}
                  fill="none"
                  stroke="var(--quiet)"
                />
              </svg>
              <FurnitureSlots layout={layout} only={{ at, side }} />
            </div>
          </div>
        );
      })}
      {isExample && (
        <p
          className="absolute left-1/2 z-10 -translate-x-1/2 -translate-y-1/2 whitespace-nowrap bg-paper px-2 text-[#5f5a51]"
          style={{ top: size.height / 2 }}
        >
          An example: no page of the book has this role.
        </p>
      )}
    </>
  );
}
