import { expect } from 'chai';
import fc from 'fast-check';
import { bestSpacing } from '../../../../../src/core/optics/corners/bestSpacing.ts';
import { judgeCorners, spacingLean, type Look } from '../../../../../src/core/optics/corners/judgeCorners.ts';
import { leanOf, lieOf, type SeenFrame, type SeenStar } from '../../../../../src/core/optics/corners/seen.ts';
import { finite, holds } from '../../../../support/properties.ts';

const STAR: Record<string, SeenStar> = {
  o: { stick: 'round', strong: false },
  '-': { stick: 'level', strong: false },
  '|': { stick: 'upright', strong: false },
  '/': { stick: 'rising', strong: false },
  '\\': { stick: 'falling', strong: false },
  '//': { stick: 'rising', strong: true },
  '\\\\': { stick: 'falling', strong: true },
};
/** Drawn as it is seen: top left, top right, centre, bottom left, bottom right. */
const frame = (drawn: string): SeenFrame => {
  const [topLeft, topRight, centre, bottomLeft, bottomRight] = drawn.split(' ').map((s) => STAR[s]!);
  return {
    topLeft: topLeft!,
    topRight: topRight!,
    centre: centre!,
    bottomLeft: bottomLeft!,
    bottomRight: bottomRight!,
  };
};
const judged = (drawn: string, about: Partial<Look> = {}) =>
  judgeCorners({
    frame: frame(drawn),
    centreFocused: true,
    pastFocus: 'notTried',
    hasCorrector: true,
    ruleInverted: false,
    fieldTurnShows: false,
    ...about,
  });

const TOWARD = '\\ / o / \\';
const AROUND = '/ \\ o \\ /';

describe('corners seen by eye', () => {
  it('a stick lies along the radius when it points at the middle', () => {
    expect(lieOf('topLeft', STAR['\\']!)).to.equal('along');
    expect(lieOf('topLeft', STAR['/']!)).to.equal('across');
    expect(lieOf('bottomLeft', STAR['/']!)).to.equal('along');
    expect(lieOf('topRight', STAR['-']!)).to.equal('aslant');
    expect(leanOf(frame('\\\\ // o // \\\\'))).to.equal(2);
    expect(leanOf(frame('/ \\ o \\ o'))).to.equal(-0.75);
  });

  it('pointing at the middle is too close, circling it too far; some correctors the other way round', () => {
    expect(judged(TOWARD)).to.deep.equal({ code: 'tooClose', lean: 1 });
    expect(judged(AROUND)).to.deep.equal({ code: 'tooFar', lean: -1 });
    expect(judged(TOWARD, { ruleInverted: true })).to.deep.equal({ code: 'tooFar', lean: -1 });
    expect(judged(AROUND, { ruleInverted: true })).to.deep.equal({ code: 'tooClose', lean: 1 });
    expect(judged('\\ / o / o').code).to.equal('tooClose');
  });

  it('without a corrector it is coma, and a pole that turns the field is told from a distance', () => {
    expect(judged(TOWARD, { hasCorrector: false }).code).to.equal('coma');
    expect(judged(AROUND, { fieldTurnShows: true })).to.deep.equal({ code: 'cannotTell', why: 'fieldTurn' });
    expect(judged(TOWARD, { fieldTurnShows: true }).code).to.equal('tooClose');
  });

  it('one side, one corner, or two against two is tilt', () => {
    expect(judged('\\ o o / o')).to.deep.equal({ code: 'tilt', at: 'left' });
    expect(judged('o / o o \\')).to.deep.equal({ code: 'tilt', at: 'right' });
    expect(judged('/ \\ o o o')).to.deep.equal({ code: 'tilt', at: 'top' });
    expect(judged('o o o o \\')).to.deep.equal({ code: 'tilt', at: 'bottomRight' });
    expect(judged('\\ \\ o / /')).to.deep.equal({ code: 'tilt', at: null });
  });

  it('the same way everywhere is the mount, even in a frame that is out of focus', () => {
    expect(judged('- - - - -')).to.deep.equal({ code: 'tracking', stick: 'level' });
    expect(judged('| | | | o', { centreFocused: false })).to.deep.equal({ code: 'tracking', stick: 'upright' });
    expect(judged('/ / o / /').code).to.equal('tracking');
  });

  it('says nothing of the distance without focus, with a long centre, or when sticks turn past focus', () => {
    expect(judged(TOWARD, { centreFocused: false })).to.deep.equal({ code: 'cannotTell', why: 'focusFirst' });
    expect(judged('o o o o o', { centreFocused: false })).to.deep.equal({ code: 'cannotTell', why: 'focusFirst' });
    expect(judged('\\ / - / \\')).to.deep.equal({ code: 'cannotTell', why: 'centreLong' });
    expect(judged(TOWARD, { pastFocus: 'turned' }).code).to.equal('focus');
    expect(judged('- \\ o \\ |')).to.deep.equal({ code: 'cannotTell', why: 'mixed' });
    expect(judged('o o o o o')).to.deep.equal({ code: 'good' });
  });

  it('only looks that tell of the distance lean', () => {
    expect(spacingLean({ code: 'good' })).to.equal(0);
    expect(spacingLean({ code: 'tooFar', lean: -1.5 })).to.equal(-1.5);
    for (const code of ['tilt', 'focus', 'coma'] as const)
      expect(spacingLean(code === 'tilt' ? { code, at: 'left' } : { code })).to.equal(null);
  });
});

describe('the best spacing from looks', () => {
  it('is the corrector’s own number before any look, and doubtful', () => {
    const found = bestSpacing([]);
    expect(Math.abs(found.bestMm)).to.be.lessThan(0.051);
    expect(found.sigmaMm).to.be.within(0.9, 1.6);
  });

  it('goes on in the direction of the lean, and back between two that disagree', () => {
    const near = bestSpacing([{ offsetMm: 0, lean: 1 }]);
    expect(near.bestMm).to.be.within(0.2, 1.5);
    const between = bestSpacing([
      { offsetMm: 0, lean: 1 },
      { offsetMm: 1, lean: -1 },
    ]);
    expect(between.bestMm).to.be.closeTo(0.5, 0.051);
    expect(between.sigmaMm).to.be.lessThan(near.sigmaMm);
  });

  it('mirrors: the same looks the other way round give the other best', () => {
    const look = fc.record({ offsetMm: finite(-2, 2), lean: finite(-2, 2) });
    holds(
      fc.property(fc.array(look, { minLength: 1, maxLength: 5 }), (looks) => {
        const mirrored = looks.map((l) => ({ offsetMm: -l.offsetMm, lean: -l.lean }));
        const [a, b] = [bestSpacing(looks), bestSpacing(mirrored)];
        // The middle of a grid falls on either side of its mirror.
        expect(a.bestMm + b.bestMm).to.be.within(-0.11, 0.11);
        expect(a.sigmaMm).to.be.closeTo(b.sigmaMm, 0.02);
      }),
    );
  });

  it('one wrong look among right ones does not carry it away', () => {
    const right = [
      { offsetMm: 0, lean: 1.5 },
      { offsetMm: 0.8, lean: 0 },
      { offsetMm: 0.9, lean: 0 },
    ];
    expect(bestSpacing([...right, { offsetMm: 0.8, lean: 1.5 }]).bestMm).to.be.within(0.6, 1.2);
  });
});
