// What makes a PDF for the screen live: links on its pages (ISO 32000-1, 12.5.6.5) and the outline beside them (12.3.3).
import { pdfArray, pdfDictionary, pdfNumber, pdfText, type PdfFile, type PdfValue } from './objects';

/** A place that leads to a page of the file, by its index, or to an address. */
export interface PdfLink {
  /** Upper left corner from that of the trimmed page, in points. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** A page, or a place of it that comes to the top: `y` from the top of the trimmed page. */
  readonly to: { readonly page: number; readonly y?: number } | { readonly address: string };
}

export interface OutlineEntry {
  readonly title: string;
  readonly page: number;
  /** From 1; deeper entries stand under the one before. */
  readonly level: number;
}

/** The links of a page of so much height; `pageOf`: reference of a page's object. */
export function linkAnnotations(
  file: PdfFile,
  links: readonly PdfLink[],
  height: number,
  pageOf: (index: number) => PdfValue | undefined,
): PdfValue | undefined {
  const made = links.flatMap(({ x, y, width, height: high, to }) => {
    const page = 'page' in to ? pageOf(to.page) : undefined;
    if ('page' in to && page === undefined) return [];
    const rectangle = [x, height - y - high, x + width, height - y].map((edge) => pdfNumber(edge, 2));
    return [
      file.add(
        pdfDictionary({
          Type: '/Annot',
          Subtype: '/Link',
          Rect: pdfArray(rectangle),
          Border: '[0 0 0]',
          ...('page' in to
            ? { Dest: pdfArray(destination(page!, to.y, height)) }
            : { A: pdfDictionary({ Type: '/Action', S: '/URI', URI: asciiString(to.address) }) }),
        }),
      ),
    ];
  });
  return made.length === 0 ? undefined : pdfArray(made);
}

/** White that stays above a place that is gone to, in points. */
const ABOVE_PLACE = 12;

/** A whole page, or a place of it at the size that the reader has (ISO 32000-1, 12.3.2.2). */
function destination(page: PdfValue, y: number | undefined, height: number): PdfValue[] {
  if (y === undefined) return [page, '/Fit'];
  return [page, '/XYZ', 'null', pdfNumber(Math.min(height, height - y + ABOVE_PLACE), 2), 'null'];
}

/** An address in the characters that a URI has; others by their bytes. */
function asciiString(address: string): PdfValue {
  const safe = encodeURI(address).replace(/%25([0-9A-Fa-f]{2})/g, '%$1');
  return `(${safe.replace(/[\\()]/g, (sign) => `\\${sign}`)})`;
}

interface OutlineNode {
  readonly entry: OutlineEntry;
  readonly number: number;
  readonly children: OutlineNode[];
}

/** The outline; undefined when there is nothing in it. */
export function outlineOf(
  file: PdfFile,
  entries: readonly OutlineEntry[],
  pageOf: (index: number) => PdfValue | undefined,
): PdfValue | undefined {
  const listed = entries.filter(({ page }) => pageOf(page) !== undefined);
  if (listed.length === 0) return undefined;
  const root = file.reserve();
  const top: OutlineNode[] = [];
  const open: OutlineNode[] = [];
  for (const entry of listed) {
    const node: OutlineNode = { entry, number: file.reserve(), children: [] };
    while (open.length > 0 && open[open.length - 1].entry.level >= entry.level) open.pop();
    (open.length === 0 ? top : open[open.length - 1].children).push(node);
    open.push(node);
  }
  const write = (nodes: readonly OutlineNode[], parent: number): void => {
    nodes.forEach(({ entry, number, children }, k) => {
      const next = nodes[k + 1];
      const before = nodes[k - 1];
      file.set(
        number,
        pdfDictionary({
          Title: pdfText(entry.title),
          Parent: file.reference(parent),
          Dest: pdfArray([pageOf(entry.page)!, '/Fit']),
          ...(before === undefined ? {} : { Prev: file.reference(before.number) }),
          ...(next === undefined ? {} : { Next: file.reference(next.number) }),
          ...endsOf(children, -countOf(children)),
        }),
      );
      write(children, number);
    });
  };
  const endsOf = (nodes: readonly OutlineNode[], count: number): Record<string, PdfValue> =>
    nodes.length === 0
      ? {}
      : {
          First: file.reference(nodes[0].number),
          Last: file.reference(nodes[nodes.length - 1].number),
          // Negative: closed.
          Count: String(count),
        };
  file.set(root, pdfDictionary({ Type: '/Outlines', ...endsOf(top, top.length) }));
  write(top, root);
  return file.reference(root);
}

const countOf = (nodes: readonly OutlineNode[]): number =>
  nodes.reduce((sum, { children }) => sum + 1 + countOf(children), 0);
