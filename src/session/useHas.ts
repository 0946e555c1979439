import { rigHas, type RigHas } from '../core/rig/rigHas.ts';
import { useNight } from './session.ts';

/** What the shown night's rig has: nothing else is spoken of. */
export const useHas = (): RigHas => rigHas(useNight().numbers);
