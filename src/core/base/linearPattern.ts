// Patterns of a person matched in time that grows with the text and no faster: regular expressions of ECMAScript (flags u and
// m), written anew for re2js, which never goes back. What that cannot express (looking around, referring back, captures that
// a repetition forgets) is told by null; so is what the two engines would read differently in a certain text.
import { RE2JS } from 're2js';

/** A match, as of RegExp: offsets in UTF-16 units; a group that took no part is undefined. */
export interface PatternMatch {
  readonly index: number;
  readonly end: number;
  /** All of it, and then its groups from 1. */
  readonly groups: readonly (string | undefined)[];
}

export interface LinearPattern {
  /** Matches that are not empty, in order, as `matchAll` finds them. Null when this text needs the other engine. */
  readonly matchesIn: (text: string) => Generator<PatternMatch, void> | null;
}

/** `whole`: only what has neither a letter, a mark nor a figure beside it. */
export interface PatternOptions {
  readonly ignoreCase: boolean;
  /** What groups hold is not asked for: then a repetition may forget it. */
  readonly withoutGroups?: boolean;
  readonly whole?: boolean;
}

/** Signs of a word, for whole words. */
const WORD = '\\p{L}\\p{N}\\p{M}';
const WORD_SIGN = /[\p{L}\p{N}\p{M}]/u;
/** Ends of lines to ECMAScript; re2 knows the first alone. */
const LINE_ENDS = '\\n\\r\\x{2028}\\x{2029}';
const OTHER_LINE_END = /[\r\u2028\u2029]/;
/** White space (ECMA-262, 12.2 and 12.3), and all else, as parts of a class. */
const SPACES =
  '\\t\\n\\x0B\\f\\r \\x{A0}\\x{1680}\\x{2000}-\\x{200A}\\x{2028}\\x{2029}\\x{202F}\\x{205F}\\x{3000}\\x{FEFF}';
const NO_SPACES =
  '\\x00-\\x08\\x0E-\\x1F!-\\x{9F}\\x{A1}-\\x{167F}\\x{1681}-\\x{1FFF}\\x{200B}-\\x{2027}\\x{202A}-\\x{202E}\\x{2030}-\\x{205E}\\x{2060}-\\x{2FFF}\\x{3001}-\\x{FEFE}\\x{FF00}-\\x{10FFFF}';

/** Null when the pattern is none, or cannot be matched in one pass. */
export function linearPattern(
  source: string,
  { ignoreCase, whole = false, withoutGroups = false }: PatternOptions,
): LinearPattern | null {
  if (!isPattern(source)) return null;
  const translated = new Translation(source, withoutGroups).translate();
  if (translated === null) return null;
  const flags = RE2JS.MULTILINE | (ignoreCase ? RE2JS.CASE_INSENSITIVE : 0);
  // The sign after a whole word is matched with it, so that an alternative which goes on is tried as it would be otherwise.
  const wanted = whole ? `(${translated.pattern})(?:[^${WORD}]|\\z)` : translated.pattern;
  let compiled: RE2JS;
  try {
    compiled = RE2JS.compile(wanted, flags);
  } catch {
    return null;
  }
  return {
    matchesIn: (text) => {
      if (translated.hasAnchors && OTHER_LINE_END.test(text)) return null;
      return whole ? wholeMatches(compiled, text) : matches(compiled, text);
    },
  };
}

function isPattern(source: string): boolean {
  try {
    return new RegExp(source, 'gmu') !== null;
  } catch (error) {
    if (error instanceof SyntaxError) return false;
    throw error;
  }
}

function* matches(pattern: RE2JS, text: string): Generator<PatternMatch, void> {
  const matcher = pattern.matcher(text);
  while (matcher.find()) {
    const [index, end] = [matcher.start(), matcher.end()];
    if (end > index) yield { index, end, groups: groupsOf(matcher, 0) };
  }
}

function* wholeMatches(pattern: RE2JS, text: string): Generator<PatternMatch, void> {
  const matcher = pattern.matcher(text);
  for (let from = 0; from <= text.length && matcher.find(from);) {
    const [index, end] = [matcher.start(1), matcher.end(1)];
    if (end > index && !endsInWord(text, index)) {
      yield { index, end, groups: groupsOf(matcher, 1) };
      from = end;
    } else from = index + (text.codePointAt(index)! > 0xffff ? 2 : 1);
  }
}

/** Whether the character before an offset is one of a word. */
function endsInWord(text: string, offset: number): boolean {
  const isPair = /[\uDC00-\uDFFF]/.test(text[offset - 1] ?? '');
  return WORD_SIGN.test(text.slice(Math.max(0, offset - (isPair ? 2 : 1)), offset));
}

function groupsOf(matcher: ReturnType<RE2JS['matcher']>, from: number): (string | undefined)[] {
  const groups: (string | undefined)[] = [];
  for (let k = from; k <= matcher.groupCount(); k += 1) groups.push(matcher.group(k) ?? undefined);
  return groups;
}

/** Writes a pattern anew, sign by sign. It is known to be one of ECMAScript. */
class Translation {
  private at = 0;
  private made = '';
  private hasAnchors = false;
  /** For each open group: whether it holds a capture. */
  private readonly captures: boolean[] = [];

  constructor(
    private readonly source: string,
    private readonly withoutGroups: boolean,
  ) {}

  /** Null for what re2 does not know. */
  translate(): { readonly pattern: string; readonly hasAnchors: boolean } | null {
    while (this.at < this.source.length) if (!this.step()) return null;
    return { pattern: this.made, hasAnchors: this.hasAnchors };
  }

