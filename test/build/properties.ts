// Bounds the time of a random test: one that has failed looks for a smaller failing case no longer than this.
import fc from 'fast-check';

/** Milliseconds; below the time that a test has. */
const LONGEST = 120_000;

fc.configureGlobal({ interruptAfterTimeLimit: LONGEST });
