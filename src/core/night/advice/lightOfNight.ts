import type { NightRecords } from '../../history/nightRecords.ts';
import { oncePerKey } from '../../once.ts';
import type { NightStatic } from '../nightStatic.ts';
import { skyLightOf, type SkyLight } from '../plan/skyLight.ts';

const kept = oncePerKey(({ night, site }: NightRecords, sky: NightStatic['sky']): SkyLight =>
  skyLightOf(sky.events, night.darkness, site),
);

/** What the sun leaves of this night, by the darkness that it asks for. */
export const lightOfNight = ({ records, sky }: Pick<NightStatic, 'records' | 'sky'>): SkyLight => kept(records, sky);
