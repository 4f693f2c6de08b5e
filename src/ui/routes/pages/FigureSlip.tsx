// The slip of the figure pointed at: its pictures as they are set, where it stands and how wide it is. Each place says beforehand what becomes of the
// pages.
import { useEffect, useState } from 'react';
import { markOf } from '../../../core/copy/figures/findFigures';
import type { Figure } from '../../../core/model/copy/figures';
import {
  FIGURE_LIMITS,
  FIGURE_PLACES,
  type CaptionSide,
  type FigurePlace,
  type FigureSetting,
  type FigureWidth,
} from '../../../core/model/copy/figureSetting';
import { isFigureAlone, OBJECT_CHARACTER } from '../../../core/model/copy/streams';
import type { ParagraphFacts } from '../../../core/model/answers/paragraphFacts';
import { askParagraph, setTouches } from '../../../state/book/bookThunks';
import { setFigure } from '../../../state/copy/figureThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import type { ParagraphPlace } from '../../../state/view/viewSlice';
import { ChoiceSetting, LengthSetting } from '../../components/Setting';
import { Choices } from './Choices';
import { FigureAround } from './FigureAround';
import { FigureFrame } from './FigureFrame';
import { Beginning, GoesInto, PictureFacts, Toggle } from './slipFields';
import { costInWords, useWishCosts } from './useWishCosts';

const PLACES: Readonly<Record<FigurePlace, string>> = {
  here: 'where its mark is',
  beside: 'beside its paragraph',
  head: 'page head',
  foot: 'page foot',
  next: 'next page head',
  page: 'own page',
  spread: 'two facing pages',
};

/** Points: what can be typed as a width. */
const LEAST_WIDTH = 18;

export function FigureSlip({ place, figure }: { place: ParagraphPlace; figure: Figure }) {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const facts = useFacts(place);
  const mark = useAppSelector((state) => markOf(state.book.book!, figure.id), sameMark);
  const isAlone = mark !== null && isFigureAlone(mark.paragraph);
  const touches = (isAlone && mark.paragraph.touches) || {};
  const costs = useWishCosts(facts === null ? undefined : place, [
    ...FIGURE_PLACES.map((one) => ({ figure: { place: one } })),
    { breakBefore: touches.breakBefore ? undefined : true },
    { together: touches.together ? undefined : true },
  ]);
  const set = (change: Partial<FigureSetting>, name: string) => dispatch(setFigure({ ...figure, ...change }, name));
  const touch = (change: Parameters<typeof setTouches>[1], name: string) => dispatch(setTouches(place, change, name));
  const [breakCost, keepCost] = costs.slice(FIGURE_PLACES.length).map(costInWords);
  return (
    <section aria-label="This figure">
      <h2 className="border-b border-base-300 px-3.5 pb-1.5 pt-2.5 font-semibold">
        This figure{' '}
        {figure.parts.length > 1 && <span className="font-normal text-quiet">of {figure.parts.length} parts</span>}
      </h2>
      {facts?.pictures.map((picture, k) => (
        <PictureFacts key={k} picture={picture} />
      ))}
      {mark?.tiedTo != null && (
        <p className="border-b border-hairline px-3.5 py-1.5">
          Tied to <span className="font-book text-quiet">“{firstWords(mark.tiedTo.text)}”</span>
        </p>
      )}
      <Choices
        label="Place"
        name="Place of the figure"
        disabled={readOnly}
        value={figure.place}
        choices={FIGURE_PLACES.map((one, k) => ({ value: one, name: PLACES[one], cost: costInWords(costs[k]) }))}
        onChange={(to) => set({ place: to }, `Figure: ${PLACES[to]}`)}
      />
      {figure.place === 'spread' && <FoldField figure={figure} disabled={readOnly} set={set} />}
      {figure.place === 'beside' && (
        <FigureAround place={place} figure={figure} page={facts?.pages[0] ?? 0} disabled={readOnly} set={set} />
      )}
      <WidthFields figure={figure} facts={facts} disabled={readOnly} set={set} />
      {mayChooseCaption(figure) && (
        <ChoiceSetting
          label="Caption"
          value={figure.captionAt ?? 'below'}
          disabled={readOnly}
          choices={CAPTIONS.filter(([at]) => at !== 'beside' || !reachesOut(figure) || at === figure.captionAt)}
          note={
            figure.captionAt === 'beside' && reachesOut(figure)
              ? 'Below it: beside so wide a picture is no room.'
              : undefined
          }
          onChange={(to) => set({ captionAt: to as CaptionSide }, 'Place of a caption')}
        />
      )}
      <FigureFrame figure={figure} pictures={facts?.pictures ?? []} disabled={readOnly} />
      <DepthOfFrame figure={figure} facts={facts} disabled={readOnly} />
      <GoesInto
        value={touches.onlyIn ?? figure.onlyIn}
        disabled={readOnly}
        onChange={(onlyIn, name) => (isAlone ? touch({ onlyIn }, name) : set({ onlyIn }, name))}
      />
      {isAlone && figure.place === 'here' && (
        <>
          <Beginning touches={touches} cost={breakCost ?? ''} disabled={readOnly} set={touch} />
          <Toggle
            label="Keep in its place"
            isOn={touches.together === true}
            cost={keepCost ?? ''}
            disabled={readOnly}
            onChange={(to) =>
              touch({ together: to || undefined }, to ? 'Keep in its place' : 'Keep in its place: taken back')
            }
          />
        </>
      )}
    </section>
  );
}

