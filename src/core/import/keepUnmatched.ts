// Styles of a file that nothing of ours fits keep a tag of their own, and wait to be matched; they are set as text meanwhile.
import type { IncomingStyle, Manuscript } from '../model/copy/manuscript';
import { NOVEL_SPEC } from '../defaults/novelSpec';
import type { StyleTag } from '../model/copy/streams';
import { mapStyles } from './mapStyles';

/** Most letters of a tag made of a name. */
const LONGEST = 10;

/**
 * The manuscript with each of the styles `unmatched` under a tag made of its name. The one that sets most of the text, when nothing
 * is known to be text, is the text. Tags that a book of ours wrote into the file stay.
 */
export function keepUnmatched(manuscript: Manuscript, unmatched: ReadonlySet<string>): Manuscript {
  const isOurs = (tag: StyleTag) => Object.hasOwn(NOVEL_SPEC.styles, tag);
  if (unmatched.size === 0 && manuscript.styles.every(({ mappedTo }) => isOurs(mappedTo))) return manuscript;
  const body = bodyOf(manuscript.styles, unmatched);
  const taken = new Set<StyleTag>([...Object.keys(NOVEL_SPEC.styles), ...manuscript.styles.map((one) => one.mappedTo)]);
  const mapping: Record<string, StyleTag> = {};
  for (const { name, mappedTo } of manuscript.styles) {
    if (!unmatched.has(name) || name === body || mappedTo !== 'TX') continue;
    mapping[name] = tagOf(name, taken);
    taken.add(mapping[name]);
  }
  const mapped = mapStyles(manuscript, mapping);
  const styles = mapped.styles.map((style) => (isOurs(style.mappedTo) ? style : { ...style, waits: true }));
  const remarks = [...mapped.remarks];
  const tell = (what: string, why: string, told: readonly IncomingStyle[]) => {
    if (told.length > 0) remarks.push({ what, count: told.reduce((sum, { count }) => sum + count, 0), why });
  };
  tell(
    `Paragraphs of style “${body}” read as text`,
    'Most of the copy is set in it.',
    styles.filter(({ name }) => name === body),
  );
  tell(
    'Paragraphs in styles without a match',
    WAITS_WHY,
    styles.filter(({ waits }) => waits),
  );
  return { ...mapped, styles, remarks };
}

const WAITS_WHY =
  'Nothing of ours fits the name or look of their styles: these keep tags of their own, set as text until they are matched.';

/** The unmatched style with more paragraphs than all that is text by its name; undefined when there is none. */
function bodyOf(styles: readonly IncomingStyle[], unmatched: ReadonlySet<string>): string | undefined {
  const known = styles.filter(({ name, mappedTo }) => mappedTo === 'TX' && !unmatched.has(name));
  const text = known.reduce((sum, { count }) => sum + count, 0);
  const largest = styles
    .filter(({ name, mappedTo }) => unmatched.has(name) && mappedTo === 'TX')
    .reduce<IncomingStyle | undefined>(
      (best, one) => (best === undefined || one.count > best.count ? one : best),
      undefined,
    );
  return largest !== undefined && largest.count > text ? largest.name : undefined;
}

/** A tag of the letters and figures of a name, that no other style has: `SIDENOTE`, `SIDENOTE2`. */
function tagOf(name: string, taken: ReadonlySet<StyleTag>): StyleTag {
  const letters = name
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9]/g, '')
    .toUpperCase()
    .slice(0, LONGEST);
  const stem = letters === '' ? 'STYLE' : letters;
  for (let k = 1; ; k += 1) {
    const tag = k === 1 ? stem : `${stem}${k}`;
    if (!taken.has(tag)) return tag;
  }
}
