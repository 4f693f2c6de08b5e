export { cutWidths, glyphAt, lineGlyphs, shapeAlone, type CutWidths, type LineRun } from './cutParagraph';
export { shapeParagraph } from './shapeParagraph';
