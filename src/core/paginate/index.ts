export { assembleBook, startSide, toRoman, type AssembledBook } from './assembleBook';
export { fillPages, type FilledPage, type FillSettings } from './fillPages';
export { BREAK_FAULT, makeFlow, type Flow, type FlowNote, type FlowParagraph } from './flow';
export {
  isDisplayRole,
  paginateDivision,
  type DivisionFlow,
  type DivisionPage,
  type OpenerSettings,
} from './paginateDivision';
export { placeFurniture, type FurnitureSource } from './placeFurniture';
