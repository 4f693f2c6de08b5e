export { COST } from './costs';
export { assembleBook, placeDivision, startSide, toRoman, type AssembledBook } from './assembleBook';
export { fillPages, type FillMemory } from './fillPages';
export { EXACT } from './searchLimits';
export {
  makeFlow,
  type CutFault,
  type Flow,
  type FlowFloat,
  type FlowNote,
  type FlowParagraph,
  type PageWishes,
  type Variant,
} from './flow';
export type { Give, GiveKind } from './gives';
export type { PagePlan } from './pagePlan';
export {
  isDisplayRole,
  paginateDivision,
  type DivisionFlow,
  type DivisionPage,
  type OpenerSettings,
  type PaginateMemory,
} from './paginateDivision';
export { placeFurniture, type FurnitureSource } from './placeFurniture';
export { traceRegions, type FilledRegion, type Stretch } from './tracePages';
export type { Reason } from './reasons';
