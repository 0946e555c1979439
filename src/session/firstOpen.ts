/** The first stop before the night's watch that is not done: given by the frame, which knows the states of all stations. */
import { createContext } from 'react';
import type { Stop } from '../core/night/plan/run.ts';

export const FirstOpen = createContext<Stop | null>(null);
