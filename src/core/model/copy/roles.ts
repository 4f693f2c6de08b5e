// The roles of divisions: what a division is in the book, and what follows from that when nobody says otherwise.

export type Matter = 'front' | 'body' | 'back';
/** `same`: goes on on the page where the division before it ends. */
export type StartSide = 'any' | 'recto' | 'verso' | 'same';

export interface RoleFacts {
  /** In the middle of a sentence, such as `half-title`. */
  readonly name: string;
  /** Where it stands. */
  readonly matter: Matter;
  /** The side on which it begins; `chapter`: as chapters do by the spec. */
  readonly start: StartSide | 'chapter';
  /** Designed as a whole, without furniture. */
  readonly display?: true;
  /** One picture on a page kept out of the stream. */
  readonly plate?: true;
  /** Its words are made by the book: it takes no copy. */
  readonly made?: true;
  /** Left out of the ebook unless somebody wants it: it says what the title page says. */
  readonly printOnly?: true;
  /** Has an entry in the contents. */
  readonly listed?: true;
  /** Heads and their numbers count as those of chapters. */
  readonly numbered?: true;
}

const facts = <T extends string>(of: Record<T, RoleFacts>): Readonly<Record<T, RoleFacts>> => of;

/** In the order in which they stand in a book. */
export const ROLES = facts({
  'half-title': { name: 'half-title', matter: 'front', start: 'recto', display: true, made: true, printOnly: true },
  'also-by': { name: 'other books', matter: 'front', start: 'verso', display: true },
  frontispiece: { name: 'frontispiece', matter: 'front', start: 'verso', display: true, plate: true },
  title: { name: 'title page', matter: 'front', start: 'recto', display: true, made: true },
  imprint: { name: 'imprint page', matter: 'front', start: 'verso', display: true, made: true },
  dedication: { name: 'dedication', matter: 'front', start: 'recto', display: true },
  epigraph: { name: 'epigraph', matter: 'front', start: 'recto', display: true },
  contents: { name: 'contents', matter: 'front', start: 'recto', made: true },
  figures: { name: 'list of figures', matter: 'front', start: 'any', made: true, listed: true },
  tables: { name: 'list of tables', matter: 'front', start: 'any', made: true, listed: true },
  map: { name: 'map', matter: 'front', start: 'any', display: true, plate: true },
  foreword: { name: 'foreword', matter: 'front', start: 'recto', listed: true },
  preface: { name: 'preface', matter: 'front', start: 'recto', listed: true },
  acknowledgements: { name: 'acknowledgements', matter: 'front', start: 'any', listed: true },
  introduction: { name: 'introduction', matter: 'front', start: 'recto', listed: true },
  'note-on-text': { name: 'note on the text', matter: 'front', start: 'any', listed: true },
  abbreviations: { name: 'abbreviations', matter: 'front', start: 'any', listed: true },
  chronology: { name: 'chronology', matter: 'front', start: 'any', listed: true },
  'second-half-title': {
    name: 'second half-title',
    matter: 'front',
    start: 'recto',
    display: true,
    made: true,
    printOnly: true,
  },
  prologue: { name: 'prologue', matter: 'body', start: 'chapter', listed: true },
  part: { name: 'part', matter: 'body', start: 'recto', listed: true, numbered: true },
  chapter: { name: 'chapter', matter: 'body', start: 'chapter', listed: true, numbered: true },
  interlude: { name: 'interlude', matter: 'body', start: 'chapter', listed: true },
  epilogue: { name: 'epilogue', matter: 'body', start: 'chapter', listed: true },
  afterword: { name: 'afterword', matter: 'back', start: 'chapter', listed: true },
  appendix: { name: 'appendix', matter: 'back', start: 'chapter', listed: true, numbered: true },
  notes: { name: 'notes', matter: 'back', start: 'recto', listed: true },
  glossary: { name: 'glossary', matter: 'back', start: 'chapter', listed: true },
  bibliography: { name: 'bibliography', matter: 'back', start: 'chapter', listed: true },
  contributors: { name: 'contributors', matter: 'back', start: 'any', listed: true },
  credits: { name: 'credits', matter: 'back', start: 'any', listed: true },
  index: { name: 'index', matter: 'back', start: 'recto', listed: true },
  about: { name: 'the author', matter: 'back', start: 'any', listed: true },
  excerpt: { name: 'excerpt', matter: 'back', start: 'recto', listed: true },
  colophon: { name: 'colophon', matter: 'back', start: 'any', display: true },
  blank: { name: 'blank', matter: 'front', start: 'any', display: true, made: true },
});

export type DivisionRole = keyof typeof ROLES;

export const roleFacts = (role: DivisionRole): RoleFacts => ROLES[role];
/** True for roles whose pages are designed as a whole and carry no furniture. */
export const isDisplayRole = (role: DivisionRole): boolean => roleFacts(role).display === true;
export const isPlateRole = (role: DivisionRole): boolean => roleFacts(role).plate === true;
/** Divisions whose words the book makes itself: no manuscript fills them, and they take no copy from another. */
export const isMadeDivision = ({ role }: { readonly role: DivisionRole }): boolean => roleFacts(role).made === true;
/** The role's name as a label. */
export const roleName = (role: DivisionRole): string => {
  const { name } = roleFacts(role);
  return name[0].toUpperCase() + name.slice(1);
};
