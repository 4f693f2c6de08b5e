// `npm run quality`: builds what is missing, measures, and writes docs/quality.md.
import { pathToFileURL } from 'node:url';
import { installPackages } from '../bin/install.mjs';

installPackages();
const { makeAssets } = await import('./assets.mjs');
const { bundleNode } = await import('./bundle.mjs');
await makeAssets();
await import(
  pathToFileURL(await bundleNode('bench/quality.ts', 'bench/quality.mjs', ['bench', 'cli', 'src/core'])).href
);
