import { expect } from 'chai';
import { measuredDrive } from '../../../../../src/core/night/learned/measuredDrive.ts';
import { shareOfLength, unguidedSub } from '../../../../../src/core/night/advice/stars/usableOfNight.ts';
import type { MountPart } from '../../../../../src/core/records/part.ts';
import type { ReadingOf } from '../../../../../src/core/records/reading.ts';
import { before, night } from '../../../../support/nights.ts';
import { error } from '../../../../support/polar.ts';
import { parts } from '../../../../support/records.ts';

const mount = parts.find((p) => p.id === 'demo-heron-mount') as MountPart;
const WORM = [
  { k: 1, amplitudeArcsec: 4, phaseDeg: 30 },
  { k: 2, amplitudeArcsec: 1, phaseDeg: -80 },
];
const bumps = (count: number) => ({
  stepS: 4,
  errorArcsec: Array.from({ length: count }, (_, i) => 2.5 * Math.sin(i * 0.9)),
});
type Values = ReadingOf<'track'>['values'];
const track = (values: Partial<Values>): ReadingOf<'track'> =>
  before(
    'track',
    {
      periodS: 479,
      harmonics: WORM,
      raDriftArcsecPerMin: 0.1,
      decDriftArcsecPerMin: 0,
      residualArcsec: 0.3,
      ...values,
    },
    't',
    { type: 'mount', id: mount.id },
  ) as ReadingOf<'track'>;

describe('the drive that a log saw', () => {
  it('is the worm with all its harmonics begun together, and the rest on top', () => {
    const rest = bumps(40);
    expect(measuredDrive(track({ rest }), mount)).to.deep.equal({
      sinusoids: [
        { amplitudeArcsec: 4, periodS: 479, phaseDeg: 30 },
        { amplitudeArcsec: 1, periodS: 239.5, phaseDeg: -80 },
      ],
      curve: rest,
    });
    expect(measuredDrive(track({}), mount)!.curve, 'typed, or recorded before the rest was kept').to.equal(null);
  });

  it('without a turn is the curve itself, once two turns would have shown; before that it is not known', () => {
    const without = { periodS: null, harmonics: [] };
    // 180 teeth turn in 479 s: 240 steps of 4 s are two turns.
    expect(measuredDrive(track({ ...without, rest: bumps(240) }), mount)).to.deep.equal({
      sinusoids: [],
      curve: bumps(240),
    });
    expect(measuredDrive(track({ ...without, rest: bumps(239) }), mount)).to.equal(null);
    expect(measuredDrive(track({ ...without, rest: null }), mount), 'nothing seen is not nothing').to.equal(null);
    expect(measuredDrive(track({ ...without, swingUnderArcsec: 3 }), mount), 'up to no period').to.equal(null);
    expect(measuredDrive(track({ ...without, upToPeriodS: 900 }), mount), 'under nothing').to.equal(null);
    expect(
      measuredDrive(track({ ...without, swingUnderArcsec: 3, upToPeriodS: 900 }), mount)!.sinusoids,
    ).to.have.length(1);
  });

  it('keeps fewer subs than its worm alone would, and the longer the fewer', () => {
    const shares = (rest: Values['rest']) => {
      const tonight = night({ readings: [track({ rest }), error(1, 0.2, 0.2)] });
      const { sub, measured } = unguidedSub(tonight, { haH: -1, altDeg: 60 })!;
      expect(measured).to.equal(true);
      return [90, 120, 180].map((s) => shareOfLength(sub, s, tonight));
    };
    const [worm, whole] = [shares(null), shares(bumps(400))];
    expect(worm[0]).to.be.greaterThan(0.8);
    whole.forEach((share, i) => expect(share).to.be.below(worm[i]!));
    expect(whole[0]).to.be.greaterThan(whole[1]!);
    expect(whole[1]).to.be.greaterThan(whole[2]!);
  });
});
