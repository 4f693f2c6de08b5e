// What a person chooses for the ebook.

/** `plain`: meaning alone, the look is the device's; `dressed`: with the book's faces, openers, ornaments and inks. */
export const EBOOK_LEVELS = ['plain', 'dressed'] as const;
export type EbookLevel = (typeof EBOOK_LEVELS)[number];

/** Where it opens the first time: at its first page, or where the text begins. */
export const EBOOK_STARTS = ['front', 'text'] as const;
export type EbookStart = (typeof EBOOK_STARTS)[number];

/** Whom the file is for; its name says it. */
export const EBOOK_USES = ['shop', 'readers', 'keep'] as const;
export type EbookUse = (typeof EBOOK_USES)[number];

/** How pictures come into it. `grey`: for screens without colours. */
export const EBOOK_PICTURES = ['colour', 'grey'] as const;

export interface EbookSettings {
  readonly level: EbookLevel;
  readonly opensAt: EbookStart;
  readonly use: EbookUse;
  readonly pictures: (typeof EBOOK_PICTURES)[number];
  /** Pixels along the longer side of a picture, at most. */
  readonly mostPixels: number;
}

export const LEAST_PIXELS = 400;
export const MOST_PIXELS = 6000;

export const FIRST_EBOOK: EbookSettings = {
  level: 'dressed',
  opensAt: 'front',
  use: 'readers',
  pictures: 'colour',
  mostPixels: 2000,
};

/** In the name of the file, before its kind. */
export const USE_SUFFIX: Readonly<Record<EbookUse, string>> = { shop: '-shop', readers: '', keep: '-keep' };
