/** npm run dev: the API server and Vite's dev server side by side. */
import { spawn } from 'node:child_process';
import { ensurePackages, root, tool } from './lib/prepare.mjs';

ensurePackages();
const api = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', '--demo', '--port', '4181', '--api-only'], {
  cwd: root,
  stdio: 'inherit',
});
const code = tool('vite', ['--clearScreen', 'false', ...process.argv.slice(2)]);
api.kill();
process.exit(code);
