// The main thread's side of the write worker: one job each, ended when it is done or stopped.
import type { AssetBase, WriteReply, WriteRequest } from './protocol';
import type { WorkerLike } from './workerLike';

export type { NamedFile } from './protocol';

/** How a write job ends. */
export type WriteResult = Exclude<WriteReply, { kind: 'progress' }> | { readonly kind: 'cancelled' };

export interface WriteJob {
  readonly result: Promise<WriteResult>;
  /** Ends the worker; the result is `cancelled`. */
  readonly cancel: () => void;
}

/** Omits a key from each member of a union. */
type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
export type WriteOrder = Without<WriteRequest, 'base' | 'fonts'>;

/** Starts a write worker for one job; `assets`: where what ships is served, and faces of the person's own. */
export function startWriteJob(
  createWorker: () => WorkerLike,
  assets: AssetBase,
  order: WriteOrder,
  onProgress: (share: number) => void = () => undefined,
): WriteJob {
  const worker = createWorker();
  let settle: (result: WriteResult) => void;
  const result = new Promise<WriteResult>((resolve) => {
    settle = (value) => {
      worker.terminate();
      resolve(value);
    };
  });
  worker.onmessage = (event: MessageEvent<WriteReply>) => {
    if (event.data.kind === 'progress') onProgress(event.data.share);
    else settle(event.data);
  };
  worker.onerror = (event) => settle({ kind: 'failed', code: 'worker', message: `The work stopped: ${event.message}` });
  worker.postMessage({ ...order, ...assets });
  return { result, cancel: () => settle({ kind: 'cancelled' }) };
}

export type { Specimen, WholeBook } from './protocol';
