import { expect } from 'chai';
import { placeTabs, rulerOf, tabsBetween } from '../../../src/core/linebreak/tabs';
import { columnLeft } from '../../../src/core/model/composed/pages';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import type { ParagraphStyle, TabStop } from '../../../src/core/model/spec/spec';
import type { ResolvedStyle } from '../../../src/core/model/composed/styled';
import { OBJECT_CHARACTER, paragraph, type InlineObject, type Paragraph } from '../../../src/core/model/copy/streams';
import { displayPage, writePressPdf } from '../../../src/core/typeset';
import { compose, newContext, newSubsetter } from '../../build/assets';
import { book, chapter, words } from '../../build/book';
import { pdfText } from '../../build/tools';
import { fileBytes } from '../../../src/core/base/fileJob';

/** A paragraph in which | stands for a tab. */
function tabbed(id: string, style: string, text: string): Paragraph {
  const objects: InlineObject[] = [];
  for (let at = text.indexOf('|'); at >= 0; at = text.indexOf('|', at + 1)) objects.push({ at, kind: 'tab' });
  return paragraph(id, style, text.replaceAll('|', OBJECT_CHARACTER), { objects });
}

function setWith(style: Partial<ParagraphStyle>, ...texts: string[]) {
  const styles = { ...NOVEL_SPEC.styles, TB: { name: 'Tabs', basedOn: 'TX', firstIndent: 0, ...style } };
  const one = chapter('One', words(60, 1));
  const blocks = [...one.blocks, ...texts.map((text, k) => tabbed(`t${k}`, 'TB', text))];
  const set = book([{ ...one, blocks }], [], { ...NOVEL_SPEC, styles });
  const context = newContext();
  const composed = compose(set, context);
  const list = displayPage(composed, 0, context);
  const left = columnLeft(composed.geometry, 'recto');
  /** Left edge of the first glyph of a text in a paragraph, from the column. */
  const xOf = (block: string, text: string): number => {
    for (const item of list.items.filter((one) => one.source?.block === block)) {
      const at = item.text.indexOf(text);
      if (at < 0) continue;
      for (let k = item.first; k < item.first + item.count; k += 1)
        if (list.charOffsets[k] === at) return list.xs[k] - left;
    }
    throw new Error(`no ${text}`);
  };
  const endOf = (block: string) =>
    Math.max(...list.items.filter((item) => item.source?.block === block).map((item) => item.endX)) - left;
  return { set, context, composed, list, left, xOf, endOf, measure: composed.geometry.measure };
}

describe('tabs', () => {
  it('go to the next stop of their kind, and past the last one to steps of their own', () => {
    const stops: TabStop[] = [
      { at: 100, kind: 'left' },
      { at: 200, kind: 'right' },
    ];
    const style = { leftIndent: 0, firstIndent: 0, size: 10, wordSpace: { wished: 0.2 }, tabs: stops };
    const ruler = rulerOf(style as unknown as ResolvedStyle);
    // Three stretches of 30 pt, and one of 10, parted by tabs: the widths stand between them.
    const sums = {
      at: [3, 7, 11],
      width: [30, 60, 90],
      stretch: [0, 0, 0],
      shrink: [0, 0, 0],
      spaces: [0, 0, 0],
      point: [-1, -1, -1],
    };
    const into = { widths: new Float32Array(3), leaders: ['', '', ''] };
    const line = placeTabs(sums, ruler, { firstTab: 0, endTab: 3, start: 0, end: 100, begin: 0, right: 300 }, into);
    expect([...into.widths]).to.deep.equal([70, 40, 20]);
    expect(line.width).to.equal(230);
    expect(tabsBetween(sums, 4, 11)).to.deep.equal([1, 2]);
  });

  it('stand text left, centred, right and by its decimal mark at the stops', () => {
    const at = (kind: TabStop['kind'], place: TabStop['at']) => ({
      align: 'left' as const,
      tabs: [{ at: place, kind }],
    });
    expect(setWith(at('left', 120), 'Tar|casks').xOf('t0', 'casks')).to.be.closeTo(120, 0.05);
    const right = setWith(at('right', 'end'), 'Tar|casks');
    expect(right.endOf('t0')).to.be.closeTo(right.measure, 0.05);
    const centre = setWith(at('centre', 150), 'Tar|casks');
    expect((centre.xOf('t0', 'casks') + centre.endOf('t0')) / 2).to.be.closeTo(150, 0.05);
    const decimal = setWith(at('decimal', 150), 'Tar|12.50', 'Rope|7.125', 'Lamps|1204');
    expect(decimal.xOf('t0', '.')).to.be.closeTo(150, 0.05);
    expect(decimal.xOf('t1', '.')).to.be.closeTo(150, 0.05);
    expect(decimal.endOf('t2')).to.be.closeTo(150, 0.05);
  });

  it('take a hanging indent for a stop, and leave the stretch of a justified line to what follows them', () => {
    const { composed, xOf } = setWith({ leftIndent: 24, firstIndent: -24 }, `1.|${words(40, 5)}`);
    const { broken, styled } = composed.pages[0].fragments.find(
      ({ paragraph: one }) => one.styled.block === 't0',
    )!.paragraph;
    expect(xOf('t0', styled.text.slice(3, 8))).to.be.closeTo(24, 0.05);
    for (let k = 0; k < broken.count - 1; k += 1) expect(broken.textWidth[k]).to.be.closeTo(broken.width[k], 0.02);
    expect(broken.count).to.be.above(2);
  });

  it('are filled with leaders that stand above each other and that nobody copies', () => {
    const style = { align: 'left' as const, tabs: [{ at: 'end' as const, kind: 'right' as const, leader: '.' }] };
    const { set, context, composed, list, left } = setWith(style, 'The landing at low water|12', 'Rope|7');
    const leaders = list.items.filter((item) => item.artifact === 'leader');
    expect(leaders).to.have.length(2);
    const places = leaders.map((item) => [...list.xs.slice(item.first, item.first + item.count)]);
    const step = places[0][1] - places[0][0];
    for (const x of places.flat()) {
      const steps = (x - left) / step;
      expect(steps).to.be.closeTo(Math.round(steps), 0.01);
    }
    expect(places[1].length).to.be.above(places[0].length + 5);
    const bytes = fileBytes(writePressPdf(set, composed, context, newSubsetter(), '2026-01-01T00:00:00Z'));
    expect(pdfText(bytes)).to.match(/low water\s+12/);
    expect(pdfText(bytes)).to.not.include('..');
    expect(composed.findings.map((finding) => finding.kind)).to.not.include('missing-character');
  });

  it('break a long entry and set its tab on the line where it stands', () => {
    const style = { align: 'left' as const, tabs: [{ at: 'end' as const, kind: 'right' as const, leader: '.' }] };
    const { composed, measure } = setWith(style, `${words(22, 3)}|204`);
    const { broken } = composed.pages[0].fragments.find(({ paragraph: one }) => one.styled.block === 't0')!.paragraph;
    expect(broken.count).to.be.above(1);
    expect(broken.textWidth[broken.count - 1]).to.be.closeTo(measure, 0.05);
  });
});
