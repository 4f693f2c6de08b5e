import { expect } from 'chai';
import { readManuscript } from '../../../src/core/import';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { hasHandLooks, withoutHandLooks } from '../../../src/core/copy/handLooks';
import { taken } from '../../build/incoming';

const read = (html: string) =>
  taken(readManuscript('clipboard.html', new TextEncoder().encode(`<html><body>${html}</body></html>`)));
const rows = (html: string) =>
  (read(html).blocks as Paragraph[]).map(
    ({ style, text, list }) =>
      `${style}${list ? `${list.level}${list.ordered ? 'o' : 'u'}` : ''}: ${text.replaceAll('\uFFFC', '^')}`,
  );
const looks = (html: string) =>
  (read(html).blocks as Paragraph[]).flatMap(({ text, spans }) =>
    spans.map(
      ({ from, to, style, touches }) => `${text.slice(from, to)}=${style ?? ''}${JSON.stringify(touches ?? {})}`,
    ),
  );
const notes = (html: string) =>
  Object.values(read(html).notes).map(
    ({ kind, blocks }) => `${kind}: ${blocks.map((one) => (one as Paragraph).text).join(' / ')}`,
  );

describe('what a clipboard holds', () => {
  it('has italics and bold on any tag, whatever else its style says', () => {
    expect(
      looks("<p>a <i style='mso-bidi-font-style:normal'>b</i> c <b style='mso-bidi-font-weight:normal'>d</b></p>"),
    ).to.deep.equal(['b=em{}', 'd=strong{}']);
    expect(looks('<p>a <span style="color:#000;font-style:italic;font-weight:700">b</span></p>')).to.deep.equal([
      'b=em{"bold":true}',
    ]);
    expect(looks('<p style="font-style: italic">all <em style="font-style:normal">but</em> this</p>')).to.deep.equal([
      'all =em{}',
      ' this=em{}',
    ]);
  });

  it('takes a bold that is none around all of it for none', () => {
    expect(
      looks(
        '<b style="font-weight:normal;" id="g"><p><span style="font-weight:400">plain</span> <span style="font-weight:700">bold</span></p></b>',
      ),
    ).to.deep.equal(['bold=strong{}']);
  });

  it('has the notes of one word processor, foot and end', () => {
    const html = `<p class=MsoNormal>It rained.<a style='mso-footnote-id:ftn1' href="#_ftn1" name="_ftnref1" title=""><span
      class=MsoFootnoteReference><span style='mso-special-character:footnote'><![if !supportFootnotes]>[1]<![endif]></span></span></a> Then not.<a
      style='mso-endnote-id:edn1' href="#_edn1" name="_ednref1" title=""><span class=MsoEndnoteReference>[i]</span></a></p>
      <div style='mso-element:footnote-list'><br clear=all><hr align=left size=1 width="33%">
      <div style='mso-element:footnote' id=ftn1><p class=MsoFootnoteText><a style='mso-footnote-id:ftn1' href="#_ftnref1" name="_ftn1"
      title=""><span class=MsoFootnoteReference>[1]</span></a> All of June.</p><p class=MsoFootnoteText>And July.</p></div></div>
      <div style='mso-element:endnote-list'><hr><div style='mso-element:endnote' id=edn1><p class=MsoEndnoteText><a href="#_ednref1"
      name="_edn1">[i]</a> Or so they said.</p></div></div>`;
    expect(rows(html)).to.deep.equal(['TX: It rained.^ Then not.^']);
    expect(notes(html)).to.deep.equal(['footnote: All of June. / And July.', 'endnote: Or so they said.']);
  });

  it('has the notes of the other, and those of the web', () => {
    const other = `<p>It rained.<sup><a class="sdfootnoteanc" name="sdfootnote1anc" href="#sdfootnote1sym"><sup>1</sup></a></sup></p>
      <div id="sdfootnote1"><p class="sdfootnote"><a class="sdfootnotesym" name="sdfootnote1sym" href="#sdfootnote1anc">1</a>All of June.</p></div>`;
    expect(rows(other)).to.deep.equal(['TX: It rained.^']);
    expect(notes(other)).to.deep.equal(['footnote: All of June.']);
    const web = `<p><span>It rained.</span><sup><a href="#ftnt1" id="ftnt_ref1">[1]</a></sup></p><hr>
      <div><p><a href="#ftnt_ref1" id="ftnt1">[1]</a><span> All of June.</span></p></div>`;
    expect(rows(web)).to.deep.equal(['TX: It rained.^']);
    expect(notes(web)).to.deep.equal(['footnote: All of June.']);
    // Links of a contents list lead there and back as well, and are none.
    const list =
      '<p><a href="#c1" id="t1">Chapter One</a></p><h1><a href="#t1" id="c1">Chapter One</a></h1><p>Text.</p>';
    expect(notes(list)).to.deep.equal([]);
  });

  it('has lists of paragraphs with typed marks as lists, without the marks', () => {
    const item = (mark: string, level: number, words: string) =>
      `<p class=MsoListParagraphCxSpMiddle style='text-indent:-18.0pt;mso-list:l0 level${level} lfo1'><![if !supportLists]><span style='mso-list:Ignore'>${mark}<span style='font:7.0pt "x"'>&nbsp;&nbsp; </span></span><![endif]>${words}</p>`;
    expect(
      rows(`<p class=MsoNormal>Before</p>${item('1.', 1, 'Oars')}${item('·', 2, 'Long')}${item('2.', 1, 'Rope')}`),
    ).to.deep.equal(['TX: Before', 'LI0o: Oars', 'LI1u: Long', 'LI0o: Rope']);
  });

  it('maps styles of quotations by their names', () => {
    expect(
      rows('<p class=MsoQuote>So it was.</p><p class=MsoIntenseQuote>So it was not.</p><p class=MsoNormal>Text.</p>'),
    ).to.deep.equal(['EXT: So it was.', 'EXT: So it was not.', 'TX: Text.']);
  });

  it('leaves what is hidden, and words of controls, behind', () => {
    const html =
      '<p>Seen<span style="display:none">not</span>.</p><div hidden><p>Not.</p></div><form><p>In a form.</p><select><option>no</option></select><textarea>no</textarea></form>';
    expect(rows(html)).to.deep.equal(['TX: Seen.', 'TX: In a form.']);
  });

  it('is put in without faces, sizes and colours, where nobody asks for them', () => {
    const [block] = read('<p>a <span style="color:#c00;font-size:20pt;font-style:italic">b</span> c d e f g</p>')
      .blocks as Paragraph[];
    expect(hasHandLooks(block)).to.equal(true);
    expect(withoutHandLooks(block).kind === 'paragraph' && (withoutHandLooks(block) as Paragraph).spans).to.deep.equal([
      { from: 2, to: 3, style: 'em' },
    ]);
  });

  it('of five megabytes is read, and a broken one too', () => {
    const long = read('<p>word <i>word</i></p>'.repeat(230_000 / 10));
    expect(long.blocks).to.have.length(23_000);
    expect(rows('<p>a<b>b</p><p>c')).to.deep.equal(['TX: ab', 'TX: c']);
  });
});
