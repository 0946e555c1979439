/** Parts of what a night knows, each by itself: the even width, the corners, the moon, what tightening is aimed off for. */
import { isAssumedOnly } from '../../../../../src/core/night/account/sources.ts';
import { poleKnown } from '../../../../../src/core/night/account/poleKnown.ts';
import { poleOfNight } from '../../../../../src/core/pole/poleOfNight.ts';
import { expect } from 'chai';
import { evenKnown } from '../../../../../src/core/night/account/evenKnown.ts';
import { moonOfNight } from '../../../../../src/core/night/advice/moonOfNight.ts';
import { turnsTonight } from '../../../../../src/core/night/advice/hands/turnsTonight.ts';
import { opticsBlurLearned } from '../../../../../src/core/night/learned/opticsBlur.ts';
import { moonOfDate } from '../../../../../src/core/sky/ephemeris.ts';
import { altAzAt } from '../../../../../src/core/sky/horizontal.ts';
import type { Rig } from '../../../../../src/core/records/rig.ts';
import { at, before, night } from '../../../../support/nights.ts';
import * as polar from '../../../../support/polar.ts';
import { nightRecords, reading, snapshotOf } from '../../../../support/records.ts';

const rig = { type: 'rig', id: 'demo-heron' } as const;

describe('the even width by a focused star', () => {
  const focus = reading('focus', { positionUm: 1, temperatureC: 8, fwhmPx: 3 }, { ...at(1), id: 'f', subject: rig });
  const { records, numbers } = night({ readings: [focus] });
  const place = (decDeg: number) => evenKnown(records, numbers, { raDeg: 10, decDeg });

  it('thick air over a low star explains some of it; of a star that nobody can have focused on nothing is reckoned', () => {
    const overhead = evenKnown(records, numbers, null);
    // From 40 degrees north this declination stays below the horizon.
    expect(place(-80)).to.deep.equal(overhead);
    expect(place(-20).opticsFwhmArcsec).to.be.lessThan(overhead.opticsFwhmArcsec);
  });
});

describe('the optics by the stars of other nights', () => {
  const focused = before('focus', { positionUm: 1, temperatureC: 8, fwhmPx: 3 }, 'old', rig);
  const learned = (then: (rig: Rig) => Rig) =>
    opticsBlurLearned(nightRecords({ readings: [focused], snapshots: [snapshotOf({}, 's1', then)] }));

  it('count through the same glass, and through no other', () => {
    expect(learned((r) => r)!.um).to.be.greaterThan(0);
    expect(learned((r) => ({ ...r, train: r.train.filter((id) => id !== 'demo-heron-reducer') }))).to.equal(null);
  });
});

describe('the optics by the stars of other nights, under their air', () => {
  it('what the air of that very night explains is not laid at the optics', () => {
    const focused = before('focus', { positionUm: 1, temperatureC: 8, fwhmPx: 3 }, 'old', rig);
    const under = (fwhmArcsec: number | null): number =>
      opticsBlurLearned(
        nightRecords({
          readings: [focused, ...(fwhmArcsec === null ? [] : [before('seeing', { fwhmArcsec }, 'air', rig)])],
          snapshots: [snapshotOf({}, 's1')],
        }),
      )!.um;
    expect(under(1.5)).to.be.greaterThan(under(null));
    expect(under(3.5)).to.be.lessThan(under(null));
  });
});

describe('corners that nobody looked at', () => {
  it('stretch nothing in the account', () => {
    expect(night().budget!.corners.stretch).to.equal(1);
  });
});

describe('the moon in the hours of a target', () => {
  it('at full moon it is up all the time it is up: no dark hours, and the worst of them all is told', () => {
    const tonight = night();
    const { up, darkH, worst } = moonOfNight(tonight)!;
    const span = tonight.slot!;
    expect([up, darkH]).to.deep.equal([[span], 0]);
    expect(worst!.timeMs).to.be.within(span.fromMs, span.toMs);
  });

  it('its hours are those in which it stands above the horizon', () => {
    const waning = night({ date: '2026-12-02' });
    const { up, darkH } = moonOfNight(waning)!;
    const span = waning.slot!;
    const { site } = waning.records;
    const isUp = (timeMs: number): boolean => altAzAt(timeMs, site, moonOfDate(timeMs, site)).altDeg > 0;
    let minutes = 0;
    for (let timeMs = span.fromMs; timeMs < span.toMs; timeMs += 60_000) if (!isUp(timeMs)) minutes += 1;
    expect(darkH)
      .to.be.closeTo(minutes / 60, 0.35)
      .and.greaterThan(1);
    for (const { fromMs, toMs } of up) expect(isUp((fromMs + toMs) / 2)).to.equal(true);
  });
});

describe('what tightening does', () => {
  const aim = (altArcmin: number): number => {
    const shifts = [1, 2, 3, 4].map((n) =>
      reading('lockShift', { altArcmin, azArcmin: 0 }, { ...polar.at(n), id: `l${n}`, nightId: 'old' }),
    );
    return turnsTonight(polar.night({ readings: [...shifts, polar.error(30, 5, 5)] })).altitude.aimArcmin;
  };

  it('is aimed off for from a fifth of an arcminute on: no hand stops more finely', () => {
    expect(aim(0.24)).to.be.closeTo(-0.24, 1e-9);
    expect(aim(0.19)).to.equal(0);
  });
});

describe('what rests on assumptions', () => {
  const ASSUMED = { basis: 'assumed', asOf: null } as const;
  const MEASURED = { basis: 'measured', asOf: null } as const;

  it('one number that was measured is enough, one that was not does not undo it', () => {
    expect(isAssumedOnly({ seeing: ASSUMED, polar: ASSUMED })).to.equal(true);
    expect(isAssumedOnly({ seeing: ASSUMED, polar: MEASURED })).to.equal(false);
  });

  it('the pole’s doubt is of the sky: in azimuth it counts by the cosine of the latitude', () => {
    const { records, numbers } = night({ readings: [polar.error(1, 3, 2)] });
    const pole = poleOfNight(records, 'true');
    if (pole.totalArcmin === null) throw new Error('expected a measured pole');
    const { altVar, azVar } = pole.estimate;
    const cos = Math.cos((records.site.latDeg * Math.PI) / 180);
    expect(poleKnown(records, numbers.mount).doubt).to.be.closeTo(Math.sqrt(altVar + azVar * cos ** 2), 1e-9);
  });
});
