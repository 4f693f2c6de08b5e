// The nodes of the paragraph search in typed arrays that serve one paragraph after another.

/** Classes of how a line is stretched, and counts of hyphens running that are told apart. */
const FITNESS_CLASSES = 4;
export const HYPHEN_STATES = 4;
export const CLASSES = FITNESS_CLASSES * HYPHEN_STATES;

export interface NodeArrays {
  place: Int32Array;
  fitness: Uint8Array;
  hyphens: Uint8Array;
  line: Int32Array;
  previous: Int32Array;
  demerits: Float64Array;
}

const makeNodes = (size: number): NodeArrays => ({
  place: new Int32Array(size),
  fitness: new Uint8Array(size),
  hyphens: new Uint8Array(size),
  line: new Int32Array(size),
  previous: new Int32Array(size),
  demerits: new Float64Array(size),
});

/** One set of arrays serves all searches, which run one after another. */
let nodeScratch = makeNodes(4096);
export const bestScratch = { demerits: new Float64Array(CLASSES * 8), from: new Int32Array(CLASSES * 8) };

export function nodesFor(size: number): NodeArrays {
  if (nodeScratch.place.length < size) nodeScratch = makeNodes(size * 2);
  return nodeScratch;
}
