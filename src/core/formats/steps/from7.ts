// Format 8: kinds of notes. All had stood at the foot; endnotes go to a division of their own.
import { part, withSpec, type Migration, type Plain, type PlainBook } from '../plainBook';

const NOTES = {
  kinds: {
    footnote: {
      name: 'Footnote',
      place: 'foot',
      numerals: 'arabic',
      signs: [],
      restart: 'division',
      first: 1,
      reference: { before: '', after: '', position: 'superior' },
      number: { before: '', after: '.', position: 'line' },
      keyed: false,
      style: 'NT',
      separator: { kind: 'short', width: 48, weight: 0.4 },
      continuation: { kind: 'full', width: 48, weight: 0.4 },
      columns: 1,
      runOn: false,
    },
    endnote: {
      name: 'Endnote',
      place: 'bookEnd',
      numerals: 'arabic',
      signs: [],
      restart: 'division',
      first: 1,
      reference: { before: '', after: '', position: 'superior' },
      number: { before: '', after: '.', position: 'line' },
      keyed: false,
      style: 'EN',
      separator: { kind: 'short', width: 48, weight: 0.4 },
      continuation: { kind: 'full', width: 48, weight: 0.4 },
      columns: 1,
      runOn: false,
    },
  },
  stand: 'foot',
  space: 0.6,
  columnGap: 12,
  heads: true,
  pageHeads: true,
  divisionHead: 'Notes',
};

const NOTE_STYLES = {
  EN: { name: 'Endnote', basedOn: 'NT' },
  NH: {
    name: 'Notes, head',
    basedOn: 'NT',
    meaning: 'other',
    align: 'left',
    italic: true,
    firstIndent: 0,
    hyphenate: false,
    withNext: true,
    above: 1,
  },
  NM: { name: 'Note in the margin', basedOn: 'NT', size: 8, leading: 10, align: 'left', hyphenate: false },
};

export const from7: Migration = (book) =>
  withNotesDivision(
    withSpec(book, 8, (spec) => ({ notes: NOTES, ...spec, styles: { ...NOTE_STYLES, ...part(spec, 'styles') } })),
  );

/** A book with endnotes and no place for them gets a notes division. */
function withNotesDivision(book: PlainBook): PlainBook {
  const { divisions, notes, nextId } = book;
  if (!Array.isArray(divisions) || typeof nextId !== 'number') return book;
  const hasEndnotes = Object.values(part({ notes }, 'notes')).some(
    (note) => (note as Plain | null)?.kind === 'endnote',
  );
  if (!hasEndnotes || (divisions as Plain[]).some((one) => one?.role === 'notes')) return book;
  const title = { kind: 'paragraph', id: `p${nextId + 1}`, style: 'CT', text: 'Notes', spans: [], objects: [] };
  const made = { id: `d${nextId}`, role: 'notes', matter: 'back', listed: true, blocks: [title] };
  const index = (divisions as Plain[]).findIndex((one) => one?.role === 'index');
  const at = index < 0 ? divisions.length : index;
  const all = [...(divisions as Plain[]).slice(0, at), made, ...(divisions as Plain[]).slice(at)];
  return { ...book, nextId: nextId + 2, divisions: all };
}
