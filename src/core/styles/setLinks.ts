// The links of a paragraph over its set text: addresses, cross-references, signs of notes, and what is given with it.
import { nameOfLink } from '../copy/places';
import type { LinkTarget, TextLink } from '../model/composed/links';
import type { Paragraph } from '../model/copy/streams';
import { makeSourceToSet, type SetText } from './looks';

/** Addresses that a reader may be led to. */
const isAddress = (link: string | undefined): link is string =>
  link !== undefined && /^(?:https?:|mailto:)/i.test(link);

/** Where a span leads; undefined: nowhere. */
function targetOf(link: string | undefined): LinkTarget | undefined {
  const name = nameOfLink(link);
  if (name !== undefined) return { kind: 'name', name };
  return isAddress(link) ? { kind: 'address', address: link } : undefined;
}

/** `given`: over the source. Undefined where nothing leads anywhere, which is nearly everywhere. */
export function setLinks(
  set: SetText,
  { spans }: Paragraph,
  prefixLinks: readonly TextLink[],
  given: readonly TextLink[],
): readonly TextLink[] | undefined {
  const linked = spans.flatMap(({ from, to, link }) => {
    const target = targetOf(link);
    return target === undefined ? [] : [{ from, to, target }];
  });
  const { notes, targets } = set;
  if (linked.length + notes.length + targets.length + prefixLinks.length + given.length === 0) return undefined;
  const toSet = makeSourceToSet(set);
  const overSource = (from: number, to: number) => ({ from: toSet(from), to: to === Infinity ? to : toSet(to) });
  return [
    ...prefixLinks,
    ...linked.map(({ from, to, target }) => ({ ...overSource(from, to), target })),
    ...targets,
    ...notes.map(({ at, to, note }) => ({ from: at, to, target: { kind: 'note' as const, note } })),
    ...given.map(({ from, to, target }) => ({ ...overSource(from, to), target })),
  ];
}
