export type { JobKind, TidyChange, TidyCount, TidyOffer, TidyPlace } from '../model/answers/tidy';
export { TIDY_JOBS, tidyManuscript, tidyStreams, type TidiedManuscript } from './tidy';
export { offersOf, tidyBook, type TidiedBook } from './tidyBook';
export type { TidyJob } from './types';
