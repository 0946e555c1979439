/** Where the pole is to the bare eye, as codes and figures. */
import { poleByCompassDeg } from '../../../core/night/advice/hands/magneticOfNight.ts';
import { horizonAltDeg } from '../../../core/night/plan/darkness.ts';
import type { NightAt } from '../../../core/night/nightAt.ts';
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import { toHorizontal } from '../../../core/sky/horizontal.ts';
import { elevatedPole, projectFrom, starHops, type Hop, type ViewPoint } from '../../../core/sky/starHop.ts';
import type { FindSaying } from '../../../text/findWords.ts';
import { polarStarsStand } from '../../../core/pole/polarStars.ts';

export type FindModel = {
  saying: FindSaying;
  hops: Hop[];
  poleStar: ViewPoint;
  /** The horizon, left to right. */
  horizon: ViewPoint[];
};

export function findModel(night: NightStatic, at: NightAt): FindModel {
  const { site } = night.records;
  const centre = elevatedPole(site.latDeg);
  const star = toHorizontal(at.poleStar.haH, night.sky.poleStar.ofDate.decDeg, site.latDeg);
  const south = site.latDeg < 0;
  const horizon = Array.from({ length: 41 }, (_, i) =>
    projectFrom(centre, { altDeg: 0, azDeg: centre.azDeg + (i - 20) * 4 }),
  );
  return {
    saying: !polarStarsStand(site.latDeg)
      ? { code: 'equator' }
      : {
          code: 'look',
          south,
          altDeg: Math.abs(site.latDeg),
          star: at.poleStar.name,
          compassDeg: poleByCompassDeg(night),
        },
    hops: starHops(at.timeMs, site, (azDeg) => horizonAltDeg(site, azDeg)),
    poleStar: projectFrom(centre, star),
    horizon,
  };
}
