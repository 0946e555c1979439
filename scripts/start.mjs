/** npm start: installs what is missing, builds when needed, serves the app with demo data. */
import { ensureBuild, ensurePackages, tool } from './lib/prepare.mjs';

ensurePackages();
ensureBuild();
process.exit(tool('tsx', ['server/main.ts', '--demo', ...process.argv.slice(2)]));
