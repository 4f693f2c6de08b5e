import { expect } from 'chai';
import { compose } from '../../build/assets';
import { book, chapter } from '../../build/book';

/** Lines of a chapter's only paragraph in a narrow column, as text. */
function linesOf(text: string): string[] {
  const made = book([chapter('One', text)]);
  const margins = { ...made.spec.page.margins, back: { pt: 300, unit: 'pt' as const } };
  const set = compose({ ...made, spec: { ...made.spec, page: { ...made.spec.page, margins } } });
  return set.pages.flatMap((page) =>
    page.fragments
      .filter(({ paragraph }) => paragraph.styled.style.meaning === 'body')
      .flatMap(({ paragraph: { styled, broken }, from, to }) =>
        Array.from({ length: to - from }, (_, k) => styled.text.slice(broken.from[from + k], broken.to[from + k])),
      ),
  );
}

describe('what is read as one sign', () => {
  const cases: [string, string][] = [
    ['emoji joined to families', '👩\u200D👩\u200D👧\u200D👦'.repeat(14)],
    ['emoji with skin tones', '👍🏽👋🏿🤚🏻'.repeat(12)],
    ['flags', '🇫🇷🇩🇪🇬🇧'.repeat(12)],
    ['letters with combining marks', 'e\u0301\u0323o\u0308\u0304'.repeat(40)],
    ['letters with marks, divided by patterns', `${'unbelievable\u0301ness '.repeat(12)}`],
  ];
  for (const [name, text] of cases) {
    it(`is never divided: ${name}`, () => {
      const signs = new Intl.Segmenter('en', { granularity: 'grapheme' });
      const bounds = new Set([...signs.segment(text)].map((sign) => sign.index).concat(text.length));
      const lines = linesOf(text);
      expect(lines.length).to.be.above(2);
      let at = 0;
      for (const line of lines) {
        at = text.indexOf(line, at);
        expect(bounds.has(at), `line at ${at}`).to.equal(true);
        at += line.length;
        expect(bounds.has(at), `end at ${at}`).to.equal(true);
      }
    });
  }
});
