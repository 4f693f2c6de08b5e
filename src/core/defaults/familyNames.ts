// Names and kinds of the families that ship, as they are shown.
import { table } from '../base/table';
import type { FaceKind } from '../model/spec/faces';

export const FAMILY_NAMES: Readonly<Record<string, string>> = table({
  'eb-garamond': 'EB Garamond',
  'source-serif-4': 'Source Serif 4',
  spectral: 'Spectral',
  alegreya: 'Alegreya',
  'crimson-pro': 'Crimson Pro',
  'libre-caslon-text': 'Libre Caslon Text',
  'source-sans-3': 'Source Sans 3',
});

export const FAMILY_KINDS: Readonly<Record<string, FaceKind>> = table({
  'eb-garamond': 'oldstyle',
  'source-serif-4': 'transitional',
  spectral: 'transitional',
  alegreya: 'oldstyle',
  'crimson-pro': 'oldstyle',
  'libre-caslon-text': 'oldstyle',
  'source-sans-3': 'sans',
  'source-code-pro': 'mono',
});
