// Entry of the write worker: one job, then it is ended.
import { fetchFrom } from './assets';
import type { WriteRequest } from './protocol';
import { doWriteJob } from './writeJobs';

declare const self: Worker;

self.onmessage = async (event: MessageEvent<WriteRequest>) => {
  const reply = await doWriteJob(event.data, fetchFrom(event.data.base), (progress) => self.postMessage(progress));
  self.postMessage(reply);
};
