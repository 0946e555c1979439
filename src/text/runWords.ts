/** Starting, pausing and ending the subs by hand. */
import type { Watch } from '../core/night/advice/watch.ts';

export type RunEvent = 'started' | 'paused' | 'resumed' | 'stopped' | 'targetTaken';
export type RunAction = { what: RunEvent; button: string; said: string };

const START: RunAction = { what: 'started', button: 'Subs start now', said: 'Started: the plan is laid from now.' };
const PAUSE: RunAction = { what: 'paused', button: 'Pause', said: 'Paused: what was taken is kept.' };
const GO_ON: RunAction = { what: 'resumed', button: 'Go on', said: 'Going on: the rest is laid from now.' };
const NEXT: RunAction = { what: 'stopped', button: 'On to the next target', said: 'This target is done.' };
const DONE: RunAction = {
  what: 'stopped',
  button: 'Done for tonight',
  said: 'Done for tonight. Stop the mount itself, too: it tracks on.',
};
const TAKEN: RunAction = { what: 'targetTaken', button: 'The mount is there', said: 'The subs are laid from now.' };

/** What may be pressed: a plan that nobody started runs by the clock, and can be started late or early.
 *  @param another a target follows. */
export function runActions(watch: Watch, another: boolean): RunAction[] {
  const next = another ? [NEXT] : [];
  const end = another ? NEXT : DONE;
  switch (watch.code) {
    case 'waiting':
      return watch.state === 'planned' ? [START] : watch.state === 'running' ? [PAUSE, ...next] : [];
    case 'running':
      // What stays keeps its place, so that nothing moves under the finger.
      return watch.state === 'planned' ? [PAUSE, ...next, START] : [PAUSE, ...next];
    case 'paused':
      return [GO_ON, end];
    case 'targetDue':
      return [TAKEN, ...next];
    case 'flipDue':
      return watch.state === 'paused' ? [GO_ON, ...next] : [PAUSE, ...next];
    case 'tubeLate':
      return [end];
    default:
      return [];
  }
}
