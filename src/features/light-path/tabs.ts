import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Tabs } from '../../session/tabs.ts';

export type LightPathTab = 'spacing' | 'numbers' | 'corners' | 'compare';
const SPACING = { key: 'spacing', name: 'Spacing' } as const;
const NUMBERS = { key: 'numbers', name: 'Numbers' } as const;
const CORNERS = { key: 'corners', name: 'Corners' } as const;
const COMPARE = { key: 'compare', name: 'Compare' } as const;

/** Who looks through an eyepiece has neither corners on a sensor nor another rig's exposure. */
export const lightPathTabs = ({ numbers }: NightStatic): Tabs<LightPathTab> =>
  numbers.eyepiece ? [SPACING, NUMBERS] : [SPACING, NUMBERS, CORNERS, COMPARE];
