// Format 17: the styles of tables, which older books set in one way; and what a person may say of rows, columns and cells.
import { part, withSpec, type Migration, type Plain } from '../plainBook';

export const from16: Migration = (book) => withSpec(book, 17, asFormat17);

const rule = (weight: number) => ({ weight, ink: null });

/** A whole spec; a part of one that is laid over another spec stays as short as it is. */
export function asFormat17(spec: Plain): Plain {
  if (!('sets' in part(spec, 'inks')) || 'tables' in spec) return spec;
  return {
    ...spec,
    tables: {
      TB: {
        name: 'Table',
        text: { head: 'TB', units: 'TB', body: 'TB', group: 'TB', total: 'TB' },
        rules: {
          ...{ top: rule(0.25), head: rule(0.25), body: rule(0) },
          ...{ group: rule(0), total: rule(0.25), foot: rule(0.25) },
        },
        ...{ clear: 4.5, between: 3, gap: 1.4, band: null, repeatHead: true, continued: 'continued' },
      },
    },
  };
}
