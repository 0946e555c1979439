import { expect } from 'chai';
import { nightAt } from '../../../src/core/night/nightAt.ts';
import { nightStatic } from '../../../src/core/night/nightStatic.ts';
import type { MountPart, Part } from '../../../src/core/records/part.ts';
import { isAfterFlip, meridianModel } from '../../../src/features/meridian/model.ts';
import { dialModel, errorModel } from '../../../src/features/polar/model.ts';
import { nightRecords, NOW, parts, reading, sites } from '../../support/records.ts';

type Wish = Parameters<typeof nightRecords>[0];
const night = (wish: Wish = {}) => nightStatic(nightRecords(wish));
const auas = sites[1]!;
const south: Wish = { site: auas, rigId: 'demo-wagtail', targetId: 'demo-ngc253' };
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

  it('counts the subs of both sides and tells whose limit it is', () => {
    const own = meridianModel(night({ plan: { limitH: 0.25 } }));
    expect([own.limitSource, meridianModel(night()).limitSource]).to.deep.equal(['night', 'mount']);
    expect(meridianModel(night({ parts: mounts({ pastMeridianLimitH: null }) })).limitSource).to.equal('none');
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

describe('polar models', () => {
  const dial = (wish: Wish = {}) => {
    const one = night(wish);
    return dialModel(one, nightAt(one, NOW));
  };

  it('one bright star in the north, the pattern in the south', () => {
    expect(dial().stars.map((s) => s.name)).to.deep.equal(['Polaris']);
    const southern = dial(south);
    expect(southern.stars.length).to.be.greaterThan(3);
    expect(southern.stars.filter((s) => s.lead).map((s) => s.name)).to.deep.equal(['Sigma Octantis']);
    expect(southern.saying).to.deep.include({ code: 'engraved', south: true, numbering: '24h' });
  });

  it('an inverted view turns the star by half a turn; the reading follows the engraving', () => {
    const finder = (change: object) =>
      parts.map((p) => (p.kind === 'mount' && p.finder ? { ...p, finder: { ...p.finder, ...change } } : p));
    const [inverted, upright] = [dial(), dial({ parts: finder({ view: 'upright' }) })];
    const apart = Math.abs(inverted.stars[0]!.viewAngleDeg - upright.stars[0]!.viewAngleDeg);
    expect(apart).to.be.closeTo(180, 1e-9);
    const [twelve, degrees] = [dial().saying, dial({ parts: finder({ numbering: 'deg' }) }).saying];
    if (twelve.code !== 'engraved' || degrees.code !== 'engraved') throw new Error('no reading');
    expect(degrees.reading / 30).to.be.closeTo(twelve.reading, 1e-9);
    expect(dial({ parts: finder({ numbering: 'pattern' }) }).saying.code).to.equal('pattern');
  });

  it('says when there is no finder and no pole to sight', () => {
    expect(dial({ parts: mounts({ finder: null }) }).saying.code).to.equal('noFinder');
    expect(dial({ site: { latDeg: 0.5 } }).saying.code).to.equal('equator');
  });

  it('the ring is measured against tonight’s polar distance', () => {
    const { ringFraction, ringArcmin, stars } = dial();
    expect(ringFraction).to.be.closeTo(stars[0]!.distanceArcmin / ringArcmin!, 1e-12);
    expect(ringFraction).to.be.within(0.9, 0.95);
  });

  it('turns the bolt against the error, by its own gain, and leaves unknown knobs alone', () => {
    const error = (altErrorArcmin: number, azErrorArcmin: number) =>
      reading('polarError', { altErrorArcmin, azErrorArcmin, method: 'typed', reference: 'refracted' });
    const found = errorModel(night({ readings: [error(-14.3, 57.3)] }))!;
    expect(found.altitude).to.include({ clockwise: true });
    expect(found.altitude!.turns).to.be.closeTo(0.25, 0.001);
    expect(found.azimuth).to.include({ clockwise: false });
    expect(found.azimuth!.turns).to.be.closeTo(1, 0.001);
    expect(found.history).to.have.length(1);
    expect(errorModel(night())).to.equal(null);
    const unknown = errorModel(night({ readings: [error(5, 5)], parts: mounts({ adjusters: null }) }))!;
    expect([unknown.altitude, unknown.azimuth]).to.deep.equal([null, null]);
  });
});
