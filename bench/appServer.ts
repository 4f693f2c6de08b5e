// The built app, served for measurements in the browser.
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../..', import.meta.url));

/** Starts the built server; it ends with this process. */
export function startServer(): Promise<{ url: string; stop: () => void }> {
  const server = spawn(process.execPath, [`${root}dist/server/main.mjs`], {
    env: { ...process.env, PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  process.once('exit', () => server.kill());
  return new Promise((resolve) => {
    server.stdout.on('data', (data: Buffer) => {
      const found = /(http:\/\/127\.0\.0\.1:\d+\/)/.exec(data.toString());
      if (found !== null) resolve({ url: found[1], stop: () => server.kill() });
    });
  });
}
