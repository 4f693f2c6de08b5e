import { expect } from 'chai';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import { ImportError } from '../../../src/core/base/errors';
import { fingerprint } from '../../../src/core/base/hash';
import { lastAtMost } from '../../../src/core/base/search';
import { elements, escapeXml, parseXml, textOf } from '../../../src/core/base/xml';
import { unpack } from '../../../src/core/base/zip';
import { pack } from '../../build/files';
import { isElasticSpace } from '../../../src/core/base/elasticSpace';

describe('base', () => {
  it('finds the last element at most a value', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 50 })), fc.integer({ min: -60, max: 60 }), (list, value) => {
        const sorted = list.sort((a, b) => a - b);
        expect(lastAtMost(sorted, value)).to.equal(sorted.filter((entry) => entry <= value).length - 1);
      }),
    );
  });

  it('packs the same members to the same bytes, and unpacks them', () => {
    const members = { 'a.txt': new Uint8Array([1, 2, 3]), 'b/c.txt': new Uint8Array(1000) };
    expect(pack(members)).to.deep.equal(pack(members));
    expect(unpack(pack(members), () => true)['b/c.txt']).to.deep.equal(members['b/c.txt']);
  });

  it('stops at a zip that unpacks to more than the limit, before unpacking it', () => {
    const bomb = zipSync({ 'x.xml': new Uint8Array(3_000_000) });
    expect(bomb.length).to.be.below(10_000);
    expect(() => unpack(bomb, () => true, 2_000_000))
      .to.throw(ImportError)
      .with.property('code', 'too-large');
  });

  it('is not fooled by a member that understates its size', () => {
    const bomb = zipSync({ 'x.xml': new Uint8Array(3_000_000) });
    // The uncompressed size stands at offset 22 of the local header and 24 of the central directory entry.
    const view = new DataView(bomb.buffer);
    for (let k = 0; k + 4 < bomb.length; k += 1) {
      if (view.getUint32(k, true) === 0x04034b50) view.setUint32(k + 22, 100, true);
      if (view.getUint32(k, true) === 0x02014b50) view.setUint32(k + 24, 100, true);
    }
    let size = 0;
    try {
      size = unpack(bomb, () => true, 2_000_000)['x.xml'].length;
    } catch (error) {
      expect(error).to.be.instanceOf(ImportError);
    }
    expect(size).to.be.at.most(100);
  });

  it('says that a cut zip is cut', () => {
    const whole = pack({ a: new Uint8Array(5000).map((_, k) => (k * 7919) % 251) });
    expect(() => unpack(whole.slice(0, whole.length / 2), () => true))
      .to.throw(ImportError)
      .with.property('code', 'truncated');
  });

  it('reads XML into a tree and refuses what is not well formed', () => {
    const root = parseXml('<a x="1">one<b/>t&amp;o<![CDATA[<3]]></a>', 'part');
    expect(root.attributes.x).to.equal('1');
    expect(elements(root).map((child) => child.name)).to.deep.equal(['b']);
    expect(textOf(root)).to.equal('onet&o<3');
    expect(() => parseXml('<a><b></a>', 'word/document.xml')).to.throw(ImportError, 'word/document.xml');
    expect(escapeXml('<"&>')).to.equal('&lt;&quot;&amp;&gt;');
  });

  it('gives other content another fingerprint', () => {
    expect(fingerprint('one')).to.have.length(32).and.not.equal(fingerprint('two'));
    expect(fingerprint('ł')).to.not.equal(fingerprint('B'));
  });

  it('stretches the first of a run of spaces and no-break spaces', () => {
    const text = 'a  b\u00a0c';
    expect([...text].map((_, k) => isElasticSpace(text, k))).to.deep.equal([false, true, false, false, true, false]);
  });
});
