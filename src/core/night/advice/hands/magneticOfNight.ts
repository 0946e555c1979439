/** The Earth's field at the night's site: asked for where a compass is shown, so that the model comes with it. */
import { oncePer } from '../../../once.ts';
import { compassReadingDeg, poleBearingDeg } from '../../../sky/bearing.ts';
import { magneticField, type MagneticField } from '../../../sky/magnetic.ts';
import type { NightStatic } from '../../nightStatic.ts';

export const magneticOfNight = oncePer(({ records: { site }, sky }: NightStatic): MagneticField =>
  magneticField(sky.events.startMs, site.latDeg, site.lonDeg, site.elevationM),
);

/** What the compass must read along the polar axis, degrees. */
export function poleByCompassDeg(night: NightStatic): number {
  return compassReadingDeg(poleBearingDeg(night.records.site.latDeg), magneticOfNight(night).declinationDeg);
}
