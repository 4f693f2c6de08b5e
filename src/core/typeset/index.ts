export { addPatterns, createTypesetContext, type TypesetContext } from './context';
export { needsOf, type Needs } from './facesNeeded';
export { displayPage } from './renderContext';
export { heldStarts, movedPages, tellMoved, type HeldStarts } from './hold';
export { paragraphFacts } from './paragraphFacts';
export { qualityOf } from './qualityOf';
export { typesetBook } from './typesetBook';
export { typesetReach, type TypesetReach } from './typesetReach';
export { writePressPdf } from './writePress';
