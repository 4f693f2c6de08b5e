// What the book comes out as. What is only in one of them is left out of the other.
export const EDITIONS = ['print', 'ebook'] as const;
export type Edition = (typeof EDITIONS)[number];
