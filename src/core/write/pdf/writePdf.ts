// The press PDF of the interior: pages to the trim, text in black on one plate, pictures as they came, fonts embedded as subsets with their Unicode map,
// title and author in the metadata. Pages are asked for one by one.
import { inNumerals } from '../../numbering/numerals';
import { escapeXml } from '../../base/xml';
import { shareStep, type FileJob } from '../../base/fileJob';
import { fingerprint } from '../../base/hash';
import type { DisplayList } from '../../model/composed/displayList';
import type { PageSide } from '../../model/spec/pageRoles';
import type { FaceId, FaceRecord } from '../../model/spec/faces';
import { FontUse } from './fontUse';
import { pdfArray, pdfDictionary, PdfFile, pdfNumber, pdfText, type PdfValue } from './objects';
import { linkAnnotations, outlineOf, type OutlineEntry, type PdfLink } from './navigation';
import { pageContent } from './pageContent';
import { PictureUse } from './pictureUse';

/** A folio, and its number in its run. */
export interface PageFolio {
  readonly folio: string;
  readonly number: number;
}

/** What the writer needs from outside: pages, faces and the cutting down of font files. */
export interface PdfSource {
  readonly pageCount: number;
  readonly firstSide: PageSide;
  readonly width: number;
  readonly height: number;
  readonly page: (index: number) => DisplayList;
  /** What runs over the trim of a page, to be cut away, and the room around that; in points. */
  readonly around: (index: number) => PageSurround;
  /** Of each page: its folio as shown, and the run that it is counted in. */
  readonly folios: readonly PageFolio[];
  readonly face: (id: FaceId) => FaceRecord;
  readonly advance: (id: FaceId, glyph: number) => number;
  readonly subset: (id: FaceId, glyphs: readonly number[]) => Uint8Array;
  /** Of a file for the screen: links of each page, and the outline. */
  readonly live?: {
    readonly links: (list: DisplayList) => readonly PdfLink[];
    readonly outline: readonly OutlineEntry[];
  };
}

/** Bleed by the sides of the sheet, and the sheet edge on all of them. */
export interface PageSurround {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  readonly sheetEdge: number;
}

export interface PdfMetadata {
  readonly title: string;
  readonly author: string;
  readonly language: string;
  /** ISO 8601 date and time, given by the caller: core has no clock. */
  readonly date: string;
}

/** Writes the file, page by page. */
export function* writePdf(source: PdfSource, metadata: PdfMetadata): FileJob {
  const file = new PdfFile();
  const fonts = new Map<FaceId, FontUse>();
  const fontOf = (id: FaceId): FontUse => {
    let font = fonts.get(id);
    if (font === undefined) {
      font = new FontUse(`F${fonts.size + 1}`, source.face(id), (glyph) => source.advance(id, glyph));
      fonts.set(id, font);
    }
    return font;
  };
  const pictures = new PictureUse(file);
  const tree = file.reserve();
  const resources = file.reserve();
  const pageNumbers = Array.from({ length: source.pageCount }, () => file.reserve());
  const pageOf = (index: number) => (index in pageNumbers ? file.reference(pageNumbers[index]) : undefined);
  for (let index = 0; index < source.pageCount; index += 1) {
    const boxes = pageBoxes(source, index);
    const list = source.page(index);
    yield* pictures.take(list.pictures);
    const contents = file.addStream(pageContent(list, fontOf, pictures, boxes.origin), {}, 'fast');
    const links = source.live?.links(list) ?? [];
    file.set(
      pageNumbers[index],
      pdfDictionary({
        Type: '/Page',
        Parent: file.reference(tree),
        MediaBox: boxes.media,
        BleedBox: boxes.bleed,
        TrimBox: boxes.trim,
        Resources: file.reference(resources),
        Contents: contents,
        Annots: linkAnnotations(file, links, source.height, pageOf),
      }),
    );
    yield* file.flush();
    yield shareStep(((index + 1) / source.pageCount) * 0.9);
  }
  const fontEntries: Record<string, PdfValue> = {};
  for (const [id, font] of fonts) {
    fontEntries[font.resourceName] = font.write(file, source.subset(id, font.glyphs));
    yield* file.flush();
    yield shareStep(0.95);
  }
  const drawn = pictures.entries;
  const xObjects = Object.keys(drawn).length === 0 ? undefined : pdfDictionary(drawn);
  file.set(resources, pdfDictionary({ Font: pdfDictionary(fontEntries), XObject: xObjects }));
  file.set(tree, pageTree(pageNumbers.map((number) => file.reference(number))));
  const outline = outlineOf(file, source.live?.outline ?? [], pageOf);
  const root = file.add(catalogOf(file, source, metadata, file.reference(tree), outline));
  const info = file.add(infoOf(metadata));
  const pages = source.folios.map(({ folio }) => folio).join();
  const id = fileId([metadata.title, metadata.date, pages, [...fonts.keys()].join()]);
  yield* file.end({ Root: root, Info: info, ID: `[<${id}> <${id}>]` });
}

/** The one node of the page tree (7.7.3). */
const pageTree = (pages: readonly PdfValue[]): PdfValue =>
  pdfDictionary({ Type: '/Pages', Kids: pdfArray(pages), Count: String(pages.length) });

/** Half of the file identifier (14.4), as hexadecimal digits. */
const fileId = (facts: readonly string[]): string => fingerprint(facts.join('\u0000')).toUpperCase();

