import { expect } from 'chai';
import { displayPage } from '../../../src/core/index';
import type { LinkTarget } from '../../../src/core/model/composed/links';
import type { Book } from '../../../src/core/model/copy/book';
import { OBJECT_CHARACTER, paragraph } from '../../../src/core/model/copy/streams';
import { compose, newContext } from '../../build/assets';
import { book, chapter, division, note, p, words } from '../../build/book';

/** Every link of a book, as the words that it is on and where they lead. */
function linksOf(made: Book): { readonly said: string; readonly target: LinkTarget; readonly page: number }[] {
  const context = newContext();
  const composed = compose(made, context);
  return composed.pages.flatMap(({ index }) =>
    displayPage(composed, index, context).items.flatMap(({ text, links = [] }) =>
      links.map(({ from, to, target }) => ({ said: text.slice(from, to), target, page: index })),
    ),
  );
}

const mark = (term: string, sub = '') => ({
  at: 0,
  kind: 'index' as const,
  term,
  sub,
  see: '',
  seeAlso: '',
  range: 'here' as const,
});

describe('links on the items of a page', () => {
  const far = `It is said there and here of it.`;
  const made = book(
    [
      division('contents', [p('Contents', 'TOH')]),
      chapter('Alpha', `A word with a note.{1} And one more.{2} ${words(60)}`),
      division('chapter', [
        p('Beta of 1832', 'CT'),
        paragraph('p800', 'TX', `${OBJECT_CHARACTER}${far} ${OBJECT_CHARACTER}.`, {
          objects: [mark('Act of 1832'), { at: far.length + 2, kind: 'reference', target: 'p700', shows: 'title' }],
          spans: [
            { from: 12, to: 17, link: 'https://weir.invalid/a' },
            { from: 22, to: 26, link: 'javascript:void(0)' },
          ],
        }),
      ]),
      division('chapter', [
        { ...p('Gamma', 'CT'), id: 'p700' },
        paragraph('p801', 'TX', `${OBJECT_CHARACTER}${words(30)}`, { objects: [mark('Act of 1832', 'read in 1833')] }),
      ]),
      division('index', [p('Index', 'TOH')], { matter: 'back' }),
    ],
    [note(1, 'Noted here.'), note(2, 'Noted again.')],
  );
  const links = linksOf(made);
  const of = <K extends LinkTarget['kind']>(kind: K) =>
    links.filter(({ target }) => target.kind === kind) as unknown as {
      said: string;
      target: Extract<LinkTarget, { kind: K }>;
    }[];

  it('are on the words and folios of contents entries', () => {
    const entries = of('place');
    const gamma = entries.filter(({ target }) => target.id === 'p700').map(({ said }) => said);
    expect(gamma).to.have.length(2);
    expect(gamma[0].trim()).to.equal('Gamma');
    expect(gamma[1]).to.match(/^\d+$/);
  });

  it('are on what cross-references say, on addresses that are ones, and on nothing else', () => {
    expect(of('reference').map(({ said, target }) => [said, target.target])).to.deep.equal([['Gamma', 'p700']]);
    expect(of('address').map(({ said, target }) => [said, target.address])).to.deep.equal([
      ['there', 'https://weir.invalid/a'],
    ]);
  });

  it('are on the signs of notes and on their numbers, each once', () => {
    expect(of('note').map(({ said, target }) => [said, target.note])).to.deep.equal([
      ['1', 'n1'],
      ['2', 'n2'],
    ]);
    expect(of('noteReference').map(({ said, target }) => [said, target.note])).to.deep.equal([
      ['1.', 'n1'],
      ['2.', 'n2'],
    ]);
  });

  it('are on the folios of index entries, not on figures in their terms', () => {
    expect(
      of('locator').map(({ said, target }) => [/^\d+$/.test(said), target.term, target.sub, target.at]),
    ).to.deep.equal([
      [true, 'Act of 1832', '', 0],
      [true, 'Act of 1832', 'read in 1833', 0],
    ]);
    for (const { said } of of('locator')) expect(['1832', '1833']).to.not.include(said);
  });
});
