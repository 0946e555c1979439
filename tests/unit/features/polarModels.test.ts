import { expect } from 'chai';
import { readingAt } from '../../../src/core/mount/dial.ts';
import { nightAt } from '../../../src/core/night/nightAt.ts';
import type { Part } from '../../../src/core/records/part.ts';
import type { Reading } from '../../../src/core/records/reading.ts';
import { dialModel, shownRadiusArcmin } from '../../../src/features/polar/dial/dialModel.ts';
import { findModel } from '../../../src/features/polar/find/findModel.ts';
import { plateModel } from '../../../src/features/polar/halfturn/plateModel.ts';
import { at, finder, mounts, night, south, type Wish } from '../../support/polar.ts';
import { event, NOW, reading } from '../../support/records.ts';

describe('the dial', () => {
  const dial = (wish: Wish = {}) => {
    const one = night(wish);
    return dialModel(one, nightAt(one, NOW));
  };

  it('one bright star in the north, the pattern in the south', () => {
    expect(dial().stars.map((s) => s.name)).to.deep.equal(['Polaris']);
    const southern = dial(south);
    expect(southern.stars).to.have.length(4);
    expect(southern.stars.filter((s) => s.lead).map((s) => s.name)).to.deep.equal(['Sigma Octantis']);
    expect(southern.saying).to.deep.include({ code: 'engraved', south: true, numbering: '24h' });
    expect(southern.lowPole).to.equal(true);
  });

  it('an inverted view turns the star by half a turn; the reading follows the engraving', () => {
    const [inverted, upright] = [dial(), dial({ parts: finder({ view: 'upright' }) })];
    const apart = Math.abs(inverted.stars[0]!.viewAngleDeg - upright.stars[0]!.viewAngleDeg);
    expect(apart).to.be.closeTo(180, 1e-9);
    const [twelve, degrees] = [dial().saying, dial({ parts: finder({ numbering: 'deg' }) }).saying];
    if (twelve.code !== 'engraved' || degrees.code !== 'engraved') throw new Error('no reading');
    expect(degrees.reading / 30).to.be.closeTo(twelve.reading, 1e-9);
  });

  it('says when there is no finder and no pole to sight', () => {
    expect(dial({ parts: mounts({ finder: null }) }).saying.code).to.equal('noFinder');
    expect(dial({ site: { latDeg: 0.5 } }).saying.code).to.equal('equator');
  });

  it('a ring of another year is told as a distance, a tilted plate as what it would cost', () => {
    const { rings, stars } = dial();
    expect(rings[0]!.offArcmin).to.be.closeTo(stars[0]!.distanceArcmin - 40, 1e-9);
    const tilted = dial({ parts: finder({ plateTurnDeg: 10 }) });
    expect(tilted.tiltCostArcmin).to.be.closeTo(Math.sin(Math.PI / 18) * 37.3, 0.05);
    if (tilted.saying.code !== 'engraved') throw new Error('no reading');
    const own = { numbering: '12h', topMark: 0, direction: 'clockwise' } as const;
    expect(tilted.saying.reading).to.be.closeTo(readingAt(tilted.stars[0]!.viewAngleDeg - 10, own), 1e-9);
  });

  it('a plate of star marks is turned until they lie as the sky does', () => {
    const pattern = dial({
      parts: finder({ numbering: 'pattern', patternHips: [11767, 85822], patternYear: 2000 }),
    });
    expect(pattern.saying).to.deep.include({ code: 'pattern', engraved: true });
    for (const spot of pattern.spots) {
      const star = pattern.stars.find((s) => s.name === spot.name)!;
      const apart = Math.abs(spot.angleDeg + pattern.spotsTurnDeg - star.viewAngleDeg) % 360;
      // Precession turns the inner star's direction by degrees in 26 years, the outer one's hardly.
      expect(Math.min(apart, 360 - apart), spot.name).to.be.lessThan(spot.distanceArcmin > 120 ? 1 : 15);
    }
    expect(pattern.spots[0]!.inwardArcmin, 'Polaris has come nearer').to.be.within(5, 8);
  });

  it('a knob moves the stars against the axis, the other way in an upright view', () => {
    const ways = (view: 'upright' | 'inverted') =>
      dial({ parts: finder({ view }) }).moves.map((m) => `${m.adjuster} ${m.way}`);
    // Both work clockwise up and east: the axis rises, so the stars sink; an inverted view turns that round.
    expect(ways('upright')).to.deep.equal(['altitude down', 'azimuth left']);
    expect(ways('inverted')).to.deep.equal(['altitude up', 'azimuth right']);
    expect(dial({ ...south, parts: finder({ view: 'upright' }) }).moves.map((m) => m.way)).to.deep.equal([
      'down',
      'right',
    ]);
    expect(dial({ parts: mounts({ adjusters: null }) }).moves).to.deep.equal([]);
  });

  it('a cross beside the axis moves the place, until the screws were turned', () => {
    const test = reading('halfTurn', { beforeXArcmin: 0, beforeYArcmin: 0, afterXArcmin: 16, afterYArcmin: 0 }, at(1));
    const off = dial({ readings: [test] });
    expect(off.crossOffset).to.deep.equal({ xArcmin: 8, yArcmin: 0 });
    expect(off.belongs.distanceArcmin).not.to.be.closeTo(off.stars[0]!.distanceArcmin, 0.5);
    expect(dial({ readings: [test, event('plateMoved', at(2))] }).crossOffset).to.equal(null);
  });

  it('draws the whole view, or what star and ring need', () => {
    const model = dial();
    expect(shownRadiusArcmin(model, true)).to.equal(195);
    expect(shownRadiusArcmin(model, false)).to.be.within(50, 60);
  });
});

