import { expect } from 'chai';
import fc from 'fast-check';
import { analyseTrack } from '../../../../src/core/tracking/analyseTrack.ts';
import {
  aboutDrift,
  earlierDrive,
  middleHaH,
  swingUnder,
  trackValues,
} from '../../../../src/core/tracking/trackReading.ts';
import { nightStatic } from '../../../../src/core/night/nightStatic.ts';
import { nightAt } from '../../../../src/core/night/nightAt.ts';
import { recordsOfNight } from '../../../../src/core/history/nightRecords.ts';
import type { ReadingOf } from '../../../../src/core/records/reading.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import { earlierWords } from '../../../../src/text/logWords.ts';
import { analysis, series } from '../../../support/logs.ts';
import { holds } from '../../../support/properties.ts';
import { NOW, reading, rigs, world } from '../../../support/records.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
describe('what a log says of its mount, as it is kept', () => {
  it('the middle of a log that has just ended stood half its length farther east', () => {
    expect(middleHaH(1.27, analysis)).to.be.closeTo(1.02, 0.01);
    expect(middleHaH(undefined, analysis)).to.equal(null);
  });

  it('a drive that was recorded before is shown on this sky, begun where this log begins', () => {
    const values = trackValues(analysis, 60);
    const last = reading('track', values, { id: 'old' }) as ReadingOf<'track'>;
    const { harmonics } = analysis.periodic!;
    const same = earlierDrive(analysis, last, 60)!;
    same.harmonics.forEach((h, i) => {
      expect(h.amplitudeArcsec).to.be.closeTo(harmonics[i]!.amplitudeArcsec, 1e-9);
      expect(h.phaseDeg).to.be.closeTo(harmonics[i]!.phaseDeg, 1e-9);
    });
    expect(same.peakToPeakArcsec).to.be.closeTo(analysis.periodic!.peakToPeakArcsec, 1e-6);
    expect(earlierDrive(analysis, last, 0)!.peakToPeakArcsec).to.be.closeTo(2 * same.peakToPeakArcsec, 1e-6);
    expect(earlierDrive(analysis, undefined, 0)).to.equal(null);
    expect(earlierDrive({ ...analysis, periodic: null }, last, 0)).to.equal(null);
    expect(earlierWords(same, 12, f)).to.match(
      /^Dashed: the drive as recorded on Tue 24 Nov.* It swung 12\.0″ then, 12\.0″ now\.$/,
    );
  });

  it('the reading holds the drive’s own errors: at 60 degrees twice what the sky shows', () => {
    const [sky, axis] = [trackValues(analysis, 0), trackValues(analysis, 60)];
    expect(axis.harmonics[0]!.amplitudeArcsec).to.be.closeTo(2 * sky.harmonics[0]!.amplitudeArcsec, 1e-9);
    expect(axis.raDriftArcsecPerMin).to.be.closeTo(2 * sky.raDriftArcsecPerMin!, 1e-9);
    expect(axis.decDriftArcsecPerMin).to.equal(sky.decDriftArcsecPerMin);
    expect(sky.harmonics[0]!.amplitudeArcsec).to.be.closeTo(6, 0.1);
    expect([sky.periodS, sky.decDriftArcsecPerMin].map((v) => Math.round(v! * 10) / 10)).to.deep.equal([400, 1]);
  });

  it('without drift and jump a quarter of the course is left', () => {
    const about = aboutDrift(analysis);
    expect(Math.max(...about.map(Math.abs))).to.be.within(5, 8.5);
  });
});

/** A star through moving air on a drive that swings, seconds and arcsec; noise by a plain generator. */
function logOf({
  swing,
  periodS,
  spanS,
  air,
  seed,
}: {
  swing: number;
  periodS: number;
  spanS: number;
  air: number;
  seed: number;
}) {
  let state = seed + 1;
  const noise = () => {
    state = (state * 48_271) % 2_147_483_647;
    return (state / 2_147_483_647 - 0.5) * Math.sqrt(12) * air;
  };
  const times = Float64Array.from({ length: Math.floor(spanS / 2) }, (_, i) => 2 * i);
  return analyseTrack(
    {
      ...series,
      timeS: times,
      raArcsec: times.map((t) => (swing / 2) * Math.sin((2 * Math.PI * t) / periodS + seed) + noise()),
      decArcsec: times.map(() => noise()),
    },
    { ownTurnS: null },
  )!;
}

