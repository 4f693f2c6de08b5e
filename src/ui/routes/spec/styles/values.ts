// What can be set of a style, in groups: one table for the editor, so that no property is forgotten.
import type { CharacterStyle, ParagraphStyle } from '../../../../core/model/spec/spec';

export type ValueKind =
  | { readonly kind: 'pt' }
  | { readonly kind: 'indent' }
  | { readonly kind: 'leading' }
  | { readonly kind: 'number'; readonly unit: string }
  | { readonly kind: 'flag' }
  | { readonly kind: 'choice'; readonly choices: readonly (readonly [string, string])[] }
  | { readonly kind: 'number-choice'; readonly choices: readonly (readonly [string, string])[] }
  | { readonly kind: 'family' }
  | { readonly kind: 'language' }
  | { readonly kind: 'text'; readonly placeholder: string }
  | { readonly kind: 'style' }
  | { readonly kind: 'begin' }
  | { readonly kind: 'tabs' }
  | { readonly kind: 'ink' }
  | { readonly kind: 'ground' }
  | { readonly kind: 'rule' }
  | { readonly kind: 'ornament' }
  | { readonly kind: 'drop' }
  | { readonly kind: 'lead' }
  | { readonly kind: 'spots' }
  | { readonly kind: 'spaces' }
  | { readonly kind: 'division' }
  | { readonly kind: 'scheme' };

export interface Value<K> {
  readonly key: K;
  readonly label: string;
  readonly is: ValueKind;
  /** Shown where no style says anything. */
  readonly none: string;
}

export interface ValueGroup<K> {
  readonly title: string;
  readonly values: readonly Value<K>[];
}

export const WEIGHTS = [
  ['300', 'light'],
  ['400', 'regular'],
  ['500', 'medium'],
  ['600', 'semibold'],
  ['700', 'bold'],
  ['800', 'extra bold'],
] as const;
export const CAPS = [
  ['none', 'as typed'],
  ['small', 'small capitals'],
  ['all', 'capitals'],
  ['title', 'title case'],
] as const;

const value = <K>(key: K, label: string, is: ValueKind, none = ''): Value<K> => ({ key, label, is, none });
const choice = (choices: readonly (readonly [string, string])[]): ValueKind => ({ kind: 'choice', choices });

