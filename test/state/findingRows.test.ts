import { expect } from 'chai';
import type { Finding } from '../../src/core/model/checks/finding';
import { findingRows } from '../../src/state/book/findingRows';
import { book, chapter } from '../build/book';

describe('findings as rows', () => {
  const made = book([chapter('One', 'Under the lamp the ferryman counted his seven coins once more.', 'Short.')]);
  const [, long, short] = made.divisions[0].blocks;
  const finding = (block: string, from: number, message: string, page = 3): Finding => ({
    kind: 'loose-line',
    grade: 'look',
    stream: made.divisions[0].id,
    block,
    from,
    to: from,
    page,
    message,
  });

  it('quote the words at which they stand, from the start of a word, unless their sentence does', () => {
    const rows = findingRows(
      [
        finding(long.id, 12, 'It is so.'),
        finding(short.id, 0, 'It is so.'),
        finding(long.id, 0, 'The line “Under the” is loose.'),
        finding('', 0, 'The whole.'),
        finding('gone', 5, 'Of nothing.'),
      ],
      made,
    );
    expect(rows.map(({ words }) => words)).to.deep.equal([
      'lamp the ferryman counted his seven …',
      'Short.',
      '',
      '',
      '',
    ]);
  });

  it('that would read alike on a page are one, with their count; on another page they are not', () => {
    const same = finding(short.id, 0, 'It is so.');
    const rows = findingRows([same, finding(long.id, 0, 'It is so.'), { ...same, to: 3 }, { ...same, page: 4 }], made);
    expect(rows.map(({ finding: { page }, count }) => [page, count])).to.deep.equal([
      [3, 2],
      [3, 1],
      [4, 1],
    ]);
  });
});
