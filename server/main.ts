// Starts the server on the loopback address and prints where it is.
import { fileURLToPath } from 'node:url';
import type { AddressInfo } from 'node:net';
import { createStaticApp } from './staticApp';

const folder = fileURLToPath(new URL('../app', import.meta.url));
const wished = Number(process.env.PORT ?? 4173);

function listen(port: number): void {
  const server = createStaticApp(folder).listen(port, '127.0.0.1');
  server.on('listening', () => {
    const { port: taken } = server.address() as AddressInfo;
    process.stdout.write(`Walnut Leaf is at http://127.0.0.1:${taken}/\n`);
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EADDRINUSE' || port === 0) throw error;
    listen(0);
  });
}

listen(wished);
