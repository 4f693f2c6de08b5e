// The book's pages under the drawing's lines: a spread as composed last, or the part of it that is in view.
import { usePageCache, usePictures } from '../../../pageView/pageCacheContext';
import { PageCanvas } from '../../../pageView/PageCanvas';
import type { DrawingLayout } from './layout';
import { useShownSpread } from './shownSpread';

/** Two facing pages of the book with text on both, as composed last. */
export function LiveSpread({ layout, isExample }: { layout: DrawingLayout; isExample: boolean }) {
  const { left, top, w: width, h: height, pages } = layout;
  const { cache, version } = usePageCache();
  const pictures = usePictures();
  const { spread } = useShownSpread();
  const isAhead = [spread?.verso, spread?.recto].some((page) => page && cache.isAhead(page.index));
  return (
    <>
      {isAhead && (
        <p
          className="absolute -translate-x-1/2 text-[12px] text-quiet"
          style={{ left: left + (pages * width) / 2, top: top + height + 6 }}
        >
          folios to be settled
        </p>
      )}
      {isExample && (
        <p
          className="absolute z-10 -translate-x-1/2 -translate-y-1/2 whitespace-nowrap bg-paper px-2 text-[#5f5a51]"
          style={{ left: left + (pages * width) / 2, top: top + height / 2 }}
        >
          An example: no page of the book has this role.
        </p>
      )}
      {[spread?.verso, spread?.recto].slice(2 - pages).map((page, side) => {
        const list = page ? cache.get(page.index) : undefined;
        return (
          <div key={side} className="absolute bg-paper" style={{ left: left + side * width, top, width, height }}>
            {list && (
              <PageCanvas
                list={list}
                outlines={(face, glyph) => cache.outline(face, glyph)}
                width={width}
                version={version}
                pictures={pictures}
                label={`Page ${page!.index + 1} in this spec`}
              />
            )}
          </div>
        );
      })}
    </>
  );
}
