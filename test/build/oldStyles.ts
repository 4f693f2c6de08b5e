// The styles of openers' parts and tables as format 10 had them: without a meaning of their own.
import { NOVEL_SPEC } from '../../src/core/defaults/novelSpec';
import type { ParagraphStyle } from '../../src/core/model/spec/spec';

export const OLD_STYLES: Readonly<Record<string, ParagraphStyle>> = Object.fromEntries(
  ['CN', 'PN', 'CST', 'CAU', 'CEP', 'COR', 'TB'].map((tag) => [
    tag,
    { ...NOVEL_SPEC.styles[tag], meaning: 'other' as const },
  ]),
);
