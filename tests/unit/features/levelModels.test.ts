import { expect } from 'chai';
import { scaleBias } from '../../../src/core/pole/scaleBias.ts';
import type { Reading } from '../../../src/core/records/reading.ts';
import { bearingModel, latitudeModel, levelModel } from '../../../src/features/level/model.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { slopeFigures } from '../../../src/text/levelWords.ts';
import { event, reading, snapshotOf } from '../../support/records.ts';
import { at, before, changed, night, type Wish } from '../../support/nights.ts';

const auas = { latDeg: -22.75, lonDeg: 17.2, elevationM: 1800, zoneIana: 'Africa/Windhoek' };

describe('level models', () => {
  const compass = (readDeg: number, distanceM: number, minute: number) =>
    reading('compass', { readDeg, distanceM, trueDeg: readDeg - 12.9 }, { ...at(minute), id: `c${minute}` });

  it('sets the southern axis by compass, names the foot, then judges what was read', () => {
    const south: Wish = { site: auas, rigId: 'demo-wagtail' };
    const set = bearingModel(night(south));
    expect(set.saying).to.deep.include({ code: 'set', south: true, foot: 'south' });
    expect(set.saying.code === 'set' && set.saying.compassDeg).to.be.closeTo(192.9, 0.3);
    const turn = bearingModel(night({ ...south, readings: [compass(202.9, 2.5, 1)] }));
    expect(turn.saying).to.deep.include({ code: 'turn', east: false, south: true });
    const stands = bearingModel(night({ ...south, readings: [compass(193.4, 2.5, 1)] }));
    expect(stands.saying.code).to.equal('stands');
  });

  it('two readings from different distances that disagree mean iron, and the far one counts', () => {
    const pair = (distance: number, readDeg = 8) =>
      bearingModel(night({ readings: [compass(1, 0.4, 1), compass(readDeg, distance, 2)] }));
    expect(pair(3).check).to.deep.equal({ differenceDeg: 7, iron: true });
    expect(pair(3).axisDeg).to.be.closeTo(8 - 12.9, 1e-9);
    const farFirst = bearingModel(night({ readings: [compass(8, 3, 1), compass(1, 0.4, 2)] }));
    expect(farFirst.axisDeg, 'also when it was read first').to.be.closeTo(8 - 12.9, 1e-9);
    expect(pair(3, 1.8).check.iron).to.equal(false);
    expect(pair(0.5).check, 'from the same place they are two tries').to.deep.equal({
      differenceDeg: null,
      iron: false,
    });
    expect(pair(0.5).saying.code).to.equal('readFar');
  });

  it('a head turned after the check is no iron', () => {
    const turned = bearingModel(night({ readings: [compass(16.4, 0.4, 1), compass(16.2, 3, 2), compass(12.9, 3, 3)] }));
    expect(turned.check.iron).to.equal(false);
    expect(turned.axisDeg).to.be.closeTo(0, 1e-9);
    const near = bearingModel(
      night({ readings: [compass(1, 0.4, 1), compass(8, 3, 2), compass(9, 3, 3), compass(2, 0.4, 4)] }),
    );
    expect(near.check, 'iron stays iron').to.deep.equal({ differenceDeg: 7, iron: true });
    expect(near.axisDeg, 'and the last far reading counts').to.be.closeTo(9 - 12.9, 1e-9);
  });

  it('the later of needle and shadow tells where the axis looks', () => {
    const shadow = (minute: number) =>
      reading('shadow', { shadowDeg: 60, clockwiseDeg: -59, trueDeg: 1 }, { ...at(minute), id: `s${minute}` });
    expect(bearingModel(night({ readings: [compass(13.9, 2.5, 1), shadow(2)] })).axisDeg).to.equal(1);
    expect(bearingModel(night({ readings: [shadow(1), compass(15.9, 2.5, 2)] })).axisDeg).to.be.closeTo(3, 1e-9);
  });

  it('sends the feet back to the marks of this rig at this site, as near as they proved to be', () => {
    const here = (nightId: string, kind: Reading['kind'], values: object, hour: number) =>
      reading(kind, values, { id: `${nightId}${kind}`, nightId, takenAtUtc: `2026-11-0${nightId}T${hour}:00:00.000Z` });
    const marked = [
      here('1', 'feet', { azimuthDeg: 4 }, 18),
      here('1', 'polarError', { altErrorArcmin: 0, azErrorArcmin: 80, method: 'typed', reference: 'true' }, 20),
      here('2', 'feet', { azimuthDeg: 4 }, 18),
      here('2', 'compass', { readDeg: 0, distanceM: 3, trueDeg: 359.4 }, 19),
    ];
    const one = bearingModel(night({ readings: marked.slice(0, 2), snapshots: [snapshotOf()] }));
    expect(one.saying).to.deep.include({ code: 'marks', withinDeg: 2 });
    expect(one.marks?.lastErrorDeg).to.be.closeTo(80 / 60, 1e-9);
    const two = bearingModel(night({ readings: marked, snapshots: [snapshotOf()] }));
    expect(two.saying).to.deep.include({ code: 'marks', withinDeg: 1.5 });
    expect(two.marks?.lastErrorDeg).to.be.closeTo(-0.6, 1e-9);
    expect(two.feet[0]?.azimuthDeg, 'the feet are drawn where they stood').to.equal(4);
    const elsewhere = snapshotOf({ site: { id: 'another-place' } });
    expect(bearingModel(night({ readings: marked, snapshots: [elsewhere] })).marks).to.equal(null);
  });

  it('one clumsy night long ago does not count against the marks for ever', () => {
    const nightsWith = (azErrors: readonly number[]): Reading[] =>
      azErrors.flatMap((azErrorArcmin, i) => {
        const day = { nightId: `n-${i}`, takenAtUtc: `2026-10-${String(i + 10)}T20:00:00.000Z` };
        const pole = { altErrorArcmin: 0, azErrorArcmin, method: 'typed', reference: 'true' };
        return [
          reading('feet', { azimuthDeg: 0 }, { ...day, id: `f${i}` }),
          reading('polarError', pole, { ...day, id: `p${i}` }),
        ];
      });
    const within = (azErrors: readonly number[]) =>
      bearingModel(night({ readings: nightsWith(azErrors), snapshots: [snapshotOf()] })).marks?.expectWithinDeg;
    expect(within([180, 20, 20, 20, 20, 20, 20])).to.equal(0.5);
    expect(within([20, 180, 20, 20, 20, 20, 20])).to.equal(3);
  });

  it('a tripod that stands askew is turned before a leg is laid along the needle', () => {
    const askew = changed('demo-heron-tripod', { firstFootAzimuthDeg: 50 });
    expect(bearingModel(night({ parts: askew })).saying).to.deep.include({ code: 'set', turned: true });
    expect(bearingModel(night()).saying).to.deep.include({ code: 'set', turned: false, foot: 'north' });
  });

  it('near a magnetic pole a compass is not trusted', () => {
    const arctic = { latDeg: 86.5, lonDeg: 160, elevationM: 0, zoneIana: 'UTC' };
    expect(bearingModel(night({ site: arctic })).saying.code).to.equal('noCompass');
  });

  it('tells which feet to raise, or which side when there are none', () => {
    const tilt = reading('level', { tiltDeg: 1, uphillAzimuthDeg: 0 });
    const model = levelModel(night({ readings: [tilt] }));
    expect(model.saying.code === 'raise' && model.saying.legs.map((leg) => leg.point)).to.deep.equal([
      'south-east',
      'south-west',
    ]);
    expect(levelModel(night()).saying.code).to.equal('notRead');
    expect(
      levelModel(night({ readings: [reading('level', { tiltDeg: 0.4, uphillAzimuthDeg: 0 })] })).saying.code,
    ).to.equal('good');
    const pier = changed('demo-heron-tripod', { supportKind: 'pier' });
    expect(levelModel(night({ readings: [tilt], parts: pier })).saying).to.deep.equal({
      code: 'noFeet',
      tiltDeg: 1,
      low: 'south',
    });
  });

  it('the scale is set by latitude, its learned bias and the slope of the base', () => {
    const mount = { type: 'mount', id: 'demo-heron-mount' } as const;
    const history = [0.5, 0.7].map((bias, i) =>
      before('scaleReading', { scaleDeg: 40.33 + bias, trueAltDeg: 40.33 }, `s${i}`, mount),
    );
    const other = before('scaleReading', { scaleDeg: 50, trueAltDeg: 40 }, 'other', { type: 'mount', id: 'another' });
    const tilt = reading('level', { tiltDeg: 1, uphillAzimuthDeg: 0 });
    const model = latitudeModel(night({ readings: [...history, other, tilt] }), null);
    expect(model.bias).to.deep.include({ readings: 2 });
    expect(model.bias?.biasDeg).to.be.closeTo(0.6, 1e-9);
    // Refraction lifts the pole by 1.2 arcmin at this latitude.
    expect(model.scaleDeg).to.be.closeTo(40.33 + 1.2 / 60 + 0.6 - 1, 1e-3);
    expect(model.altDeg).to.be.closeTo(40.35, 1e-3);
    expect(latitudeModel(night({ site: { latDeg: 1 } }), null).saying.code).to.equal('low');
  });
});

