// The command `read`: what came in with a manuscript, by the same readers as the app's.
import { basename } from 'node:path';
import {
  checkBook,
  describeManuscript,
  manuscriptOf,
  readManuscript,
  readProject,
  type ManuscriptReport,
} from '../src/core/index';
import type { Manuscript } from '../src/core/model/copy/manuscript';
import { drain, readInput, writeAll } from './compose';
import type { ReadOptions } from './options';

/** Answers the sentence for the person. */
export function read(options: ReadOptions): string {
  const report = describeManuscript(openManuscript(options.manuscript));
  if (options.report !== undefined) writeAll([[options.report, jsonBytes(report)]]);
  return tellReport(report);
}

export function openManuscript(path: string): Manuscript {
  const bytes = readInput(path);
  if (path.toLowerCase().endsWith('.walnut')) {
    const { book, pictures } = readProject(bytes, checkBook);
    return manuscriptOf(book, pictures);
  }
  return drain(readManuscript(basename(path), bytes));
}

export function jsonBytes(value: unknown): Uint8Array {
  return new TextEncoder().encode(`${JSON.stringify(value, null, 2)}\n`);
}

function tellReport(report: ManuscriptReport): string {
  const notes = report.footnotes.length + report.endnotes.length;
  return `${report.words} words, ${report.paragraphs} paragraphs, ${report.headings.length} headings, ${notes} notes, ${report.tables.length} tables, ${report.images.length} pictures`;
}
