export { COST } from './costs';
export {
  assembleBook,
  joinsPage,
  needsBlank,
  placeDivision,
  startSide,
  type AssembledBook,
  type AssembledPart,
} from './assembleBook';
export type { RunsByPage } from './folios';
export type { DivisionPage } from './divisionPage';
export type { FillMemory } from './fillMemory';
export { fillPages } from './fillPages';
export { EXACT, LIMITS } from './searchLimits';
export {
  depthOfWhole,
  isFloat,
  type BesideLines,
  type HungFigure,
  notesAt,
  sameInsertions,
  type CaptionParagraph,
  type SetRows,
  type SetText,
} from './flowParagraph';
export {
  makeFlow,
  type CutFault,
  type Flow,
  type FlowFloat,
  type FlowNote,
  type FlowParagraph,
  type Insertion,
  type NoteLayout,
  type PageWishes,
  type Variant,
} from './flow';
export type { Give, GiveKind } from './gives';
export type { PagePlan } from './pagePlan';
export { regionsOf, type PageShape, type Region, type RegionSequence } from './regions';
export { paginateDivision, type DivisionFlow, type OpenerSettings, type PaginateMemory } from './paginateDivision';
export { BESIDE_PICTURE } from './placePictures';
export { placeFurniture, type FurnishedPage, type FurnitureSource, type SlotLine } from './placeFurniture';
export { traceRegions, type FilledRegion, type Stretch } from './tracePages';
export type { Reason } from './reasons';
