export { breakParagraph, type BreakContext, type BrokenSettings, type VariantWish } from './breakParagraph';
export { Hyphenator, type PatternData } from './hyphenator';
