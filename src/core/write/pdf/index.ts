export { writePdf, type PdfMetadata, type PdfSource } from './writePdf';