/** The document catalog (7.7.2). */
function catalogOf(
  file: PdfFile,
  { folios, firstSide }: PdfSource,
  metadata: PdfMetadata,
  pages: PdfValue,
  outline: PdfValue | undefined,
): PdfValue {
  const packet = new TextEncoder().encode(xmp(metadata));
  return pdfDictionary({
    Type: '/Catalog',
    Pages: pages,
    Metadata: file.addStream(packet, { Type: '/Metadata', Subtype: '/XML' }, 'none'),
    Lang: pdfText(metadata.language),
    PageLabels: pdfDictionary({ Nums: pageLabels(folios) }),
    ViewerPreferences: pdfDictionary({ DisplayDocTitle: 'true' }),
    PageLayout: firstSide === 'recto' ? '/TwoPageRight' : '/TwoPageLeft',
    Outlines: outline,
    PageMode: outline === undefined ? undefined : '/UseOutlines',
  });
}

/** The document information dictionary (14.3.3). */
function infoOf({ title, author, date }: PdfMetadata): PdfValue {
  return pdfDictionary({
    Title: pdfText(title),
    Author: author === '' ? undefined : pdfText(author),
    Creator: pdfText('Walnut Leaf'),
    Producer: pdfText('Walnut Leaf'),
    CreationDate: `(${pdfDate(date)})`,
    ModDate: `(${pdfDate(date)})`,
  });
}

interface PageBoxes {
  readonly media: PdfValue;
  readonly bleed: PdfValue;
  readonly trim: PdfValue;
  /** Lower left corner of the trim. */
  readonly origin: readonly [number, number];
}

/** The boxes of a page (14.11.2): the trim, the bleed around it, and the sheet edge around that. */
function pageBoxes({ width, height, around }: PdfSource, index: number): PageBoxes {
  const { left, right, top, bottom, sheetEdge } = around(index);
  const [x, y] = [left + sheetEdge, bottom + sheetEdge];
  const box = (...edges: number[]) => pdfArray(edges.map((edge) => pdfNumber(edge, 4)));
  return {
    media: box(0, 0, x + width + right + sheetEdge, y + height + top + sheetEdge),
    bleed: box(sheetEdge, sheetEdge, x + width + right, y + height + top),
    trim: box(x, y, x + width, y + height),
    origin: [x, y],
  };
}

/** Page labels (12.4.2): a new range wherever the numbering does not simply go on. */
function pageLabels(folios: readonly PageFolio[]): PdfValue {
  const parts: string[] = [];
  let open = '';
  let expected = -1;
  folios.forEach(({ folio, number }, index) => {
    const { style, prefix } = labelOf(folio, number);
    const own = `${style} ${prefix}`;
    // What no style of labels says is said as a prefix, page by page.
    if (own !== open || number !== expected || style === '') {
      const said = prefix === '' ? '' : ` /P ${pdfText(prefix)}`;
      parts.push(
        style === '' ? `${index} <<${said || ' /P ()'} >>` : `${index} << /S ${style}${said} /St ${number} >>`,
      );
    }
    open = own;
    expected = number + 1;
  });
  return pdfArray(parts);
}

/** The style of a label (table 161) under which its number is said as the folio says it, and what stands before that. */
function labelOf(folio: string, number: number): { readonly style: string; readonly prefix: string } {
  const styles: readonly [string, string][] = [
    ['/D', inNumerals(number, 'arabic')],
    ['/r', inNumerals(number, 'roman')],
    ['/R', inNumerals(number, 'Roman')],
    ['/a', inNumerals(number, 'letters')],
    ['/A', inNumerals(number, 'Letters')],
  ];
  for (const [style, said] of styles)
    if (said !== '' && folio.endsWith(said)) return { style, prefix: folio.slice(0, folio.length - said.length) };
  return { style: '', prefix: folio };
}

/** `D:YYYYMMDDHHmmSSZ` (7.9.4) from ISO 8601 in UTC. */
function pdfDate(iso: string): string {
  return `D:${iso.replace(/\D/g, '').slice(0, 14)}Z`;
}

/** XMP packet (ISO 16684-1) with the same facts as the information dictionary. */
function xmp({ title, author, language, date }: PdfMetadata): string {
  const creator =
    author === '' ? '' : `<dc:creator><rdf:Seq><rdf:li>${escapeXml(author)}</rdf:li></rdf:Seq></dc:creator>`;
  return `<?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>
<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:xmp="http://ns.adobe.com/xap/1.0/" xmlns:pdf="http://ns.adobe.com/pdf/1.3/">
<dc:format>application/pdf</dc:format>
<dc:title><rdf:Alt><rdf:li xml:lang="x-default">${escapeXml(title)}</rdf:li></rdf:Alt></dc:title>
${creator}<dc:language><rdf:Bag><rdf:li>${escapeXml(language)}</rdf:li></rdf:Bag></dc:language>
<xmp:CreatorTool>Walnut Leaf</xmp:CreatorTool><xmp:CreateDate>${date}</xmp:CreateDate><xmp:ModifyDate>${date}</xmp:ModifyDate>
<pdf:Producer>Walnut Leaf</pdf:Producer>
</rdf:Description></rdf:RDF></x:xmpmeta>
<?xpacket end="w"?>`;
}
