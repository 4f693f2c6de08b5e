// Keeps a pull of the open book, with its pages where they are composed.
import type { Book } from '../../core/model/copy/book';
import type { Services } from '../services';

/** `revision`: that of the book. Answers the name under which it is kept. */
export async function keepPullOf(
  { pulls, sessions, now }: Services,
  book: Book,
  revision: number,
  name: string,
): Promise<string> {
  const table = (await sessions.current?.client?.pageTable(revision)) ?? null;
  return pulls.keep(book, name, now(), table);
}
