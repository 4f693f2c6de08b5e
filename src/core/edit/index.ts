export { addDivisionsEdits } from './order/addDivisions';
export { editsBetweenBooks } from './bookDiff';
export { replaceCopy, type ReplacedCopy } from './copy/replaceCopy';
export { mergeDivisionEdits, splitDivisionEdits } from './order/divisions';
export { fallbackFaceEdits, type CharacterPlace } from './styles/fallbackFace';
export {
  countDummyCopy,
  dropDummyCopyEdits,
  fillBookEdits,
  fillDivisionEdits,
  MOST_DUMMY_CHAPTERS,
  MOST_DUMMY_PAGES,
  type DummyCount,
} from './copy/dummyCopy';
export { insertBlocksEdits, type IncomingBlocks } from './copy/insertBlocks';
export { rangeCharacterEdits, replaceRangeEdits } from './copy/textRange';
export { mergeParagraphsEdit } from './copy/mergeParagraphs';
export { appendPartEdit, dropPartEdit, setFigureEdit } from './copy/figureEdits';
export { recordsOf, renumbered, renumberedFigure, type RecordsOf, type Renumbered, type TakeId } from './copy/renumber';
export { restyleEdits } from './styles/restyle';
export {
  circleOf,
  characterUsesOf,
  countPattern,
  freeName,
  freeTag,
  heirsOf,
  isBuiltIn,
  tagFault,
  usesOf,
} from './styles/styleFacts';
export {
  clearTouchesEdits,
  lessonFrom,
  localTouchesOf,
  styleFromEdits,
  teachEdits,
  withLookChange,
  type Lesson,
  type LocalTouch,
} from './styles/localTouches';
export { withFamilyCalled } from './styles/familyCalled';
export { clampedSizes, replaceFaceEdits } from './styles/replaceFace';
export { styleSheetBook } from './styles/styleSheetBook';
export { mergeCharacterStyleEdits, mergeStyleEdits, retagStyleEdits } from './styles/mergeStyles';
export { countStyles, doneWaitingEdits, newStyleEdits } from './styles/styleEdits';
export { applyEdit, applyEdits, invertEdit, invertEdits } from './applyEdit';
export { languageEdits } from './languageEdits';
export { ebookPageEdits } from './order/ebookPage';
export { setParticularsEdit, setSpecEdit, specValue } from './makeEdits';
export { findParagraph, setTouchesEdit } from './copy/touches';
export { dropPageTouch, repairEdits } from './repairEdits';
export {
  addDivisionOfRole,
  layoutEdits,
  moveDivisionEdits,
  removeDivisionEdit,
  setDivisionEdit,
} from './order/runningOrder';
export {
  dropSectionEdits,
  sectionFurnitureEdits,
  sectionRunEdits,
  sectionStartEdits,
  type FirstPageFurniture,
} from './order/sectionEdits';
export { dropTypedNumbersEdits, typedInHeads } from './copy/typedNumbers';
export { dressHandbook } from './order/dressHandbook';
export {
  addNoteEdits,
  afterWord,
  convertNotesEdits,
  dropKindEdits,
  notesDivisionEdits,
  notesOfKind,
  removeNoteEdit,
} from './copy/noteEdits';
export { placeMarksEdits, type MarkPlace } from './copy/placeIndexMarks';
export { placeOfRole } from '../copy/placeOfRole';
export { moveForRole, placeBeside, setRoleEdits, type RoleMove } from './order/roleEdits';
export { mergeCopy, type MergedCopy } from './merge/mergeCopy';
export { takeNextFile, type NextFile } from './merge/nextFile';
export { conflictEdits, conflictStand, type ConflictSide } from './merge/conflicts';
export { divideAt, isDivisionTitle, joinAt } from './order/divideAt';
export { originOf, valueOf } from '../model/spec/inheritance';
