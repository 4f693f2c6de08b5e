// What a page is in the book: derived from its division and its place, never painted by hand.

export const PAGE_ROLES = ['text', 'opener', 'display', 'plate', 'blank'] as const;
export type PageRole = (typeof PAGE_ROLES)[number];
export type PageSide = 'recto' | 'verso';
