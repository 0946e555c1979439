import type { NightStatic } from '../../core/night/nightStatic.ts';
import { tubeAloneOn } from '../../core/rig/assembly.ts';
import type { Tabs } from '../../session/tabs.ts';
import { AXIS_TABS } from '../../text/balanceWords.ts';

export type BalanceTab = 'ra' | 'dec' | 'sideways' | 'pieces' | 'order';
const ALL: Tabs<BalanceTab> = [
  { key: 'ra', name: AXIS_TABS.ra },
  { key: 'dec', name: AXIS_TABS.dec },
  { key: 'sideways', name: AXIS_TABS.sideways },
  { key: 'pieces', name: 'Another piece' },
  { key: 'order', name: 'Order' },
];

/** The axes one after the other, what another piece changes, and the order of it all; a drive without a clutch and a tube on
 *  its own axis have one way only. */
export const balanceTabs = ({ numbers: { mount } }: NightStatic): Tabs<BalanceTab> =>
  mount?.drive === 'strainWave' || tubeAloneOn(mount) ? [{ key: 'ra', name: 'Balance' }] : ALL;
