// `npm run bench`: builds what is missing and runs the measurements.
import { pathToFileURL } from 'node:url';
import { installPackages } from '../bin/install.mjs';

installPackages();
const { makeAssets } = await import('./assets.mjs');
const { bundleNode } = await import('./bundle.mjs');
await makeAssets();
for (const part of process.argv.length > 2 ? process.argv.slice(2) : ['main', 'pictures'])
  await import(
    pathToFileURL(await bundleNode(`bench/${part}.ts`, `bench/${part}.mjs`, ['bench', 'cli', 'src/core'])).href
  );
