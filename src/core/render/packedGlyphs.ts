// The glyphs of the page that is being rendered, in typed arrays that grow and serve one page after another: collecting
// them in lists took as long as the rest of rendering.
import type { DisplayList } from '../model/composed/displayList';

type Arrays = Pick<DisplayList, 'glyphs' | 'xs' | 'rises' | 'charOffsets' | 'sourceOffsets'>;

const KEYS = ['glyphs', 'xs', 'rises', 'charOffsets', 'sourceOffsets'] as const;

class PackedGlyphs implements Arrays {
  count = 0;
  glyphs = new Uint16Array(4096);
  xs = new Float32Array(4096);
  rises = new Float32Array(4096);
  charOffsets = new Uint16Array(4096);
  sourceOffsets = new Uint32Array(4096);

  /** Makes room for so many more. */
  room(more: number): void {
    const needed = this.count + more;
    if (needed <= this.glyphs.length) return;
    const wide = { length: needed * 2 };
    const larger = {
      glyphs: new Uint16Array(wide.length),
      xs: new Float32Array(wide.length),
      rises: new Float32Array(wide.length),
      charOffsets: new Uint16Array(wide.length),
      sourceOffsets: new Uint32Array(wide.length),
    };
    for (const key of KEYS) larger[key].set(this[key]);
    Object.assign(this, larger);
  }

  push(glyph: number, x: number, rise: number, charOffset: number, sourceOffset: number): void {
    const at = this.count;
    this.glyphs[at] = glyph;
    this.xs[at] = x;
    this.rises[at] = rise;
    this.charOffsets[at] = charOffset;
    this.sourceOffsets[at] = sourceOffset;
    this.count = at + 1;
  }

  /** Arrays of just the glyphs, which are the page's own. */
  copy(): Arrays {
    const { count } = this;
    return {
      glyphs: this.glyphs.slice(0, count),
      xs: this.xs.slice(0, count),
      rises: this.rises.slice(0, count),
      charOffsets: this.charOffsets.slice(0, count),
      sourceOffsets: this.sourceOffsets.slice(0, count),
    };
  }
}

const scratch = new PackedGlyphs();

/** The arrays, emptied. Pages are rendered one after another, each to its end. */
export function takeScratch(): PackedGlyphs {
  scratch.count = 0;
  return scratch;
}
