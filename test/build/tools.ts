// Outside tools that tests read files with; a test fails when one is missing.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { decode } from 'fast-png';

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

/** A page of a PDF as poppler draws it, counted from 1; red, green and blue of a place from its top left corner, in points. */
export function drawnPage(bytes: Uint8Array, page: number): (x: number, y: number) => [number, number, number] {
  const path = join(scratch(), 'drawn.pdf');
  writeFileSync(path, bytes);
  const args = ['-png', '-r', '72', '-f', String(page), '-l', String(page), path];
  const stdout = execFileSync('pdftoppm', args, { maxBuffer: 64 * 1024 * 1024, stdio: ['ignore', 'pipe', 'pipe'] });
  const { width, channels, data } = decode(new Uint8Array(stdout));
  return (x, y) => {
    const at = (Math.round(y) * width + Math.round(x)) * channels;
    return [0, 1, 2].map((c) => data[at + (channels < 3 ? 0 : c)]) as [number, number, number];
  };
}
