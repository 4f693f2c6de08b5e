// The checks of searched pages and of the whole book, by the kind of what they find; those of paragraphs and pages are in `proof`.
// The records are exhaustive: a kind of `model/checks` without its runner does not compile.
import type { KindsOf } from '../../proof';
import { MOST_PASSES } from '../settleReferences';
import { placeless, type BookRunner } from './bookFacts';
import { dummies } from './dummyFindings';
import { folios } from './folioFindings';
import { emptyNotes, lostNotes, notesAlike, notesOfNoKind, placelessNotes } from './noteFindings';
import { typedNumbers } from './numberFindings';
import { cutHeads, emptyMarks, goneTargets, idleRules, lostTouches, titles } from './orderFindings';
import { deepTitle, displayOverflow, gives, type SearchRunner } from './searchFindings';
import { styles } from './styleFindings';
import { tables } from './tableFindings';

const unsettled: BookRunner = ({ isSettled }) => {
  const message = `Page numbers and the text that repeats them did not settle in ${MOST_PASSES} passes.`;
  return isSettled ? [] : [{ ...placeless(''), kind: 'unsettled', message }];
};

const smallArea: BookRunner = ({ compose }) => {
  const message = 'The margins leave a single line of text on a page.';
  return compose.geometry.lines === 1 ? [{ ...placeless(''), kind: 'text-area-too-small', message }] : [];
};

export const SEARCH_RUNNERS: Readonly<Record<KindsOf<'search'>, SearchRunner>> = {
  orphan: gives,
  widow: gives,
  'stranded-head': gives,
  'break-at-page-top': gives,
  parted: gives,
  'head-low': gives,
  'line-by-break': gives,
  'pages-unweighed': gives,
  'uneven-pages': gives,
  'spread-depth': gives,
  'line-count': gives,
  'space-given': gives,
  'hyphen-over-recto': gives,
  'short-last-page': gives,
  'picture-over': gives,
  'figure-late': gives,
  'note-divided': gives,
  'note-late': gives,
  'display-page-overflow': displayOverflow,
  'title-below-text-start': deepTitle,
};

export const BOOK_RUNNERS: Readonly<Record<KindsOf<'book'>, BookRunner>> = {
  'leading-replaced': styles,
  'face-missing': styles,
  'small-capitals-scaled': styles,
  'head-too-long': cutHeads,
  'title-empty': titles,
  'title-very-long': titles,
  'dummy-copy': dummies,
  'number-typed': typedNumbers,
  'contents-empty': titles,
  'table-narrow': tables,
  'table-as-text': tables,
  'touch-lost': lostTouches,
  'target-gone': goneTargets,
  'index-mark': emptyMarks,
  'spot-rule': idleRules,
  'note-empty': emptyNotes,
  'note-without-reference': lostNotes,
  'note-kind-gone': notesOfNoKind,
  'notes-nowhere': placelessNotes,
  'notes-alike': notesAlike,
  'folio-parity': folios,
  'folio-twice': folios,
  'folio-gap': folios,
  unsettled,
  'text-area-too-small': smallArea,
};
