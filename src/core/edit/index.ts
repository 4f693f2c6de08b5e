export { restyleEdits } from './restyle';
export { applyEdit, applyEdits, invertEdit, invertEdits } from './applyEdit';
export { setParticularsEdit, setSpecEdit, specValue } from './makeEdits';
export { mapPosition } from './positionMap';
export { findParagraph, setTouchesEdit } from './touches';
