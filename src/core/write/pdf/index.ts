export { writePdf, type PageSurround, type PdfMetadata, type PdfSource } from './writePdf';
export type { OutlineEntry, PdfLink } from './navigation';
