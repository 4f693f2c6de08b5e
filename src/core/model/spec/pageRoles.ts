// What a page is in the book: derived from its division and its place, never painted by hand.

export const PAGE_ROLES = ['text', 'opener', 'display', 'plate', 'blank'] as const;
export type PageRole = (typeof PAGE_ROLES)[number];

/** Roles that furniture knows: a text page on which a named section begins may have its own. */
export const FURNITURE_ROLES = ['text', 'section', 'opener', 'display', 'plate', 'blank'] as const;
export type FurnitureRole = (typeof FURNITURE_ROLES)[number];
export type PageSide = 'recto' | 'verso';
