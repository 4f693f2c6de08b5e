// What can be told of one paragraph as it is set, and of what it would come to if a person wished it shorter or longer.
import type { FigureSetting } from '../copy/figureSetting';
import type { LocalLook, ParagraphTouches, StyleTag } from '../copy/streams';

export interface SettingFacts {
  readonly lines: number;
  /** Widest mean word space of its lines, in em; 0 for a paragraph without full lines. */
  readonly widest: number;
}

/** A picture as it is set: points, and pixels of its file to the inch (0: not known). */
export interface PictureSetting {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly resolution: number;
}

export interface ParagraphFacts {
  readonly tag: StyleTag;
  /** What of its look can be changed by eye, as it is set. */
  readonly look: Required<
    Pick<
      LocalLook,
      | 'face'
      | 'size'
      | 'leading'
      | 'weight'
      | 'caps'
      | 'tracking'
      | 'firstIndent'
      | 'leftIndent'
      | 'rightIndent'
      | 'above'
      | 'below'
      | 'italic'
    >
  >;
  /** As it stands on its pages. */
  readonly set: SettingFacts;
  readonly best: SettingFacts;
  /** Null: its lines cannot be set so within any limits. */
  readonly shorter: SettingFacts | null;
  readonly longer: SettingFacts | null;
  /** First and last page on which it stands, from 0. */
  readonly pages: readonly [number, number];
  /** Side by side; none for words. */
  readonly pictures: readonly PictureSetting[];
  /** Words of it that are tied by rule, or would be. */
  readonly ties: readonly string[];
}

/** Touches laid over those of a paragraph, an undefined value taking one away; or another setting of the figure that it is. */
export type Wish = Partial<Record<keyof ParagraphTouches, unknown>> | { readonly figure: Partial<FigureSetting> };

/** What granting a wish would do to the pages of its division. */
export interface WishCost {
  /** Pages that would hold other lines, or hold them elsewhere. */
  readonly pages: number;
  /** Pages more, or fewer. */
  readonly more: number;
  /** Grid lines by which the end of the division moves down, or up. */
  readonly lines: number;
}
