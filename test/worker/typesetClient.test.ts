import { expect } from 'chai';
import type { TypesetReply, TypesetRequest } from '../../src/worker/protocol';
import { TypesetClient } from '../../src/worker/typesetClient';
import type { WorkerLike } from '../../src/worker/workerLike';
import { TypesetSession } from '../../src/worker/typesetSession';
import { book, chapter } from '../build/book';

/** A client whose workers do what the test makes them do. */
function scripted() {
  const made = book([chapter('One', 'Text.')]);
  const workers: (WorkerLike & { readonly sent: TypesetRequest[]; isEnded: boolean })[] = [];
  const told: string[] = [];
  let current: { book: typeof made; revision: number } | null = { book: made, revision: 7 };
  const client = new TypesetClient(
    () => {
      const worker = {
        sent: [] as TypesetRequest[],
        isEnded: false,
        postMessage: (message: unknown) => void worker.sent.push(message as TypesetRequest),
        terminate: () => void (worker.isEnded = true),
        onmessage: null,
        onerror: null,
      };
      workers.push(worker);
      return worker;
    },
    '',
    () => current,
    {
      onProgress: () => undefined,
      onComposed: () => undefined,
      onAhead: () => undefined,
      onFailed: (message) => void told.push(message),
      onRestarted: () => void told.push('restarted'),
    },
  );
  const last = () => workers.at(-1)!;
  const die = (worker = last()) => worker.onerror?.({ message: 'out of memory' } as ErrorEvent);
  const reply = (data: TypesetReply, worker = last()) => worker.onmessage?.({ data } as MessageEvent);
  const close = () => (current = null);
  return { client, made, workers, told, last, die, reply, close };
}

describe('questions to a typeset worker', () => {
  it('are answered with nothing when it dies, and the next worker gets the book', async () => {
    const { client, made, last, die, workers, told } = scripted();
    client.open(made, 7);
    const asked = Promise.all([
      client.page(0, 7),
      client.ties(),
      client.locate('d1', 'p1', 0),
      client.tidy(['x'], null, []),
    ]);
    die();
    expect(await asked).to.deep.equal([
      { revision: -1, list: null, outlines: [] },
      [],
      -1,
      { revision: -1, edits: [], changes: [] },
    ]);
    expect([workers.length, workers[0].isEnded, told]).to.deep.equal([2, true, ['restarted']]);
    expect(last().sent[0]).to.include({ kind: 'open', revision: 7 });
  });

  it('are refused at once by a client that has given up, which starts no worker for them', async () => {
    const { client, made, die, workers, told, last } = scripted();
    client.open(made, 7);
    for (let k = 0; k < 3; k += 1) die();
    expect(told).to.deep.equal(['restarted', 'restarted', 'out of memory']);
    expect(workers).to.have.length(3);
    expect(await client.spacing()).to.equal(null);
    expect((await client.find({} as never).result).problem).to.match(/stopped/);
    client.look(null);
    expect(workers).to.have.length(3);
    // A change may have taken away what killed it: one worker more, with the whole book.
    client.apply([], 7, 8);
    expect(workers).to.have.length(4);
    expect(last().sent.map(({ kind }) => kind)).to.deep.equal(['open']);
    die();
    expect([workers.length, told.at(-1)]).to.deep.equal([4, 'out of memory']);
  });

  it('are refused by a closed client, and late words of an ended worker are not heard', async () => {
    const { client, made, workers, reply, told, die } = scripted();
    client.open(made, 7);
    const asked = client.paragraph('d1', 'p1');
    client.close();
    expect(await asked).to.equal(null);
    expect(await client.lacking()).to.deep.equal([]);
    client.open(made, 8);
    reply({ kind: 'failed', code: 'compose', message: 'late' }, workers[0]);
    die(workers[0]);
    expect([workers.length, told]).to.deep.equal([1, []]);
  });

  it('are refused when answering them goes wrong, and the worker goes on', async () => {
    const posted: TypesetReply[] = [];
    const session = new TypesetSession(
      { useOwn: () => undefined, contextFor: () => new Promise(() => undefined) } as never,
      (reply) => void posted.push(reply),
      async () => undefined,
    );
    const made = book([chapter('One', 'Text.')]);
    session.handle({ kind: 'open', book: { ...made, divisions: null as never }, revision: 1, base: '' });
    session.handle({ kind: 'tidyOffers', request: 1 });
    session.handle({ kind: 'tidy', request: 2, jobs: ['spaces'], only: null, skipped: [] });
    session.handle({ kind: 'replace', request: 3, query: null as never, replacement: null as never, only: null });
    session.handle({ kind: 'locate', request: 4, stream: 'd1', block: 'p1', offset: 0 });
    for (let turn = 0; turn < 50 && posted.length < 4; turn += 1) await Promise.resolve();
    expect(posted.map((reply) => [reply.kind, 'request' in reply && reply.request])).to.have.deep.members([
      ['refused', 1],
      ['refused', 2],
      ['refused', 3],
      ['located', 4],
    ]);
  });
});
