export { breakParagraph, type BreakContext } from './breakParagraph';
export { Hyphenator, type PatternData } from './hyphenator';
