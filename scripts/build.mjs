// Builds everything that is missing or older than its sources: assets, interface, server, command line.
import { existsSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeAssets } from './assets.mjs';
import { bundleNode, newest } from './bundle.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

export async function buildAll() {
  await makeAssets();
  await bundleNode('cli/main.ts', 'cli/main.mjs', ['cli', 'src/core']);
  await bundleNode('server/main.ts', 'server/main.mjs', ['server', 'contracts']);
  const page = join(root, 'dist/app/index.html');
  const sources = newest('src', 'index.html', 'vite.config.ts', 'package-lock.json', 'generated/stamp');
  if (existsSync(page) && statSync(page).mtimeMs > sources) return;
  const { build } = await import('vite');
  await build({ root, logLevel: 'warn' });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await buildAll();
