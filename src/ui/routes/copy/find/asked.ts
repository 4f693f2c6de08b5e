// What is asked in the find panel, and the question that comes of it.
import { useMemo } from 'react';
import type { AskedValue, FindLook, FindQuery, FindRange } from '../../../../core/model/answers/find';
import type { KeptSearch } from '../../../../state/copy/keptSearches';

export type Asked = Omit<KeptSearch, 'name'>;

export const NOTHING_ASKED: Asked = {
  words: '',
  put: '',
  isPattern: false,
  wholeWords: false,
  matchCase: false,
  style: '',
  look: '',
  putStyle: '',
  putParagraphStyle: '',
};

/** `division`: in it alone. `within`: in these stretches alone. The same object while nothing of it changes. */
export function useQuery(asked: Asked, division: string | null, within: readonly FindRange[] | null): FindQuery {
  const { words, isPattern, wholeWords, matchCase, style, look, put } = asked;
  return useMemo(
    () => ({
      words,
      isPattern,
      wholeWords,
      matchCase,
      style: style === '' ? null : style,
      look: lookOf(look),
      division,
      within,
      put: put === '' ? null : put,
    }),
    [words, isPattern, wholeWords, matchCase, style, look, division, within, put],
  );
}

/** `style:em`, `touch:italic`, `value:size:16` as a look; null: none, or one whose value is not said yet. */
function lookOf(key: string): FindLook | null {
  const [kind, name, ...rest] = key.split(':');
  if (kind === 'style') return { kind, style: name };
  if (kind === 'touch') return { kind, touch: name as 'italic' };
  const value = kind === 'value' ? valueOf(name, rest.join(':')) : null;
  return value === null ? null : { kind: 'value', value };
}

function valueOf(of: string, said: string): AskedValue | null {
  if (said === '') return null;
  switch (of) {
    case 'size': {
      const pt = Number(said.replace(',', '.').replace(/\s*pt$/, ''));
      return pt > 0 && Number.isFinite(pt) ? { of, pt } : null;
    }
    case 'face':
      return { of, family: said };
    case 'ink':
      return { of, ink: said };
    case 'language':
      return { of, tag: said };
    default:
      return null;
  }
}

/** What the button does with what is found: puts words in its place, or sets it in a style and keeps its words. */
export function actOf({ put, putStyle, putParagraphStyle }: Asked): string | null {
  if (put !== '') return 'Replace';
  return putStyle !== '' || putParagraphStyle !== '' ? 'Restyle' : null;
}
