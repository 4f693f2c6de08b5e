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

const known = new WeakMap<FaceRecord, Map<Figures, readonly string[]>>();

/** The features by which a face has these figures, in an array of the caller's own. */
export function figureFeatures(figures: Figures, face: FaceRecord): string[] {
  let ofFace = known.get(face);
  if (ofFace === undefined) known.set(face, (ofFace = new Map()));
  let features = ofFace.get(figures);
  if (features === undefined) {
    const has = (tag: string) => face.features.includes(tag);
    features = !has('onum') && figures !== 'tabular' ? [] : FEATURES[figures].filter(has);
    ofFace.set(figures, features);
  }
  return [...features];
}
