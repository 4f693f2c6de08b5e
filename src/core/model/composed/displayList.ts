// What is drawn on one page: text items in reading order, each with its source, and rules. Packed arrays, transferred.
import type { TextLink } from './links';
import type { FaceId } from '../spec/faces';
import type { SetInk, Tone } from '../spec/inks';
import type { Pt } from '../spec/length';
import type { Meaning } from '../spec/spec';
import type { BlockId, PictureKind, StreamId } from '../copy/streams';
import type { SetFrame } from './styled';

/** A run of glyphs on one baseline. Its glyphs are `first` to `first + count` of the page's arrays. */
export interface TextItem {
  readonly face: FaceId;
  readonly size: Pt;
  /** Horizontal scale of the glyphs; 1 as designed. */
  readonly scaleX: number;
  /** Baseline from the top of the trimmed page. */
  readonly y: Pt;
  readonly first: number;
  readonly count: number;
  /** Text that the glyphs show, for copying, readers and the text layer; `charOffsets` cut it per glyph. */
  readonly text: string;
  /** Right end of the item. */
  readonly endX: Pt;
  /** Null for what is no part of the text. */
  readonly source: TextSource | null;
  /** Which furniture, the leaders of a tab, or null for text. */
  readonly artifact: 'head' | 'folio' | 'leader' | 'repeated' | null;
  /** True when the last glyph is a hyphen that the line end brought: no part of the text. */
  readonly endsInHyphen: boolean;
  /** True when the item is the last of its line, and the text goes on with a space. */
  readonly endsLine: boolean;
  /** Its glyphs stand from left to right as seen, its text as read: from right to left. */
  readonly isRtl?: boolean;
  /** Absent: black. */
  readonly ink?: SetInk;
  /** Stretches of `text` that lead somewhere; absent: none does. */
  readonly links?: readonly TextLink[];
}

export interface TextSource {
  readonly stream: StreamId;
  readonly block: BlockId;
  readonly meaning: Meaning;
}

export interface RuleItem {
  readonly x: Pt;
  readonly y: Pt;
  readonly width: Pt;
  readonly thickness: Pt;
  readonly ink?: SetInk;
  readonly kind: RuleKind;
}

/** What a rule is: the ground of a paragraph or a rule beside one, of a table, with the text, or of the page's make-up. None is text. */
export type RuleKind = 'ground' | 'paragraph' | 'table' | 'text' | 'notes' | 'columns' | 'furniture';

/** A picture, its upper left corner from that of the trimmed page. */
export interface PictureItem {
  readonly asset: string;
  readonly format: PictureKind;
  readonly name: string;
  readonly alt: string;
  readonly x: Pt;
  readonly y: Pt;
  readonly width: Pt;
  readonly height: Pt;
  /** Absent: it fills its area. */
  readonly frame?: SetFrame;
  /** In black alone; absent: in the colours that it came in. */
  readonly tone?: Tone;
  /** Nothing of it is seen beyond these edges, from the left edge of the page: half of a picture over two pages. */
  readonly clip?: { readonly x: Pt; readonly width: Pt };
  readonly stream: StreamId;
  readonly block: BlockId;
}

export interface DisplayList {
  readonly page: number;
  readonly width: Pt;
  readonly height: Pt;
  readonly items: readonly TextItem[];
  readonly rules: readonly RuleItem[];
  readonly pictures: readonly PictureItem[];
  readonly glyphs: Uint16Array;
  /** Left edge of each glyph's origin, in points from the left of the trimmed page, and its rise above the baseline. */
  readonly xs: Float32Array;
  readonly rises: Float32Array;
  /** Offset of each glyph's cluster in the text of its item. */
  readonly charOffsets: Uint16Array;
  /** Source offset of each glyph's cluster in the paragraph (0 for furniture). */
  readonly sourceOffsets: Uint32Array;
}

/** Outline of a glyph in font units, y upwards: 0 move, 1 line, 2 quadratic, 3 cubic, 4 close, each with its coordinates. */
export interface GlyphOutline {
  readonly face: FaceId;
  readonly glyph: number;
  readonly unitsPerEm: number;
  readonly path: Float32Array;
}
