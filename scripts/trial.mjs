/** npm run trial [-- NAME]: the long seeded proofs. */
import { ensureBuild, ensureChromium, ensurePackages, tool } from './lib/prepare.mjs';

ensurePackages();
ensureChromium();
ensureBuild();
process.exit(tool('tsx', ['scripts/trial.ts', ...process.argv.slice(2)]));
