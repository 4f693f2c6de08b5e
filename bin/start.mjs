#!/usr/bin/env node
// `npm start`: installs what is missing, builds, serves.
import { installPackages } from './install.mjs';

installPackages();
const { buildAll } = await import('../scripts/build.mjs');
await buildAll();
await import('../dist/server/main.mjs');
