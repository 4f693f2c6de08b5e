// The edits that a repair stands for.
import { unreachable } from '../base/errors';
import { appendParagraph, cutParagraph } from '../copy/cutParagraph';
import type { Repair, RunPlace } from '../model/checks/repairs';
import { eachStream, type Book } from '../model/copy/book';
import type { BookEdit } from '../model/copy/bookEdit';
import type { BlockId, Paragraph, StreamId } from '../model/copy/streams';
import { dropDummyCopyEdits } from './copy/dummyCopy';
import { convertNotesEdits } from './copy/noteEdits';
import { setTouchesEdit } from './copy/touches';
import { dropTypedNumbersEdits } from './copy/typedNumbers';
import { setSpecEdit } from './makeEdits';
import { setDivisionEdit } from './order/runningOrder';

/** Empty when what the repair is about is gone. */
export function repairEdits(book: Book, repair: Repair): BookEdit[] {
  switch (repair.kind) {
    case 'wish':
      return some(setTouchesEdit(book, repair.stream, repair.block, repair.touches));
    case 'dropObject':
      return some(dropObject(book, repair.stream, repair.block, repair.at));
    case 'dropNote':
      return dropNote(book, repair.note);
    case 'setNoteKind':
      return convertNotesEdits(book, [repair.note], repair.to);
    case 'dropPageTouch':
      return dropPageTouch(book, repair.touch);
    case 'setFolioStart':
      return setFolioStart(book, repair.run, repair.start);
    case 'setDivisionSide': {
      const isThere = book.divisions.some(({ id }) => id === repair.division);
      return isThere ? some(setDivisionEdit(book, repair.division, { start: repair.side })) : [];
    }
    case 'dropDummyCopy':
      return dropDummyCopyEdits(book, repair.division);
    case 'dropTypedNumber':
      return dropTypedNumbersEdits(book, repair.block);
    case 'dropSpotRule': {
      const spots = book.spec.styles[repair.style]?.spots;
      const left = spots?.filter(({ pattern }) => pattern !== repair.pattern) ?? [];
      if (spots === undefined || left.length === spots.length) return [];
      return [
        setSpecEdit(
          book,
          ['styles', repair.style, 'spots'],
          left.map((rule) => ({ ...rule })),
        ),
      ];
    }
    default:
      return unreachable(repair);
  }
}

const some = (edit: BookEdit | null): BookEdit[] => (edit === null ? [] : [edit]);

function dropObject(book: Book, stream: StreamId, block: BlockId, at: number): BookEdit | null {
  for (const place of eachStream(book)) {
    if (place.stream !== stream) continue;
    const index = place.blocks.findIndex(({ id }) => id === block);
    const old = place.blocks[index];
    if (old?.kind !== 'paragraph' || !old.objects.some((object) => object.at === at)) return null;
    return { kind: 'replaceBlocks', stream, at: index, removed: [old], inserted: [withoutLetter(old, at)] };
  }
  return null;
}

function withoutLetter(paragraph: Paragraph, at: number): Paragraph {
  const after = cutParagraph(paragraph, at + 1, paragraph.text.length);
  return appendParagraph(cutParagraph(paragraph, 0, at), after);
}

function setFolioStart(book: Book, place: RunPlace, start: number | null): BookEdit[] {
  if ('division' in place) {
    const run = book.divisions.find(({ id }) => id === place.division)?.run;
    return run === undefined ? [] : some(setDivisionEdit(book, place.division, { run: { ...run, start } }));
  }
  const from = book.pageTouches;
  const touch = from.find(({ id }) => id === place.touch);
  if (touch?.run === undefined || touch.run.start === start) return [];
  const changed = { ...touch, run: { ...touch.run, start } };
  return [{ kind: 'setPageTouches', from, to: from.map((one) => (one === touch ? changed : one)) }];
}

/** The note goes, and with it every reference to it. */
function dropNote(book: Book, note: StreamId): BookEdit[] {
  const edits: BookEdit[] = [];
  for (const { stream, blocks } of eachStream(book)) {
    if (stream === note) continue;
    blocks.forEach((old, at) => {
      if (old.kind !== 'paragraph') return;
      const places = old.objects
        .filter((object) => object.kind === 'note' && object.note === note)
        .map((one) => one.at);
      if (places.length === 0) return;
      const left = places.reduceRight<Paragraph>(withoutLetter, old);
      edits.push({ kind: 'replaceBlocks', stream, at, removed: [old], inserted: [left] });
    });
  }
  const from = book.notes[note];
  return from === undefined ? edits : [...edits, { kind: 'setNote', id: note, from, to: null }];
}

/** The page touch goes, and with it its anchors. */
export function dropPageTouch(book: Book, id: string): BookEdit[] {
  const touch = book.pageTouches.find((one) => one.id === id);
  if (touch === undefined) return [];
  const to = book.pageTouches.filter((one) => one !== touch);
  const edits: BookEdit[] = [{ kind: 'setPageTouches', from: book.pageTouches, to }];
  for (const id of [touch.anchor, touch.through]) {
    const anchor = id === undefined ? undefined : book.anchors[id];
    if (id !== undefined && anchor !== undefined) edits.push({ kind: 'setAnchor', id, from: anchor, to: null });
  }
  return edits;
}
