import { expect } from 'chai';
import type {
  DisplayList,
  PictureItem,
  RuleItem,
  RuleKind,
  TextItem,
} from '../../../src/core/model/composed/displayList';
import { paintLayers } from '../../../src/core/model/composed/paintLayers';
import type { FontUse } from '../../../src/core/write/pdf/fontUse';
import { pageContent } from '../../../src/core/write/pdf/pageContent';
import { drawPage } from '../../../src/ui/pageView/drawPage';

const rule = (kind: RuleKind, x: number): RuleItem => ({ kind, x, y: 10, width: 5, thickness: 1 });
const item: TextItem = {
  ...{ face: 'a/400', size: 10, scaleX: 1, y: 50, first: 0, count: 1, text: 'a', endX: 15 },
  ...{ source: null, artifact: null, endsInHyphen: false, endsLine: true },
};
const picture: PictureItem = {
  ...{ asset: 'x', format: 'jpeg', name: 'x', alt: '', x: 300, y: 0, width: 20, height: 20, stream: 'd1', block: 'p1' },
};
/** Rules in an order in which no page may be painted. */
const list: DisplayList = {
  ...{ page: 0, width: 400, height: 600, items: [item], pictures: [picture] },
  rules: [rule('furniture', 100), rule('ground', 200), rule('text', 110), rule('ground', 210), rule('table', 120)],
  ...{ glyphs: new Uint16Array([7]), xs: new Float32Array([10]), rises: new Float32Array(1) },
  ...{ charOffsets: new Uint16Array(1), sourceOffsets: new Uint32Array(1) },
};

describe('the order of painting', () => {
  it('is grounds, rules, pictures, text, each in the order of the list, and leaves nothing out', () => {
    const said = paintLayers(list).map((layer) =>
      layer.kind === 'rules' ? layer.rules.map(({ x }) => x) : layer.kind,
    );
    expect(said).to.deep.equal([[200, 210], [100, 110, 120], 'pictures', 'text']);
    expect(paintLayers({ rules: [], pictures: [], items: [] })).to.deep.equal([]);
  });

  it('is kept by the canvas', () => {
    const calls: string[] = [];
    const context = {
      ...{ setTransform: () => undefined, save: () => undefined, restore: () => undefined, beginPath: () => undefined },
      ...{ rect: () => undefined, clip: () => undefined, stroke: () => calls.push('picture') },
      ...{
        fillRect: (x: number) => calls.push(`rule ${x}`),
        fill: () => calls.push('glyph'),
        fillText: () => undefined,
      },
    };
    (globalThis as Record<string, unknown>).Path2D ??= class {
      closePath() {}
    };
    const outlines = () => ({ face: 'a/400', glyph: 7, unitsPerEm: 1000, path: new Float32Array([4]) });
    drawPage(context as never, list, { outlines, x: 0, y: 0, scale: 1, ink: 'black' });
    expect(calls).to.deep.equal(['rule 200', 'rule 210', 'rule 100', 'rule 110', 'rule 120', 'picture', 'glyph']);
  });

  it('is kept by the PDF', () => {
    const fontOf = () => ({ resource: 'F1', noteUnit: () => true, width: () => 500 }) as unknown as FontUse;
    const content = new TextDecoder('latin1').decode(
      pageContent(list, fontOf, { drawnAs: () => ({ name: 'P1', turn: [1, 0, 0, 1, 0, 0] }) } as never),
    );
    const places = ['200 ', '210 ', '100 ', '110 ', '120 ', '/P1 Do', 'BT'].map((word) => content.indexOf(word));
    expect(places).to.deep.equal([...places].sort((a, b) => a - b));
    expect(Math.min(...places)).to.be.at.least(0);
    expect(content.match(/\/Artifact BMC/g)).to.have.length(5);
  });
});
