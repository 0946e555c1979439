/** Collects the garbage of the thread that asks. */
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';

export function collectGarbage(): void {
  setFlagsFromString('--expose-gc');
  (runInNewContext('gc') as () => void)();
}
