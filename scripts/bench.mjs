/** npm run bench: sizes and speeds, each with its target. */
import { ensureBuild, ensureChromium, ensurePackages, tool } from './lib/prepare.mjs';

ensurePackages();
ensureChromium();
ensureBuild();
process.exit(tool('tsx', ['bench/main.ts', ...process.argv.slice(2)]));
