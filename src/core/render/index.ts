export { renderPage, type RenderContext } from './renderPage';
export type { LineGlyphs } from './lineGlyphs';
