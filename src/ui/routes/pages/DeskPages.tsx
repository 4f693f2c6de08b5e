// What lies over the drawn pages in view: their text, invisible, to be selected and pointed at, and the bracket of the paragraph.
import { memo } from 'react';
import { figureAt } from '../../../core/copy/figures/findFigures';
import { useAppSelector } from '../../../state/hooks';
import type { PageSummary } from '../../../worker/typesetClient';
import type { Spread } from '../../../state/book/selectors';
import type { PageCache } from '../../../state/compose/pageCache';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import { TextLayer } from '../../pageView/TextLayer';
import { Bracket } from './Bracket';
import { FigureHandles, type FigureHandlesProps } from './FigureHandles';
import { pageLeft, rowTop, type DeskGeometry } from './deskGeometry';

interface Props {
  /** Those in view. */
  readonly spreads: readonly Spread[];
  readonly geometry: DeskGeometry;
  readonly pointed: ParagraphPlace | null;
  readonly cache: PageCache;
  /** Grows whenever the cache has something new. */
  readonly version: number;
}

export const DeskPages = memo(function DeskPages({ spreads, geometry, pointed, cache }: Props) {
  return spreads.map((spread) =>
    [spread.verso, spread.recto].map((page, side) =>
      page === null ? null : (
        <article
          key={page.index}
          data-page={page.index + 1}
          data-role={page.role}
          aria-label={nameOf(page)}
          className="absolute overflow-hidden"
          style={{
            left: pageLeft(geometry, side),
            top: rowTop(geometry, spread.index),
            width: geometry.pageWidth,
            height: geometry.pageHeight,
          }}
        >
          <PageText page={page} side={side === 0 ? 'verso' : 'recto'} {...{ geometry, pointed, cache }} />
        </article>
      ),
    ),
  );
});

const nameOf = ({ index, folio, role }: PageSummary) =>
  `Page ${index + 1}, folio ${folio}${role === 'blank' ? ', blank' : ''}`;

function PageText({
  page,
  side,
  geometry,
  pointed,
  cache,
}: Pick<Props, 'geometry' | 'pointed' | 'cache'> & { readonly page: PageSummary; readonly side: 'verso' | 'recto' }) {
  const list = cache.get(page.index);
  if (list === undefined) return null;
  return (
    <>
      <TextLayer list={list} scale={geometry.scale} />
      {pointed && <Bracket list={list} place={pointed} scale={geometry.scale} side={side} />}
      {pointed && <PointedFigure list={list} place={pointed} scale={geometry.scale} side={side} />}
    </>
  );
}

/** The handles of the figure pointed at; nothing for words, and in a book that can only be read. */
function PointedFigure({ place, ...rest }: Omit<FigureHandlesProps, 'figure'>) {
  const figure = useAppSelector(({ book: { book, readOnly } }) =>
    book === null || readOnly ? undefined : figureAt(book, place.stream, place.block),
  );
  return figure === undefined ? null : <FigureHandles place={place} figure={figure} {...rest} />;
}
