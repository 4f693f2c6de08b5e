// One page on a canvas of its own size: the Shelf's title pages, the deckle's glance.
import { useEffect, useRef } from 'react';
import type { DisplayList } from '../../core/model/composed/displayList';
import { drawPage } from './drawPage';
import type { OutlineSource, PictureSource } from './pageDrawing';

interface Props {
  readonly list: DisplayList;
  readonly outlines: OutlineSource;
  /** CSS pixels. */
  readonly width: number;
  readonly label: string;
  /** Changes when outlines have arrived. */
  readonly version?: number;
  readonly pictures?: PictureSource;
}

export function PageCanvas({ list, outlines, width, label, version = 0, pictures }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const height = (width * list.height) / list.width;
  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context) return;
    const ratio = window.devicePixelRatio || 1;
    element.width = Math.round(width * ratio);
    element.height = Math.round(height * ratio);
    const styles = getComputedStyle(element);
    context.fillStyle = styles.getPropertyValue('--paper');
    context.fillRect(0, 0, element.width, element.height);
    const ink = styles.getPropertyValue('--paper-ink');
    drawPage(context, list, { outlines, pictures, x: 0, y: 0, scale: element.width / list.width, ink });
  }, [list, outlines, width, height, version, pictures]);
  return <canvas ref={canvas} role="img" aria-label={label} style={{ width, height }} className="block bg-paper" />;
}