describe('a log in which no period stands out', () => {
  const logs = fc.record({
    air: fc.double({ min: 0.3, max: 2, noNaN: true }),
    seed: fc.nat(1e6),
    share: fc.double({ min: 0, max: 1, noNaN: true }),
  });

  it('says what the largest wave may swing by: hardly ever less than it does, and never far more than the air hides', () => {
    let [under, told] = [0, 0];
    holds(
      fc.property(logs, ({ air, seed, share }) => {
        const swing = share * 0.25 * air;
        const found = swingUnder(logOf({ swing, periodS: 479, spanS: 3000, air, seed }));
        if (!found) return;
        told += 1;
        if (found.arcsec < swing) under += 1;
        expect(found.arcsec).to.be.lessThan(swing + air);
        expect(found.upToPeriodS).to.be.closeTo(2000, 5);
      }),
      60,
    );
    expect(told).to.be.greaterThan(40);
    expect(under).to.be.lessThan(0.05 * told);
  });

  const stretchWith = (found: ReturnType<typeof logOf> | null): number => {
    const subject = { type: 'mount' as const, id: 'demo-heron-mount' };
    const kept = found ? [reading('track', trackValues(found, 0), { subject, id: 'log' })] : [];
    const pole = { altErrorArcmin: 0.5, azErrorArcmin: 0.5, method: 'typed', reference: 'refracted' } as const;
    const all = world({ readings: [...kept, reading('polarError', pole, { subject, id: 'pole' })] });
    const free = { ...all, rigs: rigs.map((r) => ({ ...r, guiding: 'none' as const })) };
    return nightAt(nightStatic(recordsOfNight(free, 'n1', NOW)!), NOW).stars!.budget.stretch90;
  };

  it('is a reading too: a better drive is never judged worse than a worse one, nor than one that nobody logged', () => {
    for (const seed of [1, 2, 3]) {
      const stretches = [0, 2, 6, 12].map((swing) =>
        stretchWith(logOf({ swing, periodS: 479, spanS: 1500, air: 0.6, seed })),
      );
      expect(stretches).to.deep.equal([...stretches].sort((a, b) => a - b));
      expect(stretches[0]).to.be.lessThan(stretchWith(null));
    }
  });

  it('too short to have shown the worm it leaves what is assumed, and does not hide a longer log', () => {
    const short = logOf({ swing: 0, periodS: 479, spanS: 300, air: 0.6, seed: 4 });
    const assumed = nightStatic(recordsOfNight(world({}), 'n1', NOW)!).budget;
    expect(assumed).not.to.equal(null);
    const subject = { type: 'mount' as const, id: 'demo-heron-mount' };
    const kept = (id: string, found: typeof short, minute: number) =>
      reading('track', trackValues(found, 0), {
        subject,
        id,
        takenAtUtc: new Date(NOW + minute * 60_000).toISOString(),
      });
    const long = logOf({ swing: 12, periodS: 479, spanS: 3000, air: 0.6, seed: 5 });
    const all = world({ readings: [kept('long', long, 0), kept('short', short, 1)] });
    const free = { ...all, rigs: rigs.map((r) => ({ ...r, guiding: 'none' as const })) };
    const { sub } = nightStatic(recordsOfNight(free, 'n1', NOW)!).budget!;
    if (sub.tracking.guided) throw new Error('unguided');
    expect(sub.tracking.drive.sinusoids[0]!.periodS).to.be.closeTo(479, 5);
    expect(sub.tracking.drive.sinusoids[0]!.amplitudeArcsec).to.be.closeTo(6, 0.3);
  });
});
