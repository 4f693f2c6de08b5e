// What incoming styles become by a mapping kept from an earlier file, in place of what is guessed.
import type { Manuscript } from '../model/copy/manuscript';
import type { Block } from '../model/copy/streams';

/** The manuscript with its styles mapped; names that the mapping does not know stay as they were guessed. */
export function mapStyles(manuscript: Manuscript, mapping: Readonly<Record<string, string>>): Manuscript {
  const tags = new Map<string, string>();
  const styles = manuscript.styles.map((style) => {
    const tag = Object.hasOwn(mapping, style.name) ? mapping[style.name] : style.mappedTo;
    if (tag === style.mappedTo) return style;
    for (const block of style.blocks) tags.set(block, tag);
    return { ...style, mappedTo: tag };
  });
  if (tags.size === 0) return manuscript;
  const restyled = (block: Block): Block => {
    if (block.kind === 'table')
      return {
        ...block,
        rows: block.rows.map((row) => row.map((cell) => ({ ...cell, blocks: cell.blocks.map(restyled) }))),
      };
    const style = tags.get(block.id);
    return style === undefined ? block : { ...block, style };
  };
  const notes = Object.entries(manuscript.notes).map(([id, note]) => [
    id,
    { ...note, blocks: note.blocks.map(restyled) },
  ]);
  return { ...manuscript, styles, blocks: manuscript.blocks.map(restyled), notes: Object.fromEntries(notes) };
}
