// node scripts/launch.mjs demo|start|dev: installs what is missing, builds, starts.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build, installPackages, root } from './prepare.mjs';

const mode = process.argv[2];
installPackages();

const children = [];
function start(args) {
  const child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit' });
  children.push(child);
  child.on('exit', (code) => {
    for (const other of children) other.kill();
    process.exitCode = code ?? 0;
  });
}
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => children.forEach((child) => child.kill(signal)));

if (mode === 'dev') {
  // Vite stands before the server and asks under its own port.
  process.env.FANFARE_NAMES ??= 'localhost:4181,127.0.0.1:4181';
  start([join(root, 'node_modules/tsx/dist/cli.mjs'), 'watch', 'src/server/main.ts', '--demo']);
  start([join(root, 'node_modules/vite/bin/vite.js')]);
} else {
  build();
  // npm start -- --restore FILE
  start([
    join(root, 'dist/server/main.js'),
    ...(mode === 'demo' ? ['--demo'] : []),
    ...process.argv.slice(3),
  ]);
}
