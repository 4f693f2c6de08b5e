// Bundles the Node programs (command line, server, benchmarks) with esbuild, when their sources are newer.
import { build } from 'esbuild';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** The newest change under some folders, in ms. */
export function newest(...folders) {
  let time = 0;
  for (const folder of folders) {
    const path = join(root, folder);
    if (!existsSync(path)) continue;
    const stat = statSync(path);
    if (!stat.isDirectory()) time = Math.max(time, stat.mtimeMs);
    else for (const entry of readdirSync(path)) time = Math.max(time, newest(join(folder, entry)));
  }
  return time;
}

/** Bundles `entry` to dist/`out` unless it is up to date with `folders`. */
export async function bundleNode(entry, out, folders) {
  const outfile = join(root, 'dist', out);
  if (existsSync(outfile) && statSync(outfile).mtimeMs > newest(...folders, 'package-lock.json')) return outfile;
  await build({
    entryPoints: [join(root, entry)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'error',
  });
  return outfile;
}
