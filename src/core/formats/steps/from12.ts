// Format 13: pictures may be TIFF files and SVG drawings. What was kept before of such a file was of no known kind, and stays so until it is
// chosen again.
import type { Migration } from '../plainBook';

export const from12: Migration = (book) => ({ ...book, format: 13 });
