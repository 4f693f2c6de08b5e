/** Drives a part of the work, and tells how far the whole has come at each of its steps. */
export function* withProgress<T>(work: Generator<void, T>, progress: number): Generator<number, T> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield progress;
  }
}