  private step(): boolean {
    const char = this.source[this.at];
    switch (char) {
      case '\\':
        return this.escape(false);
      case '[':
        return this.characterClass();
      case '.':
        return this.put(`[^${LINE_ENDS}]`, 1);
      case '^':
      case '$':
        this.hasAnchors = true;
        return this.put(char, 1);
      case '(':
        return this.open();
      case ')':
        return this.close();
      default:
        return this.put(char, 1);
    }
  }

  private put(text: string, length: number): true {
    this.made += text;
    this.at += length;
    return true;
  }

  private open(): boolean {
    const rest = this.source.slice(this.at, this.at + 4);
    if (/^\(\?(?:[=!]|<[=!])/.test(rest)) return false;
    if (rest.startsWith('(?:')) {
      this.captures.push(false);
      return this.put('(?:', 3);
    }
    const named = /^\(\?<([^>]+)>/.exec(this.source.slice(this.at));
    if (rest.startsWith('(?') && named === null) return false;
    if (!this.withoutGroups) this.captures.fill(true);
    this.captures.push(!this.withoutGroups);
    // The name is ours to know only by its number.
    return this.put(this.withoutGroups ? '(?:' : '(', named === null ? 1 : named[0].length);
  }

  /** A repetition forgets what its captures held the time before; re2 does not. */
  private close(): boolean {
    const hasCapture = this.captures.pop() ?? false;
    const isRepeated = /^\)(?:[*+]|\{)/.test(this.source.slice(this.at, this.at + 2));
    return hasCapture && isRepeated ? false : this.put(')', 1);
  }

  private characterClass(): boolean {
    const start = /^\[\^?/.exec(this.source.slice(this.at))![0];
    if (this.source[this.at + start.length] === ']') {
      // `[^]` is any character, `[]` is none.
      return this.put(start === '[' ? '[^\\x{0}-\\x{10FFFF}]' : '[\\x{0}-\\x{10FFFF}]', start.length + 1);
    }
    this.put(start, start.length);
    while (this.source[this.at] !== ']') {
      const char = this.source[this.at];
      if (char === '\\' ? !this.escape(true) : !this.put(char === '[' ? '\\[' : char, 1)) return false;
    }
    return this.put(']', 1);
  }

  private escape(isInClass: boolean): boolean {
    const rest = this.source.slice(this.at, this.at + 60);
    const code =
      /^\\(?:u\{([0-9A-Fa-f]+)\}|u([Dd][89ABab][0-9A-Fa-f]{2})\\u([Dd][C-Fc-f][0-9A-Fa-f]{2})|u([0-9A-Fa-f]{4})|x([0-9A-Fa-f]{2})|c([A-Za-z])|(0))/.exec(
        rest,
      );
    if (code !== null) {
      const [whole, long, high, low, short, byte, control] = code;
      const hexadecimal = long ?? short ?? byte;
      const value =
        high !== undefined
          ? String.fromCharCode(Number.parseInt(high, 16), Number.parseInt(low, 16)).codePointAt(0)!
          : hexadecimal !== undefined
            ? Number.parseInt(hexadecimal, 16)
            : control !== undefined
              ? control.charCodeAt(0) % 32
              : 0;
      return this.put(`\\x{${value.toString(16)}}`, whole.length);
    }
    const property = /^\\([pP])\{(?:(?:Script|sc|General_Category|gc)=)?(\w+)\}/.exec(rest);
    if (property !== null) return this.property(property[1], property[2], property[0].length);
    const sign = rest[1];
    if (sign === 'p' || sign === 'P' || sign === 'k' || /[1-9]/.test(sign)) return false;
    if (sign === 's') return this.put(isInClass ? SPACES : `[${SPACES}]`, 2);
    if (sign === 'S') return this.put(isInClass ? NO_SPACES : `[^${SPACES}]`, 2);
    if (sign === 'b' && isInClass) return this.put('\\x{8}', 2);
    if (sign === 'v') return this.put('\\x0B', 2);
    if (/[dDwWbBnrtf]/.test(sign)) return this.put(rest.slice(0, 2), 2);
    return this.put(/[A-Za-z0-9]/.test(sign) ? sign : `\\${sign}`, 2);
  }

  /** Letters and classes have long names too; re2 knows the short ones of classes and those of scripts. */
  private property(kind: string, name: string, length: number): boolean {
    const short = Object.hasOwn(CLASSES, name) ? CLASSES[name] : name;
    return this.put(`\\${kind}{${short}}`, length);
  }
}

/** Short names of general categories by their long ones (Unicode PropertyValueAliases). */
const CLASSES: Readonly<Record<string, string>> = {
  Letter: 'L',
  Uppercase_Letter: 'Lu',
  Lowercase_Letter: 'Ll',
  Titlecase_Letter: 'Lt',
  Modifier_Letter: 'Lm',
  Other_Letter: 'Lo',
  Mark: 'M',
  Nonspacing_Mark: 'Mn',
  Spacing_Mark: 'Mc',
  Enclosing_Mark: 'Me',
  Number: 'N',
  Decimal_Number: 'Nd',
  Letter_Number: 'Nl',
  Other_Number: 'No',
  Punctuation: 'P',
  Dash_Punctuation: 'Pd',
  Open_Punctuation: 'Ps',
  Close_Punctuation: 'Pe',
  Initial_Punctuation: 'Pi',
  Final_Punctuation: 'Pf',
  Connector_Punctuation: 'Pc',
  Other_Punctuation: 'Po',
  Symbol: 'S',
  Currency_Symbol: 'Sc',
  Math_Symbol: 'Sm',
  Modifier_Symbol: 'Sk',
  Other_Symbol: 'So',
  Separator: 'Z',
  Space_Separator: 'Zs',
};
