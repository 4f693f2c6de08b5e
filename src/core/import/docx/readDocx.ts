// Reads a .docx (ECMA-376 WordprocessingML): main text, styles, footnotes and endnotes, metadata. Tracked changes are
// taken as accepted, comments never reach the text, field results are kept, an incoming contents list is left out.
import { ImportError } from '../../base/errors';
import { unpack } from '../../base/zip';
import { elements, maybeChild, parseXml, textOf, type XmlElement } from '../../base/xml';
import type { Manuscript } from '../../model/manuscript';
import type { Block } from '../../model/streams';
import { IdCounter } from '../paragraphBuilder';
import { BodyReader, type NoteReference } from './bodyReader';
import { readStyles } from './styleNames';

const WANTED = /^(word\/(document|styles|footnotes|endnotes)\.xml|docProps\/core\.xml)$/;
const BLOCKS_PER_STEP = 100;

/** Throws ImportError `truncated`, `too-large`, `not-a-document` or `damaged`. */
export function* readDocx(bytes: Uint8Array): Generator<void, Manuscript> {
  const members = unpack(bytes, (name) => WANTED.test(name));
  const part = (name: string): XmlElement | undefined =>
    members[name] && parseXml(new TextDecoder('utf-8').decode(members[name]), name);
  const document = part('word/document.xml');
  const body = maybeChild(document, 'w:body');
  if (body === undefined) {
    throw new ImportError('not-a-document', 'This is a zip file, but there is no Word document in it.');
  }
  yield;
  const styles = readStyles(part('word/styles.xml'));
  const ids = new IdCounter();
  const reader = new BodyReader(styles, ids);
  const blocks = yield* readBlocks(reader, body);
  const notes: Record<string, readonly Block[]> = {};
  const bodies = { footnote: notesOf(part('word/footnotes.xml')), endnote: notesOf(part('word/endnotes.xml')) };
  // Notes may refer to further notes: the list grows while it is walked.
  for (let k = 0; k < reader.references.length; k += 1) {
    const reference: NoteReference = reader.references[k];
    const source = bodies[reference.kind].get(reference.number);
    if (reference.kind === 'endnote') reader.remark('Endnotes set as footnotes');
    notes[reference.id] = source ? reader.readNote(source) : [];
    if (source === undefined) reader.remark('Note references without a note');
    if (k % BLOCKS_PER_STEP === 0) yield;
  }
  const core = part('docProps/core.xml');
  return {
    metadata: {
      title: wordsOf(maybeChild(core, 'dc:title')),
      author: wordsOf(maybeChild(core, 'dc:creator')),
      language: wordsOf(maybeChild(core, 'dc:language')) ?? styles.language,
    },
    blocks,
    notes,
    nextId: ids.next,
    remarks: reader.remarks(),
  };
}

function* readBlocks(reader: BodyReader, body: XmlElement): Generator<void, Block[]> {
  const blocks: Block[] = [];
  for (const [index, child] of elements(body).entries()) {
    if (index % BLOCKS_PER_STEP === 0) yield;
    blocks.push(...reader.readBlock(child));
  }
  return blocks;
}

/** The notes of a part by number; separators (they have a type) are no notes. */
function notesOf(part: XmlElement | undefined): Map<string, XmlElement> {
  const notes = new Map<string, XmlElement>();
  if (part === undefined) return notes;
  for (const note of elements(part)) {
    const type = note.attributes['w:type'];
    if (type === undefined || type === 'normal') notes.set(note.attributes['w:id'], note);
  }
  return notes;
}

function wordsOf(element: XmlElement | undefined): string | undefined {
  const text = element && textOf(element).trim();
  return text ? text : undefined;
}