describe('finding the pole', () => {
  it('north by its star, south by bearing and sweep, and not on the equator', () => {
    const find = (wish: Wish = {}) => {
      const one = night(wish);
      return findModel(one, nightAt(one, NOW));
    };
    expect(find().saying).to.deep.include({ code: 'look', south: false, altDeg: 40.33 });
    expect(find().hops.map((h) => h.group)).to.include('cassiopeia');
    expect(
      find().hops.map((h) => h.group),
      'the Plough stands too low on this evening',
    ).not.to.include('plough');
    const auas = find(south);
    expect(auas.saying).to.deep.include({ code: 'look', south: true });
    expect(find({ site: { latDeg: -1 } }).saying.code).to.equal('equator');
  });
});

describe('the half-turn bench', () => {
  const test = (minute: number, xArcmin: number) =>
    reading('halfTurn', { beforeXArcmin: 0, beforeYArcmin: 0, afterXArcmin: 2 * xArcmin, afterYArcmin: 0 }, at(minute));
  const moved = (minute: number) => event('plateMoved', at(minute));
  const model = (readings: Reading[], before = false, after = false) =>
    plateModel(
      night({ readings }),
      before ? { xArcmin: 10, yArcmin: 0 } : null,
      after ? { xArcmin: -10, yArcmin: 0 } : null,
    );

  it('goes from mark to mark to screws, and round again until it is good', () => {
    expect(model([]).saying.code).to.equal('markBefore');
    expect(model([], true)).to.deep.include({ marking: 'after', turnDeg: 180 });
    expect(model([], true, true).saying).to.deep.include({ code: 'reading', sizeArcmin: 10 });
    const mend = model([test(1, 20)]);
    expect(mend).to.deep.include({ mending: true, turnDeg: 180 });
    expect(mend.saying.code).to.equal('turnScrews');
    expect(mend.plate.screws!.round).to.have.length(3);
    expect(mend.marking, 'no tap begins a new round by mistake').to.equal(null);
    expect(mend.halfway, 'where the point must come to').to.deep.equal({ xArcmin: 20, yArcmin: 0 });
    expect(plateModel(night({ readings: [test(1, 20)] }), null, null, true).saying.code).to.equal('markBefore');
    expect(model([test(1, 20), moved(2)]).saying.code).to.equal('markBefore');
    expect(model([test(1, 20), moved(2), test(3, 2)]).saying).to.deep.include({ code: 'good', sizeArcmin: 2 });
  });

  it('learns from the round before how much the screws do', () => {
    const usual = model([test(1, 20)]).plate.arcminPerTurn;
    expect(model([test(1, 20), moved(2), test(3, 10)]).plate.arcminPerTurn).to.be.closeTo(usual / 2, 1e-9);
    expect(model([test(1, 20), test(3, 10)]).plate.arcminPerTurn, 'no screw was turned').to.equal(usual);
  });

  it('without screws entered, without a finder, and with one that does not turn', () => {
    const saying = (change: Part[], readings: Reading[] = []) =>
      plateModel(night({ parts: change, readings }), null, null).saying.code;
    expect(saying(finder({ screwAnglesDeg: [] }), [test(1, 20)])).to.equal('noScrews');
    expect(saying(mounts({ finder: null }))).to.equal('noFinder');
    expect(saying(finder({ turnsWithAxis: false }))).to.equal('fixedFinder');
    const inHolder = plateModel(night({ parts: finder({ turnsWithAxis: false }) }), { xArcmin: 5, yArcmin: 0 }, null);
    expect(inHolder.saying).to.deep.equal({ code: 'markAfter', turnsWithAxis: false });
    expect(inHolder.turnDeg, 'turned in its holder the plate hangs upside down too').to.equal(180);
  });
});
