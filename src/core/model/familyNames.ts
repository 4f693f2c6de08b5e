// Names of the families that ship, as they are shown.
export const FAMILY_NAMES: Readonly<Record<string, string>> = {
  'eb-garamond': 'EB Garamond',
  'source-serif-4': 'Source Serif 4',
  spectral: 'Spectral',
  alegreya: 'Alegreya',
  'crimson-pro': 'Crimson Pro',
  'libre-caslon-text': 'Libre Caslon Text',
  'source-sans-3': 'Source Sans 3',
};
