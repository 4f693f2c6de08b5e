// Findings about styles and faces, told once at the first place where they show: leading that cannot be set, small capitals
// that the face does not have.
import type { Finding } from '../../model/answers/finding';
import type { Page } from '../../model/composed/pages';

/** `families`: keys of those that there are. */
export function styleFindings(pages: readonly Page[], families: ReadonlySet<string>): Finding[] {
  const findings = new Map<string, Finding>();
  for (const page of pages) {
    let own = known.get(page);
    if (own === undefined) known.set(page, (own = findingsOf(page, families)));
    for (const [about, finding] of own) if (!findings.has(about)) findings.set(about, finding);
  }
  return [...findings.values()];
}

const known = new WeakMap<Page, readonly [string, Finding][]>();

/** Findings of one page by the style or face that they are about. */
function findingsOf(page: Page, families: ReadonlySet<string>): [string, Finding][] {
  const found = new Map<string, Finding>();
  for (const { paragraph } of [...page.fragments, ...page.notes]) {
    const { styled } = paragraph;
    const place = { stream: styled.stream, block: styled.block, page: page.index };
    const { style } = styled;
    if (style.leadingReplaced && !found.has(`leading ${style.tag}`)) {
      const message = `The leading of ${style.tag} is too small for its size; ${style.leading.toFixed(1)} pt stands for it.`;
      found.set(`leading ${style.tag}`, { ...place, kind: 'leading-replaced', grade: 'should', message });
    }
    if (!families.has(style.family) && !found.has(`face ${style.family}`)) {
      const message = `The face ${style.family} is not here: another is set in its place.`;
      found.set(`face ${style.family}`, { ...place, kind: 'face-missing', grade: 'must', message });
    }
    for (const run of styled.runs) {
      if (run.isScaled !== true || found.has(run.face)) continue;
      const message = `${run.face} has no small capitals: capitals are scaled down for them.`;
      found.set(run.face, { ...place, kind: 'small-capitals-scaled', grade: 'look', message });
    }
  }
  return [...found];
}
