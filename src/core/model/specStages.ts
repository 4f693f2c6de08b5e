// The first stage that a change of each spec property touches: everything before it is taken from the cache. A test per
// property holds this table against what is really done again.

/** Shape: glyphs again. Break: lines again. Page: pages again. Paint: only what is drawn. None: nothing at all. */
export type FirstStage = 'shape' | 'break' | 'page' | 'paint' | 'none';

export const SPEC_STAGES: Readonly<Record<string, FirstStage>> = {
  name: 'none',
  'page.trim.width': 'break',
  'page.trim.height': 'page',
  'page.margins.head': 'page',
  'page.margins.foot': 'page',
  'page.margins.back': 'break',
  'page.margins.foreEdge': 'break',
  'text.face': 'shape',
  'text.size': 'break',
  'text.leading': 'break',
  'text.setting': 'break',
  'text.indent': 'break',
  'text.wordSpace': 'break',
  'text.hyphenation.on': 'break',
  'text.hyphenation.smallestWord': 'break',
  'text.hyphenation.before': 'break',
  'text.hyphenation.after': 'break',
  'text.hyphenation.running': 'break',
  'text.lastLine': 'break',
  'text.glyphPlay': 'break',
  'text.opticalMargins': 'break',
  'openers.sink': 'page',
  'openers.textStart': 'page',
  'openers.chaptersStart': 'page',
  'furniture.verso': 'paint',
  'furniture.recto': 'paint',
  'furniture.dropFolio': 'paint',
  'folios.front': 'paint',
};

/** The same for the properties of a paragraph style. */
export const STYLE_STAGES: Readonly<Record<string, FirstStage>> = {
  name: 'none',
  basedOn: 'shape',
  meaning: 'break',
  face: 'shape',
  size: 'break',
  leading: 'break',
  weight: 'shape',
  italic: 'shape',
  caps: 'shape',
  tracking: 'shape',
  align: 'break',
  firstIndent: 'break',
  leftIndent: 'break',
  rightIndent: 'break',
  above: 'break',
  below: 'break',
  hyphenate: 'break',
  withNext: 'break',
  atFoot: 'break',
};
