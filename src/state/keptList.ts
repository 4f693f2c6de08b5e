// Lists of things kept by name for all books of this browser: searches, mappings.
import Joi from 'joi';
import type { AppThunk } from './store';

interface Named {
  readonly name: string;
}

/** How a list is read and changed; every thunk answers the list as it is then. */
export interface KeptList<T extends Named> {
  /** What cannot be read is an empty list. */
  readonly read: () => AppThunk<Promise<readonly T[]>>;
  /** One of the same name gives way. */
  readonly keep: (one: T) => AppThunk<Promise<readonly T[]>>;
  readonly drop: (name: string) => AppThunk<Promise<readonly T[]>>;
}

/** The list under a key of the settings; `keys` is the schema of what stands beside the name. */
export function keptList<T extends Named>(setting: string, keys: Joi.SchemaMap): KeptList<T> {
  const schema = Joi.array().items(Joi.object({ name: Joi.string().max(80).required(), ...keys }));
  const read: KeptList<T>['read'] =
    () =>
    async (_dispatch, _getState, { repository }) => {
      const { value, error } = schema.validate((await repository.setting(setting)) ?? []);
      return error === undefined ? (value as T[]) : [];
    };
  const change =
    (to: (kept: readonly T[]) => readonly T[]): AppThunk<Promise<readonly T[]>> =>
    async (dispatch, _getState, { repository }) => {
      const next = [...to(await dispatch(read()))].sort((a, b) => (a.name < b.name ? -1 : 1));
      await repository.keepSetting(setting, next);
      return next;
    };
  return {
    read,
    keep: (one) => change((kept) => [...kept.filter(({ name }) => name !== one.name), one]),
    drop: (name) => change((kept) => kept.filter((one) => one.name !== name)),
  };
}
