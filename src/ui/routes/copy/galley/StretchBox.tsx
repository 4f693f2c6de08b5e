// One document of the galley. While it is far from the view it is an empty box of its height.
import { memo, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import type { Block } from '../../../../core/model/copy/streams';
import { blockWords } from '../../../../galley';
import type { GalleyControl } from './control';
import type { Place } from './dressing';
import { StreamView } from './streamView';

/** The blocks of a division that a document holds. */
interface Held {
  readonly blocks: readonly Block[];
  readonly first: number;
  readonly count: number;
}

/** What is shown of the blocks besides their text. */
interface Dress {
  readonly hidden: ReadonlySet<string>;
  readonly notes: unknown;
  readonly figures: unknown;
  readonly notePlaces: unknown;
  readonly marks: boolean;
  readonly places: readonly Place[];
}

interface Editing extends Held, Dress {
  readonly control: GalleyControl;
  readonly id: number;
  readonly name: string;
}

interface Props extends Editing {
  /** Something in it is to be shown, near or not. */
  readonly isWanted: boolean;
}

/** Words of a screen's height of galley, for the height of what is not there yet. */
const PIXELS_A_WORD = 3.1;

export const StretchBox = memo(function StretchBox({ isWanted, ...editing }: Props) {
  const { blocks, first, count } = editing;
  const box = useRef<HTMLDivElement>(null);
  const [isNear, height] = useNearness(box);
  const isThere = isNear || isWanted;
  useEditor(box, isThere, editing);
  const words = useMemo(
    () => (isThere ? 0 : blocks.slice(first, first + count).reduce((sum, block) => sum + blockWords(block), 0)),
    [blocks, first, count, isThere],
  );
  return <div ref={box} style={isThere ? undefined : { height: height ?? Math.round(words * PIXELS_A_WORD) + 40 }} />;
});

/** Whether the box is near the view, and the height that it had when it left; null until then. */
function useNearness(box: RefObject<HTMLElement | null>): [boolean, number | null] {
  const [isNear, setNear] = useState(false);
  const [height, setHeight] = useState<number | null>(null);
  useEffect(() => {
    const element = box.current!;
    const watcher = new IntersectionObserver(
      (entries) => {
        // While the machine is busy several come at once: the last says how it is.
        const entry = entries[entries.length - 1];
        if (!entry.isIntersecting && element.contains(document.activeElement)) return;
        if (!entry.isIntersecting && element.firstElementChild !== null) setHeight(element.offsetHeight);
        setNear(entry.isIntersecting);
      },
      { root: element.closest('.galley'), rootMargin: '1200px 0px' },
    );
    watcher.observe(element);
    return () => watcher.disconnect();
  }, [box]);
  return [isNear, height];
}

/** The editor in the box, kept to the blocks and to what is shown of them. */
function useEditor(
  box: RefObject<HTMLElement | null>,
  isThere: boolean,
  { control, id, name, ...shown }: Editing,
): void {
  const { blocks, first, count, hidden, notes, figures, notePlaces, marks, places } = shown;
  const editor = useRef<StreamView | null>(null);
  useEffect(() => {
    if (!isThere) return undefined;
    const made = new StreamView(box.current!, control.division, control, { isNote: false, name });
    editor.current = made;
    control.addEditor(id, made);
    return () => {
      control.removeEditor(id);
      made.destroy();
      editor.current = null;
    };
  }, [box, control, id, name, isThere]);
  // Each in the commit in which the editor comes, so that whoever waits for its text finds it.
  useEffect(() => {
    if (editor.current === null) return;
    editor.current.sync(blocks, first, count, hidden);
    control.settle([editor.current]);
  }, [control, blocks, first, count, hidden, isThere, name]);
  useEffect(() => editor.current?.dressAll(), [notes, figures, notePlaces, isThere, name]);
  useEffect(() => editor.current?.showMarks(marks), [marks, isThere, name]);
  useEffect(() => {
    if (places.length > 0 || isThere) editor.current?.showPlaces(places);
  }, [places, isThere, name]);
}
