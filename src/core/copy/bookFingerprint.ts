// Tells a book from another state of it by what its products are made of. Parts that an edit left alone are not read again.
import { fingerprint } from '../base/hash';
import type { Book } from '../model/copy/book';

const known = new WeakMap<object, string>();

function ofPart(part: object): string {
  let found = known.get(part);
  if (found === undefined) known.set(part, (found = fingerprint(JSON.stringify(part))));
  return found;
}

/** 32 hexadecimal digits, the same for books that say and look the same; ids of the book and of its next parts left out. */
export function bookFingerprint({ particulars, spec, divisions, notes, figures, anchors, pageTouches }: Book): string {
  const parts = [
    particulars,
    spec,
    ...divisions,
    ...Object.values(notes),
    ...Object.values(figures),
    anchors,
    pageTouches,
  ];
  return fingerprint(parts.map(ofPart).join(' '));
}
