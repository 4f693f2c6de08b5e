// The errors that core throws. Every one has a code, because across a worker only name, message and code survive.

/** A pattern that cannot be matched in one pass: it is run where it can be ended. */
export class NotLinearError extends Error {
  readonly code = 'not-linear';
}

/** A caller broke the contract of a function: a fault of ours, never of a person or a file. */
export class InvariantError extends Error {
  readonly code = 'invariant';
  constructor(what: string) {
    super(`Broken invariant: ${what}`);
    this.name = 'InvariantError';
  }
}

export type ImportErrorCode =
  | 'empty'
  | 'not-a-document'
  | 'truncated'
  | 'too-large'
  | 'not-text'
  | 'unknown-kind'
  | 'newer-format'
  | 'damaged'
  | 'locked';

/** A file that cannot be read. `message` is one sentence for the person; `position` says where in the file, if known. */
export class ImportError extends Error {
  constructor(
    readonly code: ImportErrorCode,
    message: string,
    readonly position?: string,
  ) {
    super(message);
    this.name = 'ImportError';
  }
}

/** A value from a person or a file that a spec, a field or an option cannot take. `path` names the key. */
export class ValueError extends Error {
  readonly code = 'value';
  constructor(
    readonly path: string,
    message: string,
  ) {
    super(message);
    this.name = 'ValueError';
  }
}

/** Throws InvariantError unless `condition` holds; `what` states the rule that was broken. */
export function invariant(condition: unknown, what: string): asserts condition {
  if (!condition) throw new InvariantError(what);
}

/** Marks the end of an exhaustive branch: the compiler rejects a case that was forgotten. */
export function unreachable(value: never): never {
  throw new InvariantError(`unexpected case ${JSON.stringify(value)}`);
}

/** Whether reading went past the end of the bytes of a file; a stack or a memory that is full is a fault of ours. */
export const isPastEnd = (error: unknown): boolean =>
  error instanceof RangeError && !/call stack|Invalid (?:array|string) length|allocation failed/i.test(error.message);
