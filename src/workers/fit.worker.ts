/** Stacks from the box, away from the page. */
import { fitSteps, type Fit } from '../core/optics/stack/fitStack.ts';
import { whatToBuy, type ToBuy } from '../core/optics/stack/whatToBuy.ts';
import type { RigFit } from '../core/rig/boxFit.ts';
import type { Task } from './protocol.ts';
import { serve } from './serve.ts';

/** `toBuy`: only where no stack is within tolerance. */
export type FitFound = Fit & { toBuy: ToBuy | null };
export type FitTask = Task<RigFit, FitFound>;

serve<RigFit, FitFound>(async ({ input, toleranceMm }, context) => {
  const steps = fitSteps(input);
  let step = steps.next();
  while (step.done !== true) {
    context.report('fit', step.value.pieces / (step.value.of + 1));
    await context.pause();
    step = steps.next();
  }
  return { ...step.value, toBuy: whatToBuy(step.value.best, input, toleranceMm) };
});
