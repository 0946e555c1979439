/** The demo rigs reckoned by hand: what hangs where, what a battery sees, how far a saddle holds. */
import { expect } from 'chai';
import { leversOf } from '../../../../src/core/rig/axisLevers.ts';
import { unloadOrder } from '../../../../src/core/night/advice/hands/balanceOrder.ts';
import { assumedSinusoids } from '../../../../src/core/rig/assumedDrive.ts';
import { cableNeededM } from '../../../../src/core/rig/cableRuns.ts';
import { horizonAltDeg } from '../../../../src/core/night/plan/darkness.ts';
import { footingOfRig, massPoints, type Swing } from '../../../../src/core/rig/footingOfRig.ts';
import { mountChoice } from '../../../../src/core/rig/mountChoice.ts';
import { nightStatic } from '../../../../src/core/night/nightStatic.ts';
import { planSubs } from '../../../../src/core/night/plan/plan.ts';
import { powerOfRig } from '../../../../src/core/rig/powerOfRig.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import { mountOf, partsOfRig } from '../../../../src/core/rig/rigState.ts';
import { feetAround, footing, tipForceN, windForForceMPerS } from '../../../../src/core/mount/tripod.ts';
import { guessTube } from '../../../../src/core/optics/tubeClasses.ts';
import type { MountPart, Part, PartOf } from '../../../../src/core/records/part.ts';
import type { Rig } from '../../../../src/core/records/rig.ts';
import { SETTING_DEFAULTS } from '../../../../src/core/records/setting.ts';
import { ASSUMED } from '../../../../src/core/verdict/assumptions.ts';
import { changed, night } from '../../../support/nights.ts';
import { nightRecords, parts, reading, rigs } from '../../../support/records.ts';

const rig = (name: string): Rig => rigs.find((r) => r.name === name)!;
const numbersOf = (name: string, own: readonly Part[] = parts) => rigNumbers(rig(name), own);
const [COS, SIN] = [Math.cos((40 * Math.PI) / 180), Math.sin((40 * Math.PI) / 180)];

describe('where Heron’s masses stand', () => {
  const points = (latDeg: number, swing: Swing, own?: readonly Part[]) =>
    massPoints(numbersOf('Heron', own), latDeg, swing);
  const has = (list: ReturnType<typeof points>, massKg: number, position: readonly number[]) => {
    const found = list.find((p) => p.massKg === massKg)!;
    position.forEach((m, i) => expect(found.positionM[i], `${massKg} kg, axis ${i}`).to.be.closeTo(m, 1e-9));
  };

  it('tripod, head, reducer, bar and weight with the tube west of the column', () => {
    const all = points(40, 'tubeWest');
    has(all, 7.5, [0, 0, 0.45 * 0.95]);
    has(all, 11, [0, 0.06, 1.1]);
    has(all, 0.45, [-0.17, 0.12 - 0.24 * COS, 1.25 - 0.24 * SIN]);
    has(all, 0.8, [0.2, 0.12, 1.25]);
    has(all, 3.5, [0.272, 0.12, 1.25]);
  });

  it('the bar straight down lifts the tube toward the equator side of the column', () => {
    const all = points(40, 'weightsDown');
    has(all, 3.4, [0, 0.12 - 0.17 * SIN, 1.25 + 0.17 * COS]);
    has(all, 3.5, [0, 0.12 + 0.272 * SIN, 1.25 - 0.272 * COS]);
    has(points(-40, 'weightsDown'), 3.4, [0, -0.12 + 0.17 * SIN, 1.25 + 0.17 * COS]);
  });

  it('without its geometry the axes cross over the hub, a usual height above it, and that is said', () => {
    const bare = changed('demo-heron-mount', { geometry: null });
    has(points(40, 'tubeWest', bare), 0.8, [0.2, 0, 1.2]);
    const assumed = (own?: readonly Part[]) => footingOfRig(numbersOf('Heron', own), 40, 0)!.pivotAssumed;
    expect([assumed(), assumed(bare)]).to.deep.equal([false, true]);
  });

  it('the wind takes hold of tube and camera at the height of the tube', () => {
    const { all, worst } = footingOfRig(numbersOf('Heron'), 40, 850)!;
    const sail = {
      areaM2: 2 * 0.055 * 0.48 + 2 * 0.045 * 0.11,
      dragCoefficient: 1.1,
      airDensityKgM3: 1.225 / Math.exp(0.1),
    };
    const feet = feetAround(0.52, 0);
    const wind = (swing: Swing, heightM: number): number =>
      windForForceMPerS(sail, tipForceN(feet, footing(feet, points(40, swing)), heightM));
    const found = (swing: Swing): number => all.find((one) => one.swing === swing)!.tipWindMPerS;
    expect(found('tubeWest')).to.be.closeTo(wind('tubeWest', 1.25), 1e-9);
    expect(found('weightsDown')).to.be.closeTo(wind('weightsDown', 1.25 + 0.17 * COS), 1e-9);
    expect(worst.tipWindMPerS).to.equal(Math.min(...all.map((one) => one.tipWindMPerS)));
  });
});

