/** npm run trial [-- NAME]: the long seeded proofs. */
import { ensurePackages, tool } from './lib/prepare.mjs';

ensurePackages();
process.exit(tool('tsx', ['scripts/trial.ts', ...process.argv.slice(2)]));
