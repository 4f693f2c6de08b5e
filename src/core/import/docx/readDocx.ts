// Reads a .docx (ECMA-376 WordprocessingML): main text, styles, footnotes and endnotes, metadata. Tracked changes are
// taken as accepted, comments never reach the text, field results are kept, an incoming contents list is left out.
import { SUBTITLE } from '../../copy/copyMarks';
import { append } from '../../base/append';
import { ImportError } from '../../base/errors';
import { unpack } from '../../base/zip';
import { elements, maybeChild, parseXml, textOf, type XmlElement } from '../../base/xml';
import type { Manuscript } from '../../model/copy/manuscript';
import type { Block } from '../../model/copy/streams';
import { Incoming } from '../incoming';
import { BodyReader, type NoteReference } from './bodyReader';
import { DocxParts } from './parts';
import { docxPaths } from './paths';
import { readStyles } from './styleNames';

/** Parts may have any name: relations say which is which. */
const WANTED = /\.(?:xml|rels)$|(?:^|\/)media\/[^/]+$/;
const NEVER = /(?:^|\/)(?:theme|customXml|glossary|charts|diagrams|embeddings)\//;
const BLOCKS_PER_STEP = 100;

/** Throws ImportError `truncated`, `too-large`, `not-a-document` or `damaged`. */
export function* readDocx(bytes: Uint8Array): Generator<void, Manuscript> {
  const members = unpack(bytes, (name) => WANTED.test(name) && !NEVER.test(name));
  const part = (name: string): XmlElement | undefined =>
    members[name] && parseXml(new TextDecoder('utf-8').decode(members[name]), name);
  const paths = docxPaths(part);
  const document = part(paths.document);
  const body = maybeChild(document, 'w:body');
  if (body === undefined) {
    throw new ImportError('not-a-document', 'This is a zip file, but there is no Word document in it.');
  }
  yield;
  const parts = new DocxParts(members, paths, part);
  const styles = readStyles(part(paths.styles), parts);
  const incoming = new Incoming();
  const said = propertiesOf(part('docProps/custom.xml'));
  incoming.sectionNames = said;
  const reader = new BodyReader(styles, incoming, parts, 'document');
  const blocks = yield* readBlocks(reader, body);
  const bodies = { footnote: notesOf(part(paths.footnotes)), endnote: notesOf(part(paths.endnotes)) };
  const readers = {
    footnote: new BodyReader(styles, incoming, parts, 'footnotes'),
    endnote: new BodyReader(styles, incoming, parts, 'endnotes'),
  };
  // Notes may refer to further notes: the list grows while it is walked.
  const references = [...reader.references];
  for (let k = 0; k < references.length; k += 1) {
    const { kind, number, id }: NoteReference = references[k];
    const source = bodies[kind].get(number);
    if (source === undefined) incoming.remark('Note references without a note', 'The file has no text for them.');
    const before = readers[kind].references.length;
    const { mark } = incoming.notes[id];
    incoming.notes[id] = { ...incoming.notes[id], kind, blocks: source ? readers[kind].readNote(source, mark) : [] };
    append(references, readers[kind].references.slice(before));
    if (k % BLOCKS_PER_STEP === 0) yield;
  }
  const core = part('docProps/core.xml');
  return incoming.finish(blocks, {
    title: wordsOf(maybeChild(core, 'dc:title')),
    ...(said.has(SUBTITLE) ? { subtitle: said.get(SUBTITLE)! } : {}),
    author: wordsOf(maybeChild(core, 'dc:creator')),
    language: wordsOf(maybeChild(core, 'dc:language')) ?? styles.language,
  });
}

/** The custom properties of a document by their names (ECMA-376-1, 22.3). */
function propertiesOf(root: XmlElement | undefined): ReadonlyMap<string, string> {
  const found =
    root === undefined ? [] : elements(root).map((one) => [one.attributes.name ?? '', textOf(one)] as const);
  return new Map(found);
}

function* readBlocks(reader: BodyReader, body: XmlElement): Generator<void, Block[]> {
  const blocks: Block[] = [];
  for (const [index, child] of elements(body).entries()) {
    if (index % BLOCKS_PER_STEP === 0) yield;
    append(blocks, reader.readBlock(child));
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
