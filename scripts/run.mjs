/** node scripts/run.mjs TOOL ARGS…: prepares the packages, then runs the tool. */
import { ensurePackages, tool } from './lib/prepare.mjs';

const [name, ...args] = process.argv.slice(2);
ensurePackages();
process.exit(tool(name, args));
