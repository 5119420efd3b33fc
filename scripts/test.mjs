// npm test: installs what is missing, then types, lint, format, dependency rule, unused code, unit tests, build,
// script size and interface tests. npm run check: the same without the interface tests.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, chromium, colourTools, installPackages, root } from './prepare.mjs';

const quick = process.argv[2] === 'check';
installPackages();
colourTools();

const output = join(root, 'test-output');
rmSync(output, { recursive: true, force: true });
mkdirSync(output, { recursive: true });
const bin = (name, path) => [process.execPath, join(root, 'node_modules', name, path)];
const totals = { passed: 0, failed: 0 };
const failures = [];

function check(name, command) {
  const { status } = spawnSync(command[0], command.slice(1), { cwd: root, stdio: 'inherit' });
  const passed = status === 0;
  console.log(`${passed ? 'ok  ' : 'FAIL'} ${name}`);
  totals[passed ? 'passed' : 'failed']++;
  if (!passed) failures.push(name);
}

function vitest(name, args, env = {}) {
  const report = join(output, `${name.replace(/\W+/g, '-')}.json`);
  const command = [
    ...bin('vitest', 'vitest.mjs'),
    'run',
    ...args,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ];
  const { status } = spawnSync(command[0], command.slice(1), {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  const result = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : undefined;
  totals.passed += result?.numPassedTests ?? 0;
  totals.failed += result?.numFailedTests ?? 0;
  if (!result || result.numTotalTests === 0 || (status !== 0 && result.numFailedTests === 0)) {
    totals.failed++;
    failures.push(`${name}: did not run to its end`);
  } else if (status !== 0) {
    failures.push(name);
  }
}

const tsc = bin('typescript', 'bin/tsc');
check('types', tsc);
check('types of the core, without browser or Node', [...tsc, '-p', 'tsconfig.core.json']);
check('lint', [...bin('eslint', 'bin/eslint.js'), '--concurrency', 'auto', '.']);
check('format', [...bin('prettier', 'bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']);
check('dependency rule', [
  ...bin('dependency-cruiser', 'bin/dependency-cruise.mjs'),
  'src',
  '--config',
  '.dependency-cruiser.cjs',
]);
check('unused code', bin('knip', 'bin/knip.js'));
vitest('unit tests', []);
build();
check('script size', [process.execPath, join(root, 'scripts/checkSize.mjs')]);
if (!quick) vitest('interface tests', ['--config', 'vitest.e2e.config.ts'], { FANFARE_CHROMIUM: chromium() });

if (failures.length > 0) console.log(`\nFailed: ${failures.join('; ')}`);
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exit(failures.length > 0 ? 1 : 0);
