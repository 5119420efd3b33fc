// Plain Node, no packages: it has to run before anything is installed.
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Runs a command in the project with its output shown; ends this process where it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    shell: process.platform === 'win32',
    ...options,
  });
  if (error || status !== 0) {
    console.error(`\nFanfare: "${[command, ...args].join(' ')}" failed${error ? `: ${error.message}` : ''}.`);
    process.exit(status || 1);
  }
}

function digestOf(paths) {
  const hash = createHash('sha256');
  const add = (path) => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort()) add(join(path, name));
    } else if (!/\.test\.tsx?$/.test(path)) {
      hash.update(path.slice(root.length)).update(readFileSync(path));
    }
  };
  paths.forEach((path) => add(join(root, path)));
  return hash.digest('hex');
}

/** Does something only when what it depends on has changed since it was last done. */
function unlessDone(stamp, inputs, exists, work) {
  const file = join(root, stamp);
  const digest = digestOf(inputs);
  if (exists() && existsSync(file) && readFileSync(file, 'utf8') === digest) return;
  work();
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, digest);
}

/** Installs the locked packages where they are missing or the lock has changed. */
export function installPackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 20)) {
    console.error(`Fanfare needs Node 20.20 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  unlessDone(
    'node_modules/.fanfare-installed',
    ['package-lock.json'],
    () => existsSync(join(root, 'node_modules/vite')),
    () => {
      console.log('Installing packages (a few minutes the first time)...');
      // Not npm ci: it refuses a lock that lacks the binaries of other platforms, which some registries do not carry.
      run(npm, ['install', '--no-save', '--no-audit', '--no-fund', '--include=dev']);
    },
  );
}

/** Builds interface and server where the sources have changed. */
export function build() {
  const inputs = ['src', 'vite.config.ts', 'vite.server.config.ts', 'package-lock.json'];
  const built = () =>
    existsSync(join(root, 'dist/web/index.html')) && existsSync(join(root, 'dist/server/main.js'));
  unlessDone('dist/.fanfare-built', inputs, built, () => {
    console.log('Building...');
    const vite = join(root, 'node_modules/vite/bin/vite.js');
    run(process.execPath, [vite, 'build', '--logLevel', 'warn']);
    run(process.execPath, [vite, 'build', '--config', 'vite.server.config.ts', '--logLevel', 'warn']);
  });
}

/** Installs Debian's colour tools where apt can: the tests of file formats hold ours against them. */
export function colourTools() {
  if (existsSync('/usr/bin/spec2cie') || spawnSync('apt-get', ['--version']).status !== 0) return;
  const prefix = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const [command, ...rest] = [
    ...prefix,
    'apt-get',
    'install',
    '-y',
    '-qq',
    '--no-install-recommends',
    'argyll',
  ];
  const { status } = spawnSync(command, rest, {
    stdio: 'ignore',
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
  if (status !== 0) console.log('Debian’s colour tools are not here; their two tests are left out.');
}

const BROWSERS = ['chromium', 'chromium-browser', 'google-chrome'];

/** The path of a Chromium: FANFARE_CHROMIUM, one on the PATH, or one installed now through apt. */
export function chromium() {
  const found = findChromium();
  if (found) return found;
  const isRoot = process.getuid?.() === 0;
  const prefix = isRoot ? [] : ['sudo', '-n'];
  console.log('Installing Chromium for the interface tests...');
  for (const args of [
    ['apt-get', 'update', '-qq'],
    ['apt-get', 'install', '-y', '-qq', '--no-install-recommends', 'chromium'],
  ]) {
    const [command, ...rest] = [...prefix, ...args];
    spawnSync(command, rest, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  }
  const installed = findChromium();
  if (installed) return installed;
  console.error(
    'The interface tests need Chromium and it could not be installed here. Install it, or name it with FANFARE_CHROMIUM=/path/to/chromium.',
  );
  process.exit(1);
}

function findChromium() {
  if (process.env.FANFARE_CHROMIUM) return process.env.FANFARE_CHROMIUM;
  for (const name of BROWSERS) {
    try {
      return execFileSync('which', [name], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }).trim();
    } catch {
      // not this one
    }
  }
  return undefined;
}
