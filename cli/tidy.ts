// The command `tidy`: the jobs that clean incoming copy, and what it is after them.
import { describeManuscript, TIDY_JOBS, tidyManuscript, type TidyChange } from '../src/core/index';
import { drain, jsonBytes } from './compose';
import { writeAll } from './files';
import { UsageError, type TidyOptions } from './options';
import { openManuscript } from './read';

/** Answers the sentence for the person. */
export function tidy(options: TidyOptions): string {
  const jobs = jobsOf(options.jobs ?? 'safe');
  const { manuscript, counts, changes } = drain(tidyManuscript(openManuscript(options.manuscript), jobs));
  const outputs: [string, Uint8Array][] = [];
  if (options.report !== undefined)
    outputs.push([options.report, jsonBytes({ ...describeManuscript(manuscript), jobs: counts })]);
  if (options.changes !== undefined) outputs.push([options.changes, new TextEncoder().encode(changeList(changes))]);
  writeAll(outputs);
  const taken = counts.filter((job) => job.count > 0 && job.kind !== 'tell');
  return `${taken.reduce((sum, job) => sum + job.count, 0)} changes by ${taken.length} jobs`;
}

function jobsOf(names: string) {
  if (names === 'all') return TIDY_JOBS;
  if (names === 'safe') return TIDY_JOBS.filter((job) => job.kind === 'safe');
  const wanted = names.split(',').map((name) => name.trim());
  for (const name of wanted)
    if (!TIDY_JOBS.some((job) => job.id === name))
      throw new UsageError(
        `There is no job “${name}”: use all, safe, or ${TIDY_JOBS.map((job) => job.id).join(', ')}.`,
      );
  return TIDY_JOBS.filter((job) => wanted.includes(job.id));
}

/** Changes as CSV (RFC 4180) for the editor: job, paragraph, was, is. */
function changeList(changes: readonly TidyChange[]): string {
  const field = (value: string) => `"${value.replaceAll('"', '""')}"`;
  const rows = changes.map(({ job, block, was, is }) => [job, block, was, is].map(field).join(','));
  return ['job,paragraph,was,is', ...rows, ''].join('\r\n');
}
