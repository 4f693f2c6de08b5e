// The words of a page as invisible, selectable text over the canvas, line by line at their places.
import { memo, useLayoutEffect, useRef } from 'react';
import type { DisplayList, TextItem } from '../../core/model/composed/displayList';

interface Props {
  readonly list: DisplayList;
  /** CSS pixels a point. */
  readonly scale: number;
}

export const TextLayer = memo(function TextLayer({ list, scale }: Props) {
  const root = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    // Read all widths first, then write all transforms.
    const spans = [...(root.current?.querySelectorAll<HTMLElement>('[data-width]') ?? [])];
    const widths = spans.map((span) => span.offsetWidth);
    spans.forEach((span, index) => {
      const wanted = Number(span.dataset.width) * scale;
      if (widths[index] > 0) span.style.transform = `scaleX(${wanted / widths[index]})`;
    });
  }, [list, scale]);
  return (
    <div ref={root} className="absolute inset-0 select-text text-transparent" data-page-text={list.page}>
      {(list.pictures ?? []).map(({ x, y, width, height, alt, name, stream, block }, index) => (
        <span
          key={`picture ${index}`}
          role="img"
          aria-label={alt || name || 'Picture'}
          className="absolute"
          style={{ left: x * scale, top: y * scale, width: width * scale, height: height * scale }}
          data-stream={stream}
          data-block={block}
        />
      ))}
      {list.items.map((item, index) => (
        <Line key={index} index={index} item={item} x={list.xs[item.first]} scale={scale} />
      ))}
    </div>
  );
});

interface LineProps {
  /** Of the item in the page's list. */
  readonly index: number;
  readonly item: TextItem;
  readonly x: number;
  readonly scale: number;
}

function Line({ index, item, x, scale }: LineProps) {
  const size = item.size * scale;
  return (
    <span
      data-item={index}
      data-width={item.endX - x}
      className="absolute origin-left whitespace-pre font-book"
      style={{ left: x * scale, top: (item.y - item.size * 0.8) * scale, fontSize: size, lineHeight: `${size}px` }}
      aria-hidden={item.artifact !== null}
      data-stream={item.source?.stream}
      data-block={item.source?.block}
    >
      {item.text.replace(/\u00AD$/, '') + (item.endsLine ? ' ' : '')}
    </span>
  );
}
