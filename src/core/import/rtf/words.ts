// Words of RTF that stand for characters, and groups whose words are no text of the document (RTF 1.9.1).

import { table } from '../../base/table';
/** Groups whose words are no text of the document. */
export const SKIPPED = new Set(
  (
    'listtable listoverridetable revtbl rsidtbl generator xmlnstbl themedata colorschememapping latentstyles datastore ' +
    'header headerl headerr headerf footer footerl footerr footerf pntxta pntxtb nonshppict objdata bkmkend ' +
    'filetbl stylerestrictions ftnsep ftnsepc ftncn aftnsep aftnsepc aftncn pgptbl mmathPr fldinst pict info stylesheet shpinst sp sn sv ' +
    'background falt panose listname listlevel leveltext levelnumbers userprops xe tc'
  ).split(' '),
);

export const CHARACTERS: Readonly<Record<string, string>> = table({
  emdash: '—',
  endash: '–',
  lquote: '‘',
  rquote: '’',
  ldblquote: '“',
  rdblquote: '”',
  bullet: '•',
  emspace: '\u2003',
  enspace: '\u2002',
  qmspace: '\u2005',
  zwj: '\u200D',
  zwnj: '\u200C',
});
export const SYMBOLS: Readonly<Record<string, string>> = table({
  '~': '\u00A0',
  '-': '\u00AD',
  _: '\u2011',
  '\\': '\\',
  '{': '{',
  '}': '}',
});
