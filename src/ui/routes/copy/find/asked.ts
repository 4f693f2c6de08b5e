// What is asked in the find panel, and the question that comes of it.
import { useMemo } from 'react';
import type { FindLook, FindQuery, FindRange } from '../../../../core/model/answers/find';
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
  const { words, isPattern, wholeWords, matchCase, style, look } = asked;
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
    }),
    [words, isPattern, wholeWords, matchCase, style, look, division, within],
  );
}

function lookOf(key: string): FindLook | null {
  const [kind, name] = key.split(':');
  if (kind === 'style') return { kind, style: name };
  return kind === 'touch' ? { kind, touch: name as 'italic' } : null;
}

/** What the button does with what is found: puts words in its place, or sets it in a style and keeps its words. */
export function actOf({ put, putStyle, putParagraphStyle }: Asked): string | null {
  if (put !== '') return 'Replace';
  return putStyle !== '' || putParagraphStyle !== '' ? 'Restyle' : null;
}
