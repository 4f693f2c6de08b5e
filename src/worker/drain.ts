// Runs work of a write worker.

/** Runs a generator to its end; tells its progress at most every 50 ms. */
export function drain<P, T>(work: Generator<P, T>, onProgress?: (progress: P) => void): T {
  let told = performance.now();
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (onProgress !== undefined && performance.now() - told > 50) {
      onProgress(step.value);
      told = performance.now();
    }
  }
}
