import { expect } from 'chai';
import {
  chosenOptics,
  mountChoice,
  opticsOfAperture,
  type ChoiceQuestion,
} from '../../../../src/core/rig/mountChoice.ts';
import { tryOut } from '../../../../src/core/rig/tryOut.ts';
import { MOUNT_CLASSES } from '../../../../src/core/mount/mountClasses.ts';
import { USUAL_SENSOR, USUAL_WISH } from '../../../../src/features/payload/usualChoice.ts';
import { SETTING_DEFAULTS } from '../../../../src/core/records/setting.ts';
import { altAzExposureMap, altAzExposureS } from '../../../../src/core/sky/altAzExposure.ts';
import { fieldRotationDeg } from '../../../../src/core/sky/fieldRotation.ts';

describe('is this class of mount enough', () => {
  const camera = { pixelUm: 3.76, widthPx: 6248, heightPx: 4176, massKg: 0.72 };
  const wish: ChoiceQuestion = {
    use: 'longExposures',
    own: null,
    targetSizeArcmin: 70,
    focalRatio: 6,
    exposureS: 120,
    guided: false,
    camera,
    latDeg: 40.33,
    shareUsed: 2 / 3,
    limits: SETTING_DEFAULTS.limits,
  };
  const answer = (change: Partial<ChoiceQuestion>, id: string) =>
    mountChoice({ ...wish, ...change }).classes.find((c) => c.mount.id === id)!;

  it('the target fills 70 % of the shorter side', () => {
    const { focalMm } = chosenOptics(wish);
    const fieldArcmin = 2 * Math.atan((4176 * 3.76e-3) / 2 / focalMm) * (180 / Math.PI) * 60;
    expect(fieldArcmin).to.be.closeTo(100, 1e-6);
  });

  it('long focal lengths want more mount, short exposures and guiding less', () => {
    expect(mountChoice(wish).lightest, 'two minutes unguided are too long for all').to.equal(null);
    expect(mountChoice({ ...wish, exposureS: 30 }).lightest?.id).to.equal('midBelt');
    expect(mountChoice({ ...wish, targetSizeArcmin: 300, focalRatio: 2.8, exposureS: 8 }).lightest?.id).to.equal(
      'smallTracker',
    );
    expect(answer({}, 'strainWave').stars).to.equal('long');
    expect(answer({ guided: true }, 'strainWave').stars).to.equal('acceptable');
    expect(answer({ targetSizeArcmin: 20 }, 'midBelt').load).to.equal('over');
  });

  it('an alt-azimuth mount is judged away from the pole that is up, alike in both hemispheres', () => {
    const [north, south] = [mountChoice(wish), mountChoice({ ...wish, latDeg: -wish.latDeg })];
    expect(south.altAzLimitS).to.be.closeTo(north.altAzLimitS, 1e-9);
    const longest = altAzExposureS(wish.latDeg, 45, 90, 14.1, camera.pixelUm);
    expect(north.altAzLimitS).to.be.lessThan(longest);
  });

  it('for looking asks for no round stars and more of the rating, on a journey for what one carries', () => {
    const eye = { ...wish, camera: { ...camera, massKg: 0.15 } };
    const looking = mountChoice({ ...wish, use: 'looking' }).classes.map((c) => c.mount);
    expect(looking.filter((m) => /Tracker/.test(m.id))).to.deep.equal([]);
    for (const { id } of looking) {
      // Who looks hangs an eyepiece on it, not the camera.
      const [looked, taken] = [answer({ use: 'looking' }, id), answer(eye, id)];
      expect(looked.loadShare, id).to.be.closeTo(taken.loadShare / 0.95 / 1.5, 1e-9);
      expect(answer({ use: 'travelling' }, id).enough && answer({ use: 'travelling' }, id).carriedKg > 15).to.equal(
        false,
      );
    }
    expect(mountChoice({ ...wish, use: 'looking' }).lightest).not.to.equal(null);
    expect(mountChoice({ ...wish, use: 'planets' }).lightest).not.to.equal(null);
    expect(mountChoice({ ...wish, use: 'looking', guided: true }).tubeSideKg, 'no guide scope').to.equal(
      mountChoice({ ...wish, use: 'looking' }).tubeSideKg,
    );
  });

  it('says what nothing can: carry it, keep its stars round, or be carried on a journey', () => {
    const fails = (change: Partial<ChoiceQuestion>) => mountChoice({ ...wish, ...change }).fails;
    expect(fails({ targetSizeArcmin: 5 })).to.equal('load');
    expect(fails({})).to.equal('stars');
    expect(fails({ exposureS: 30 })).to.equal(null);
    expect(fails({ exposureS: 30, use: 'travelling' })).to.equal('carry');
  });

  it('one’s own tube counts as it is, whatever size of target stands beside it', () => {
    const own = { focalMm: 480, apertureMm: 80, tube: { kind: 'refractor', massKg: 3.9, lengthM: 0.45 } as const };
    const [small, large] = [10, 300].map((targetSizeArcmin) => mountChoice({ ...wish, own, targetSizeArcmin }));
    expect(small).to.deep.equal(large);
    expect(small!.optics.focalMm).to.equal(480);
    expect(small!.tubeSideKg).to.be.closeTo(3.9 * 1.3 + 0.72, 1e-9);
  });

  it('who looks has a tube of that aperture, and never a lens', () => {
    for (const [apertureMm, kind] of [
      [50, 'refractor'],
      [100, 'refractor'],
      [200, 'newtonian'],
    ] as const) {
      const { tube, focalMm } = opticsOfAperture(apertureMm, 5);
      expect([tube.kind, focalMm]).to.deep.equal([kind, 5 * apertureMm]);
    }
  });

  it('opens on something that can be carried and keeps stars round', () => {
    expect(mountChoice({ ...wish, ...USUAL_WISH, camera: USUAL_SENSOR }).lightest).not.to.equal(null);
  });

  it('an alt-azimuth mount does for seconds only', () => {
    expect(answer({ exposureS: 2, targetSizeArcmin: 200 }, 'altAzimuth').stars).to.equal('round');
    expect(answer({ exposureS: 120 }, 'altAzimuth').stars).to.equal('long');
  });

  it('what is enough is tried in ten minutes: hinge, push, tap, and three frames of the wanted length', () => {
    const steps = (change: Partial<ChoiceQuestion>) => {
      const question = { ...wish, exposureS: 30, ...change };
      return tryOut(mountChoice(question), question);
    };
    const [hinge, push, tap, frames] = steps({});
    expect([hinge!.code, push!.code, frames]).to.deep.equal(['hinge', 'push', { code: 'frames', exposureS: 30 }]);
    expect(tap!.code === 'tap' && tap!.wantedS).to.be.closeTo(1600 / chosenOptics(wish).focalMm, 1e-9);
    const looking = { use: 'looking' as const, own: opticsOfAperture(60, 6) };
    const lightest = MOUNT_CLASSES.find((c) => c.id === 'altAzimuth')!;
    const onIt = tryOut({ ...mountChoice({ ...wish, ...looking }), lightest }, { ...wish, ...looking });
    expect(onIt.map((s) => s.code)).to.deep.equal(['push', 'tap']);
    expect([push, onIt[0]]).to.deep.equal([
      { code: 'push', hasBar: true },
      { code: 'push', hasBar: false },
    ]);
    expect(steps({ exposureS: 120 }), 'nothing to try where nothing is enough').to.deep.equal([]);
  });

  it('says what it costs: a bar adds weights and pieces, a reflector lifts the eye', () => {
    expect(answer({}, 'midBelt').pieces).to.be.greaterThan(answer({}, 'strainWave').pieces);
    const [low, high] = answer({ targetSizeArcmin: 40, focalRatio: 5 }, 'midBelt').eyeHeightM;
    expect([low > 1.2, high > low]).to.deep.equal([true, true]);
  });
});

