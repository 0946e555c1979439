import { expect } from 'chai';
import { nightStatic } from '../../../src/core/night/nightStatic.ts';
import type { MountPart, Part } from '../../../src/core/records/part.ts';
import { isAfterFlip, meridianModel } from '../../../src/features/meridian/model.ts';
import { nightRecords, parts } from '../../support/records.ts';

type Wish = Parameters<typeof nightRecords>[0];
const night = (wish: Wish = {}) => nightStatic(nightRecords(wish));
const mounts = (change: Partial<MountPart>): Part[] => parts.map((p) => (p.kind === 'mount' ? { ...p, ...change } : p));

describe('meridian model', () => {
  const code = (wish: Wish) => meridianModel(night(wish)).saying.code;

  it('says what happens at the meridian, for every kind of night', () => {
    expect(code({})).to.equal('flip');
    expect(code({ plan: { strategy: 'stopAtLimit' } })).to.equal('stopAtLimit');
    expect(code({ plan: { startUtc: '2026-11-24T23:30:00.000Z' } })).to.equal('transitBefore');
    expect(code({ targetId: null })).to.equal('noTarget');
    expect(code({ targetId: 'demo-ngc3372' })).to.equal('neverRises');
    expect(code({ parts: mounts({ mountKind: 'forkOnWedge' }) })).to.equal('noFlipMount');
    expect(code({ site: { latDeg: 65 }, date: '2026-06-20' })).to.equal('noDarkness');
    expect(code({ date: '2026-05-20', targetId: 'demo-ngc1499' })).to.equal('notUpInDark');
  });

  it('counts the subs of both sides', () => {
    const { before, after, integrationS } = meridianModel(night());
    expect([before > 0, after > 0, integrationS]).to.deep.equal([true, true, (before + after) * 120]);
  });

  it('the tube is on the other side from the flip on', () => {
    const one = night();
    const flipMs = one.plan!.flip!.startMs;
    expect([isAfterFlip(one, flipMs - 1), isAfterFlip(one, flipMs)]).to.deep.equal([false, true]);
    expect(isAfterFlip(night({ targetId: null }), flipMs)).to.equal(false);
  });
});
