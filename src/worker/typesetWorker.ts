// Entry of the typeset worker.
import { fetchFrom, WorkerAssets } from './assets';
import { channelBreath } from './jobRunner';
import type { TypesetRequest } from './protocol';
import { TypesetSession } from './typesetSession';

declare const self: Worker;

let session: TypesetSession | undefined;

self.onmessage = (event: MessageEvent<TypesetRequest>) => {
  const message = event.data;
  if (message.kind === 'open') {
    session ??= new TypesetSession(
      new WorkerAssets(fetchFrom(message.base)),
      (reply, transfer = []) => self.postMessage(reply, transfer),
      channelBreath(),
    );
  }
  session?.handle(message);
};
