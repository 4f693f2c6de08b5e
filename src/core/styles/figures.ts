// Which figures a stretch is set in (house rules, section 5): those that stand alone are lining, since a 1 of old-style figures
// by itself is taken for an I; in tables and lists of folios they are as wide as each other; in running text old-style.
import type { ResolvedStyle } from '../model/composed/styled';
import type { FaceRecord } from '../model/spec/faces';
import type { Look } from './looks';

export type Figures = 'oldstyle' | 'lining' | 'tabular';

/** Features of each; a face that has none keeps its own figures. */
const FEATURES: Readonly<Record<Figures, readonly string[]>> = {
  oldstyle: ['onum', 'pnum'],
  lining: ['lnum', 'pnum'],
  tabular: ['lnum', 'tnum'],
};

const ALONE: ReadonlySet<ResolvedStyle['meaning']> = new Set(['chapterNumber', 'partNumber']);
/** Entries of contents and lists. */
const CONTENTS_TAG = /^TO[A-GI-Z]$/;

export function figuresOf(style: ResolvedStyle, look: Look): Figures {
  if (style.meaning === 'table') return 'tabular';
  // Numbers and folios of contents stand in columns of their own.
  if (CONTENTS_TAG.test(style.tag)) return 'tabular';
  const isFolio = style.tag === 'FO';
  if (look.isNumber || look.reference !== null || ALONE.has(style.meaning) || isFolio) return 'lining';
  return 'oldstyle';
}

export function figureFeatures(figures: Figures, face: FaceRecord): string[] {
  if (!face.features.includes('onum') && figures !== 'tabular') return [];
  return FEATURES[figures].filter((tag) => face.features.includes(tag));
}
