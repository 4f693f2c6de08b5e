// What holds for the whole run of unit tests; mocha is told to load this first, in each of its processes.
import fc from 'fast-check';
import { checkEpubs, epubFolder } from './epubCheck';

/** Milliseconds that a random test which has failed looks for a smaller failing case; below the time that a test has. */
const LONGEST = 120_000;

fc.configureGlobal({ interruptAfterTimeLimit: LONGEST });

// Before mocha starts the processes that share it.
epubFolder();

/** Mocha calls it once, when all files of tests are done; what it throws fails the run. */
export const mochaGlobalTeardown = (): void => checkEpubs();
