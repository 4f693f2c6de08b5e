// Findings about styles and faces, told once at the first place where they show: leading that cannot be set, small capitals
// that the face does not have.
import { familyInWords } from '../../model/spec/faces';
import type { Page } from '../../model/composed/pages';
import { onParagraph } from '../../proof';
import type { BookHit, BookRunner } from './bookFacts';

export const styles: BookRunner = ({ furnished, compose }) => {
  const families = new Set(compose.context.library.table.map(({ family }) => family));
  const hits = new Map<string, BookHit>();
  for (const page of furnished.pages) {
    let onPage = known.get(page);
    if (onPage === undefined) known.set(page, (onPage = hitsOn(page, families)));
    for (const [about, hit] of onPage) if (!hits.has(about)) hits.set(about, hit);
  }
  return [...hits.values()];
};

const known = new WeakMap<Page, readonly [string, BookHit][]>();

/** Hits of one page by the style or face that they are about. */
function hitsOn(page: Page, families: ReadonlySet<string>): [string, BookHit][] {
  const hits = new Map<string, BookHit>();
  for (const { paragraph } of [...page.fragments, ...page.notes]) {
    const { styled } = paragraph;
    const place = { ...onParagraph(styled), page: page.index };
    const { style } = styled;
    if (style.leadingReplaced && !hits.has(`leading ${style.tag}`)) {
      const message = `The leading of ${style.tag} is too small for its size; ${style.leading.toFixed(1)} pt stands for it.`;
      hits.set(`leading ${style.tag}`, { ...place, kind: 'leading-replaced', message });
    }
    if (!families.has(style.family) && !hits.has(`face ${style.family}`)) {
      const message = `The face ${familyInWords(style.family)} is missing: another stands in for it.`;
      hits.set(`face ${style.family}`, { ...place, kind: 'face-missing', message });
    }
    for (const run of styled.runs) {
      if (run.isScaled !== true || hits.has(run.face)) continue;
      const message = `${run.face} has no small capitals: capitals are scaled down for them.`;
      hits.set(run.face, { ...place, kind: 'small-capitals-scaled', message });
    }
  }
  return [...hits];
}
