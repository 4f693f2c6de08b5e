// `npm run fuzz`: builds what is missing, then damages files and reads them (fuzz/README.md).
import { spawnSync } from 'node:child_process';
import { installPackages } from '../bin/install.mjs';

installPackages();
const { makeAssets } = await import('./assets.mjs');
const { bundleNode } = await import('./bundle.mjs');
await makeAssets();
const sources = ['fuzz', 'cli', 'src/core'];
await bundleNode('fuzz/child.ts', 'fuzz/child.mjs', sources);
const program = await bundleNode('fuzz/main.ts', 'fuzz/main.mjs', sources);
process.exitCode = spawnSync(process.execPath, [program, ...process.argv.slice(2)], { stdio: 'inherit' }).status ?? 1;
