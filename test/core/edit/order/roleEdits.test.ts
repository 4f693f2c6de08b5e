import { expect } from 'chai';
import { applyEdits, placeBeside, setRoleEdits, moveForRole } from '../../../../src/core/edit';
import { invertEdits } from '../../../../src/core/edit/applyEdit';
import { makeBook, readManuscript } from '../../../../src/core/import';
import type { Book } from '../../../../src/core/model/copy/book';
import { drain } from '../../../build/assets';

const TEXT = 'It had been raining on the weir since the morning, and the ferry lay on the wrong side.';

const source = [
  '# Part One: The Rope',
  '# Low Water',
  TEXT,
  '# The Weir',
  TEXT,
  '# Part Two: The Weir',
  '# Landed',
  '*For Tam*',
].join('\n\n');
const plain: Book = makeBook(drain(readManuscript('b.md', new TextEncoder().encode(source))), {
  bookId: 'b1',
  fileName: 'b.md',
});
const names = (book: Book) =>
  book.divisions.map(({ role, blocks }) =>
    `${role} ${blocks[0]?.kind === 'paragraph' ? blocks[0].text.replace(/\uFFFC/g, '') : ''}`.trim(),
  );
const idOf = (book: Book, words: string) =>
  book.divisions.find(({ blocks }) => blocks.some((one) => one.kind === 'paragraph' && one.text === words))!.id;

describe('a changed role', () => {
  it('moves a division to where that role belongs, in its order, and dresses it', () => {
    const id = idOf(plain, 'Landed');
    const edits = setRoleEdits(plain, id, 'dedication');
    const after = applyEdits(plain, edits);
    const [dedication] = after.divisions.filter(({ role }) => role === 'dedication');
    expect(dedication).to.include({ id, matter: 'front', listed: false });
    expect(dedication.blocks.map(({ style }) => style)).to.deep.equal(['DED', 'DED']);
    expect(dedication.blocks.every((block) => block.kind === 'paragraph' && block.spans.length === 0)).to.equal(true);
    // After the imprint, before the contents.
    const roles = after.divisions.map(({ role }) => role);
    expect(roles.indexOf('dedication')).to.equal(roles.indexOf('imprint') + 1);
    expect(applyEdits(after, invertEdits(edits))).to.deep.equal(plain);
  });

  it('says how many parts it would go over, and leaves it there when that is not wanted', () => {
    const id = idOf(plain, 'Landed');
    expect(moveForRole(plain, id, 'preface')!.parts).to.equal(2);
    expect(moveForRole(plain, id, 'afterword')!.parts).to.equal(0);
    expect(moveForRole(plain, id, 'interlude')).to.equal(null);
    const left = applyEdits(plain, setRoleEdits(plain, id, 'preface', false));
    expect(names(left)).to.include('preface Landed');
    expect(left.divisions.findIndex((one) => one.id === id)).to.equal(
      plain.divisions.findIndex((one) => one.id === id),
    );
  });

  it('puts a prologue before the first part, an afterword behind the body', () => {
    const prologue = applyEdits(plain, setRoleEdits(plain, idOf(plain, 'Low Water'), 'prologue'));
    const body = prologue.divisions.filter(({ matter }) => matter === 'body');
    expect(body.map(({ role }) => role)).to.deep.equal(['prologue', 'part', 'chapter', 'part', 'chapter']);
    const afterword = applyEdits(plain, setRoleEdits(plain, idOf(plain, 'Low Water'), 'afterword'));
    expect(afterword.divisions[afterword.divisions.length - 1]).to.include({ role: 'afterword', matter: 'back' });
  });

  it('adds a division after the chosen one where its matter allows, else at the end of that matter', () => {
    const id = idOf(plain, 'Low Water');
    const at = plain.divisions.findIndex((one) => one.id === id);
    expect(placeBeside(plain, id, 'chapter')).to.deep.equal({ at: at + 1, isBeside: true });
    const body = plain.divisions.findIndex(({ matter }) => matter === 'body');
    expect(placeBeside(plain, id, 'preface')).to.deep.equal({ at: body, isBeside: false });
    expect(placeBeside(plain, id, 'index')).to.deep.equal({ at: plain.divisions.length, isBeside: false });
  });
});
