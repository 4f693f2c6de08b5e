// The PDF for the screen, and the labels of pages: read from outside, and from the plain objects of the file.
import { expect } from 'chai';
import { writePressPdf, writeScreenPdf } from '../../../src/core/index';
import type { Book } from '../../../src/core/model/copy/book';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import type { TypesetBook } from '../../../src/core/model/composed/pages';
import { compose, newContext, newSubsetter } from '../../build/assets';
import { book, chapter, division, note, p, table, words } from '../../build/book';
import { pdfText, qpdfCheck } from '../../build/tools';
import { fileBytes } from '../../../src/core/base/fileJob';

const DATE = '2026-01-02T03:04:05Z';
const textOf = (bytes: Uint8Array) => new TextDecoder('latin1').decode(bytes);

/** The pages of a file in order by the number of their object. */
function pagesOf(file: string): number[] {
  const kids = /\/Type \/Pages[^>]*\/Kids \[([^\]]*)\]/.exec(file)![1];
  return [...kids.matchAll(/(\d+) 0 R/g)].map((match) => Number(match[1]));
}

/** Links of the file: the page on which each stands, its rectangle, and the page to which it leads or its address. */
function linksOf(file: string) {
  const pages = pagesOf(file);
  const objects = new Map(
    [...file.matchAll(/(\d+) 0 obj\n([\s\S]*?)\nendobj/g)].map((match) => [Number(match[1]), match[2]]),
  );
  return pages.flatMap((number, page) => {
    const annotations = /\/Annots \[([^\]]*)\]/.exec(objects.get(number)!)?.[1] ?? '';
    return [...annotations.matchAll(/(\d+) 0 R/g)].map((match) => {
      const body = objects.get(Number(match[1]))!;
      const rectangle = /\/Rect \[([^\]]*)\]/.exec(body)![1].split(' ').map(Number);
      const to = /\/Dest \[(\d+) 0 R/.exec(body)?.[1];
      return { page, rectangle, to: to === undefined ? /\/URI \(([^)]*)\)/.exec(body)![1] : pages.indexOf(Number(to)) };
    });
  });
}

function written(made: Book): { file: string; bytes: Uint8Array; composed: TypesetBook } {
  const context = newContext();
  const composed = compose(made, context);
  const bytes = fileBytes(writeScreenPdf(made, composed, context, newSubsetter(), DATE));
  return { file: textOf(bytes), bytes, composed };
}

