// A paragraph with everything decided that its style decides: what is set, in which faces, how it is laid out.
import type { TextLink } from './links';
import type { FaceId } from '../spec/faces';
import type { CaptionSide, Crop, FrameShape } from '../copy/figureSetting';
import type { SetInk, Tone } from '../spec/inks';
import type { Pt } from '../spec/length';
import type { Caps, LeadIn, Meaning, ParagraphRule, SpotRule, TabStop, WordSpace } from '../spec/spec';
import type { BlockId, PictureKind, StreamId, StyleTag } from '../copy/streams';

/** A paragraph style with nothing left open. Equal resolved styles are one object: caches key on it. */
export interface ResolvedStyle {
  readonly tag: StyleTag;
  readonly meaning: Meaning;
  readonly family: string;
  readonly size: Pt;
  readonly leading: Pt;
  /** True when the style's own leading was too small to be set, and another stands for it. */
  readonly leadingReplaced: boolean;
  readonly weight: number;
  readonly italic: boolean;
  readonly caps: Caps;
  readonly tracking: number;
  readonly align: 'justify' | 'left' | 'right' | 'centre' | 'foreEdge' | 'back' | 'longest';
  readonly lastAlign: 'left' | 'right' | 'centre' | 'justify';
  readonly features: string;
  readonly firstIndent: Pt;
  readonly leftIndent: Pt;
  readonly rightIndent: Pt;
  /** Grid lines. */
  readonly above: number;
  readonly below: number;
  readonly hyphenate: boolean;
  readonly withNext: boolean;
  readonly keepTogether: boolean;
  readonly keepSpace: boolean;
  readonly atFoot: boolean;
  /** Least width of the last line, in em; 0 outside justified text. */
  readonly lastLine: number;
  /** Depth of the rag, in em of the size; that of heads and titles is not the text's. */
  readonly rag: number;
  /** Limits of the word space, in em of the size. */
  readonly wordSpace: WordSpace;
  /** Word space over which a line is loose, in em. */
  readonly looseOver: number;
  /** Percent by which the letters of a justified line may be narrower or wider; 0 for what is never played with. */
  readonly letterWidth: number;
  /** Thousandths of an em by which letters may stand closer or farther apart; 0 for what is never played with. */
  readonly letterPlay: number;
  /** Whether words are tied by rule, and the ties that the book does without. */
  readonly ties: boolean;
  readonly liftedTies: readonly string[];
  /** Share of the table of hanging marks, 0 to 1. */
  readonly hangingPunctuation: number;
  readonly language: string;
  /** A drop capital over so many lines, of so many letters; raised where the paragraph is shorter than it. */
  readonly initial: { readonly lines: number; readonly letters: number; readonly isRaised: boolean } | null;
  /** What the beginning of the paragraph is set in; `count` of a first line: its characters, 0 while that is not known. */
  readonly lead: LeadIn | null;
  readonly spots: readonly SpotRule[];
  /** Baseline shift of the words, upwards. */
  readonly rise: Pt;
  /** What it begins; null: it stands where it comes. */
  readonly breakBefore: 'page' | 'column' | 'recto' | 'verso' | null;
  /** Null: black. */
  readonly ink: SetInk | null;
  /** Null: paper. */
  readonly background: SetInk | null;
  readonly ruleAbove: SetRule | null;
  readonly ruleBelow: SetRule | null;
  /** Set in place of the paragraph's characters. */
  readonly ornament: string | null;
  readonly tabs: readonly TabStop[];
  /** A picture that is set in place of words, as deep as the leading is. */
  readonly pictures?: readonly SetPicture[];
  /** Where its captions stand; absent: below. */
  readonly captionAt?: CaptionSide;
  /** Lines from one line number of verse to the next; 0: none. */
  readonly lineNumbers: number;
  readonly hyphenation: {
    readonly smallestWord: number;
    readonly before: number;
    readonly after: number;
    readonly running: number;
    readonly capitals: 'dear' | 'never';
    readonly exceptions: readonly string[];
  };
}

/** A rule above or below a paragraph, its ink as it is set. */
export interface SetRule extends Omit<ParagraphRule, 'ink'> {
  readonly ink: SetInk | null;
}