describe('the latitude scale', () => {
  const mount = { type: 'mount', id: 'demo-heron-mount' } as const;

  it('tells the turns of the bolt, which way, and to come up from below', () => {
    const from = (presentDeg: number) => latitudeModel(night(), presentDeg);
    const low = from(39.35);
    // One degree up on a bolt of 57.3 arcmin a turn whose clockwise turn lifts.
    expect(low.saying).to.deep.include({ code: 'turnBolt', clockwise: true, up: true });
    expect(low.saying.code === 'turnBolt' && low.saying.turns).to.be.closeTo(60 / 57.29, 0.001);
    expect(from(41.35).saying).to.deep.include({ clockwise: false, up: false });
    expect(from(40.4).saying.code, 'within a tenth of a degree').to.equal('set');
    const bare = latitudeModel(night({ parts: changed('demo-heron-mount', { adjusters: null }) }), 39);
    expect(bare.saying).to.deep.include({ code: 'turnBolt', turns: null, up: true });
    const set = event('scaleSet');
    expect(latitudeModel(night({ readings: [set] }), null).saying.code).to.equal('done');
  });

  it('says what a base that leans across the meridian does to the axis, and nothing of one that does not', () => {
    const leaning = (uphillAzimuthDeg: number) =>
      latitudeModel(night({ readings: [reading('level', { tiltDeg: 1, uphillAzimuthDeg }, at(1))] }), null);
    // East side up by t: the head stands where sin h = tan(scale) tan t; upright again, the axis looks there.
    const [scale, t] = [(40.33 * Math.PI) / 180, Math.PI / 180];
    const headDeg = (Math.asin(Math.tan(scale) * Math.tan(t)) * 180) / Math.PI;
    const eastUp = leaning(90);
    expect(eastUp.levellingTurnsDeg).to.be.closeTo(headDeg, 0.01);
    expect(eastUp.liftArcmin).to.be.closeTo(60 * Math.sin(t), 0.01);
    expect(eastUp.dragArcmin).to.be.closeTo((-60 * Math.sin(t)) / Math.cos(scale) ** 2, 0.05);
    expect(slopeFigures(eastUp, makeFormat('metric', 'Europe/Lisbon')).map((one) => one.value)).to.deep.equal([
      '1.8′ west',
      'lifts it 1.0′',
      '0.8° east',
    ]);
    const flat = leaning(0);
    for (const none of [flat.levellingTurnsDeg, flat.liftArcmin, flat.dragArcmin]) expect(none).to.be.closeTo(0, 1e-2);
  });

  it('learns the bias with the lean of each night taken off, and from the last readings', () => {
    const level = (tiltDeg: number, uphillAzimuthDeg: number) =>
      before('level', { tiltDeg, uphillAzimuthDeg }, `l${tiltDeg}`, { type: 'night', id: 'old' });
    const scale = before('scaleReading', { scaleDeg: 39.83, trueAltDeg: 40.33 }, 'sc', mount);
    const leaning = latitudeModel(night({ readings: [level(1, 0), scale] }), null);
    // One degree up toward the pole, the scale should have read 39.33.
    expect(leaning.bias?.biasDeg).to.be.closeTo(0.5, 1e-9);
    const many = Array.from({ length: 12 }, (_, i) =>
      before('scaleReading', { scaleDeg: i < 4 ? 45 : 40.6, trueAltDeg: 40.33 }, `m${i}`, mount),
    );
    expect(latitudeModel(night({ readings: many }), null).bias?.biasDeg).to.be.closeTo(0.27, 1e-9);
  });

  it('the axis stands where the pole of that night says: what remains belongs to it and not to the scale', () => {
    const onMount = { subject: mount };
    const error = (reference: 'true' | 'refracted') =>
      reading(
        'polarError',
        { altErrorArcmin: 6, azErrorArcmin: 0, method: 'typed', reference },
        { ...at(1), ...onMount },
      );
    const read = reading('scaleReading', { scaleDeg: 41, trueAltDeg: null }, { ...at(5), ...onMount });
    const bias = (...readings: Reading[]) => scaleBias(night({ readings: [...readings, read] }).records)?.biasDeg;
    expect(bias(error('true'))).to.be.closeTo(41 - 40.43, 1e-9);
    expect(bias(error('refracted'))).to.be.closeTo(41 - 40.45, 1e-3);
    expect(bias(event('setByEye', { ...at(1), ...onMount })), 'the eye leads to the pole of the air').to.be.closeTo(
      41 - 40.35,
      1e-3,
    );
    expect(bias(), 'nobody looked at the pole').to.equal(undefined);
    const retract = reading('retract', { readingId: error('true').id }, at(9));
    expect(bias(error('true'), retract), 'an error taken back teaches no more').to.equal(undefined);
  });

  it('far south the scale is read without its sign', () => {
    expect(latitudeModel(night({ site: auas }), null).scaleDeg).to.be.closeTo(22.75 + 2.4 / 60, 1e-3);
  });
});
