/** Stacks from the box, away from the page. */
import { fitSteps, type Fit } from '../core/optics/stack/fitStack.ts';
import { onePurchase, type Purchase } from '../core/optics/stack/purchase.ts';
import type { RigFit } from '../core/rig/boxFit.ts';
import type { Task } from './protocol.ts';
import { serve } from './serve.ts';

/** `purchase`: only where no stack is within tolerance. */
export type FitFound = Fit & { purchase: Purchase | null };
export type FitTask = Task<RigFit, FitFound>;

const SHORTEST_MM = 1;
const MOST_STEPS = 2_000_000;

serve<RigFit, FitFound>(async ({ input, correctorRear, cameraFront, toleranceMm }, context) => {
  const steps = fitSteps(input);
  let step = steps.next();
  while (step.done !== true) {
    context.report('fit', step.value.pieces / (step.value.of + 1));
    await context.pause();
    step = steps.next();
  }
  const { neededMm, box } = input;
  const asked = { neededMm, box, correctorRear, cameraFront, leastMm: SHORTEST_MM, mostSteps: MOST_STEPS };
  const fits = step.value.best.some(({ errorMm }) => Math.abs(errorMm) <= toleranceMm);
  return { ...step.value, purchase: fits ? null : onePurchase(asked) };
});
