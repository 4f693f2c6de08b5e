// Properties of random running orders: sides, blanks, folios.
import { expect } from 'chai';
import fc from 'fast-check';
import { inNumerals } from '../../../src/core/numbering/numerals';
import type { Division, StartSide } from '../../../src/core/model/copy/book';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { NUMERALS, type FolioRun } from '../../../src/core/model/spec/numbering';
import { isDisplayRole, ROLES, roleFacts, type DivisionRole } from '../../../src/core/model/copy/roles';
import { assembleBook, startSide } from '../../../src/core/paginate';
import { emptyPage } from '../../build/flow';
import { division } from '../../build/book';

const run = fc.record<FolioRun>({
  numerals: fc.constantFrom(...NUMERALS),
  start: fc.option(fc.integer({ min: 1, max: 300 })),
  prefix: fc.constantFrom('', 'A-'),
  hidden: fc.boolean(),
});

const entry = fc.record({
  role: fc.constantFrom(...(Object.keys(ROLES) as DivisionRole[])),
  start: fc.option(fc.constantFrom<StartSide>('any', 'recto', 'verso'), { nil: undefined }),
  run: fc.option(run, { nil: undefined, freq: 4 }),
  noBlank: fc.boolean(),
  pages: fc.integer({ min: 1, max: 5 }),
});

const order = fc.array(entry, { minLength: 1, maxLength: 25 }).map((list) => {
  const matters = ['front', 'body', 'back'];
  const sorted = [...list].sort(
    (a, b) => matters.indexOf(roleFacts(a.role).matter) - matters.indexOf(roleFacts(b.role).matter),
  );
  return sorted.map(({ role, start, run: own, noBlank, pages }) => ({
    division: {
      ...division(role, []),
      matter: roleFacts(role).matter,
      ...(start ? { start } : {}),
      ...(own ? { run: own } : {}),
      ...(noBlank ? { noBlank } : {}),
    } as Division,
    pages: Array.from({ length: pages }, () => emptyPage(isDisplayRole(role) ? 'display' : 'text')),
  }));
});

describe('a running order in pages', () => {
  it('keeps every side that a division asks for, with at most one blank before it', () => {
    fc.assert(
      fc.property(order, (parts) => {
        const { pages, firstPages } = assembleBook(parts, NOVEL_SPEC);
        parts.forEach(({ division: own }, index) => {
          const wished = startSide(own, parts[index - 1]?.division, NOVEL_SPEC);
          const first = pages[firstPages.get(own.id)!];
          if (wished !== 'any' && !own.noBlank) expect(first.side).to.equal(wished);
          if (own.noBlank) expect(pages[first.index - 1]?.isMade ?? false).to.equal(false);
        });
        for (const made of pages.filter(({ isMade }) => isMade)) {
          expect(made.role).to.equal('blank');
          expect(pages[made.index - 1]?.isMade ?? false).to.equal(false);
        }
        const blanks = pages.filter(({ isMade }) => isMade).length;
        expect(pages.length).to.equal(blanks + parts.reduce((sum, part) => sum + part.pages.length, 0));
      }),
    );
  });

  it('leaves plates out of the count where the spec says so: they show no folio, and the pages around them go on', () => {
    const mixed = fc.array(fc.boolean(), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(mixed, (plates) => {
        const pages = plates.map((isPlate) => emptyPage(isPlate ? 'plate' : 'text'));
        const parts = [{ division: division('chapter', []), pages: [emptyPage('opener'), ...pages] }];
        const spec = { ...NOVEL_SPEC, folios: { ...NOVEL_SPEC.folios, plates: 'uncounted' as const } };
        const made = assembleBook(parts, spec).pages.filter(({ isMade }) => !isMade);
        const counted = made.filter(({ role }) => role !== 'plate');
        counted.forEach(({ number, folioHidden }, k) => {
          expect(number).to.equal(counted[0].number + k);
          expect(folioHidden ?? false).to.equal(false);
        });
        made.forEach(({ role, folio, folioHidden }, k) => {
          if (role !== 'plate') return;
          expect(folioHidden).to.equal(true);
          expect(folio).to.equal(made[k - 1].folio);
        });
        const all = assembleBook(parts, NOVEL_SPEC).pages.filter(({ isMade }) => !isMade);
        all.forEach(({ number }, k) => expect(number).to.equal(all[0].number + k));
      }),
    );
  });

  it('numbers the pages of a run one after another, as its numerals say', () => {
    fc.assert(
      fc.property(order, (parts) => {
        const { pages, firstPages } = assembleBook(parts, NOVEL_SPEC);
        const begins = new Map(parts.map(({ division: own }) => [firstPages.get(own.id)!, own.run]));
        let current: FolioRun | undefined;
        pages.forEach((made, index) => {
          const own = begins.get(index);
          if (own !== undefined) current = own;
          if (own !== undefined && own.start !== null) expect(made.number).to.equal(own.start);
          else if (index > 0 && made.number !== 1) expect(made.number).to.equal(pages[index - 1].number + 1);
          if (own !== undefined) {
            const figure = inNumerals(made.number, own.numerals);
            expect(made.folio).to.equal(figure === '' ? '' : own.prefix + figure);
            expect(made.folioHidden ?? false).to.equal(own.hidden);
          }
          if (current?.numerals === 'none' && begins.get(index) === current) expect(made.folio).to.equal('');
        });
      }),
    );
  });

  it('never lets the front disturb the body: one more page in front moves no folio of the body', () => {
    const front = (count: number) => ({
      division: division('foreword', []),
      pages: Array.from({ length: count }, () => emptyPage('text')),
    });
    const body = [division('chapter', []), division('chapter', [])].map((own) => ({
      division: own,
      pages: Array.from({ length: 3 }, () => emptyPage('text')),
    }));
    const foliosOf = (count: number) =>
      assembleBook([front(count), ...body], NOVEL_SPEC)
        .pages.filter(({ divisionRole, isMade }) => divisionRole === 'chapter' && !isMade)
        .map(({ folio, side }) => `${side} ${folio}`);
    const [one, ...others] = [1, 2, 3, 4, 9].map(foliosOf);
    for (const other of others) expect(other).to.deep.equal(one);
  });
});
