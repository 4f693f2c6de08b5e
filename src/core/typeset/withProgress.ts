// How far a compose has come.

/** Progress of a compose: the share done, from 0 to 1. */
export type TypesetProgress = number;

/** Drives a part of the work, and tells how far the whole has come at each of its steps. */
export function* withProgress<T>(work: Generator<void, T>, progress: TypesetProgress): Generator<TypesetProgress, T> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield progress;
  }
}
