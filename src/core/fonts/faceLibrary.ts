// The faces at hand: the table of all that can be set, and the opened fonts of those whose bytes have arrived.
import { invariant } from '../base/errors';
import type { FaceId, FaceRecord, FaceTable } from '../model/spec/faces';
import type { HarfBuzz } from './harfbuzz';
import { type HarfBuzzFont } from './harfbuzz';
import { wordsStandApart } from './wordsApart';
import { WordShapes } from './wordShapes';

/** What line breaking needs of a face besides shaped runs; advances in em. */
export interface FaceMarks {
  readonly hyphenGlyph: number;
  readonly hyphen: number;
  readonly spaceGlyph: number;
  readonly space: number;
}

/** Holds HarfBuzz and the fonts opened in it. Faces come as bytes, fetched by whoever runs core. */
export class FaceLibrary {
  private readonly fonts = new Map<FaceId, HarfBuzzFont>();
  private readonly records = new Map<FaceId, FaceRecord>();
  private readonly markCache = new Map<FaceId, FaceMarks>();
  private readonly wordCache = new Map<string, WordShapes | undefined>();
  private last: {
    readonly id: FaceId;
    readonly features: string;
    readonly language: string;
    readonly words: WordShapes | undefined;
  } | null = null;

  constructor(
    readonly harfBuzz: HarfBuzz,
    readonly table: FaceTable,
  ) {
    for (const record of table) this.records.set(record.id, record);
  }

  has(id: FaceId): boolean {
    return this.fonts.has(id);
  }

  add(id: FaceId, bytes: Uint8Array): void {
    if (!this.fonts.has(id)) this.fonts.set(id, this.harfBuzz.openFont(bytes));
  }

  /** The opened font; its bytes must have arrived. */
  font(id: FaceId): HarfBuzzFont {
    const font = this.fonts.get(id);
    invariant(font !== undefined, `the bytes of face ${id} have been given to the library`);
    return font;
  }

  /** The facts of a face of the table. */
  record(id: FaceId): FaceRecord {
    const record = this.records.get(id);
    invariant(record !== undefined, `face ${id} is in the table`);
    return record;
  }

  /** The words shaped before in a face with these features; undefined where runs of the face must be shaped whole. */
  words(id: FaceId, features: string, language: string): WordShapes | undefined {
    // Most questions are about the face of the one before.
    const { last } = this;
    if (last !== null && last.id === id && last.features === features && last.language === language) return last.words;
    const key = `${id} ${features} ${language}`;
    let words = this.wordCache.get(key);
    if (!this.wordCache.has(key)) {
      const font = this.font(id);
      if (wordsStandApart(font.bytes, this.marks(id).spaceGlyph, features))
        words = new WordShapes(this.harfBuzz, font, features, language);
      this.wordCache.set(key, words);
    }
    this.last = { id, features, language, words };
    return words;
  }

  marks(id: FaceId): FaceMarks {
    const known = this.markCache.get(id);
    if (known !== undefined) return known;
    const font = this.font(id);
    const hyphenGlyph = this.harfBuzz.nominalGlyph(font, 0x2010) || this.harfBuzz.nominalGlyph(font, 0x2d);
    const spaceGlyph = this.harfBuzz.nominalGlyph(font, 0x20);
    const marks = {
      hyphenGlyph,
      hyphen: this.harfBuzz.advanceOf(font, hyphenGlyph) / font.unitsPerEm,
      spaceGlyph,
      space: this.harfBuzz.advanceOf(font, spaceGlyph) / font.unitsPerEm,
    };
    this.markCache.set(id, marks);
    return marks;
  }
}