describe('what hangs on a battery', () => {
  const { dark } = nightStatic(nightRecords());
  const settings = SETTING_DEFAULTS.power;
  const heron = (own: readonly Part[] = parts) => powerOfRig(rig('Heron'), own, dark, settings);

  it('each port is fused above its peaks and below its thinnest cable; behind a converter the battery sees less', () => {
    const [battery] = heron().batteries;
    const port = (name: string) => battery!.branches.find((b) => b.port === name)!.fuse!;
    expect(battery!.branches.map((b) => b.port)).to.deep.equal(['1', '2', '3', '4']);
    expect(port('1')).to.deep.include({ highestA: 10 });
    expect(port('1').lowestA).to.be.closeTo(1.25 * 1.8, 1e-9);
    expect(port('3').lowestA, 'without a stated peak what it runs with').to.be.closeTo(1.25 * 1.2, 1e-9);
    expect(port('4').lowestA).to.be.closeTo(1.25 * (1.6 + (0.4 * 5) / 12.8 / 0.9), 1e-9);
    expect(port('4').highestA, 'the cable behind the converter does not count').to.equal(5);
  });

  it('one thin cable of a run is enough to be over what it carries', () => {
    const thin = { ...parts.find((p) => p.id === 'demo-heron-cable-mount')!, id: 'thin', maxA: 1 } as Part;
    const two = {
      ...rig('Heron'),
      supplies: rig('Heron').supplies.map((s) => (s.port === '1' ? { ...s, cableIds: [...s.cableIds, 'thin'] } : s)),
    };
    const [mount, cooler] = powerOfRig(two, [...parts, thin], dark, settings).devices;
    expect([mount!.overCarried, cooler!.overCarried]).to.deep.equal([true, false]);
    expect(mount!.cableM, 'both together').to.equal(5);
    expect(heron().devices[0]!.overCarried).to.equal(false);
  });

  it('a cable reaches up to the axes, twice out to the device, along the tube and round a loop', () => {
    const load = (use: PartOf<'load'>['use'], id = 'x') =>
      ({ ...parts.find((p) => p.id === 'demo-heron-load-mount')!, id, use }) as PartOf<'load'>;
    const known = new Map(parts.map((p) => [p.id, p]));
    expect(cableNeededM(rig('Heron'), known, load('mount'))).to.be.closeTo(1.25 + 0.3, 1e-9);
    expect(cableNeededM(rig('Heron'), known, load('cooler'))).to.be.closeTo(1.25 + 2 * 0.17 + 0.33 + 0.3, 1e-9);
    const grounded: Rig = {
      ...rig('Heron'),
      placed: [...rig('Heron').placed, { ...rig('Heron').placed[0]!, partId: 'x', on: 'ground' }],
    };
    expect(cableNeededM(grounded, known, load('computer'))).to.equal(1);
  });
});

