// Installs the packages of the lock file when they are missing or older than it. Plain Node: nothing is installed yet.
import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

export function installPackages() {
  const installed = join(root, 'node_modules/.package-lock.json');
  const lock = join(root, 'package-lock.json');
  if (existsSync(installed) && statSync(installed).mtimeMs >= statSync(lock).mtimeMs - 1000) return;
  process.stdout.write('Installing packages\n');
  const { status } = spawnSync('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund'], {
    cwd: root,
    stdio: 'inherit',
  });
  if (status !== 0) process.exit(status ?? 1);
}
