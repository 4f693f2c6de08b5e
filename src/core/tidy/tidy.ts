// Runs Tidy jobs over streams in their fixed order, each over what the ones before it left.
import type { Manuscript } from '../model/copy/manuscript';
import type { Block, StreamId } from '../model/copy/streams';
import type { TidyChange, TidyCount } from '../model/answers/tidy';
import { CHARACTER_JOBS } from './jobs/characters';
import { DASH_JOBS } from './jobs/dashes';
import { PARAGRAPH_JOBS } from './jobs/paragraphs';
import { QUOTE_JOBS } from './jobs/quotes';
import { SPACE_JOBS } from './jobs/spaces';
import { BREAK_JOBS, STYLE_JOBS } from './jobs/styles';
import { NOTE_JOBS } from './jobs/typedNotes';
import { TIDY_STAGES, type TidyAllContext, type TidyContext, type TidyJob } from './types';

const ALL: readonly TidyJob[] = [
  ...CHARACTER_JOBS,
  ...SPACE_JOBS,
  ...PARAGRAPH_JOBS,
  ...BREAK_JOBS,
  ...QUOTE_JOBS,
  ...DASH_JOBS,
  ...STYLE_JOBS,
  ...NOTE_JOBS,
];

/** All jobs in the order in which they are run. */
export const TIDY_JOBS: readonly TidyJob[] = TIDY_STAGES.flatMap((stage) => ALL.filter((job) => job.stage === stage));

export interface TidiedStreams {
  readonly streams: ReadonlyMap<StreamId, readonly Block[]>;
  /** Notes that were made of paragraphs of the text. */
  readonly notes: ReadonlyMap<StreamId, readonly Block[]>;
  readonly counts: readonly TidyCount[];
  readonly changes: readonly TidyChange[];
}

/** Runs jobs over streams; `tell` jobs change nothing and are counted all the same. Yields after each stream. */
export function* tidyStreams(
  streams: ReadonlyMap<StreamId, readonly Block[]>,
  jobs: readonly TidyJob[],
  context: Omit<TidyAllContext, 'accepts'> & { readonly accepts?: TidyContext['accepts'] },
): Generator<void, TidiedStreams> {
  const current = new Map(streams);
  const counts: TidyCount[] = [];
  const changes: TidyChange[] = [];
  const accepts = context.accepts ?? (() => true);
  const notes = new Map<StreamId, readonly Block[]>();
  for (const job of jobs) {
    let count = 0;
    if (job.runAll !== undefined) {
      const result = job.runAll(current, { ...context, accepts });
      count = result.places.length;
      for (const place of result.places) changes.push({ ...place, job: job.id });
      for (const [stream, blocks] of result.streams) current.set(stream, blocks);
      for (const [note, blocks] of result.notes) notes.set(note, blocks);
      yield;
    } else
      for (const [stream, blocks] of current) {
        const result = job.run(blocks, { ...context, accepts });
        count += result.places.length;
        for (const place of result.places) changes.push({ ...place, job: job.id, stream });
        if (result.blocks !== blocks) current.set(stream, result.blocks);
        yield;
      }
    counts.push({ id: job.id, name: job.name, kind: job.kind, count });
  }
  return { streams: current, notes, counts, changes };
}

export interface TidiedManuscript {
  readonly manuscript: Manuscript;
  readonly counts: readonly TidyCount[];
  readonly changes: readonly TidyChange[];
}

const MAIN = 'main';

/** A manuscript after jobs: its text, the cells of its tables, its notes. */
export function* tidyManuscript(manuscript: Manuscript, jobs: readonly TidyJob[]): Generator<void, TidiedManuscript> {
  let nextId = manuscript.nextId;
  const streams = new Map<StreamId, readonly Block[]>();
  const collect = (id: StreamId, blocks: readonly Block[]) => {
    streams.set(id, blocks);
    for (const block of blocks)
      if (block.kind === 'table') for (const row of block.rows) for (const cell of row) collect(cell.id, cell.blocks);
  };
  collect(MAIN, manuscript.blocks);
  for (const [id, note] of Object.entries(manuscript.notes)) collect(id, note.blocks);
  const language = manuscript.metadata.language ?? 'en';
  const tidied = yield* tidyStreams(streams, jobs, {
    ...{ language, texts: [MAIN], takeId: () => `p${nextId++}`, takeNote: () => `n${nextId++}` },
  });
  const rebuilt = (id: StreamId): Block[] =>
    (tidied.streams.get(id) ?? []).map((block) =>
      block.kind === 'paragraph'
        ? block
        : { ...block, rows: block.rows.map((row) => row.map((cell) => ({ ...cell, blocks: rebuilt(cell.id) }))) },
    );
  const notes = Object.fromEntries([
    ...Object.entries(manuscript.notes).map(([id, note]) => [id, { ...note, blocks: rebuilt(id) }] as const),
    ...[...tidied.notes].map(([id, blocks]) => [id, { kind: 'endnote' as const, blocks }] as const),
  ]);
  return {
    manuscript: { ...manuscript, blocks: rebuilt(MAIN), notes, nextId },
    counts: tidied.counts,
    changes: tidied.changes,
  };
}
