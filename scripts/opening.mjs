// `npm run opening`: builds the app and measures how long books with short and long histories take to open.
import { pathToFileURL } from 'node:url';
import { installPackages } from '../bin/install.mjs';

installPackages();
const { buildAll } = await import('./build.mjs');
const { bundleNode } = await import('./bundle.mjs');
await buildAll();
await import(pathToFileURL(await bundleNode('bench/opening.ts', 'bench/opening.mjs', ['bench', 'src/core'])).href);
