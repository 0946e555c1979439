/** npm run screenshots: one picture per main view from demo data at a fixed time. */
import { ensureBuild, ensureChromium, ensurePackages, tool } from './lib/prepare.mjs';

ensurePackages();
ensureChromium();
ensureBuild();
process.exit(tool('tsx', ['scripts/screenshots.ts', ...process.argv.slice(2)]));
