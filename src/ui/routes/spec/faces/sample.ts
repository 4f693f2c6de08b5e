// The beginning of the book set in a family.
import type { GlyphOutline } from '../../../../core/model/composed/displayList';
import type { Specimens } from '../../../../state/spec/keptSpecs';

export interface Sample {
  readonly lists: Specimens['specimens'][number]['lists'];
  readonly outline: (face: string, glyph: number) => GlyphOutline | undefined;
}
