/** Starting, pausing and ending the subs by hand. */
import type { Watch } from '../core/night/advice/watch.ts';

export type RunAction = 'started' | 'paused' | 'resumed' | 'stopped';

export const RUN_WORDS: Record<RunAction, { button: string; said: string }> = {
  started: { button: 'Subs start now', said: 'Started: the plan is laid from now.' },
  paused: { button: 'Pause', said: 'Paused: what was taken is kept.' },
  resumed: { button: 'Go on', said: 'Going on: the rest is laid from now.' },
  stopped: { button: 'On to the next target', said: 'This target is done.' },
};

/** What may be pressed: a plan that nobody started runs by the clock, and can be started late or early.
 *  @param another a target follows. */
export function runActions(watch: Watch, another: boolean): RunAction[] {
  const next: RunAction[] = another ? ['stopped'] : [];
  switch (watch.code) {
    case 'waiting':
      return watch.state === 'planned' ? ['started'] : watch.state === 'running' ? ['paused', ...next] : [];
    case 'running':
      // What stays keeps its place, so that nothing moves under the finger.
      return watch.state === 'planned' ? ['paused', ...next, 'started'] : ['paused', ...next];
    case 'paused':
      return ['resumed', ...next];
    default:
      return [];
  }
}
