import { expect } from 'chai';
import fc from 'fast-check';
import { linearPattern } from '../../../src/core/base/linearPattern';

const TEXT = [
  'The ferry, the Ferry and a ferryman: 12 May 1907, 3 June 1908; £5 10s. At 5.30 they left—“late,” he said.',
  'Übermäßig naïve café œuvre, ŒUVRE; ß and ẞ. Ωmega and ωmega, лодка Лодка. CO₂ x² ½ Ⅻ.',
  'tab\there,\u00A0no-break\u2009thin, 😀 and 👩\u200D👧; caf\u0065\u0301. a-b a_b [a] (b) {c} \\ / ^ $ . * +?',
  'aaa aab abab catscat cats cat concat, the the cat.',
  '',
  'last line',
].join('\n');

/** Patterns that both engines must read alike. */
const PATTERNS = [
  ...['ferry', 'f\\w+y', '\\bferry\\b', '[A-Z]\\w+', '\\d+', '\\d{1,2} (May|June) (\\d{4})', '(\\d+)(?:s|\\.)'],
  ...['.', '.+', '^.*$', '^\\w+', '\\w+$', '\\s', '\\s+', '\\S+', '[\\s,]+', '[^\\s]+', '[^\\S ]', '[\\S]+y'],
  ...['[^]', '[]', '[^a-z\\n]+', '\\u0041', '\\u{1F600}', '\\uD83D\\uDE00', '\\x41', '\\cI', '[\\cI-\\cM]', '\\t'],
  ...[
    '\\p{L}+',
    '\\p{Lu}\\p{Ll}*',
    '\\p{Letter}+',
    '\\P{L}+',
    '\\p{Script=Greek}+',
    '\\p{sc=Cyrillic}+',
    '[\\p{L}\\d]+',
  ],
  ...['\\p{gc=Lu}', '\\p{General_Category=Decimal_Number}+', '\\p{Currency_Symbol}', '[^\\p{L}]+', '\\p{N}'],
  ...[
    '(a|b)b',
    'a|ab',
    '(?:a|ab)(?:c|bcd)?',
    'cat|cats',
    'cats?',
    'cats??',
    'a+?b',
    'a*b',
    '(a+)(b+)?',
    'x{0}a',
    'a{2,3}',
  ],
  ...[
    '(?<day>\\d+) (?<month>\\w+)',
    '(a)(b)?(c)?',
    '\\[a\\]',
    '\\(b\\)',
    '\\{c\\}',
    '\\\\',
    '\\/',
    '\\^ \\$ \\. \\* \\+\\?',
  ],
  ...[
    '[\\]\\[]',
    '[a\\-z]+',
    '[[]',
    '[.*+]',
    '[\\b]',
    '\\B.',
    'é',
    'e\\u0301',
    '—|–|-',
    '[“”]',
    '\\0',
    '\\v|\\f',
    '(?:the )+',
  ],
];

function native(source: string, text: string, ignoreCase: boolean, whole: boolean) {
  const own = whole ? `(?<![\\p{L}\\p{N}\\p{M}])(?:${source})(?![\\p{L}\\p{N}\\p{M}])` : source;
  return [...text.matchAll(new RegExp(own, ignoreCase ? 'gimu' : 'gmu'))]
    .filter(([found]) => found !== '')
    .map((match) => [match.index, ...match]);
}

function linear(source: string, text: string, ignoreCase: boolean, whole: boolean) {
  const found = linearPattern(source, { ignoreCase, whole })?.matchesIn(text);
  return found == null ? null : [...found].map(({ index, groups }) => [index, ...groups]);
}

describe('patterns matched in one pass', () => {
  it(`find what the browser's engine finds, groups too: ${PATTERNS.length} patterns`, () => {
    expect(PATTERNS.length).to.be.at.least(60);
    for (const source of PATTERNS)
      for (const ignoreCase of [false, true])
        for (const whole of [false, true]) {
          const found = linear(source, TEXT, ignoreCase, whole);
          expect(found, `/${source}/${ignoreCase ? 'i' : ''}${whole ? ' whole' : ''}`).to.deep.equal(
            native(source, TEXT, ignoreCase, whole),
          );
        }
  });

  it('find the same in texts put together at random', () => {
    const pieces = fc.constantFrom(
      'a',
      'b',
      'ab',
      'cat',
      's',
      ' ',
      '\n',
      '1',
      'é',
      'e\u0301',
      '😀',
      '.',
      '-',
      'A',
      '\t',
      'ß',
    );
    fc.assert(
      fc.property(
        fc.array(pieces, { maxLength: 20 }),
        fc.constantFrom(...PATTERNS),
        fc.boolean(),
        fc.boolean(),
        (list, source, ignoreCase, whole) => {
          const text = list.join('');
          expect(linear(source, text, ignoreCase, whole)).to.deep.equal(native(source, text, ignoreCase, whole));
        },
      ),
      { numRuns: 2000 },
    );
  });

  it('are refused where they look around, refer back or forget', () => {
    for (const source of [
      '(?=a)',
      '(?!a)b',
      '(?<=a)b',
      '(?<!a)b',
      '(a)\\1',
      '(?<x>a)\\k<x>',
      '(?:(a)|b)*',
      '(a){2}',
      'a{2000}',
      '(',
    ])
      expect(linearPattern(source, { ignoreCase: false }), source).to.equal(null);
    // A soft return ends a line to one engine alone.
    expect(linearPattern('a$', { ignoreCase: false })!.matchesIn('a\u2028b')).to.equal(null);
    expect(
      [...linearPattern('a.', { ignoreCase: false })!.matchesIn('a\u2028ab')!].map(({ index }) => index),
    ).to.deep.equal([2]);
  });

  it('end on patterns that would run for ever otherwise', () => {
    const text = `${'a'.repeat(20_000)} ${'word '.repeat(4000)}`;
    for (const source of ['.*.*.*!', '(?:\\w{1,20}){1,20}!', '(?:a?a?)+!', '(?:a+)+!', '(?:a|a)*!'])
      expect(linear(source, text, false, false), source).to.deep.equal([]);
  });
});