describe('what can be moved about an axis', () => {
  const around = (name: string, own: readonly Part[] = parts) => {
    const numbers = numbersOf(name, own);
    return { rig: rig(name), masses: numbers.masses, mount: numbers.mount, tube: numbers.tube };
  };
  const heavier = (id: string, massKg: number) => changed(id, { massKg });

  it('a tube slides within its saddle; on a tracker’s bracket the camera is held too', () => {
    const heron = leversOf('dec', around('Heron'))!;
    expect(heron.rangeM[0]).to.be.closeTo(-0.27 * 0.8, 1e-12);
    expect(heron.rangeM[1]).to.be.closeTo(0.21 * 0.8, 1e-12);
    const wagtail = leversOf('dec', around('Wagtail', changed('demo-wagtail-camera', { lengthM: 0.2 })))!;
    expect(wagtail.rangeM[1]).to.be.closeTo((0.04 + 0.2 / 2) * 0.8, 1e-12);
  });

  it('what weighs a gram can be moved, what weighs less cannot', () => {
    expect(leversOf('ra', around('Heron', heavier('demo-weight-35', 0.001)))?.axis).to.equal('ra');
    expect(leversOf('ra', around('Heron', heavier('demo-weight-35', 0.0009)))).to.equal(null);
    expect(
      leversOf('sideways', around('Heron', heavier('demo-heron-guide-scope', 0.001)), 'demo-at-heron-guide-scope')
        ?.axis,
    ).to.equal('sideways');
    expect(
      leversOf('sideways', around('Heron', heavier('demo-heron-guide-scope', 0.0009)), 'demo-at-heron-guide-scope'),
    ).to.equal(null);
  });

  it('the legs are taken last where there are legs', () => {
    expect(unloadOrder(night()).at(-1)).to.equal('legsLast');
    expect(unloadOrder(night({ parts: changed('demo-heron-tripod', { supportKind: 'pier' }) })).at(-1)).to.equal(
      'headOff',
    );
  });
});

describe('what belongs to a rig', () => {
  it('its own parts, and every weight of the box that is neither put away nor gone', () => {
    const ids = (own: readonly Part[]) => partsOfRig(rig('Heron'), own).map((p) => p.id);
    expect(ids(parts)).to.include('demo-weight-5').and.not.include('demo-wagtail-lens');
    expect(ids(changed('demo-weight-5', { archived: true }))).not.to.include('demo-weight-5');
    expect(ids(changed('demo-weight-5', { deletedAtUtc: '2026-11-02T00:00:00.000Z' }))).not.to.include('demo-weight-5');
    expect(ids(changed('demo-weight-35', { archived: true })), 'one that hangs on it stays').to.include(
      'demo-weight-35',
    );
    expect(ids(parts)).to.deep.equal([...ids(parts)].sort());
  });

  it('a mount that was removed is no mount', () => {
    const gone = changed('demo-heron-mount', { deletedAtUtc: '2026-11-02T00:00:00.000Z' });
    expect(mountOf({ rig: rig('Heron'), parts })?.id).to.equal('demo-heron-mount');
    expect(mountOf({ rig: rig('Heron'), parts: gone })).to.equal(null);
  });
});

describe('the drive that is taken for granted', () => {
  const { smallTracker, geared, belt, strainWave } = ASSUMED.periodicPeakToPeakArcsec;
  const heron = parts.find((p) => p.id === 'demo-heron-mount') as MountPart;
  const amplitude = (change: Partial<MountPart>) => assumedSinusoids({ ...heron, ...change })[0]!.amplitudeArcsec * 2;

  it('by its kind: trackers of both kinds, belts, gears and strain waves', () => {
    expect(amplitude({ mountKind: 'trackerBallHead', belt: false })).to.equal(smallTracker);
    expect(amplitude({ mountKind: 'trackerBracket', belt: false })).to.equal(smallTracker);
    expect([amplitude({ belt: true }), amplitude({ belt: false })]).to.deep.equal([belt, geared]);
    expect(amplitude({ drive: 'strainWave', mountKind: 'trackerBracket' })).to.equal(strainWave);
    expect(assumedSinusoids(null)[0]!.amplitudeArcsec * 2).to.equal(geared);
  });

  it('a measured track gives its own harmonics, each a whole part of the period', () => {
    const values = (raDriftArcsecPerMin: number | null) => ({
      periodS: 480,
      harmonics: [
        { k: 1, amplitudeArcsec: 6, phaseDeg: 0 },
        { k: 3, amplitudeArcsec: 2, phaseDeg: 90 },
      ],
      raDriftArcsecPerMin,
      decDriftArcsecPerMin: null,
      residualArcsec: 1,
    });
    const tracked = (raDriftArcsecPerMin: number | null) => {
      const subject = { type: 'mount', id: 'demo-wagtail-mount' } as const;
      const readings = [reading('track', values(raDriftArcsecPerMin), { subject })];
      const { sub, sources } = night({ readings, rigId: 'demo-wagtail' }).budget!;
      if (sub.tracking.guided) throw new Error('Wagtail is not guided');
      return { ...sub.tracking, rate: sources.raRate!.basis };
    };
    expect(tracked(0.1).drive.sinusoids).to.deep.equal([
      { amplitudeArcsec: 6, periodS: 480, phaseDeg: 0 },
      { amplitudeArcsec: 2, periodS: 160, phaseDeg: 90 },
    ]);
    expect(tracked(0.1)).to.deep.include({ raRateAxisArcsecPerMin: 0.1, rate: 'measured' });
    const assumed = ASSUMED.raRateAxisArcsecPerMin;
    expect(tracked(null)).to.deep.include({ raRateAxisArcsecPerMin: assumed, rate: 'assumed' });
  });
});

