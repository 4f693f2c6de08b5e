// What thunks and listeners work with besides the store.
import type { Outside } from './outside';
import type { Sessions } from './session/sessions';

export interface Services extends Outside {
  /** The open book, with all that belongs to it. */
  readonly sessions: Sessions;
}
