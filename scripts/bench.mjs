// `npm run bench`: builds what is missing and runs the measurements.
import { pathToFileURL } from 'node:url';
import { installPackages } from '../bin/install.mjs';

installPackages();
const { makeAssets } = await import('./assets.mjs');
const { bundleNode } = await import('./bundle.mjs');
await makeAssets();
await import(pathToFileURL(await bundleNode('bench/main.ts', 'bench/main.mjs', ['bench', 'cli', 'src/core'])).href);
