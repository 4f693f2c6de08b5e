// Where the parts of a .docx lie: found by the relations of the package and of its main part (ECMA-376, part 2, 6.5), by their usual names
// where it has none.
import { elements, type XmlElement } from '../../base/xml';

/** Parts that may have relations of their own. */
export const RELATED_PARTS = ['document', 'footnotes', 'endnotes'] as const;
const OTHER_PARTS = ['styles', 'numbering', 'comments'] as const;
export type DocxPart = (typeof RELATED_PARTS)[number] | (typeof OTHER_PARTS)[number];
export type DocxPaths = Readonly<Record<DocxPart, string>>;

/** The folder of a part, with its slash; empty at the root of the package. */
const folderOf = (path: string) => path.slice(0, path.lastIndexOf('/') + 1);

/** Where the relations of a part are kept. */
export const relationsPath = (path: string): string =>
  `${folderOf(path)}_rels/${path.slice(path.lastIndexOf('/') + 1)}.rels`;

/** The path of a target that a part names: from its own folder, or from the root. */
export function targetPath(path: string, target: string): string {
  const words = (target.startsWith('/') ? target : `${folderOf(path)}${target}`).split('/');
  const kept: string[] = [];
  for (const word of words) {
    if (word === '..') kept.pop();
    else if (word !== '' && word !== '.') kept.push(word);
  }
  return kept.join('/');
}

/** `read`: a part as XML; undefined where the package has none of the name. */
export function docxPaths(read: (path: string) => XmlElement | undefined): DocxPaths {
  const document = related(read('_rels/.rels'), 'officeDocument', '') ?? 'word/document.xml';
  const relations = read(relationsPath(document));
  const paths: Record<string, string> = { document };
  for (const part of ['footnotes', 'endnotes', ...OTHER_PARTS])
    paths[part] = related(relations, part, document) ?? targetPath(document, `${part}.xml`);
  return paths as DocxPaths;
}

/** The path of the part to which relations of a kind lead; types differ in their year, not in their last word. */
function related(relations: XmlElement | undefined, type: string, from: string): string | undefined {
  const found = (relations ? elements(relations) : []).find(
    ({ attributes }) => attributes.Type?.endsWith(`/${type}`) && attributes.TargetMode !== 'External',
  );
  const target = found?.attributes.Target;
  return target === undefined ? undefined : targetPath(from, target);
}
