import { expect } from 'chai';
import { titleStarts } from '../../../src/core/styles/titleCase';

/** The text with the letters that a title has as capitals. */
const titled = (text: string, language = 'en') => {
  const letters = [...text];
  for (const at of titleStarts(text, language)) letters[at] = letters[at].toUpperCase();
  return letters.join('');
};

describe('title case', () => {
  for (const [typed, set] of [
    ['the last boat down', 'The Last Boat Down'],
    ['a song for rowing down the river', 'A Song for Rowing Down the River'],
    ['what it is of', 'What It Is Of'],
    ['low water: an account', 'Low Water: An Account'],
    ['is it over? a question', 'Is It Over? A Question'],
    ['harl’s boat', 'Harl’s Boat'],
    ['Chapter THE last', 'Chapter THE Last'],
    ['1939 and after', '1939 and After'],
    ['', ''],
  ])
    it(`sets “${typed}” as “${set}”`, () => expect(titled(typed)).to.equal(set));

  it('begins with one capital in other languages', () => {
    expect(titled('les marées de la rivière', 'fr')).to.equal('Les marées de la rivière');
    expect(titled('el último barco', 'es')).to.equal('El último barco');
    expect(titled('der letzte Kahn', 'de')).to.equal('Der letzte Kahn');
    expect(titled('the last boat', 'en-GB')).to.equal('The Last Boat');
  });
});
