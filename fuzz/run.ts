// Runs children over seeds: one process for many files, replaced after a failure.
import { fork, type ChildProcess } from 'node:child_process';
import type { Outcome } from './child';

/** Longest time for a file in ms, and largest resident size in MB. */
export const LIMITS = { MS: 10_000, MEMORY: 1024 } as const;

export interface FuzzOptions {
  /** The program of the child, and what Node is told before it. */
  readonly program: string;
  readonly nodeOptions: readonly string[];
  readonly root: string;
}

/** Reads the files of seeds from `first` on, `count` of them; answers the failures. `onFile` hears of each. */
export async function fuzz(
  first: number,
  count: number,
  options: FuzzOptions,
  onFile: (outcome: Outcome) => void = () => undefined,
): Promise<readonly Outcome[]> {
  const failures: Outcome[] = [];
  let child: ChildProcess | undefined;
  for (let seed = first; seed < first + count; seed += 1) {
    child ??= await started(options);
    const outcome = await outcomeIn(child, seed);
    onFile(outcome);
    if (outcome.kind === 'failed' || outcome.memory > LIMITS.MEMORY) {
      failures.push(outcome);
      child.kill('SIGKILL');
      child = undefined;
    }
  }
  child?.kill('SIGKILL');
  return failures;
}

function started({ program, nodeOptions, root }: FuzzOptions): Promise<ChildProcess> {
  const child = fork(program, [], {
    execArgv: [...nodeOptions],
    env: { ...process.env, FUZZ_ROOT: root },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  return new Promise((resolve, reject) => {
    child.once('message', () => resolve(child));
    child.once('exit', (code) => reject(new Error(`the reading process ended with ${code} before it began`)));
  });
}

function outcomeIn(child: ChildProcess, seed: number): Promise<Outcome> {
  return new Promise((resolve) => {
    const failed = (words: string) => settle({ seed, file: '', kind: 'failed', words, memory: 0, ms: LIMITS.MS });
    const timer = setTimeout(() => failed(`took over ${LIMITS.MS / 1000} s`), LIMITS.MS);
    const hear = (outcome: Outcome) => settle(outcome);
    const died = (code: number | null, signal: string | null) => failed(`the process died (${code ?? signal})`);
    const settle = (outcome: Outcome) => {
      clearTimeout(timer);
      child.off('message', hear);
      child.off('exit', died);
      resolve(outcome);
    };
    child.on('message', hear);
    child.once('exit', died);
    child.send(seed);
  });
}
