/** Over which hours the tube may stand on which side, and the measures that rests on. */
import { expect } from 'chai';
import fc from 'fast-check';
import { clearanceOf, fastestM, type ClearanceGeometry } from '../../../../../src/core/mount/clearance.ts';
import { firstUsedUp, firstWithRoom } from '../../../../../src/core/mount/clearanceSearch.ts';
import { meridianLimit, ownLimits } from '../../../../../src/core/night/plan/meridianLimit.ts';
import { tubeClearance, type TubeClearance } from '../../../../../src/core/night/plan/tubeClearance.ts';
import { sideWindows } from '../../../../../src/core/night/plan/sideWindows.ts';
import { clearanceOfRig } from '../../../../../src/core/rig/clearanceOfRig.ts';
import { homePose, measureTapes } from '../../../../../src/core/rig/measureTapes.ts';
import { rigNumbers } from '../../../../../src/core/rig/rigNumbers.ts';
import { pose } from '../../../../../src/core/mount/pose.ts';
import { changed, night } from '../../../../support/nights.ts';
import { finite, holds } from '../../../../support/properties.ts';
import { GAP_MEASURED, parts, rigs, snapshotOf } from '../../../../support/records.ts';

const LAT = 40.33;
const SIDEREAL_HOUR = 3_600_000 * 0.9972695663;
const heron = rigs.find((r) => r.name === 'Heron')!;
const with_ = (change: object, tube: object = {}) =>
  rigNumbers(
    heron,
    parts.map((p) => {
      if (p.kind === 'tube') return { ...p, ...tube };
      return p.kind === 'mount' && p.geometry ? { ...p, geometry: { ...p.geometry, ...change } } : p;
    }),
  );
const NONE = { mountH: null, cableH: null, fittingH: null };

describe('hours on a side', () => {
  it('end where the margin is used up, and begin so on the way back', () => {
    const found = night({ snapshots: [snapshotOf()], readings: [GAP_MEASURED] }).limit.tube!;
    const gap = (haH: number, state: 'beforeFlip' | 'afterFlip') => {
      const { value, doubt } = found.at({ haH, decDeg: night().targetSky!.ofDate.decDeg, state });
      return value - 2 * doubt;
    };
    expect(gap(found.before!.toH!, 'beforeFlip')).to.be.closeTo(0.05, 5e-4);
    for (const haH of [found.before!.fromH ?? -18, found.after!.toH ?? 18])
      if (Math.abs(haH) < 18) expect(gap(haH, haH < 0 ? 'beforeFlip' : 'afterFlip')).to.be.closeTo(0.05, 5e-4);
  });

  it('searching back is searching on in the mirror', () => {
    const geometry = clearanceOfRig(with_({}), LAT)!.geometry;
    holds(
      fc.property(finite(-40, 88), finite(0, 0.1), finite(0, 120), (decDeg, axisForwardM, firstFootAzimuthDeg) => {
        const g: ClearanceGeometry = { ...geometry, axisForwardM, firstFootAzimuthDeg };
        const mirror: ClearanceGeometry = { ...g, firstFootAzimuthDeg: -firstFootAzimuthDeg };
        const roomIn = (of: ClearanceGeometry, state: 'beforeFlip' | 'afterFlip') => (haH: number) => {
          const roomM = clearanceOf(of, LAT)({ haH, decDeg, state }).clearanceM - 0.05;
          return { roomM, safeM: roomM };
        };
        for (const find of [
          (at: ReturnType<typeof roomIn>, toH: number) => firstUsedUp(at, fastestM(g), { fromH: 0, toH }),
          (at: ReturnType<typeof roomIn>, toH: number) => firstWithRoom(at, { fromH: 0, toH }),
        ]) {
          const back = find(roomIn(g, 'beforeFlip'), -18);
          const on = find(roomIn(mirror, 'afterFlip'), 18);
          expect(back === null ? null : -back).to.satisfy((h: number | null) =>
            h === null || on === null ? h === on : Math.abs(h - on) < 1e-9,
          );
        }
      }),
      60,
    );
  });

  it('a tube that is too near at the meridian has to leave before it, and comes back after it', () => {
    const long = tubeClearance(with_({}, { backM: 0.5, radiusM: 0.11 }), LAT, 60, null)!;
    expect(long.before!.toH!).to.be.below(0);
    expect(long.after!.fromH!).to.be.above(0);
    const limit = meridianLimit(null, { ...NONE, mountH: 1 }, long);
    expect([limit.source, limit.limitH]).to.deep.equal(['clearance', long.before!.toH]);
    expect(limit.limitH).to.be.below(0);
  });

  it('a cable or a fitting shortens; only what measured the tube lets it run on', () => {
    const clear: TubeClearance = {
      ...tubeClearance(with_({}), LAT, 20, null)!,
      before: { fromH: null, toH: null, toldToH: null },
    };
    const of = (own: object, tube = clear) => {
      const { source, limitH } = meridianLimit(null, { ...NONE, ...own }, tube);
      return [source, limitH];
    };
    expect(of({ cableH: 1 })).to.deep.equal(['cable', 1]);
    expect(of({ fittingH: 0.2, cableH: 1 })).to.deep.equal(['fitting', 0.2]);
    const guessed = { ...clear, before: { fromH: null, toH: 0, toldToH: null } };
    expect(of({ cableH: 1 }, guessed)).to.deep.equal(['doubt', 0]);
    expect(of({ cableH: -1 }, guessed)).to.deep.equal(['cable', -1]);
    expect(ownLimits(with_({}), { cableLimitH: 2 })).to.deep.equal({ mountH: 0.75, cableH: 2, fittingH: null });
    expect(ownLimits(rigNumbers(heron, []), {})).to.deep.equal(NONE);
  });

  it('below the pole the same holds past half a turn', () => {
    const clear: TubeClearance = {
      ...tubeClearance(with_({}), LAT, 20, null)!,
      after: { fromH: null, toH: null, toldToH: null },
    };
    const second = (own: object, tube: TubeClearance | null = clear) =>
      meridianLimit(null, { ...NONE, ...own }, tube).secondLimitH;
    expect([
      second({}),
      second({ mountH: 0.75 }),
      second({ cableH: 2 }),
      second({ mountH: 1, cableH: -0.5 }),
    ]).to.deep.equal([18, 12.75, 14, 11.5]);
    expect(second({ mountH: 2 }, { ...clear, after: { fromH: null, toH: 12.4, toldToH: 12.4 } })).to.equal(12.4);
    const doubtful = { ...clear, after: { fromH: null, toH: 12, toldToH: 14 } };
    expect([second({}, doubtful), second({ mountH: 3 }, doubtful), second({}, null)]).to.deep.equal([12, 14, 12]);
  });

  it('as windows of the night: the mount agrees to go over from its earliest on, above the pole and below', () => {
    const limit = { limitH: 0.5, source: 'mount' as const, secondLimitH: 12.5, tube: null };
    const h = (ms: number) => Math.round((ms / SIDEREAL_HOUR) * 1e6) / 1e6;
    const windows = sideWindows(limit, 0.25, 0).map((w) => [w.side, h(w.fromMs), h(w.toMs), h(w.crossingMs)]);
    expect(windows.slice(2, 4)).to.deep.equal([
      ['before', -11.75, 0.5, 0],
      ['after', 0.25, 12.5, 12],
    ]);
    expect(windows.map(([side]) => side)).to.deep.equal(['before', 'after', 'before', 'after', 'before', 'after']);
    const nowhere = { ...tubeClearance(with_({}), LAT, 20, null)!, before: null, after: null };
    expect(sideWindows({ ...limit, limitH: -12, tube: nowhere }, 0, 0)).to.deep.equal([]);
  });

  it('a target that crosses below the pole in the night is flipped there, as late as the mount allows', () => {
    const parts_ = changed('demo-heron-mount', { pastMeridianLimitH: 0.5 });
    const one = night({
      parts: parts_,
      date: '2026-02-10',
      site: { latDeg: 60 },
      target: { raJ2000Deg: 150 + 180, decJ2000Deg: 70 },
      plan: { strategy: 'asLateAsAllowed' },
    });
    const { plan, targetSky } = one;
    const [flip] = plan!.flips;
    const haH = (flip!.startMs - targetSky!.transit.transitMs) / SIDEREAL_HOUR;
    expect(((haH % 24) + 24) % 24).to.be.within(12.4, 12.5);
    expect([plan!.subs[0]!.side, plan!.subs.at(-1)!.side]).to.deep.equal(['after', 'before']);
  });
});

