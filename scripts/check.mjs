// Types and lint in one go: both read the same two programs, so that every file is parsed and its types are found once.
import { ESLint } from 'eslint';
import ts from 'typescript';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

function programOf(configFile) {
  const host = {
    ...ts.sys,
    onUnRecoverableConfigFileDiagnostic: (fault) => {
      throw new Error(ts.flattenDiagnosticMessageText(fault.messageText, '\n'));
    },
  };
  const { fileNames, options, errors } = ts.getParsedCommandLineOfConfigFile(join(root, configFile), {}, host);
  const program = ts.createProgram({ rootNames: fileNames, options });
  return { program, faults: [...errors, ...ts.getPreEmitDiagnostics(program)] };
}

/** Tells faults of types; answers whether there are none. */
function tellTypes(faults) {
  const host = { getCanonicalFileName: (name) => name, getCurrentDirectory: () => root, getNewLine: () => '\n' };
  process.stdout.write(ts.formatDiagnosticsWithColorAndContext(faults, host));
  return faults.length === 0;
}

async function lint(programs) {
  const shared = {
    files: ['**/*.ts', '**/*.tsx'],
    ignores: ['vite.config.ts'],
    languageOptions: { parserOptions: { project: null, programs } },
  };
  const eslint = new ESLint({ cwd: root, overrideConfig: [shared] });
  const results = await eslint.lintFiles(['.']);
  const { format } = await eslint.loadFormatter('stylish');
  process.stdout.write(await format(results));
  return results.every(({ errorCount }) => errorCount === 0);
}

const [whole, core] = ['tsconfig.json', 'src/core/tsconfig.json'].map(programOf);
const isTyped = tellTypes([...core.faults, ...whole.faults]);
const isClean = await lint([whole.program, core.program]);
process.exitCode = isTyped && isClean ? 0 : 1;
