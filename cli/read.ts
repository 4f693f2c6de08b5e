// The command `read`: what came in with a manuscript, by the same readers as the app's.
import { basename } from 'node:path';
import { describeManuscript, manuscriptOf, readManuscript, type ManuscriptReport } from '../src/core/index';
import type { Manuscript } from '../src/core/model/copy/manuscript';
import { drain, jsonBytes } from './compose';
import { openProjectFile, readInput, writeAll } from './files';
import type { ReadOptions } from './options';

/** Answers the sentence for the person. */
export function read(options: ReadOptions): string {
  const report = describeManuscript(openManuscript(options.manuscript));
  if (options.report !== undefined) writeAll([[options.report, jsonBytes(report)]]);
  return tellReport(report);
}

export function openManuscript(path: string): Manuscript {
  if (path.toLowerCase().endsWith('.walnut')) return manuscriptOf(openProjectFile(path).book);
  return drain(readManuscript(basename(path), readInput(path)));
}

function tellReport(report: ManuscriptReport): string {
  const notes = report.footnotes.length + report.endnotes.length;
  return `${report.words} words, ${report.paragraphs} paragraphs, ${report.headings.length} headings, ${notes} notes, ${report.tables.length} tables, ${report.images.length} pictures`;
}
