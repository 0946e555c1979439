/** The first answers of somebody new: a whole night from few answers, and each line as its bench says it. */

import { mountTraits } from '../../../../../src/core/mount/mountKinds.ts';
import { rigHas } from '../../../../../src/core/rig/rigHas.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { nightAt } from '../../../../../src/core/night/nightAt.ts';
import { someFit } from '../../../../../src/core/night/advice/firstSub.ts';
import type { OwnAnswers } from '../../../../../src/core/night/advice/ownNight.ts';
import { tonight } from '../../../../../src/core/night/advice/tonight.ts';
import { CARRIERS, SIZES } from '../../../../../src/core/rig/dressing/carriers.ts';
import { bearingModel } from '../../../../../src/features/level/model.ts';
import { dialModel } from '../../../../../src/features/polar/dial/dialModel.ts';
import { meridianSummary } from '../../../../../src/features/meridian/station.ts';
import { balanceSummary } from '../../../../../src/features/balance/station.ts';
import { subAnswer } from '../../../../../src/core/night/advice/stars/subAnswer.ts';
import { trackingModel } from '../../../../../src/features/tracking/model.ts';
import { writeTogether } from '../../../../../src/storage/writeTogether.ts';
import { collect } from '../../../../../src/storage/backup.ts';
import { undoLast } from '../../../../../src/storage/undo.ts';
import { OwlDatabase } from '../../../../../src/storage/database.ts';
import { tonightLines } from '../../../../../src/text/tonightWords.ts';
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
        expect(lines.bearing === null).to.equal(!mountTraits(night.numbers.mount).hasPolarAxis);
        if (lines.dial) {
          const { saying, belongs } = dialModel(night, at);
          expect(lines.dial.viewAngleDeg).to.equal(belongs.angleDeg);
          expect(saying.code === 'engraved' ? saying.reading : null).to.equal(lines.dial.reading);
        }
        expect(lines.latitude !== null).to.equal(rigHas(night.numbers).has('scale'));
        if (lines.weight)
          expect(balanceSummary(night, f).reading).to.equal(tonightLines(lines, f, String).weight!.value);
        const flipMs = lines.meridian?.flipMs ?? null;
        if (flipMs !== null) expect(meridianSummary(night, f).reading).to.equal(`flip ${f.clock(flipMs)}`);
        if (lines.sub) expect(trackingModel(night, at.stars, at.target!)!.answer.longestS).to.equal(lines.sub.longestS);
      }),
      30,
    );
  });

  it('plans lengths that people set, and asks whether any fits', () => {
    const SET = [300, 240, 180, 120, 90, 60, 45, 30, 20, 15, 10, 8, 5, 4, 3, 2, 1.6, 1.3, 1, 0.5];
    holds(
      fc.property(answers, (one) => {
        const night = derived(one);
        if (night.entry) expect(SET).to.include(night.entry.subS);
      }),
      30,
    );
    const { records, nightId } = made({ where: PORTUGAL, rigName: 'Own', rig: BALL_HEAD });
    expect(someFit(records, nightId, NOW)).to.equal(true);
    const endless = records.map((r) =>
      r.table === 'nights'
        ? {
            ...r,
            body: {
              ...r.body,
              plan: (r.body as { plan: object[] }).plan.map((p) => ({
                ...p,
                subS: 3600,
                startUtc: '2026-11-25T05:50:00.000Z',
              })),
            },
          }
        : r,
    );
    expect(someFit(endless, nightId, NOW)).to.equal(false);
  });

  it('plans the longest sub that people set and that the account allows once the pole was looked for', () => {
    const planned = (rig: Partial<OwnAnswers['rig']>) => {
      const night = derived({ where: PORTUGAL, rigName: 'Own', rig: { ...BALL_HEAD, ...rig } });
      const { subS, count } = night.entry!;
      const at = nightAt(night, (night.slot!.fromMs + night.slot!.toMs) / 2);
      return { subS, count, answer: subAnswer(night, at.stars!.sub) };
    };
    const rigs: Partial<OwnAnswers['rig']>[] = [
      { carrier: 'germanEquatorial', guided: true },
      {},
      { optics: { kind: 'lens', focalMm: 200, apertureMm: null } },
      { carrier: 'altAzimuth' },
      { carrier: 'byHand' },
      { carrier: 'byHand', raMotor: true },
    ];
    for (const rig of rigs) {
      const { subS, answer } = planned(rig);
      expect(subS, JSON.stringify(rig)).to.be.at.most(answer.onceLooked.longestS ?? 2);
    }
    const guided = (focalMm: number) =>
      planned({ carrier: 'germanEquatorial', guided: true, optics: { kind: 'lens', focalMm, apertureMm: null } }).subS;
    expect(guided(24), 'nobody plans longer ones').to.equal(300);
    const set = [300, 240, 180, 120, 90, 60, 45, 30, 20, 15, 10, 8, 5, 4, 3, 2];
    for (const focalMm of [85, 135, 180, 200, 250, 300, 400])
      expect(set, String(focalMm)).to.include(planned({ optics: { kind: 'lens', focalMm, apertureMm: null } }).subS);
    const [tracked, longer] = [planned({}), planned({ optics: { kind: 'lens', focalMm: 200, apertureMm: null } })];
    expect(tracked.subS).to.be.greaterThan(longer.subS);
    const byHand = planned({ carrier: 'byHand' });
    expect(byHand.count, 'dozens of short ones').to.equal(60);
    expect(byHand.subS).to.be.at.most(2);
  });

  it('a pole that nobody looked for is told apart from one that stands at its mark', () => {
    const night = derived({ where: PORTUGAL, rigName: 'Own', rig: BALL_HEAD });
    const at = nightAt(night, NOW);
    const { sub } = tonight(night, at);
    expect(sub!.byEye).to.equal(true);
    expect(sub!.onceLooked.longestS!).to.be.greaterThan(sub!.longestS ?? 0);
    // The star that is drawn belongs to the length that is told, not to the pole that nobody looked for.
    const { star, evenFwhmArcsec } = sub!;
    expect(star.majorFwhmArcsec / evenFwhmArcsec).to.be.within(1, 1.3);
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
        optics: { kind: 'newtonian', focalMm: 750, apertureMm: 150 },
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
