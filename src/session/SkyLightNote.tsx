import { lightOfNight } from '../core/night/advice/lightOfNight.ts';
import { SKY_LIGHT_NAME, skyLightRests, skyLightValue } from '../text/skyLightWords.ts';
import { useNight, useShared } from './session.ts';

/** Of a night that does not get dark, or of a day without a sun; nothing otherwise. */
export function SkyLightNote() {
  const light = lightOfNight(useNight());
  const { format } = useShared();
  if (light.code === 'dark') return null;
  return (
    <p>
      {SKY_LIGHT_NAME}: {skyLightValue(light, format)}. {skyLightRests(light, format)}
    </p>
  );
}
