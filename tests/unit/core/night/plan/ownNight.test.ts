/** The first answers of somebody new: a whole night from few answers, and each line as its bench says it. */
import { expect } from 'chai';
import fc from 'fast-check';
import { nightAt } from '../../../../../src/core/night/nightAt.ts';
import type { OwnAnswers } from '../../../../../src/core/night/plan/ownNight.ts';
import { tonight } from '../../../../../src/core/night/advice/tonight.ts';
import { CARRIERS, SIZES } from '../../../../../src/core/rig/dressing/carriers.ts';
import { bearingModel } from '../../../../../src/features/level/model.ts';
import { dialModel } from '../../../../../src/features/polar/dial/dialModel.ts';
import { meridianSummary } from '../../../../../src/features/meridian/station.ts';
import { balanceSummary } from '../../../../../src/features/balance/station.ts';
import { trackingModel } from '../../../../../src/features/tracking/model.ts';
import { writeTogether } from '../../../../../src/storage/writeTogether.ts';
import { collect } from '../../../../../src/storage/backup.ts';
import { undoLast } from '../../../../../src/storage/undo.ts';
import { OwlDatabase } from '../../../../../src/storage/database.ts';
import { makeFormat } from '../../../../../src/text/format.ts';
import { writerFor } from '../../../../support/database.ts';
import { derived, made, NOW, PORTUGAL } from '../../../../support/ownNights.ts';
import { holds } from '../../../../support/properties.ts';

const f = makeFormat('metric', 'UTC');
const answers: fc.Arbitrary<OwnAnswers> = fc.record({
  where: fc.constantFrom(PORTUGAL, { name: 'Farm', latDeg: -22.75, lonDeg: 17.2, zoneIana: 'Africa/Windhoek' }),
  rigName: fc.constant('Own'),
  rig: fc.record({
    carrier: fc.constantFrom(...CARRIERS),
    size: fc.constantFrom(...SIZES),
    finder: fc.constantFrom('twelveHour' as const, 'none' as const),
    optics: fc.record({
      kind: fc.constant('lens' as const),
      focalMm: fc.constantFrom(24, 135, 400),
      apertureMm: fc.constant(null),
    }),
    sensor: fc.constant({ format: 'reduced' as const, megapixels: 24 }),
    guided: fc.boolean(),
  }),
});

const BALL_HEAD: OwnAnswers['rig'] = {
  carrier: 'trackerBallHead',
  size: 'middle',
  finder: 'twelveHour',
  optics: { kind: 'lens', focalMm: 50, apertureMm: null },
  sensor: { format: 'fullFrame', megapixels: 24 },
  guided: false,
};

describe('a night of one’s own from few answers', () => {
  it('says on its first page what the benches say, line by line', () => {
    holds(
      fc.property(answers, (one) => {
        const night = derived(one);
        const at = nightAt(night, NOW);
        const lines = tonight(night, at);
        const bearing = bearingModel(night).saying;
        if (lines.bearing) expect(bearing).to.deep.include({ code: 'set', compassDeg: lines.bearing.compassDeg });
        expect(lines.bearing === null).to.equal(one.rig.carrier === 'altAzimuth');
        if (lines.dial) {
          const { saying, belongs } = dialModel(night, at);
          expect(lines.dial.viewAngleDeg).to.equal(belongs.angleDeg);
          expect(saying.code === 'engraved' ? saying.reading : null).to.equal(lines.dial.reading);
        }
        expect(lines.latitude === null).to.equal(one.rig.carrier === 'altAzimuth');
        if (lines.weight)
          expect(balanceSummary(night, f).reading).to.equal(f.quantity(lines.weight.positionM, 'barLength'));
        const flipMs = lines.meridian?.flipMs ?? null;
        if (flipMs !== null) expect(meridianSummary(night, f).reading).to.equal(`flip ${f.clock(flipMs)}`);
        if (lines.sub && !lines.sub.byEye)
          expect(trackingModel(night, at.stars, at.target!).usable?.longestS).to.equal(lines.sub.longestS);
      }),
      30,
    );
  });

  it('begins with the subs that its kind of mount mostly takes', () => {
    const planned = (rig: Partial<OwnAnswers['rig']>) => {
      const { records } = made({ where: PORTUGAL, rigName: 'Own', rig: { ...BALL_HEAD, ...rig } });
      const { plan } = records.find((r) => r.table === 'nights')!.body as {
        plan: { subS: number; count: number | null }[];
      };
      return plan.map(({ subS, count }) => [subS, count])[0];
    };
    expect(planned({ carrier: 'germanEquatorial', guided: true })).to.deep.equal([120, null]);
    expect(planned({})).to.deep.equal([30, null]);
    expect(planned({ carrier: 'altAzimuth' })).to.deep.equal([10, null]);
    expect(planned({ carrier: 'byHand' }), 'dozens of short ones').to.deep.equal([0.5, 60]);
    expect(planned({ carrier: 'byHand', raMotor: true })).to.deep.equal([30, null]);
  });

  it('a pole that nobody looked for is not the one the first sub is told for', () => {
    const night = derived({
      where: PORTUGAL,
      rigName: 'Own',
      rig: BALL_HEAD,
    });
    const { sub } = tonight(night, nightAt(night, NOW));
    expect(sub!.byEye).to.equal(true);
    const at = nightAt(night, NOW);
    const untouched = trackingModel(night, at.stars, at.target!).usable?.longestS ?? 0;
    expect(sub!.longestS).to.be.greaterThan(untouched);
    // The star that is drawn belongs to the length that is told, not to the pole that nobody looked for.
    const { star, evenFwhmArcsec } = sub!;
    expect(star.majorFwhmArcsec / evenFwhmArcsec).to.be.within(1, 1.3);
    expect(at.stars!.budget.star.majorFwhmArcsec).to.be.greaterThan(star.majorFwhmArcsec);
  });

  it('is written whole in one step and taken back in one', async () => {
    const db = new OwlDatabase('test-own-night');
    const w = writerFor(db, 'laptop', 'tab-a');
    const { records } = made({
      where: PORTUGAL,
      rigName: 'Own',
      rig: {
        carrier: 'germanEquatorial',
        size: 'small',
        finder: 'none',
        optics: { kind: 'reflector', focalMm: 750, apertureMm: 150 },
        sensor: { format: 'reduced', megapixels: 24 },
        guided: true,
      },
    });
    const bad = await writeTogether(w, 'Own', [...records, { table: 'sites', id: 'x', body: { name: '' } }]);
    expect(bad.ok).to.equal(false);
    expect((await collect(w)).backup.lists.parts).to.deep.equal([]);
    const written = await writeTogether(w, 'Own', records);
    expect(written.ok && written.value).to.equal(records.length);
    const after = (await collect(w)).backup.lists;
    expect(after.rigs.map((r) => r.name)).to.deep.equal(['Own']);
    expect(after.nights[0]!.plan).to.have.length(1);
    expect((await undoLast(w)).ok).to.equal(true);
    const undone = (await collect(w)).backup.lists;
    expect([...undone.rigs, ...undone.nights, ...undone.parts, ...undone.sites, ...undone.targets]).to.satisfy(
      (all: { deletedAtUtc: string | null }[]) => all.every((r) => r.deletedAtUtc !== null),
    );
    await db.delete();
  });
});
