// The beginning of the book set in a family, at the width of the panel: whole lines, ragged.
import type { GlyphOutline } from '../../../../core/model/composed/displayList';
import type { Length } from '../../../../core/model/spec/length';
import type { Spec } from '../../../../core/model/spec/spec';
import type { Specimens } from '../../../../state/spec/keptSpecs';

export interface Sample {
  readonly lists: Specimens['specimens'][number]['lists'];
  readonly outline: (face: string, glyph: number) => GlyphOutline | undefined;
}

/** CSS pixels a point of the sample, the lines of it that are shown, and points of white around them. */
export const SAMPLE_SCALE = 1.2;
export const SAMPLE_LINES = 4;
export const SAMPLE_PAD = 6;
/** Height of the page on which it is composed: room for lines enough to tell how long text runs. */
const DEPTH = 640;

const pt = (value: number): Length => ({ pt: value, unit: 'pt' });

/** The spec of a sample so many CSS pixels wide. */
export function sampleSpec(spec: Spec, face: string, width: number): Spec {
  const pad = pt(SAMPLE_PAD);
  return {
    ...spec,
    page: {
      ...spec.page,
      trim: { width: pt(Math.max(120, width / SAMPLE_SCALE)), height: pt(DEPTH) },
      margins: { head: pad, foot: pad, back: pad, foreEdge: pad },
      facing: false,
      canon: null,
      bindingAllowance: pt(0),
    },
    pages: { ...spec.pages, columns: 1, others: {} },
    openers: { ...spec.openers, sink: 0, textStart: 4, dropLines: 0, leadWords: 0 },
    text: { ...spec.text, face, wordSpace: null, setting: 'ragged' },
  };
}
