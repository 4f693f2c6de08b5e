// `npm run typing`: builds the app and measures typing in it.
import { pathToFileURL } from 'node:url';
import { installPackages } from '../bin/install.mjs';

installPackages();
const { buildAll } = await import('./build.mjs');
const { bundleNode } = await import('./bundle.mjs');
await buildAll();
await import(pathToFileURL(await bundleNode('bench/typing.ts', 'bench/typing.mjs', ['bench', 'src/core'])).href);
