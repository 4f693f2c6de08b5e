// Signs for characters that are not seen: in the galley when they are shown, in lists of places, and where one is put in.

export interface Sign {
  /** Drawn over the character, or beside one that has no width. */
  readonly sign: string;
  readonly name: string;
  /** The character has a width of its own, on which its sign is laid. */
  readonly hasWidth: boolean;
}

const wide = (sign: string, name: string): Sign => ({ sign, name, hasWidth: true });
const narrow = (sign: string, name: string): Sign => ({ sign, name, hasWidth: false });

/** By character; each sign stands for one character. */
export const SIGNS: Readonly<Record<string, Sign>> = {
  ' ': wide('⌄', 'space'),
  '\t': wide('▹', 'tab'),
  '\u00A0': wide('‿', 'no-break space'),
  '\u202F': wide('⏝', 'narrow no-break space'),
  '\u2003': wide('m', 'em space'),
  '\u2002': wide('n', 'en space'),
  '\u2004': wide('3', 'third of an em'),
  '\u2005': wide('4', 'quarter of an em'),
  '\u2006': wide('6', 'sixth of an em'),
  '\u2007': wide('0', 'figure space'),
  '\u2008': wide('.', 'punctuation space'),
  '\u2009': wide('t', 'thin space'),
  '\u200A': wide('h', 'hair space'),
  '\u205F': wide('d', 'medium space'),
  '\u3000': wide('▢', 'ideographic space'),
  '\u2011': wide('‿', 'no-break hyphen'),
  '\u00AD': narrow('┄', 'soft hyphen'),
  '\u200B': narrow('╎', 'zero-width space'),
  '\u2060': narrow('⁀', 'word joiner'),
  '\uFEFF': narrow('⌢', 'zero-width no-break space'),
  '\u200C': narrow('∤', 'zero-width non-joiner'),
  '\u200D': narrow('⋈', 'zero-width joiner'),
  '\u200E': narrow('⇀', 'left-to-right mark'),
  '\u200F': narrow('↼', 'right-to-left mark'),
  '\u2066': narrow('⟅', 'left-to-right isolate'),
  '\u2067': narrow('⟆', 'right-to-left isolate'),
  '\u2068': narrow('⟔', 'isolate by its first letter'),
  '\u2069': narrow('⟓', 'end of an isolate'),
  '\u2028': narrow('⌟', 'line break'),
  '\n': narrow('¶', 'paragraph end'),
  '\uFFFC': narrow('◇', 'note, picture or field'),
};

/** Characters that have a sign in running text; line and paragraph ends are shown where the galley draws them. */
export const UNSEEN = new RegExp(
  `[${Object.keys(SIGNS)
    .filter((char) => !['\u2028', '\n', '\uFFFC'].includes(char))
    .join('')}]`,
  'g',
);
const ALL = new RegExp(`[${Object.keys(SIGNS).join('')}]`, 'g');

/** Words of a list: what would not be seen as its sign, single spaces between words as they are; `isCut`: at the ends too. */
export function withSigns(words: string, isCut = false): string {
  return words.replace(ALL, (char, at: number) => {
    if (char !== ' ') return char === '\n' ? ` ${SIGNS[char].sign} ` : SIGNS[char].sign;
    const isEnd = at === 0 || at === words.length - 1;
    const isSeen = (isCut || !isEnd) && words[at - 1] !== ' ' && words[at + 1] !== ' ';
    return isSeen ? char : SIGNS[char].sign;
  });
}
