// Quotes of all languages, nested and beside elisions: what an author types, and what is set. Fixed spaces are drawn as `_`.
import { expect } from 'chai';
import fc from 'fast-check';
import { houseMarks } from '../../../src/core/looks/houseMarks';
import { setText } from './setText';

const set = (text: string, language: string) => setText(text, 'language', language);

type Case = readonly [language: string, typed: string, wanted: string];

const NESTED: readonly Case[] = [
  ['en', '‘Go,’ she said, ‘the “Heron” is in.’', '“Go,” she said, “the ‘Heron’ is in.”'],
  ['en', '“He said, ‘Go,’ and went.”', '“He said, ‘Go,’ and went.”'],
  ['en', '"He said, \'Go,\' and went."', '“He said, ‘Go,’ and went.”'],
  ['en', '„Baut höher“, he read.', '“Baut höher”, he read.'],
  ['en', '‚Baut höher‘, he read.', '“Baut höher”, he read.'],
  ['en', '«Go», she said, «the “Heron”».', '“Go”, she said, “the ‘Heron’_”.'],
  ['en', '»Go«, she said.', '“Go”, she said.'],
  ['en-GB', '“Go,” she said, “the ‘Heron’ is in.”', '‘Go,’ she said, ‘the “Heron” is in.’'],
  ['de', '„Er sagte: ‚Geh‘, und ging.“', '„Er sagte: ‚Geh‘, und ging.“'],
  ['de', '"Er sagte: \'Geh\', und ging."', '„Er sagte: ‚Geh‘, und ging.“'],
  ['de', '»Er sagte: ›Geh‹, und ging.«', '„Er sagte: ‚Geh‘, und ging.“'],
  ['de', '“Geh”, sagte sie.', '„Geh“, sagte sie.'],
  ['de', '‚Baut höher‘, las er.', '„Baut höher“, las er.'],
  ['da', '"Gå," sagde hun, "til \'Hejren\'."', '»Gå,« sagde hun, »til ›Hejren‹.«'],
  ['da', '»Gå,« sagde hun.', '»Gå,« sagde hun.'],
  ['sv', '"Gå", sade hon, "till \'Hägern\'."', '”Gå”, sade hon, ”till ’Hägern’.”'],
  ['sv', '”Gå till ’Hägern’”, sade hon.', '”Gå till ’Hägern’_”, sade hon.'],
  ['fi', '”Mene”, hän sanoi.', '”Mene”, hän sanoi.'],
  ['fr', '« Il dit : “Va”, et partit. »', '«_Il dit_: “Va”, et partit._»'],
  ['fr', '"Il dit \'va\'."', '«_Il dit “va”._»'],
  ['it', '"Va" disse, "alla \'Gru\'".', '«Va» disse, «alla “Gru”».'],
  ['es', '“Ve”, dijo, “a la ‘Garza’”.', '«Ve», dijo, «a la “Garza”».'],
  ['ru', '"Иди", сказала она.', '«Иди», сказала она.'],
  ['ru', '«Иди в „Цаплю“», сказала она.', '«Иди в „Цаплю“», сказала она.'],
  ['pl', '„Idź do ‚Czapli’”, rzekła.', '„Idź do ‚Czapli’_”, rzekła.'],
  ['pl', '"Idź", rzekła.', '„Idź”, rzekła.'],
  ['hu', '„Menj”, mondta.', '„Menj”, mondta.'],
  ['ro', '„Du-te”, zise.', '„Du-te”, zise.'],
  ['cs', '„Jdi k ‚Volavce‘“, řekla.', '„Jdi k ‚Volavce‘_“, řekla.'],
  ['nl', '‘Ga,’ zei ze.', '“Ga,” zei ze.'],
];

