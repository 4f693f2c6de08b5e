// What a compose needs from outside: faces, hyphenation patterns and a clock; and what it keeps between composes.
import type { FaceLibrary } from '../fonts/faceLibrary';
import { englishExceptions, Hyphenator, type PatternData } from '../linebreak';
import { maybeFace } from '../model/spec/faces';
import { StyleInterner } from '../styles';
import { StageCache } from './stageCache';

export interface TypesetContext {
  readonly library: FaceLibrary;
  /** Milliseconds from any start; only differences are used. */
  readonly now: () => number;
  /** The day as ISO 8601, for furniture that tells it; empty: none. */
  readonly today: string;
  readonly hyphenators: Map<string, Hyphenator>;
  readonly interner: StyleInterner;
  readonly cache: StageCache;
}

export function createTypesetContext(library: FaceLibrary, now: () => number, today = ''): TypesetContext {
  return { library, now, today, hyphenators: new Map(), interner: new StyleInterner(), cache: new StageCache() };
}

/** Gives the context the patterns of a language, with the words that we divide otherwise. */
export function addPatterns(context: TypesetContext, language: string, data: PatternData): void {
  if (context.hyphenators.has(language)) return;
  const ours = language === 'en' ? englishExceptions() : {};
  context.hyphenators.set(language, new Hyphenator({ ...data, exceptions: { ...data.exceptions, ...ours } }));
}

/** Own space of a family's roman in em, from the opened font; 0.25 until its bytes have arrived. */
export function spaceOfFamily(context: TypesetContext, family: string): number {
  const roman = maybeFace(context.library.table, family, 400, false);
  return roman !== undefined && context.library.has(roman.id) ? context.library.marks(roman.id).space : 0.25;
}