/** A picture as it is set: its size in points, and its left edge from that of its column. */
export interface SetPicture {
  readonly asset: string;
  readonly format: PictureKind;
  readonly name: string;
  readonly alt: string;
  readonly x: Pt;
  /** On a verso, where that is another: of a picture that reaches into margins. */
  readonly xVerso?: Pt;
  /** Nothing of it is seen beyond this stretch of its page; left edges as those of the picture. */
  readonly clip?: { readonly x: Pt; readonly xVerso: Pt; readonly width: Pt };
  /** Its foot from the head of the page, where the page is not its measure: of one that fills its page. */
  readonly foot?: Pt;
  /** It reaches the trim, and the pages have no bleed. */
  readonly lacksBleed?: true;
  readonly width: Pt;
  readonly height: Pt;
  /** Pixels of the file to the inch as it is set; 0 where the pixels are not known. */
  readonly resolution: number;
  /** Absent: it fills a rectangle without a border. */
  readonly frame?: SetFrame;
  /** In black alone; absent: in the colours that it came in. */
  readonly tone?: Tone;
}

/** The frame of a picture as it is set, and the picture in it. */
export interface SetFrame extends Pick<Crop, 'turn' | 'mirrored' | 'upended'> {
  readonly shape: FrameShape;
  /** Of rounded corners, never more than half of the frame. */
  readonly radius: Pt;
  /** Ink null: black. */
  readonly border: { readonly width: Pt; readonly ink: SetInk | null } | null;
  /** The picture before it is turned round its own middle: that middle, from the frame's, and its size, in points. */
  readonly across: Pt;
  readonly down: Pt;
  readonly width: Pt;
  readonly height: Pt;
}

/** A stretch set in one face, size and position. Runs are sorted and cover the text. */
export interface StyledRun {
  readonly from: number;
  readonly to: number;
  readonly face: FaceId;
  readonly size: Pt;
  /** OpenType features for HarfBuzz, such as `smcp,onum`. */
  readonly features: string;
  readonly language: string;
  /** Baseline shift, upwards. */
  readonly rise: Pt;
  /** Thousandths of an em after each glyph. */
  readonly tracking: number;
  readonly line?: 'under' | 'through';
  /** Code: never hyphenated. */
  readonly asTyped?: true;
  /** Absent: black. */
  readonly ink?: SetInk;
  /** Small letters are set as capitals: small capitals of a face that has none. */
  readonly upper?: boolean;
  /** Small capitals made of capitals, because the face has none. */
  readonly isScaled?: boolean;
  /** Stands apart from its line: a drop capital, or the opening quote that hangs before it. */
  readonly initial?: 'letter' | 'quote';
  /** Embedding level (UAX #9), odd from right to left; absent: 0. */
  readonly level?: number;
}

export interface NoteMark {
  /** Offset in the set text of the first character of the reference, and where it ends. */
  readonly at: number;
  readonly to: number;
  readonly note: StreamId;
}

export interface StyledParagraph {
  readonly stream: StreamId;
  readonly block: BlockId;
  readonly style: ResolvedStyle;
  /** The text that is set: fields filled, references numbered, breaks as U+2028. */
  readonly text: string;
  /** Source offset of each UTF-16 unit of the text, and of its end; null when the text is the source. */
  readonly source: Int32Array | null;
  readonly runs: readonly StyledRun[];
  /** The paragraph runs from right to left. */
  readonly isRtl: boolean;
  readonly notes: readonly NoteMark[];
  /** Stretches of the set text that lead somewhere; absent: none does. */
  readonly links?: readonly TextLink[];
  /** Set flush right in the last line's right indent: the folio of a contents entry. */
  readonly tail: string;
  /** Code points that no face has. */
  readonly missing: readonly number[];
  /** Offsets in the set text of characters that the face wished for lacks: another face has them, or none. */
  readonly lacking: readonly number[];
  /** Source offsets of quotes without their pair. */
  readonly unpaired: readonly number[];
  /** Everything that shaping depends on, so that other changes never shape again. */
  readonly shapeKey: string;
}

export function isRtlRun(run: StyledRun): boolean {
  return run.level !== undefined && run.level % 2 === 1;
}

/** True for runs whose letters take part in letter-width tolerance: not small capitals, nor letterspaced type. */
export function isPlayed(run: StyledRun): boolean {
  return (
    run.initial === undefined &&
    !isRtlRun(run) &&
    run.tracking === 0 &&
    run.upper !== true &&
    !run.features.includes('smcp')
  );
}
