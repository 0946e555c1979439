import { expect } from 'chai';
import { clearanceOf } from '../../../src/core/mount/clearance.ts';
import { nightAt } from '../../../src/core/night/nightAt.ts';
import { nightStatic } from '../../../src/core/night/nightStatic.ts';
import type { MountPart, Part } from '../../../src/core/records/part.ts';
import { approachAt, isAfterFlip, meridianModel, pathInState } from '../../../src/features/meridian/model.ts';
import { nightRecords, parts, reading, snapshotOf } from '../../support/records.ts';

type Wish = Parameters<typeof nightRecords>[0];
const night = (wish: Wish = {}) => nightStatic(nightRecords(wish));
const mounts = (change: Partial<MountPart>): Part[] => parts.map((p) => (p.kind === 'mount' ? { ...p, ...change } : p));

describe('meridian model', () => {
  const code = (wish: Wish) => meridianModel(night(wish)).saying.code;

  it('says what happens at the meridian, for every kind of night', () => {
    expect(code({})).to.equal('flip');
    expect(code({ plan: { strategy: 'stopAtLimit' } })).to.equal('stopAtLimit');
    expect(code({ plan: { startUtc: '2026-11-24T23:30:00.000Z' } })).to.equal('transitBefore');
    expect(code({ plan: { startUtc: '2026-11-25T06:30:00.000Z' } })).to.equal('startTooLate');
    expect(code({ plan: { strategy: 'stopAtLimit', limitH: -6 } })).to.equal('noSubFits');
    expect(code({ targetId: null })).to.equal('noTarget');
    expect(code({ targetId: 'demo-ngc3372' })).to.equal('neverRises');
    expect(code({ parts: mounts({ mountKind: 'forkOnWedge' }) })).to.equal('noFlipMount');
    expect(code({ site: { latDeg: 65 }, date: '2026-06-20' })).to.equal('noDarkness');
    expect(code({ date: '2026-05-20', targetId: 'demo-ngc1499' })).to.equal('notUpInDark');
  });

  it('counts the subs of both sides', () => {
    const { stretches, integrationS } = meridianModel(night());
    const [before = 0, after = 0, ...more] = stretches;
    expect([before > 0, after > 0, more, integrationS]).to.deep.equal([true, true, [], (before + after) * 120]);
  });

  it('tells how near the tube stands at a moment, on its side of the flip, with what a gap taught', () => {
    const one = night();
    const flipMs = one.plan!.flips[0]!.startMs;
    const at = (timeMs: number, of = one) => approachAt(of, nightAt(of, timeMs), true)!;
    expect([at(flipMs - 1).pose.state, at(flipMs).pose.state]).to.deep.equal(['beforeFlip', 'afterFlip']);
    const { geometry, pose, clearanceM, line, tight } = at(flipMs - 1);
    const { latDeg } = one.records.site;
    expect(clearanceM).to.equal(clearanceOf(geometry, latDeg)(pose).clearanceM);
    expect(line.distance).to.be.closeTo(clearanceM, 1e-9);
    expect(tight).to.equal(clearanceM <= 0.05);
    const values = { ...pose, gapM: clearanceM - 0.03 };
    const readings = [reading('gap', values, { subject: { type: 'rig', id: 'demo-heron' } })];
    const taught = night({ snapshots: [snapshotOf()], readings });
    const then = approachAt(taught, nightAt(taught, flipMs - 1), true)!;
    expect(then.clearanceM - clearanceOf(geometry, latDeg)(then.pose).clearanceM).to.be.closeTo(-0.03, 1e-9);
    expect(approachAt(night({ targetId: null }), nightAt(one, flipMs), true)).to.equal(null);
    expect(approachAt(night({ parts: mounts({ mountKind: 'forkOnWedge' }) }), nightAt(one, flipMs), true)).to.equal(
      null,
    );
  });

  it('draws tonight’s subs by their hour angles, each side in its own state', () => {
    const one = night();
    const [before, after] = [pathInState(one, 'beforeFlip')!, pathInState(one, 'afterFlip')!];
    const haH = (timeMs: number) => nightAt(one, timeMs).target!.haH;
    const subs = one.plan!.subs;
    expect(before[0]).to.be.closeTo(haH(subs[0]!.startMs), 0.01);
    expect(after[1]).to.be.closeTo(haH(subs.at(-1)!.endMs), 0.01);
    expect(before[1]).to.be.below(after[0]);
    expect(pathInState(night({ plan: { strategy: 'stopAtLimit' } }), 'afterFlip')).to.equal(null);
  });

  it('the tube is on the other side from the flip on', () => {
    const one = night();
    const flipMs = one.plan!.flips[0]!.startMs;
    expect([isAfterFlip(one, flipMs - 1, true), isAfterFlip(one, flipMs, true)]).to.deep.equal([false, true]);
    expect(isAfterFlip(one, flipMs, false), 'nobody recorded it').to.equal(false);
    expect(isAfterFlip(night({ targetId: null }), flipMs, true)).to.equal(false);
  });
});
