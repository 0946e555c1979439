import { hasTonight } from '../core/night/hasTonight.ts';
import type { RigHas } from '../core/rig/rigHas.ts';
import { useNight } from './session.ts';

/** What the shown night's rig has: nothing else is spoken of. */
export const useHas = (): RigHas => hasTonight(useNight());
