import { expect } from 'chai';
import { rankCommands, type Command } from '../../src/ui/frame/commands/rank';
import { SETTINGS } from '../../src/ui/frame/commands/settingList';

const command = (name: string, words = '', kind = 'Spec'): Command => ({ name, kind, words, run: () => undefined });
const names = (commands: readonly Command[], typed: string) => rankCommands(commands, typed).map(({ name }) => name);

describe('what is typed into the search', () => {
  const all = [
    command('Table of contents'),
    command('Tabs', 'tab stops'),
    command('Bleed: at the head', 'at the head bleed'),
    command('Head', 'head margin'),
    command('Tab'),
    command('A chapter’s last page'),
  ];

  it('finds the name itself first, then what begins so, then synonyms', () => {
    expect(names(all, 'tab')).to.deep.equal(['Tab', 'Table of contents', 'Tabs']);
    expect(names(all, 'bleed')).to.deep.equal(['Bleed: at the head']);
    expect(names(all, 'margin')).to.deep.equal(['Head']);
    expect(names(all, "chapter's last")).to.deep.equal(['A chapter’s last page']);
  });

  it('finds by words in any order, and by what a thing is; nothing for what nothing is called', () => {
    expect(names(all, 'stops tab')).to.deep.equal(['Tabs']);
    expect(names(all, 'head margin spec')).to.deep.equal(['Head']);
    expect(names(all, 'quince')).to.deep.equal([]);
    expect(names(all, '  ')).to.have.length(all.length);
  });

  it('knows settings by the words of the trade', () => {
    const settings = SETTINGS.map(({ label, words, group }) => command(`${group ?? ''} ${label}`.trim(), words));
    for (const [typed, wanted] of [
      ['bleed', 'Bleed At the head'],
      ['widows', 'Lines at a page’s head'],
      ['orphans', 'Lines at a page’s foot'],
      ['gutter', 'Margins Back'],
      ['drop cap', 'Drop capital'],
      ['smart quotes', 'House marks'],
      ['line spacing', 'Leading'],
      ['footnote rule', 'Above the notes'],
    ])
      expect(names(settings, typed)[0], typed).to.equal(wanted);
  });
});
