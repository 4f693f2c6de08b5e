// Puts what was chosen by name at the caret of the galley.
import { schema } from '../../../../galley';
import { putDummyCopy, putTable } from '../../../../state/arrival/incomingThunks';
import { putPictureToCome } from '../../../../state/copy/figureThunks';
import { setSection } from '../../../../state/order/sectionThunks';
import type { AppDispatch } from '../../../../state/store';
import { breakBefore, insertion, insertionBeside, setList } from './commands';
import type { GalleyControl } from './control';
import type { Insertable } from './insertables';
import { choosePicture } from './pictureBox';

/** Rows and columns of a table, and paragraphs of dummy copy, as they are wished; null: what was typed cannot be. */
export interface InsertSizes {
  readonly table: { readonly rows: number; readonly columns: number } | null;
  readonly paragraphs: number | null;
}

/** `form`: it has a form to be filled in first. `kept`: it cannot be done as it is wished. */
export type PutOutcome = 'put' | 'form' | 'kept';

export function putInsertable(
  one: Insertable,
  control: GalleyControl,
  sizes: InsertSizes,
  dispatch: AppDispatch,
): PutOutcome {
  const editor = control.current;
  if (editor === null) return 'kept';
  const { view } = editor;
  switch (one.kind) {
    case 'reference':
    case 'index':
      return 'form';
    case 'dummy':
    case 'table':
      if (!putMadeCopy(one.kind, control, sizes, dispatch)) return 'kept';
      break;
    case 'picture':
      choosePicture(
        (file) => void file.arrayBuffer().then((bytes) => control.bringIn(editor, file.name, new Uint8Array(bytes))),
      );
      break;
    case 'pictureToCome': {
      const { stream, head } = editor.bookSelection();
      dispatch(putPictureToCome({ stream, ...head }));
      break;
    }
    case 'note': {
      const note = `n${control.book().nextId}`;
      const made = { id: note, kind: one.noteKind };
      insertionBeside(schema.node('note', { note }), one.name, made)(view.state, view.dispatch, view);
      // The caret goes into the note.
      requestAnimationFrame(() => control.current?.editNote(note));
      return 'put';
    }
    case 'numbered':
    case 'bulleted':
    case 'noList':
      setList(one.kind === 'noList' ? null : one.kind === 'numbered')(view.state, view.dispatch, view);
      break;
    case 'pageBreak':
    case 'columnBreak':
      breakBefore(one.kind === 'columnBreak' ? 'column' : true)(view.state, view.dispatch);
      break;
    case 'section': {
      const block = control.caretBlock();
      if (block !== null) dispatch(setSection(control.division, block, ''));
      break;
    }
    case 'character':
      insertion(one.text, one.name)(view.state, view.dispatch, view);
      break;
    default:
      insertion(schema.node(one.kind), one.name)(view.state, view.dispatch, view);
  }
  view.focus();
  return 'put';
}

/** Dummy copy or a table at the caret, which goes behind it; false when their size cannot be. */
function putMadeCopy(
  kind: 'dummy' | 'table',
  control: GalleyControl,
  { table, paragraphs }: InsertSizes,
  dispatch: AppDispatch,
): boolean {
  const place = control.current!.bookSelection();
  if (kind === 'dummy' ? paragraphs === null : table === null) return false;
  const done = dispatch(
    kind === 'dummy' ? putDummyCopy(paragraphs!, place) : putTable(table!.rows, table!.columns, place),
  );
  if ('end' in done && done.end !== null) control.select(done.end);
  return true;
}
