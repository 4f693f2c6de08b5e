// Scripts that a text face may lack, by their codes in ISO 15924, so that a face can be given to all of a script at once.

/** Emoji are sorted apart from other signs; `Zyyy` takes every character of no script that is listed. */
export type ScriptCode = keyof typeof SCRIPT_NAMES;

export const SCRIPT_NAMES = {
  Latn: 'Latin',
  Grek: 'Greek',
  Cyrl: 'Cyrillic',
  Armn: 'Armenian',
  Geor: 'Georgian',
  Hebr: 'Hebrew',
  Arab: 'Arabic',
  Syrc: 'Syriac',
  Deva: 'Devanagari',
  Beng: 'Bengali',
  Guru: 'Gurmukhi',
  Gujr: 'Gujarati',
  Taml: 'Tamil',
  Telu: 'Telugu',
  Knda: 'Kannada',
  Mlym: 'Malayalam',
  Sinh: 'Sinhala',
  Thai: 'Thai',
  Laoo: 'Lao',
  Khmr: 'Khmer',
  Mymr: 'Myanmar',
  Tibt: 'Tibetan',
  Ethi: 'Ethiopic',
  Hani: 'Han',
  Hira: 'Hiragana',
  Kana: 'Katakana',
  Hang: 'Hangul',
  Runr: 'Runic',
  Copt: 'Coptic',
  Zsye: 'Emoji',
  Zyyy: 'Signs',
} as const;

const TESTS: readonly (readonly [ScriptCode, RegExp])[] = [
  ['Latn', /\p{Script=Latin}/u],
  ['Grek', /\p{Script=Greek}/u],
  ['Cyrl', /\p{Script=Cyrillic}/u],
  ['Armn', /\p{Script=Armenian}/u],
  ['Geor', /\p{Script=Georgian}/u],
  ['Hebr', /\p{Script=Hebrew}/u],
  ['Arab', /\p{Script=Arabic}/u],
  ['Syrc', /\p{Script=Syriac}/u],
  ['Deva', /\p{Script=Devanagari}/u],
  ['Beng', /\p{Script=Bengali}/u],
  ['Guru', /\p{Script=Gurmukhi}/u],
  ['Gujr', /\p{Script=Gujarati}/u],
  ['Taml', /\p{Script=Tamil}/u],
  ['Telu', /\p{Script=Telugu}/u],
  ['Knda', /\p{Script=Kannada}/u],
  ['Mlym', /\p{Script=Malayalam}/u],
  ['Sinh', /\p{Script=Sinhala}/u],
  ['Thai', /\p{Script=Thai}/u],
  ['Laoo', /\p{Script=Lao}/u],
  ['Khmr', /\p{Script=Khmer}/u],
  ['Mymr', /\p{Script=Myanmar}/u],
  ['Tibt', /\p{Script=Tibetan}/u],
  ['Ethi', /\p{Script=Ethiopic}/u],
  ['Hani', /\p{Script=Han}/u],
  ['Hira', /\p{Script=Hiragana}/u],
  ['Kana', /\p{Script=Katakana}/u],
  ['Hang', /\p{Script=Hangul}/u],
  ['Runr', /\p{Script=Runic}/u],
  ['Copt', /\p{Script=Coptic}/u],
  ['Zsye', /\p{Emoji_Presentation}|\p{Regional_Indicator}|\p{Emoji_Modifier}|[\u{1F000}-\u{1FAFF}\uFE0F\u20E3]/u],
];

const known = new Map<number, ScriptCode>();

/** The script of a character; `Zyyy` for signs, digits and marks that belong to none, or to one that is not listed. */
export function scriptOf(code: number): ScriptCode {
  let script = known.get(code);
  if (script === undefined) {
    const character = String.fromCodePoint(code);
    script = TESTS.find(([, test]) => test.test(character))?.[0] ?? 'Zyyy';
    known.set(code, script);
  }
  return script;
}

/** The family that a person gave to each script, for the characters that the wished face lacks. */
export type FallbackFaces = Readonly<Partial<Record<ScriptCode, string>>>;

export const NO_FALLBACKS: FallbackFaces = {};
