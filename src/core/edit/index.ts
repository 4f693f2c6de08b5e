export { addDivisionsEdits } from './addDivisions';
export { editsBetweenBooks } from './bookDiff';
export { replaceCopy, type ReplacedCopy } from './replaceCopy';
export { mergeDivisionEdits, splitDivisionEdits } from './divisions';
export { fallbackFaceEdits, type CharacterPlace } from './fallbackFace';
export { dummyCopy } from './dummyCopy';
export { insertBlocksEdits, type IncomingBlocks } from './insertBlocks';
export { rangeCharacterEdits, replaceRangeEdits } from './textRange';
export { mergeParagraphsEdit } from './mergeParagraphs';
export { renumbered, type Renumbered, type TakeId } from './renumber';
export { restyleEdits } from './restyle';
export {
  circleOf,
  characterUsesOf,
  freeName,
  freeTag,
  heirsOf,
  isBuiltIn,
  originOf,
  tagFault,
  usesOf,
  valueOf,
} from './styleFacts';
export {
  clearTouchesEdits,
  lessonFrom,
  localTouchesOf,
  teachEdits,
  withLookChange,
  type Lesson,
  type LocalTouch,
} from './localTouches';
export { clampedSizes, replaceFaceEdits } from './replaceFace';
export { styleSheetBook } from './styleSheetBook';
export { mergeCharacterStyleEdits, mergeStyleEdits, retagStyleEdits } from './mergeStyles';
export { countStyles, doneWaitingEdits, newStyleEdits } from './styleEdits';
export { applyEdit, applyEdits, invertEdit, invertEdits } from './applyEdit';
export { setParticularsEdit, setSpecEdit, specValue } from './makeEdits';
export { mapPosition } from './positionMap';
export { findParagraph, setTouchesEdit } from './touches';
export {
  addDivisionOfRole,
  layoutEdits,
  moveDivisionEdits,
  placeOfRole,
  removeDivisionEdit,
  setDivisionEdit,
} from './runningOrder';
export { dropTypedNumbersEdits, typedNumbers } from './typedNumbers';
export { dressHandbook } from './dressHandbook';
export {
  addNoteEdits,
  afterWord,
  convertNotesEdits,
  dropKindEdits,
  notesDivisionEdits,
  notesOfKind,
  removeNoteEdit,
} from './noteEdits';
export { placeMarksEdits, type MarkPlace } from './placeIndexMarks';
