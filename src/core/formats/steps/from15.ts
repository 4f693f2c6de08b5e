// Format 16: what the press has for pictures. Those of older books stay in the colours that they came in.
import { part, withSpec, type Migration, type Plain } from '../plainBook';

export const from15: Migration = (book) => withSpec(book, 16, asFormat16);

/** A spec, or a part of one; what is laid over another spec stays as short as it is. */
export function asFormat16(spec: Plain): Plain {
  const inks = part(spec, 'inks');
  if (!('sets' in inks) || 'pictures' in inks) return spec;
  return { ...spec, inks: { ...inks, pictures: { press: 'asis', tone: [0, 25, 50, 75, 100] } } };
}