describe('the PDF for the screen', () => {
  const target = chapter('Silt', words(500, 3));
  const id = target.blocks[0].id;
  const text = 'See \uFFFC, and the Landing.';
  const refers: Paragraph = {
    ...p(text),
    objects: [{ at: 4, kind: 'reference', target: id, shows: 'page' }],
    spans: [{ from: 14, to: text.length - 1, link: 'https://landing.example/tides' }],
  };
  const marked: Paragraph = {
    ...p('\uFFFCMarked words.'),
    objects: [{ at: 0, kind: 'index', term: 'weir of 1832', sub: '', see: '', seeAlso: '', range: 'here' }],
  };
  const made = book([
    division('contents', [p('Contents', 'TOH')]),
    division('chapter', [p('Salt', 'CT'), p(words(700, 1)), refers], { listed: true }),
    target,
    division('chapter', [p('Sand', 'CT'), marked, p(words(300, 4))], { listed: true }),
    division('index', [p('Index', 'TOH')], { matter: 'back', listed: true }),
  ]);
  const { file, bytes, composed } = written(made);
  const pageOf = (division: number) => composed.extents[division].firstPage;
  const links = linksOf(file);

  it('is a clean file by an outside check, with the words of the pages', () => {
    expect(qpdfCheck(bytes)).to.include('No syntax or stream encoding errors');
    expect(pdfText(bytes)).to.include('Silt');
  });

  it('leads from every entry of the contents to its page', () => {
    const ofContents = links.filter(({ page }) => page === pageOf(0)).map(({ to }) => to);
    for (const k of [1, 2, 3, 4]) expect(ofContents).to.include(pageOf(k));
  });

  it('leads from words to the paragraph of a name, and nowhere where that is gone', () => {
    const to = (name: string): Paragraph => ({ ...p('Go on.'), spans: [{ from: 0, to: 2, link: `#${name}` }] });
    const far = { ...p('Here it is.'), names: ['mark'] };
    const named = book([
      division('chapter', [p('Salt', 'CT'), to('mark'), to('gone'), p(words(700, 1))]),
      division('chapter', [p('Sand', 'CT'), p(words(400, 2)), far]),
    ]);
    const result = written(named);
    const page = result.composed.pages.findIndex(({ fragments }) =>
      fragments.some(({ paragraph }) => paragraph.styled.block === far.id),
    );
    expect(page).to.be.greaterThan(0);
    expect(linksOf(result.file).map((link) => link.to)).to.deep.equal([page]);
  });

  it('leads from references, addresses and folios of the index to where they say', () => {
    const own = composed.pages.find(({ fragments }) =>
      fragments.some(({ paragraph }) => paragraph.styled.block === refers.id),
    )!;
    const here = links.filter(({ page }) => page >= pageOf(1) && page < pageOf(2));
    expect(here.map(({ to }) => to)).to.have.members([pageOf(2), 'https://landing.example/tides']);
    expect(here[0].page).to.be.at.least(own.index);
    // The year in the term is no folio.
    expect(links.filter(({ page }) => page === pageOf(4)).map(({ to }) => to)).to.deep.equal([pageOf(3)]);
    for (const { rectangle } of links) {
      const [left, bottom, right, top] = rectangle;
      expect(right).to.be.above(left);
      expect(top).to.be.above(bottom);
      expect(left).to.be.at.least(0);
      expect(right).to.be.at.most(composed.geometry.width);
    }
  });

  it('has the heads as its outline, and the press PDF none of all that', () => {
    const titles = [...file.matchAll(/\/Title <FEFF([0-9A-F]+)> \/Parent/g)].map((match) =>
      match[1].replace(/..../g, (hex) => String.fromCharCode(Number.parseInt(hex, 16))),
    );
    expect(titles).to.deep.equal(['Salt', 'Silt', 'Sand', 'Index']);
    const context = newContext();
    const press = textOf(fileBytes(writePressPdf(made, compose(made, context), context, newSubsetter(), DATE)));
    expect(press).to.not.match(/\/Annots|\/Outlines/);
  });
});

describe('some pages of a book', () => {
  const made = book([
    division('contents', [p('Contents', 'TOH')]),
    division('chapter', [p('Salt', 'CT'), p(words(900, 1))], { listed: true }),
    division('chapter', [p('Silt', 'CT'), p(words(900, 2))], { listed: true }),
  ]);
  const context = newContext();
  const composed = compose(made, context);
  const write = (range?: { from: number; to: number }) =>
    fileBytes(writeScreenPdf(made, composed, context, newSubsetter(), DATE, range));
  const textsOf = (bytes: Uint8Array) => pdfText(bytes).split('\f').slice(0, -1);

  it('are those pages with their folios; what leads elsewhere leads nowhere', () => {
    const all = textsOf(write());
    const range = { from: 1, to: all.length - 2 };
    const bytes = write(range);
    qpdfCheck(bytes);
    expect(textsOf(bytes)).to.deep.equal(all.slice(1, -1));
    const file = textOf(bytes);
    expect(file).to.include('/PageLayout /TwoPageLeft');
    const [contents] = linksOf(textOf(write()));
    // The contents stand on the first page, which is left out.
    expect(contents.page).to.equal(0);
    expect(linksOf(file)).to.deep.equal([]);
    expect([...file.matchAll(/\/Title <FEFF[0-9A-F]+> \/Parent/g)]).to.have.length(2);
    // One page with the contents: both heads are elsewhere.
    expect(textOf(write({ from: 0, to: 0 }))).to.not.match(/\/Annots|\/Outlines/);
  });

  it('that the book has not are refused', () => {
    const { length } = composed.pages;
    for (const range of [
      { from: 0, to: length },
      { from: 3, to: 2 },
      { from: -1, to: 2 },
    ])
      expect(() => write(range)).to.throw(`the book has ${length} pages`);
  });
});

