export { writePdf, type PageSurround, type PdfMetadata, type PdfSource } from './writePdf';