describe('the alt-azimuth exposure map', () => {
  it('the exposure is the time in which the field really turns by that much', () => {
    // Due south at declination -9.67 the target stands 40 degrees high at latitude 40.33.
    const exposureS = altAzExposureS(40.33, 40, 180, 14.1, 3.76);
    const turnedDeg = Math.abs(fieldRotationDeg(40.33, -9.67, 0, exposureS / 3590.17));
    expect((turnedDeg * Math.PI) / 180).to.be.closeTo(3.76e-3 / 14.1, 0.01 * (3.76e-3 / 14.1));
  });

  it('is longest due east and west, shortest near the zenith, alike in both hemispheres', () => {
    const map = altAzExposureMap(40, 14, 4);
    const at = (alt: number, az: number) =>
      map.find((c) => c.fromAltDeg === alt && (c.fromAzDeg + c.toAzDeg) / 2 === az)!.exposureS;
    expect(map).to.have.length(72);
    expect(at(30, 90)).to.be.greaterThan(3 * at(30, 180));
    expect(altAzExposureS(40, 37.5, 90, 14, 4)).to.be.greaterThan(at(30, 90));
    expect(at(75, 180)).to.be.lessThan(at(30, 180));
    expect(altAzExposureS(-40, 45, 180, 14, 4)).to.equal(altAzExposureS(40, 45, 180, 14, 4));
    expect(altAzExposureS(40, 90, 0, 14, 4)).to.equal(0);
  });
});
