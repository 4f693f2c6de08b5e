// Drives generators in slices, so that messages get in between; a job that is out of date is dropped at its next step.

/** Longest time that a job runs before others are let in, in ms. */
const SLICE = 8;

/** Waits until messages that have arrived are handled. */
export type Breathe = () => Promise<void>;

/** A macrotask by message channel: a timer would wait at least 4 ms after a few turns. */
export function channelBreath(): Breathe {
  const { port1, port2 } = new MessageChannel();
  const waiting: (() => void)[] = [];
  port1.onmessage = () => waiting.shift()?.();
  return () =>
    new Promise((resolve) => {
      waiting.push(resolve);
      port2.postMessage(null);
    });
}

export interface JobHooks<P> {
  /** True when the result is no longer wanted. */
  readonly isStale: () => boolean;
  readonly onProgress?: (progress: P) => void;
  readonly now: () => number;
  readonly breathe: Breathe;
}

/** The generator's result, or undefined when it was dropped. What it throws is thrown. */
export async function runJob<P, T>(work: Generator<P, T>, hooks: JobHooks<P>): Promise<T | undefined> {
  let sliceEnd = hooks.now() + SLICE;
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (hooks.now() < sliceEnd) continue;
    hooks.onProgress?.(step.value);
    await hooks.breathe();
    if (hooks.isStale()) {
      work.return(undefined as never);
      return undefined;
    }
    sliceEnd = hooks.now() + SLICE;
  }
}
