import { expect } from 'chai';
import { horizonAltDeg } from '../../../../src/core/night/plan/darkness.ts';
import { nightAt, nightEventList, phaseAt } from '../../../../src/core/night/nightAt.ts';
import { recordsOfNight } from '../../../../src/core/history/nightRecords.ts';
import { nightStatic } from '../../../../src/core/night/nightStatic.ts';
import { snapshotsById } from '../../../../src/core/history/storedSnapshot.ts';
import { standingReadings } from '../../../../src/core/history/standing.ts';
import { partsOfRig } from '../../../../src/core/rig/rigState.ts';
import type { Snapshot } from '../../../../src/core/records/snapshot.ts';
import { formatClock } from '../../../../src/core/time/civil.ts';
import { event, nightRecords, NOW, parts, reading, rigs, sites, world } from '../../../support/records.ts';

const HOUR = 3_600_000;

describe('nightStatic', () => {
  it('works out the demo night of Heron', () => {
    const night = nightStatic(nightRecords());
    expect(night.bar?.found.positionM).to.be.closeTo(0.292686, 1e-6);
    expect(formatClock(night.targetSky?.transit.transitMs ?? 0, 'Europe/Lisbon')).to.equal('21:09');
    expect(night.targetSky?.transit).to.include({ side: 'N', circumpolar: true, neverRises: false });
    expect(night.plan!.flips).to.have.length(1);
    expect(night.numbers.train?.focalEffectiveMm).to.be.closeTo(480 * (0.8 + 1 / 6 / 240), 1e-6);
  });

  it('gives the same object for the same records', () => {
    const records = nightRecords();
    expect(nightStatic(records)).to.equal(nightStatic(records));
  });

  it('southern site: Wagtail unguided, sigma Octantis, pattern of four', () => {
    const night = nightStatic(
      nightRecords({ rigId: 'demo-wagtail', site: sites[1] ?? {}, targetId: 'demo-ngc253', plan: { subS: 30 } }),
    );
    const at = nightAt(night, Date.parse('2026-11-24T20:00:00Z'));
    expect(at.poleStar.name).to.equal('Sigma Octantis');
    expect(at.polePattern).to.have.length(4);
    expect(at.stars?.budget.stretches.map((i) => i.item)).to.include('periodicError');
  });

  it('high latitude without darkness: no dark span, no plan, no NaN', () => {
    const night = nightStatic(
      nightRecords({ date: '2026-06-21', site: { latDeg: 62, lonDeg: 20, zoneIana: 'Europe/Stockholm' } }),
    );
    expect([night.dark, night.usable, night.plan]).to.deep.equal([null, null, null]);
    const at = nightAt(night, night.sky.view.fromMs + HOUR);
    expect(Object.values(at.target ?? {}).every(Number.isFinite)).to.equal(true);
    expect(
      nightStatic(
        nightRecords({
          date: '2026-06-21',
          darkness: 'civil',
          site: { latDeg: 58, lonDeg: 20, zoneIana: 'Europe/Stockholm' },
        }),
      ).dark,
    ).not.to.equal(null);
  });

  it('polar night is dark all 24 hours', () => {
    const night = nightStatic(
      nightRecords({ date: '2026-12-21', darkness: 'nautical', site: { latDeg: 82, lonDeg: 20, zoneIana: 'UTC' } }),
    );
    expect((night.dark?.toMs ?? 0) - (night.dark?.fromMs ?? 0)).to.equal(24 * HOUR);
    expect(night.sky.view.toMs - night.sky.view.fromMs).to.equal(24 * HOUR);
  });

  it('a target that never rises has no spans; one that never sets has the whole night', () => {
    const never = nightStatic(nightRecords({ targetId: 'demo-ngc104' }));
    expect([never.up, never.targetSky?.transit.neverRises]).to.deep.equal([[], true]);
    const always = nightStatic(nightRecords({ target: { decJ2000Deg: 85 } }));
    expect(always.up).to.have.length(1);
    expect((always.up[0]?.toMs ?? 0) - (always.up[0]?.fromMs ?? 0)).to.equal(24 * HOUR);
  });

  it('a night across a summer-time change keeps 24 hours and tells the jump', () => {
    const night = nightStatic(nightRecords({ date: '2026-10-24' }));
    expect(night.sky.clockChange?.minutes).to.equal(-60);
    expect(night.sky.events.endMs - night.sky.events.startMs).to.equal(24 * HOUR);
  });

  it('both sides of the date line see the same sky', () => {
    const east = nightStatic(nightRecords({ site: { latDeg: -15, lonDeg: 179.99, zoneIana: 'Pacific/Fiji' } }));
    const west = nightStatic(
      nightRecords({ date: '2026-11-23', site: { latDeg: -15, lonDeg: -179.99, zoneIana: 'Pacific/Pago_Pago' } }),
    );
    expect(east.dark!.fromMs).to.be.within(Date.parse('2026-11-24T07:00:00Z'), Date.parse('2026-11-24T08:30:00Z'));
    expect(Math.abs(east.dark!.fromMs - west.dark!.fromMs)).to.be.lessThan(60_000);
  });

  it('names what a rig lacks instead of failing', () => {
    const weightless = parts
      .map((p) => (p.id === 'demo-heron-tube' ? { ...p, massKg: null } : p))
      .filter((p) => p.id !== 'demo-heron-camera');
    const night = nightStatic(nightRecords({ parts: weightless }));
    expect(night.numbers.gaps).to.deep.include({
      code: 'massMissing',
      partId: 'demo-heron-tube',
      name: '80 mm f/6 triplet',
    });
    expect(night.numbers.gaps).to.deep.include({ code: 'cameraMissing' });
    expect(night.budget).to.equal(null);
    expect(nightAt(night, NOW).stars).to.equal(null);
  });
});