describe('page labels', () => {
  it('follow the folio runs: roman, a run from a number, a prefix, words', () => {
    const run = (numerals: 'arabic' | 'Letters' | 'words', start: number | null, prefix = '') => ({
      numerals,
      start,
      prefix,
      hidden: false,
    });
    const made = book([
      division('title', [p('A Book', 'BT')]),
      chapter('Salt', words(500, 1)),
      { ...chapter('Silt', words(500, 2)), run: run('arabic', 40) },
      { ...chapter('Sand', words(500, 3)), run: run('Letters', 1, 'App-') },
      { ...chapter('Shale', words(30, 4)), run: run('words', 3) },
    ]);
    const { file, composed } = written(made);
    const labels = /\/Nums \[(.*?)\] >>/s.exec(file)![1];
    const at = (k: number) => composed.extents[k].firstPage;
    const has = (index: number, label: string) =>
      expect(labels).to.match(new RegExp(`(?:^|[\\[ ])${index} << ${label} >>`));
    has(0, '/S /r /St 1');
    has(at(1), '/S /D /St 1');
    has(at(2), '/S /D /St 40');
    has(at(3), '/S /A /P <FEFF004100700070002D> /St 1');
    has(at(4), '/P <FEFF00540068007200650065>');
  });
});

describe('notes in the PDF for the screen', () => {
  const made = book(
    [
      chapter('Salt', `${words(400, 1)} reeds.{1} ${words(300, 2)}`, `Late.{2} ${words(200, 5)}`),
      chapter('Silt', words(900, 3)),
      division('notes', [p('Notes', 'CT')], { matter: 'back', listed: true }),
    ],
    [note(1, 'At the foot.'), { ...note(2, 'At the end.'), kind: 'endnote' }],
  );
  const { file, composed } = written(made);
  const links = linksOf(file);
  const pageWith = (words: RegExp) =>
    composed.pages.findIndex(({ fragments, notes }) =>
      [...fragments, ...notes].some(({ paragraph, from, to }) =>
        words.test(paragraph.styled.text.slice(paragraph.broken.from[from], paragraph.broken.to[to - 1])),
      ),
    );

  it('are led to from their references, and lead back from their numbers', () => {
    const [foot, late, end] = [pageWith(/reeds\./), pageWith(/Late\./), pageWith(/At the end/)];
    expect(end).to.be.above(late);
    const ends = links.map(({ page, to }) => [page, to]);
    expect(ends).to.deep.include([late, end]);
    expect(ends).to.deep.include([end, late]);
    expect(ends.filter(([page, to]) => page === foot && to === foot).length).to.be.at.least(2);
    expect(links.length).to.equal(4);
    // The number alone is the link, not the words after it.
    const back = links.find(({ page, to }) => page === end && to === late)!;
    expect(back.rectangle[2] - back.rectangle[0]).to.be.within(2, 14);
    expect(file).to.match(/\/Dest \[\d+ 0 R \/XYZ null [\d.]+ null\]/);
  });

  it('are led to from cells of tables and lead back where they run on', () => {
    const one = chapter('Salt', 'A.{1}');
    const start = book(
      [{ ...one, blocks: [...one.blocks, table(['Day', 'Level{2}'], ['One{3}', '12{4}'])] }],
      [1, 2, 3, 4].map((k) => note(k, `Note ${k}.`)),
    );
    const footnote = { ...start.spec.notes.kinds.footnote, runOn: true };
    const kinds = { ...start.spec.notes.kinds, footnote };
    const run = written({ ...start, spec: { ...start.spec, notes: { ...start.spec.notes, kinds } } });
    // Four signs to their notes, four numbers back, none twice.
    const rectangles = linksOf(run.file).map(({ rectangle }) => rectangle.join());
    expect(new Set(rectangles).size).to.equal(8);
    expect(rectangles.length).to.equal(8);
  });

  it('are plain in the press PDF', () => {
    const context = newContext();
    const bytes = fileBytes(writePressPdf(made, compose(made, context), context, newSubsetter(), DATE));
    expect(textOf(bytes)).to.not.include('/Annots');
  });
});
