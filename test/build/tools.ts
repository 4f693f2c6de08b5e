// Outside tools that tests read files with; a test fails when one is missing.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A folder of its own for a test. */
export function scratch(): string {
  return mkdtempSync(join(tmpdir(), 'walnut-leaf-'));
}

/** Runs a tool on a file with the bytes; answers what it printed. Throws when it fails or is missing. */
export function runOn(bytes: Uint8Array, extension: string, tool: string, args: (file: string) => string[]): string {
  const file = join(scratch(), `file${extension}`);
  writeFileSync(file, bytes);
  return execFileSync(tool, args(file), {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
    maxBuffer: 64 * 1024 * 1024,
  });
}

export const pdfText = (bytes: Uint8Array): string => runOn(bytes, '.pdf', 'pdftotext', (file) => [file, '-']);
/** The words as they stand beside each other on the page. */
export const pdfLines = (bytes: Uint8Array): string =>
  runOn(bytes, '.pdf', 'pdftotext', (file) => ['-layout', file, '-']);
export const pdfInfo = (bytes: Uint8Array): string =>
  runOn(bytes, '.pdf', 'pdfinfo', (file) => ['-box', '-l', '-1', file]);
export const pdfFonts = (bytes: Uint8Array): string => runOn(bytes, '.pdf', 'pdffonts', (file) => [file]);
export const qpdfCheck = (bytes: Uint8Array): string => runOn(bytes, '.pdf', 'qpdf', (file) => ['--check', file]);
