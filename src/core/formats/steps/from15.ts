// Format 16: what the press has for pictures, which in older books stay in the colours that they came in; and whether plates are counted, as they were.
import { part, withSpec, type Migration, type Plain } from '../plainBook';

export const from15: Migration = (book) => withSpec(book, 16, asFormat16);

/** A spec, or a part of one; what is laid over another spec stays as short as it is. */
export function asFormat16(spec: Plain): Plain {
  const [inks, folios] = [part(spec, 'inks'), part(spec, 'folios')];
  const hasInks = 'sets' in inks && !('pictures' in inks);
  const hasFolios = 'front' in folios && !('plates' in folios);
  return {
    ...spec,
    ...(hasInks ? { inks: { ...inks, pictures: { press: 'asis', tone: [0, 25, 50, 75, 100] } } } : {}),
    ...(hasFolios ? { folios: { ...folios, plates: 'counted' } } : {}),
  };
}
