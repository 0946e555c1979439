import { formatHoursMinutes } from '../../core/units/sexagesimal.ts';
import { localSiderealHours } from '../../core/sky/ephemeris.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useIsLive, useRibbonTime } from '../../session/useTime.ts';

/** The site's clock and sidereal time at the ribbon's moment. */
export function Clocks() {
  const { format } = useShared();
  const { lonDeg } = useNight().records.site;
  const live = useIsLive();
  const clock = useRibbonTime(format.clock);
  const sidereal = useRibbonTime((timeMs) =>
    formatHoursMinutes(Math.floor(localSiderealHours(timeMs, lonDeg) * 60) / 60).padStart(5, '0'),
  );
  return (
    <div className="clocks figures">
      <time className="local" title={live ? 'Now at the site' : 'The ribbon’s time at the site'}>
        {clock}
      </time>
      <span className="sidereal">sidereal {sidereal}</span>
    </div>
  );
}