describe('where the tape goes', () => {
  it('each is as long as the measure that it stands for, on the rig with its tube to the pole', () => {
    for (const latDeg of [LAT, -22.75]) {
      const found = clearanceOfRig(with_({}), latDeg)!;
      const tapes = measureTapes(found, latDeg);
      const g = found.geometry;
      expect(Object.fromEntries(tapes.map((t) => [t.code, Number(t.lengthM.toFixed(9))]))).to.deep.equal({
        pivotHeight: g.pivotHeightM,
        axisForward: g.axisForwardM,
        columnTopDrop: g.columnTopDropM,
        hubHeight: g.hubHeightM,
        footRadius: g.footRadiusM,
        tubeOffset: g.tubeOffsetM,
        tubeFront: g.tubeFrontM,
        tubeBack: Number(g.tubeBackM.toFixed(9)),
      });
      expect(tapes.map((t) => t.letter).join('')).to.equal('ABCDEFGH');
      expect(tapes.some((t) => t.guessed)).to.equal(false);
      const { haH, decDeg, state } = homePose(latDeg);
      const { tube, side } = pose(haH, decDeg, state, latDeg);
      expect([tube[1] * (latDeg < 0 ? -1 : 1) > 0, tube[2] > 0, side[2] > 0]).to.deep.equal([true, true, true]);
    }
  });

  it('a pier has no legs, and what nobody measured is told', () => {
    const found = clearanceOfRig(with_({}), LAT)!;
    const pier = measureTapes(
      { ...found, geometry: { ...found.geometry, pier: true }, unmeasured: ['axes', 'place'] },
      LAT,
    );
    expect(pier.map((t) => t.code)).not.to.include.members(['hubHeight']);
    expect(pier.filter((t) => t.guessed).map((t) => t.code)).to.deep.equal([
      'pivotHeight',
      'axisForward',
      'columnTopDrop',
      'tubeOffset',
    ]);
  });
});
