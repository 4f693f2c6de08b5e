#!/usr/bin/env node
// Starts the command line; builds it and the assets when they are missing or older than their sources.
import { pathToFileURL } from 'node:url';
import { makeAssets } from '../scripts/assets.mjs';
import { bundleNode } from '../scripts/bundle.mjs';

await makeAssets();
await import(pathToFileURL(await bundleNode('cli/main.ts', 'cli/main.mjs', ['cli', 'src/core', 'src/decoders'])).href);
