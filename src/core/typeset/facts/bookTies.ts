// The ties of a book, and of one paragraph, as a person can see and lift them.
import type { ComposedParagraph, TypesetBook } from '../../model/composed/pages';
import type { BookTie } from '../../model/answers/ties';
import { findTies, tiedWords } from '../../linebreak';

/** Words of every tie by rule in the text, lifted ones too. */
function tiesIn({ styled }: ComposedParagraph): string[] {
  if (!styled.style.ties) return [];
  return findTies(styled.text, styled.style.language, [], styled.notes).map((at) => tiedWords(styled.text, at));
}

/** Ties of the composed book, lifted ones too, the most frequent first. */
export function bookTies(composed: Pick<TypesetBook, 'pages'>): BookTie[] {
  const counts = new Map<string, number>();
  const seen = new Set<string>();
  for (const page of composed.pages)
    for (const { paragraph } of [...page.fragments, ...page.notes]) {
      const { stream, block } = paragraph.styled;
      if (seen.has(`${stream} ${block}`)) continue;
      seen.add(`${stream} ${block}`);
      for (const words of tiesIn(paragraph)) counts.set(words, (counts.get(words) ?? 0) + 1);
    }
  return [...counts]
    .map(([words, count]) => ({ words, count }))
    .sort((a, b) => b.count - a.count || (a.words < b.words ? -1 : 1));
}

/** Words tied in a paragraph, lifted ones too, in the order of its text, each once. */
export function paragraphTies(composed: ComposedParagraph): string[] {
  return [...new Set(tiesIn(composed))];
}