/** What is known of the figure as it was last composed. */
function useFacts({ stream, block }: ParagraphPlace): ParagraphFacts | null {
  const dispatch = useAppDispatch();
  const revision = useAppSelector((state) => state.compose.summary?.revision);
  const [facts, setFacts] = useState<ParagraphFacts | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void dispatch(askParagraph(stream, block)).then((found) => {
      if (isCurrent && found !== null) setFacts(found);
    });
    return () => {
      isCurrent = false;
    };
  }, [dispatch, stream, block, revision]);
  return facts;
}

interface WidthProps {
  readonly figure: Figure;
  readonly facts: ParagraphFacts | null;
  readonly disabled: boolean;
  readonly set: (change: Partial<FigureSetting>, name: string) => unknown;
}

const CAPTIONS = [
  ['below', 'below it'],
  ['above', 'above it'],
  ['beside', 'beside it'],
] as const;

/** Of several parts, beside text, and of plates, captions stand below. */
const mayChooseCaption = ({ place, width, parts }: Figure) =>
  parts.length === 1 && place !== 'beside' && place !== 'spread' && !(place === 'page' && width === 'trim');

const reachesOut = ({ width }: Figure) => width === 'margin' || width === 'trim';

/** Whether a width means something of its own at a place. */
function isWidthAt(kind: (typeof WIDTHS)[number][0], place: FigurePlace): boolean {
  if (place === 'beside') return kind === 'own' || kind === 'shown';
  return place !== 'spread' || kind !== 'margin';
}

const WIDTHS = [
  ['shown', 'as its file says'],
  ['column', 'of the column'],
  ['margin', 'into the outer margin'],
  ['trim', 'to the trim'],
  ['own', 'typed'],
] as const;

/** Why a figure does not reach as far as is wished. */
const HELD = 'In its column: only figures of one part, on pages of one column, reach beyond it.';

function WidthFields({ figure: { width, parts, place }, facts, disabled, set }: WidthProps) {
  const columns = useAppSelector((state) => state.book.book!.spec.pages.columns);
  const isHeld = columns > 1 || parts.length > 1;
  const unit = useAppSelector((state) => state.book.book!.spec.page.trim.width.unit);
  const now = (facts?.pictures ?? []).reduce((sum, picture) => sum + picture.width, 0);
  return (
    <>
      <ChoiceSetting
        label="Width"
        value={typeof width === 'number' ? 'own' : width}
        disabled={disabled}
        note={isHeld && (width === 'margin' || width === 'trim') ? HELD : undefined}
        choices={WIDTHS.filter(([kind]) => isWidthAt(kind, place) || kind === width)}
        onChange={(to) =>
          to === 'own'
            ? set({ width: Math.max(LEAST_WIDTH, Math.round(now || LEAST_WIDTH)) }, 'Width of a figure')
            : set({ width: to as FigureWidth }, 'Width of a figure')
        }
      />
      {typeof width === 'number' && (
        <LengthSetting
          label="Typed width"
          value={{ pt: width, unit }}
          disabled={disabled}
          note={now > 0 && now < width - 1 ? 'Its column holds no more than is shown.' : undefined}
          onChange={({ pt }) => {
            if (pt < LEAST_WIDTH || pt > 20_000) return `A figure is ${LEAST_WIDTH} pt wide at least.`;
            set({ width: pt }, 'Width of a figure');
            return null;
          }}
        />
      )}
    </>
  );
}

/** How much of a picture over two pages both have at the fold; why it stands on one where it does. */
function FoldField({ figure, disabled, set }: Omit<WidthProps, 'facts'>) {
  const columns = useAppSelector((state) => state.book.book!.spec.pages.columns);
  const facing = useAppSelector((state) => state.book.book!.spec.page.facing);
  const isHeld = columns > 1 || !facing || figure.parts.length > 1;
  return (
    <LengthSetting
      label="Overlap at the fold"
      value={{ pt: figure.fold ?? 0, unit: 'pt' }}
      disabled={disabled}
      note={
        isHeld ? 'On one page: only figures of one part, in books of facing pages of one column, take two.' : undefined
      }
      onChange={({ pt }) => {
        const [least, most] = FIGURE_LIMITS.fold;
        if (pt < least || pt > most) return `${least} to ${most} pt.`;
        set({ fold: pt }, 'Overlap at the fold');
        return null;
      }}
    />
  );
}

/** How deep the frame of a picture is that is to come. */
function DepthOfFrame({ figure, facts, disabled }: Pick<WidthProps, 'figure' | 'facts' | 'disabled'>) {
  const dispatch = useAppDispatch();
  const unit = useAppSelector((state) => state.book.book!.spec.page.trim.width.unit);
  const [{ picture }] = figure.parts;
  const [set] = facts?.pictures ?? [];
  if (picture.asset !== '' || figure.parts.length > 1 || set === undefined) return null;
  return (
    <LengthSetting
      label="Depth of its frame"
      value={{ pt: Math.round(set.height * 10) / 10, unit }}
      disabled={disabled}
      onChange={({ pt }) => {
        if (pt < LEAST_WIDTH || pt > 20_000) return `A frame is ${LEAST_WIDTH} pt deep at least.`;
        const framed = { ...picture, shownWidth: set.width, shownHeight: pt };
        dispatch(setFigure({ ...figure, parts: [{ picture: framed }] }, 'Depth of a frame'));
        return null;
      }}
    />
  );
}

const firstWords = (text: string): string => {
  const words = text.replaceAll(OBJECT_CHARACTER, '').trim();
  return words.length > 48 ? `${words.slice(0, 47).trimEnd()}…` : words;
};

/** Marks are found anew at each change of the book; a slip is drawn anew only where its own changed. */
const sameMark = (a: ReturnType<typeof markOf>, b: ReturnType<typeof markOf>) =>
  a?.paragraph === b?.paragraph && a?.tiedTo === b?.tiedTo;
