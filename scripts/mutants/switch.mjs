/** Loaded before the tests of changed sources: wakes the one change named by OWL_CHANGE and notes which were met. */
import { appendFileSync } from 'node:fs';
import process from 'node:process';

const awake = Number(process.env.OWL_CHANGE ?? -1);
const met = new Set();
globalThis.__changed = (id) => {
  met.add(id);
  return id === awake;
};
process.on('exit', () => {
  if (process.env.OWL_MET && met.size > 0) appendFileSync(process.env.OWL_MET, `${[...met].join('\n')}\n`);
});
