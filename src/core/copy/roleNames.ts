// Roles of divisions by what their heads say, in the languages that can be set.
import type { DivisionRole } from '../model/copy/roles';

const NAMES: readonly (readonly [DivisionRole, string])[] = [
  ['dedication', 'dedication|widmung|dédicace|dedicatoria'],
  ['epigraph', 'epigraphs?|motto|épigraphe|epígrafe'],
  ['also-by', '(?:also |other books |other works )by(?: .{2,60})?'],
  ['foreword', 'foreword|vorwort|avant-propos|prólogo del editor'],
  ['preface', 'preface|préface|prefacio'],
  ['acknowledgements', 'acknowledge?ments?|danksagung|dank|remerciements|agradecimientos'],
  ['introduction', 'introduction|einleitung|einführung|introducción'],
  [
    'note-on-text',
    "(?:a )?note on the text|(?:an )?(?:author|editor|translator)[’']s note|(?:a )?note (?:from|by) the (?:author|editor|translator)|note to the reader|(?:vor)?bemerkung(?:en)?|note de l[’']auteur|nota del autor|zu diesem text|note sur le texte",
  ],
  ['abbreviations', '(?:list of )?abbreviations|abkürzungen|abréviations|abreviaturas'],
  ['chronology', 'chronology|time ?line|chronologie|zeittafel|cronología'],
  ['prologue', 'prologue|prolog|prólogo'],
  ['interlude', 'interlude|zwischenspiel|intermède|interludio'],
  ['epilogue', 'epilogue|epilog|épilogue|epílogo'],
  ['afterword', 'afterword|nachwort|postface|epílogo del autor'],
  ['glossary', '(?:a )?(?:short )?glossary|glossar|glossaire|glosario'],
  [
    'bibliography',
    '(?:select(?:ed)? )?bibliography|further reading|works cited|literatur(?:verzeichnis)?|bibliographie|bibliografía',
  ],
  ['contributors', '(?:notes on )?(?:the )?contributors|beiträger|les auteurs|colaboradores'],
  ['notes', '(?:end ?)?notes|anmerkungen|notas'],
  ['credits', '(?:picture |illustration )?credits|bildnachweis|crédits|créditos'],
  ['about', 'about the authors?|über (?:den autor|die autorin)|l’auteur|sobre el autor'],
];

const PATTERNS = NAMES.map(([role, names]) => [role, new RegExp(`^(?:${names})[.:]?$`, 'iu')] as const);
const APPENDIX = /^((?:appendix|anhang|annexe|apéndice)(?:\s+(?:[A-Z]|\d{1,2}|[IVX]+))?)\s*(?:[:.–—-]\s*(.*))?$/iu;

/** The role of a division whose head has no number; undefined for one that its words do not tell. */
export function roleNamed(text: string): DivisionRole | undefined {
  const words = text.trim();
  if (APPENDIX.test(words)) return 'appendix';
  return PATTERNS.find(([, pattern]) => pattern.test(words))?.[0];
}

/** An appendix's number, such as `Appendix A`, and the offset of the title after it; null where nothing follows. */
export function appendixHead(text: string): { readonly number: string; readonly titleAt: number } | null {
  const found = APPENDIX.exec(text.trim());
  const title = found?.[2] ?? '';
  return found === null || title === '' ? null : { number: found[1], titleAt: text.lastIndexOf(title) };
}
