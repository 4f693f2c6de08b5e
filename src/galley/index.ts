export { CopySerializer, keyOfFigure, pastedFigure, type CopiedFrom } from './clipboard';
export { nameChanged, replaceBlocksEdit, type Naming, type RecordKind, type RecordsMoved } from './changes';
export { conversions, toBlock, toDocument, toNode } from './convert';
export { adoptBlocks, EXTERNAL, externalTransaction } from './external';
export { placeAt, positionOf, type BlockPlace } from './positions';
export { paragraphAttributes, schema, TOUCH_MARKS, type ParagraphAttributes } from './schema';
export { blockWords, cutStretches, followStretches, MOST_WORDS, type Stretch } from './stretches';