export const PARAGRAPH_VALUES: readonly ValueGroup<keyof ParagraphStyle>[] = [
  {
    title: 'Face',
    values: [
      value('face', 'Family', { kind: 'family' }, 'as the text'),
      value('size', 'Size', { kind: 'pt' }, 'as the text'),
      value('leading', 'Leading', { kind: 'leading' }, 'as the text'),
      value('weight', 'Weight', { kind: 'number-choice', choices: WEIGHTS }, '400'),
      value('italic', 'Italic', { kind: 'flag' }, 'no'),
      value('caps', 'Case', choice(CAPS), 'none'),
      value('tracking', 'Tracking', { kind: 'number', unit: '‰ em' }, '0'),
      value('rise', 'Baseline raised', { kind: 'pt' }, '0'),
      value('ink', 'Ink', { kind: 'ink' }, 'black'),
      value('features', 'Features', { kind: 'text', placeholder: 'dlig,ss01,-liga' }),
      value('language', 'Language', { kind: 'language' }, 'as the book'),
    ],
  },
  {
    title: 'Setting',
    values: [
      value(
        'align',
        'Alignment',
        choice([
          ['text', 'as the text'],
          ['justify', 'justified'],
          ['left', 'flush left'],
          ['right', 'flush right'],
          ['centre', 'centred'],
          ['foreEdge', 'ragged from the fore-edge'],
          ['back', 'ragged from the back'],
          ['longest', 'centred block on the longest line'],
        ]),
        'text',
      ),
      value(
        'lastAlign',
        'Last line',
        choice([
          ['left', 'flush left'],
          ['right', 'flush right'],
          ['centre', 'centred'],
          ['justify', 'justified'],
        ]),
        'left',
      ),
      value('firstIndent', 'First-line indent', { kind: 'indent' }, 'text'),
      value('leftIndent', 'Left indent', { kind: 'pt' }, '0'),
      value('rightIndent', 'Right indent', { kind: 'pt' }, '0'),
      value('hyphenate', 'Divide words', { kind: 'flag' }, 'yes'),
      value('division', 'Hyphenation', { kind: 'division' }, 'as the text'),
      value('wordSpace', 'Word space', { kind: 'spaces' }, 'as the text'),
      value('tabs', 'Tabs', { kind: 'tabs' }, 'none'),
      value('lineNumbers', 'Line numbers every', { kind: 'number', unit: 'lines' }, '0'),
    ],
  },
  {
    title: 'Space and keeping',
    values: [
      value('above', 'Space above', { kind: 'number', unit: 'lines' }, '0'),
      value('below', 'Space below', { kind: 'number', unit: 'lines' }, '0'),
      value('keepSpace', 'Space at a page top', { kind: 'flag' }, 'no'),
      value('breakBefore', 'Begins', { kind: 'begin' }, 'none'),
      value('withNext', 'Keep with next', { kind: 'flag' }, 'no'),
      value('keepTogether', 'Keep whole', { kind: 'flag' }, 'no'),
      value('atFoot', 'At the foot of display pages', { kind: 'flag' }, 'no'),
    ],
  },
  {
    title: 'Openings and patterns',
    values: [
      value('drop', 'Drop capital', { kind: 'drop' }, 'none'),
      value('lead', 'Lead-in', { kind: 'lead' }, 'none'),
      value('spots', 'Pattern rules', { kind: 'spots' }, 'none'),
    ],
  },
  {
    title: 'Rules, ornament, background',
    values: [
      value('ruleAbove', 'Rule above', { kind: 'rule' }, 'none'),
      value('ruleBelow', 'Rule below', { kind: 'rule' }, 'none'),
      value('ornament', 'Ornament', { kind: 'ornament' }, 'as it is'),
      value('background', 'Background', { kind: 'ground' }, 'none'),
    ],
  },
  {
    title: 'Meaning',
    values: [
      value(
        'meaning',
        'Serves as',
        choice([
          ['body', 'text'],
          ['heading1', 'head, level 1'],
          ['heading2', 'head, level 2'],
          ['heading3', 'head, level 3'],
          ['heading4', 'head, level 4'],
          ['heading5', 'head, level 5'],
          ['heading6', 'head, level 6'],
          ['extract', 'extract'],
          ['verse', 'verse'],
          ['listItem', 'list item'],
          ['caption', 'caption'],
          ['note', 'note'],
          ['title', 'title'],
          ['break', 'break'],
          ['table', 'table'],
          ['chapterNumber', 'number of a chapter'],
          ['partNumber', 'number of a part'],
          ['subtitle', 'subtitle of a chapter'],
          ['chapterAuthor', 'author of a chapter'],
          ['epigraph', 'epigraph of a chapter'],
          ['ornament', 'ornament of an opener'],
          ['other', 'something else'],
        ]),
        'body',
      ),
      value('number', 'Number of a head', { kind: 'scheme' }, 'none'),
    ],
  },
];

export const CHARACTER_VALUES: readonly ValueGroup<keyof CharacterStyle>[] = [
  {
    title: 'Words',
    values: [
      value('face', 'Family', { kind: 'family' }, 'as surrounding text'),
      value('size', 'Size', { kind: 'pt' }, 'as surrounding text'),
      value('weight', 'Weight', { kind: 'number-choice', choices: WEIGHTS }),
      value(
        'italic',
        'Italic',
        choice([
          ['on', 'always'],
          ['opposite', 'reverse of surrounding text'],
        ]),
      ),
      value('caps', 'Case', choice(CAPS)),
      value('tracking', 'Tracking', { kind: 'number', unit: '‰ em' }),
      value('rise', 'Baseline raised', { kind: 'pt' }, '0'),
      value(
        'position',
        'Figures',
        choice([
          ['superior', 'superior'],
          ['inferior', 'inferior'],
        ]),
      ),
      value(
        'line',
        'Underline and strike',
        choice([
          ['under', 'underlined'],
          ['through', 'struck through'],
        ]),
      ),
      value('ink', 'Ink', { kind: 'ink' }, 'as surrounding text'),
      value('features', 'Features', { kind: 'text', placeholder: 'dlig,ss01,-liga' }),
      value('language', 'Language', { kind: 'language' }, 'as surrounding text'),
      value(
        'asTyped',
        'House marks, hyphens',
        choice([
          ['on', 'none: as typed'],
          ['off', 'as the text'],
        ]),
      ),
    ],
  },
];