describe('readings in the budget', () => {
  it('a measured polar error takes the place of the assumption and follows the hour angle', () => {
    const before = nightStatic(nightRecords());
    expect(before.budget?.sources.polar?.basis).to.equal('notLooked');
    const measured = nightStatic(
      nightRecords({
        rigId: 'demo-wagtail',
        readings: [
          reading('polarError', { altErrorArcmin: 10, azErrorArcmin: 0, method: 'typed', reference: 'refracted' }),
        ],
      }),
    );
    expect(measured.budget?.sources.polar).to.deep.equal({ basis: 'measured', asOf: '2026-11-24T20:00:00.000Z' });
    const transit = measured.targetSky?.transit.transitMs ?? 0;
    const drift = (timeMs: number) =>
      nightAt(measured, timeMs).stars?.budget.stretches.find((i) => i.item === 'polar')?.fwhmArcsec ?? 0;
    // An altitude error drifts in declination most at six hours from the meridian.
    expect(drift(transit + 5 * HOUR)).to.be.greaterThan(drift(transit) * 1.1);
  });

  it('after a turn the account reckons with it, and no turn makes an error smaller than it moved it', () => {
    const error = (alt: number, minute: number) =>
      reading(
        'polarError',
        { altErrorArcmin: alt, azErrorArcmin: 0, method: 'typed', reference: 'true' },
        { id: `e${minute}`, takenAtUtc: `2026-11-24T20:0${minute}:00.000Z` },
      );
    const turn = reading(
      'knobTurn',
      { adjuster: 'altitude', turns: -0.2, afterLockOrReversal: true, beforeArcmin: 12, afterArcmin: null },
      { takenAtUtc: '2026-11-24T20:02:00.000Z' },
    );
    const budget = (readings: Parameters<typeof nightRecords>[0]) => nightStatic(nightRecords(readings)).budget;
    const turned = budget({ readings: [error(12, 1), turn] });
    // A fifth of a turn counter-clockwise at 57.3 arcmin a turn.
    expect(turned?.sub.polar)
      .to.have.property('altErrorArcmin')
      .that.is.closeTo(12 - 0.2 * 57.29, 0.05);
    expect(turned?.sources.polar?.basis).to.equal('assumed');
    const again = budget({ readings: [error(12, 1), turn, error(2, 3)] });
    expect(again?.sources.polar?.basis).to.equal('measured');
  });

  it('set by eye lowers the assumed error from nearly two degrees to 8 arcmin', () => {
    const size = (readings: Parameters<typeof nightRecords>[0]) => {
      const polar = nightStatic(nightRecords(readings)).budget?.sub.polar;
      return polar?.known === 'size' ? polar.errorArcmin : null;
    };
    expect(size({})).to.be.closeTo(90 * Math.hypot(1, Math.cos((40.33 * Math.PI) / 180)), 1e-9);
    expect(size({ readings: [event('setByEye')] })).to.be.closeTo(8, 1e-9);
  });

  it('a retracted reading counts no more', () => {
    const one = reading('seeing', { fwhmArcsec: 1.5 });
    const gone = reading('retract', { readingId: one.id });
    expect(standingReadings([one, gone])).to.deep.equal([]);
    expect(nightStatic(nightRecords({ readings: [one] })).budget?.sub.seeingFwhmArcsec).to.equal(1.5);
    expect(nightStatic(nightRecords({ readings: [one, gone] })).budget?.sub.seeingFwhmArcsec).to.equal(2.5);
  });
});

