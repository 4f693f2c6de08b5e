export { breakOn, breakParagraph, type BreakContext, type BrokenSettings, type VariantWish } from './breakParagraph';
export { findTies, tiedWords } from './ties';
export { Hyphenator, type PatternData } from './hyphenator';
export { ENGLISH_DIVISIONS, englishExceptions } from './englishDivisions';