describe('small reckonings of a night', () => {
  it('the horizon is a line between its points, also through north', () => {
    const horizon = [
      { azDeg: 10, altDeg: 20 },
      { azDeg: 90, altDeg: 4 },
      { azDeg: 350, altDeg: 10 },
    ];
    const at = (azDeg: number) => horizonAltDeg({ horizon }, azDeg);
    expect([at(0), at(355), at(5), at(10), at(50)]).to.deep.equal([15, 12.5, 17.5, 20, 12]);
    expect([at(359), at(340)].map((alt) => Math.round(alt * 1000))).to.deep.equal([
      14500,
      Math.round((4 + (250 / 260) * 6) * 1000),
    ]);
    expect(horizonAltDeg({ horizon: [{ azDeg: 100, altDeg: 7 }] }, 300)).to.equal(7);
  });

  it('a plan that never meets its limit does not stop there', () => {
    const base = {
      startMs: 0,
      endMs: 3_600_000,
      subS: 120,
      gapS: 5,
      count: null,
      standsOn: null,
      flipMinutes: 8,
      refocus: null,
      reset: null,
      dither: null,
      strategy: 'stopAtLimit' as const,
    };
    const limited = (transitMs: number) => [
      { side: 'before' as const, fromMs: -Infinity, toMs: transitMs + 1_800_000, crossingMs: transitMs },
    ];
    expect(planSubs({ ...base, windows: null })).to.deep.include({ stopsAtLimit: false, flips: [], limitMs: null });
    expect(planSubs({ ...base, windows: limited(7_200_000) }).stopsAtLimit).to.equal(false);
    expect(planSubs({ ...base, windows: limited(60_000) }).stopsAtLimit).to.equal(true);
    expect(planSubs({ ...base, endMs: 0, windows: limited(60_000) }).subs).to.deep.equal([]);
  });

  it('a class of mount carries tube with its rings, camera and guide scope; the eye never goes below the ground', () => {
    const camera = { pixelUm: 3.76, widthPx: 6248, heightPx: 4176, massKg: 0.72 };
    const wish = {
      use: 'longExposures' as const,
      own: null,
      targetSizeArcmin: 70,
      focalRatio: 6,
      exposureS: 120,
      guided: true,
      camera,
      latDeg: 40.33,
      shareUsed: 2 / 3,
      limits: SETTING_DEFAULTS.limits,
    };
    const choice = mountChoice(wish);
    const tube = guessTube(choice.optics.apertureMm, choice.optics.focalMm);
    expect(choice.tubeSideKg).to.be.closeTo(tube.massKg * 1.3 + 0.72 + 0.6, 1e-9);
    const midBelt = choice.classes.find((c) => c.mount.id === 'midBelt')!;
    const weightsKg = 0.6 * choice.tubeSideKg;
    expect(midBelt.carriedKg).to.be.closeTo(
      midBelt.mount.headKg + midBelt.mount.supportKg + choice.tubeSideKg + weightsKg,
      1e-9,
    );
    expect(midBelt.pieces).to.equal(5 + Math.ceil(weightsKg / 5));
    const long = mountChoice({ ...wish, targetSizeArcmin: 10, focalRatio: 35 });
    const lowest = Math.min(...long.classes.map((c) => c.eyeHeightM[0]));
    expect(long.optics.tube.lengthM, 'a very long tube').to.be.greaterThan(2.6);
    expect(lowest).to.equal(0);
  });
});