describe('snapshots', () => {
  const heron = rigs[0]!;
  const snapshot: Snapshot = {
    id: 's1',
    takenAtUtc: '2026-11-24T20:00:00.000Z',
    rig: heron,
    parts: partsOfRig(heron, parts),
    site: sites[0]!,
  };
  const heavier = parts.map((p) => (p.id === 'demo-heron-camera' ? { ...p, massKg: 2.5, rev: 2 } : p));

  it('an old night keeps its numbers when a mass changes; tonight follows', () => {
    const all = {
      ...world({ parts: heavier, readings: [reading('balance', { axis: 'ra', positionM: 0.28, drops: 'tube' })] }),
      snapshots: snapshotsById([snapshot]),
    };
    const position = (nowMs: number) => nightStatic(recordsOfNight(all, 'n1', nowMs)!).bar?.found.positionM ?? 0;
    expect(position(NOW + 3 * 24 * HOUR)).to.be.closeTo(0.292686, 1e-6);
    expect(position(NOW)).to.be.greaterThan(0.35);
  });

  it('knows which snapshots show the present state', () => {
    const present = (list: typeof parts) =>
      recordsOfNight(
        { ...world({ parts: list }), snapshots: snapshotsById([snapshot]) },
        'n1',
        NOW,
      )?.presentSnapshotIds.has('s1');
    expect([present(parts), present(heavier)]).to.deep.equal([true, false]);
  });

  it('a past night stands by its snapshot when its site is gone since', () => {
    const all = {
      ...world({ readings: [reading('note', { text: 'x' })] }),
      sites: [],
      snapshots: snapshotsById([snapshot]),
    };
    expect(recordsOfNight(all, 'n1', NOW + 3 * 24 * HOUR)?.site.id).to.equal(snapshot.site.id);
    expect(recordsOfNight(all, 'n1', NOW), 'tonight does not').to.equal(null);
  });

  it('is null when night, rig or site are gone', () => {
    expect(recordsOfNight(world(), 'other', NOW)).to.equal(null);
    expect(recordsOfNight({ ...world(), sites: [] }, 'n1', NOW)).to.equal(null);
  });
});

describe('nightAt', () => {
  it('has the events in order', () => {
    const night = nightStatic(nightRecords());
    const codes = nightEventList(night).map((e) => e.code);
    expect(codes).to.deep.equal(['sunset', 'dark', 'start', 'flip', 'end', 'dawn', 'sunrise']);
  });

  it('walks through the twilights', () => {
    const night = nightStatic(nightRecords());
    const { startMs, twilight } = night.sky.events;
    const dusk = (name: 'sunset' | 'civil' | 'nautical' | 'astronomical') =>
      phaseAt(night.sky, (twilight[name].duskMs ?? 0) + 1000);
    expect([
      phaseAt(night.sky, startMs),
      dusk('sunset'),
      dusk('civil'),
      dusk('nautical'),
      dusk('astronomical'),
    ]).to.deep.equal(['day', 'civil', 'nautical', 'astronomical', 'night']);
  });

  it('moves the dial by an hour for an hour of the night', () => {
    const night = nightStatic(nightRecords());
    const turned = nightAt(night, NOW + HOUR).poleStar.uprightAngleDeg - nightAt(night, NOW).poleStar.uprightAngleDeg;
    expect(((turned % 360) + 360) % 360).to.be.closeTo(360 - 15.041, 0.01);
  });
});

describe('horizon line', () => {
  it('joins its points, around through north, and is 15 degrees without any', () => {
    const horizon = [
      { azDeg: 350, altDeg: 10 },
      { azDeg: 10, altDeg: 30 },
      { azDeg: 180, altDeg: 0 },
    ];
    expect(horizonAltDeg({ horizon }, 0)).to.be.closeTo(20, 1e-9);
    expect(horizonAltDeg({ horizon }, 95)).to.be.closeTo(15, 1e-9);
    expect(horizonAltDeg({ horizon: [] }, 95)).to.equal(15);
    expect(horizonAltDeg({ horizon: [{ azDeg: 90, altDeg: 7 }] }, 271)).to.equal(7);
  });
});
