// Of the slip of a figure beside text: what its lines follow. Each way says beforehand how far it pushes the text.
import { useContext, useState } from 'react';
import { PLAIN_AROUND, type Around, type Contour } from '../../../core/model/copy/figureSetting';
import type { Figure } from '../../../core/model/copy/figures';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import { PictureCacheContext, usePageCache } from '../../pageView/pageCacheContext';
import { Choices, type Choice } from './Choices';
import { ovalContour } from './figureGestures';
import { decodedImage, traceFigure } from './traceFigure';
import { pushInWords, useWishCosts } from './useWishCosts';

type Line = 'box' | 'ellipse' | 'contour';

interface Props {
  readonly place: ParagraphPlace;
  readonly figure: Figure;
  /** First page on which it stands. */
  readonly page: number;
  readonly disabled: boolean;
  readonly put: (around: Around) => unknown;
}

export function FigureOutline({ place, figure, page, disabled, put }: Props) {
  const around = figure.around ?? PLAIN_AROUND;
  const { contour } = around;
  const isEllipse = figure.frame?.shape === 'ellipse';
  const trace = useTrace(place, figure, page);
  const { contour: _, ...plain } = around;
  const lines: readonly Line[] = isEllipse ? ['box', 'ellipse', 'contour'] : ['box', 'contour'];
  const wished: Readonly<Record<Line, Around>> = {
    box: { ...around, outline: false },
    ellipse: { ...plain, outline: true },
    contour: { ...around, outline: true },
  };
  const costs = useWishCosts(
    place,
    lines.map((line) => ({ figure: { around: wished[line] } })),
  );
  const value: Line = !around.outline ? 'box' : contour !== undefined ? 'contour' : isEllipse ? 'ellipse' : 'box';
  const take = async (made: Promise<Contour | null>) => {
    const found = await made;
    if (found !== null) put({ ...around, outline: true, contour: found });
  };
  const choices = lines.map((line, k): Choice<Line> => {
    // Before it is traced nobody knows.
    const cost = line === 'contour' && contour === undefined ? '' : pushInWords(costs[k]);
    return { value: line, name: NAMES[line], cost };
  });
  return (
    <>
      <Choices
        label="Lines follow"
        name="What the lines follow"
        disabled={disabled}
        value={value}
        choices={choices}
        onChange={(line) => {
          if (line === 'contour' && contour === undefined) void take(trace.run());
          else put(wished[line]);
        }}
      />
      {value === 'contour' && (
        <p className="flex items-center justify-between gap-2 border-b border-hairline px-3.5 py-1.5">
          <span className="text-[12px] text-quiet">{contour!.length} corners, to be moved on the page</span>
          <button
            className="btn btn-xs border-base-300 bg-base-100"
            disabled={disabled}
            onClick={() => void take(trace.run())}
          >
            Trace the picture
          </button>
        </p>
      )}
      {trace.said !== null && (
        <p role="status" className="border-b border-hairline px-3.5 py-1 text-[12px] text-quiet">
          {trace.said}
        </p>
      )}
    </>
  );
}

const NAMES: Readonly<Record<Line, string>> = {
  box: 'its box',
  ellipse: 'its ellipse',
  contour: 'a contour',
};

function useTrace({ stream, block }: ParagraphPlace, figure: Figure, page: number) {
  const { cache } = usePageCache();
  const pictures = useContext(PictureCacheContext);
  const [said, setSaid] = useState<string | null>(null);
  const run = async (): Promise<Contour | null> => {
    setSaid(null);
    const item = cache.get(page)?.pictures.find((one) => one.stream === stream && one.block === block);
    const { asset, format } = figure.parts[0].picture;
    const address = (await pictures?.address(asset, format)) ?? null;
    try {
      if (item !== undefined && address !== null) {
        const traced = traceFigure(item, await decodedImage(address));
        if (traced !== null) return traced;
        setSaid('The picture fills its frame: here is an oval to begin with.');
      } else setSaid('The picture is not here: here is an oval to begin with.');
    } catch {
      setSaid('The picture cannot be read: here is an oval to begin with.');
    }
    return ovalContour();
  };
  return { said, run };
}