const ELISIONS: readonly Case[] = [
  ['en', "It's the boys' boat, 'tis said, of the '90s.", 'It’s the boys’ boat, ’tis said, of the ’90s.'],
  ['en', '‘It was the boys’ boat,’ he said.', '“It was the boys’ boat,” he said.'],
  ['en', '‘the boys’ and ‘the girls’', '“the boys” and “the girls”'],
  ['en', "'The dogs' tails,' he said.", '“The dogs’ tails,” he said.'],
  ['en', "Rock ’n’ roll, and rock 'n' roll.", 'Rock ’n’ roll, and rock ’n’ roll.'],
  ['en', '‘’Tis so,’ he said.', '“_’Tis so,” he said.'],
  ['en', 'Hab’ Geduld, said the gate.', 'Hab’ Geduld, said the gate.'],
  ['de', '‚Baut höher‘, und hab’ Geduld.', '„Baut höher“, und hab’ Geduld.'],
  ['de', '‚Ich hab’ Geduld‘, sagte er.', '„Ich hab’ Geduld“, sagte er.'],
  ['de', '„Ich hab’s, und Hans’ Buch“, sagte er.', '„Ich hab’s, und Hans’ Buch“, sagte er.'],
  ['de', '’s ist nichts, sagte er.', '’s ist nichts, sagte er.'],
  ['fr', "l'arbre qu'\"il\" voit aujourd'hui", 'l’arbre qu’«_il_» voit aujourd’hui'],
  ['it', "un po' d'acqua, l'\"uomo\"", 'un po’ d’acqua, l’«uomo»'],
  ['sv', 'Lars’ bok', 'Lars’ bok'],
];

describe('quotes', () => {
  for (const [language, typed, wanted] of NESTED)
    it(`of ${language}, nested: ${typed}`, () => expect(set(typed, language)).to.equal(wanted));
  for (const [language, typed, wanted] of ELISIONS)
    it(`beside elisions, ${language}: ${typed}`, () => expect(set(typed, language)).to.equal(wanted));

  it('once set, are set the same again', () => {
    for (const [language, , wanted] of [...NESTED, ...ELISIONS]) {
      if (wanted.includes('_')) continue;
      expect(set(wanted, language), `${language}: ${wanted}`).to.equal(wanted);
    }
  });
});

describe('points of French', () => {
  it('are closed, and stand close to the word before them', () => {
    expect(set('« Neuf... non »', 'fr')).to.equal('«_Neuf… non_»');
    expect(set('Neuf ... non', 'fr')).to.equal('Neuf… non');
    expect(set('« … et non »', 'fr')).to.equal('«_… et non_»');
  });
});

describe('words of machines', () => {
  const KEPT = [
    'run falcot --create-user "x" now',
    'in /etc/falcot/vpn--old/server...conf there',
    'write to first--last@saltmarket.example soon',
    "C:\\Falcot\\a--b\\it's.ini",
    'the snake_case--name of it',
    'version 2.0--beta1, or 10.0.0-12',
  ];
  for (const typed of KEPT)
    it(`are set as typed: ${typed}`, () => {
      const words = typed.split(' ').filter((word) => /[/_@\\]|^--|\d\.\d/.test(word));
      const made = set(typed, 'en');
      for (const word of words) expect(made).to.contain(word.replace(/,$/, ''));
    });

  it('do not keep the text beside them from its marks', () => {
    expect(set('She ran "falcot --help" -- then left...', 'en')).to.equal('She ran “falcot --help”—then left_._._.');
    expect(set("and/or it's, pages 3-4/5-6", 'en')).to.contain('and/or it’s');
    expect(set('He waited --and then-- he left', 'en')).to.equal('He waited —and then— he left'.replace(/ —|— /g, '—'));
    expect(set('from 3.30-4.15', 'en')).to.equal('from 3.30–4.15');
  });

  it('are all that code is, whatever stands in it', () => {
    const text = 'type a -- "b"... 1-2 here';
    const { edits } = houseMarks(text, 'us', 'en', [{ from: 5, to: 20 }]);
    expect(edits).to.deep.equal([]);
  });

  it('change no letter of any text', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('--', '/a', '.b', "'", '"', '‚', '‘', '’', ' ', 'x', '@', '_')), (parts) => {
        const text = parts.join('');
        const letters = (of: string) => of.replace(/[^a-z@/]/g, '');
        expect(letters(set(text, 'en'))).to.equal(letters(text));
      }),
    );
  });
});
