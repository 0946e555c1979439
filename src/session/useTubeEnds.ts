import { rearEndOf } from '../core/rig/lookerPlace.ts';
import { TUBE_ENDS, type TubeEnds } from '../text/tubeEnds.ts';
import { useNight } from './session.ts';

/** What the ends of this night's tube are called. */
export const useTubeEnds = (): TubeEnds => TUBE_ENDS[rearEndOf(useNight().numbers)];
