// The inks that a book is printed with: those of what is set in it, black first.
import { effectiveTag } from './effectiveTag';
import { eachStream, type Book } from '../model/copy/book';
import { roleFurniture, slotsOf, SLOTS, type FurnitureLine, type FurnitureSlot } from '../model/spec/furniture';
import { valueOf } from '../model/spec/inheritance';
import { BLACK, type Ink, type InkUse } from '../model/spec/inks';
import { FURNITURE_ROLES } from '../model/spec/pageRoles';
import type { Spec } from '../model/spec/spec';

export interface PressInk {
  readonly name: string;
  readonly press: Ink['press'];
}

/** Names that the book's set lacks are set in black and not told. One that only unused styles have is not on the press. */
export function pressInks(book: Book): readonly PressInk[] {
  const { spec } = book;
  const uses = new Set([BLACK]);
  const note = (use: InkUse | null | undefined) => {
    if (use != null) uses.add(use.ink);
  };
  for (const tag of usedStyles(book)) {
    for (const key of ['ink', 'background'] as const) note(valueOf(spec.styles, tag, key));
    for (const key of ['ruleAbove', 'ruleBelow'] as const) note(valueOf(spec.styles, tag, key)?.ink);
    const lead = valueOf(spec.styles, tag, 'lead')?.style;
    const ruled = [lead, ...(valueOf(spec.styles, tag, 'spots') ?? []).map(({ style }) => style)];
    for (const style of ruled) if (style != null) note(valueOf(spec.characterStyles, style, 'ink'));
  }
  for (const { blocks } of eachStream(book))
    for (const block of blocks) {
      if (block.kind !== 'paragraph') continue;
      note(block.touches?.look?.ink);
      for (const { style } of block.spans) if (style !== undefined) note(valueOf(spec.characterStyles, style, 'ink'));
    }
  for (const line of furnitureLines(spec)) for (const rule of [line.ruleAbove, line.ruleBelow]) note(rule?.ink);
  for (const { parts } of furnitureSlots(spec))
    for (const { style } of parts) if (style !== undefined) note(valueOf(spec.characterStyles, style, 'ink'));
  const set = spec.inks.sets[spec.inks.set] ?? {};
  return [...uses].flatMap((name) => (set[name] === undefined ? [] : [{ name, press: set[name].press }]));
}

/** Styles of the text, of the furniture, and of contents and notes, which are made. */
function usedStyles(book: Book): ReadonlySet<string> {
  const { styles, contents } = book.spec;
  const used = new Set<string>(furnitureSlots(book.spec).map(({ style }) => style));
  for (const { blocks } of eachStream(book))
    blocks.forEach((_, index) => used.add(effectiveTag(blocks, index, styles)));
  if (book.divisions.some(({ role }) => role === 'contents')) for (const { entry } of contents.levels) used.add(entry);
  return used;
}

/** Lines of furniture of every set that the book or a division goes by: sets are few, and a set that is kept may be given to a page. */
function furnitureLines({ furniture }: Spec): FurnitureLine[] {
  return Object.values(furniture.sets)
    .flatMap((set) => FURNITURE_ROLES.map((role) => roleFurniture(set, role)))
    .flatMap(({ head, foot }) => [head, foot])
    .filter((line) => line !== null);
}

function furnitureSlots(spec: Spec): FurnitureSlot[] {
  return furnitureLines(spec).flatMap((line) =>
    (['recto', 'verso'] as const).flatMap((side) =>
      SLOTS.map((name) => slotsOf(line, side)[name]).filter(({ parts }) => parts.length > 0),
    ),
  );
}
