// The parts of a .docx besides its text: relations, numbering, and the files of its pictures.
import { elements, maybeChild, textOf, type XmlElement } from '../../base/xml';
import { ListCounter } from '../listNumbers';
import { RELATED_PARTS, relationsPath, targetPath, type DocxPaths } from './paths';

export type RelatedPart = (typeof RELATED_PARTS)[number];

export class DocxParts {
  private readonly relations = new Map<string, { readonly target: string; readonly isExternal: boolean }>();
  /** Whether the levels of a numbering are numbered, and not marked by a bullet. */
  private readonly ordered = new Map<string, ReadonlyMap<number, boolean>>();
  /** What counts together, what its levels begin with, and what this numbering begins with instead (17.9.15, 17.9.25, 17.9.26). */
  private readonly counting = new Map<
    string,
    { readonly list: string; readonly first: ReadonlyMap<number, number>; readonly begins: ReadonlyMap<number, number> }
  >();

  private readonly counter = new ListCounter();
  private readonly begun = new Set<string>();

  private readonly comments = new Map<string, { readonly who: string; readonly text: string }>();

  constructor(
    private readonly members: Readonly<Record<string, Uint8Array>>,
    private readonly paths: DocxPaths,
    read: (path: string) => XmlElement | undefined,
  ) {
    for (const part of RELATED_PARTS) this.readRelations(part, read(relationsPath(paths[part])));
    this.readNumbering(read(paths.numbering));
    this.readComments(read(paths.comments));
  }

  private readRelations(part: string, relations: XmlElement | undefined): void {
    for (const { attributes } of relations ? elements(relations) : []) {
      const isExternal = attributes.TargetMode === 'External';
      if (attributes.Id && attributes.Target)
        this.relations.set(`${part} ${attributes.Id}`, { target: attributes.Target, isExternal });
    }
  }

  private readNumbering(part: XmlElement | undefined): void {
    const formats = new Map<string, Map<number, boolean>>();
    const starts = new Map<string, Map<number, number>>();
    for (const element of part ? elements(part) : []) {
      if (element.name === 'w:abstractNum') {
        const levels = new Map<number, boolean>();
        for (const level of elements(element).filter((child) => child.name === 'w:lvl')) {
          const format = maybeChild(level, 'w:numFmt')?.attributes['w:val'];
          levels.set(Number(level.attributes['w:ilvl']), format !== 'bullet' && format !== 'none');
        }
        formats.set(element.attributes['w:abstractNumId'], levels);
        starts.set(element.attributes['w:abstractNumId'], startsOf(element));
      } else if (element.name === 'w:num') {
        const source = maybeChild(element, 'w:abstractNumId')?.attributes['w:val'] ?? '';
        this.ordered.set(element.attributes['w:numId'], formats.get(source) ?? new Map());
        const overrides = elements(element).filter((child) => child.name === 'w:lvlOverride');
        const begins = overrides.flatMap((one) => {
          const value = maybeChild(one, 'w:startOverride')?.attributes['w:val'];
          return value === undefined ? [] : [[Number(one.attributes['w:ilvl']) || 0, Number(value) || 0] as const];
        });
        this.counting.set(element.attributes['w:numId'], {
          list: source,
          first: starts.get(source) ?? new Map(),
          begins: new Map(begins),
        });
      }
    }
  }

  private readComments(part: XmlElement | undefined): void {
    for (const comment of part ? elements(part) : []) {
      const text = elements(comment).map(textOf).join(' ');
      this.comments.set(comment.attributes['w:id'] ?? '', { who: comment.attributes['w:author'] ?? '', text });
    }
  }

  /** A comment by its number; one without words when the file does not have it. */
  comment(id: string): { readonly who: string; readonly text: string } {
    return this.comments.get(id) ?? { who: '', text: '' };
  }

  /** The number of the next item of a numbering. */
  countItem(numbering: string, level: number): number {
    const { list = `num ${numbering}`, first, begins } = this.counting.get(numbering) ?? {};
    const key = `${numbering} ${level}`;
    // A numbering that begins anew does so at its first item.
    const restart = this.begun.has(key) ? undefined : begins?.get(level);
    this.begun.add(key);
    return this.counter.next(list, level, first?.get(level) ?? 1, restart);
  }

  isOrdered(numbering: string, level: number): boolean {
    return this.ordered.get(numbering)?.get(level) ?? false;
  }

  /** Where an external relation of a part leads; undefined for what is inside the file. Nothing is ever fetched. */
  target(part: string, id: string): string | undefined {
    const relation = this.relations.get(`${part} ${id}`);
    return relation?.isExternal ? relation.target : undefined;
  }

  /** Name and bytes of a file inside, by relation. */
  file(part: RelatedPart, id: string): { readonly name: string; readonly bytes: Uint8Array } | undefined {
    const relation = this.relations.get(`${part} ${id}`);
    if (relation === undefined || relation.isExternal) return undefined;
    const path = targetPath(this.paths[part], relation.target);
    const bytes = this.members[path];
    return bytes === undefined ? undefined : { name: path.split('/').pop()!, bytes };
  }
}

/** What each level of a list begins with. */
function startsOf(list: XmlElement): Map<number, number> {
  return new Map(
    elements(list)
      .filter(({ name }) => name === 'w:lvl')
      .map((level) => {
        const start = Number(maybeChild(level, 'w:start')?.attributes['w:val'] ?? 1);
        return [Number(level.attributes['w:ilvl']) || 0, Number.isFinite(start) ? start : 1];
      }),
  );
}
