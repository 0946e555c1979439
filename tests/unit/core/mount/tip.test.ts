import { expect } from 'chai';
import fc from 'fast-check';
import { momentDoubtKgM, momentsDoubtKgM } from '../../../../src/core/mount/massDoubt.ts';
import { barTape, PLAIN_TAPE, positionFromTapeM, tapeReadingM, tubeTape } from '../../../../src/core/mount/tape.ts';
import { tipEstimate, type TipProblem } from '../../../../src/core/mount/tipEstimate.ts';
import { tipBracket, type TipTrial } from '../../../../src/core/mount/tipTest.ts';
import { finite, holds } from '../../../support/properties.ts';

const problem: TipProblem = { predictedM: 0.29, sigmaM: 0.03, movingKg: 3.5, rangeM: [0.12, 0.42] };
const trial = (positionM: number, wants: TipTrial['wants']): TipTrial => ({ positionM, wants });

describe('the bracket of a tip test', () => {
  it('lies between the last that was too small and the first that was too large', () => {
    const found = tipBracket([trial(0.28, 'more'), trial(0.26, 'more'), trial(0.32, 'less')]);
    expect(found).to.deep.include({ lowM: 0.28, highM: 0.32 });
    expect(found.middleM).to.be.closeTo(0.3, 1e-12);
  });

  it('stays open on one side, and when the trials contradict each other', () => {
    expect(tipBracket([trial(0.28, 'more')])).to.deep.equal({ lowM: 0.28, highM: null, middleM: null });
    expect(tipBracket([trial(0.32, 'more'), trial(0.28, 'less')]).middleM).to.equal(null);
  });
});

describe('the estimate of a tip test', () => {
  it('starts at the prediction, as sure as the masses are', () => {
    const first = tipEstimate([], problem);
    expect(first.nextM).to.equal(0.29);
    expect([first.chance, first.balancedM]).to.deep.equal([0, null]);
    expect(first.highM - first.lowM).to.be.within(3 * 0.03, 3.7 * 0.03);
  });

  it('every answer that drops moves the place and narrows it', () => {
    const one = tipEstimate([trial(0.29, 'more')], problem);
    expect(one.lowM).to.be.greaterThan(0.285);
    expect(one.nextM).to.be.greaterThan(0.29);
    const two = tipEstimate([trial(0.29, 'more'), trial(one.nextM, 'less')], problem);
    expect(two.highM).to.be.lessThan(one.highM);
    expect(two.highM - two.lowM).to.be.lessThan(one.highM - one.lowM);
    expect(two.nextM).to.be.within(0.29, one.nextM);
  });

  it('mirrors: what drops the other way is found on the other side', () => {
    holds(
      fc.property(finite(0.2, 0.34), fc.constantFrom<TipTrial['wants']>('more', 'less', 'none'), (positionM, wants) => {
        const turned = { more: 'less', less: 'more', none: 'none' } as const;
        const mirrored: TipProblem = { ...problem, predictedM: -0.29, rangeM: [-0.42, -0.12] };
        const here = tipEstimate([trial(positionM, wants)], problem);
        const there = tipEstimate([trial(-positionM, turned[wants])], mirrored);
        expect(here.middleM + there.middleM).to.be.closeTo(0, 0.003);
        expect(here.chance).to.be.closeTo(there.chance, 0.05);
      }),
    );
  });

  it('a stay at a good prediction is believed at once, far from it only when it is repeated', () => {
    const sure = { ...problem, sigmaM: 0.006 };
    expect(tipEstimate([trial(0.29, 'none')], sure).balancedM).to.equal(0.29);
    const vague = { ...problem, sigmaM: 0.06 };
    const once = tipEstimate([trial(0.31, 'none')], vague);
    expect([once.balancedM, once.nextM]).to.deep.equal([null, 0.31]);
    expect(tipEstimate([trial(0.31, 'none'), trial(0.31, 'none')], vague).balancedM).to.equal(0.31);
  });

  it('one wrong stay among clear answers does not win', () => {
    const answers = [trial(0.29, 'more'), trial(0.31, 'more'), trial(0.27, 'none')];
    const found = tipEstimate(answers, problem);
    expect(found.balancedM).to.equal(null);
    expect(found.nextM).to.be.greaterThan(0.3);
  });

  it('says when the place lies off the bar, and never sends the piece there', () => {
    const atEnd = [1, 2, 3].map(() => trial(0.42, 'more'));
    expect(tipEstimate(atEnd, problem)).to.deep.include({ off: 'above', nextM: 0.42 });
    const atStart = [1, 2, 3].map(() => trial(0.12, 'less'));
    expect(tipEstimate(atStart, problem)).to.deep.include({ off: 'below', nextM: 0.12 });
    expect(tipEstimate([], problem).off).to.equal(null);
    holds(
      fc.property(
        finite(-0.2, 1),
        fc.array(fc.constantFrom('more' as const, 'less' as const), { maxLength: 4 }),
        (predictedM, said) => {
          const hard: TipProblem = { ...problem, predictedM };
          const trials: TipTrial[] = [];
          for (const wants of said) trials.push(trial(tipEstimate(trials, hard).nextM, wants));
          expect(tipEstimate(trials, hard).nextM).to.be.within(problem.rangeM[0] - 1e-9, problem.rangeM[1] + 1e-9);
        },
      ),
      60,
    );
  });

  it('wide stays mean much friction, stays beside drops little', () => {
    const wide = tipEstimate([trial(0.28, 'none'), trial(0.3, 'none'), trial(0.29, 'none')], problem);
    const narrow = tipEstimate([trial(0.285, 'more'), trial(0.295, 'less'), trial(0.29, 'none')], problem);
    expect(wide.bandM).to.be.greaterThan(2 * narrow.bandM);
  });

  it('hundreds of answers, also contradicting ones, end in a place and no NaN', () => {
    const many = Array.from({ length: 400 }, (_, i) => trial(0.25 + (i % 9) / 100, i % 3 === 0 ? 'less' : 'more'));
    const found = tipEstimate(many, problem);
    for (const value of [found.middleM, found.lowM, found.highM, found.bandM, found.nextM, found.chance])
      expect(Number.isFinite(value)).to.equal(true);
    expect(found.lowM).to.be.at.most(found.highM);
  });

  it('refuses a problem without doubt or mass', () => {
    expect(() => tipEstimate([], { ...problem, sigmaM: 0 })).to.throw('sigmaM must be above 0, got 0');
    expect(() => tipEstimate([], { ...problem, movingKg: -1 })).to.throw('movingKg must be above 0, got -1');
  });
});

describe('doubt of moments', () => {
  it('a stated kilogram at 200 mm is good to 34 g m, a weighed one to the tape', () => {
    const at = { massKg: 1, armM: 0.2, placeDoubtM: 0.005 };
    expect(momentDoubtKgM({ ...at, massBasis: 'stated' })).to.be.closeTo(Math.hypot(0.034, 0.005), 1e-9);
    expect(momentDoubtKgM({ ...at, massBasis: 'weighed' })).to.be.closeTo(Math.hypot(0.002, 0.005), 1e-9);
    const two = [at, at].map((p) => ({ ...p, massBasis: 'assumed' as const }));
    expect(momentsDoubtKgM(two)).to.be.closeTo(Math.SQRT2 * Math.hypot(0.05, 0.005), 1e-9);
  });
});

describe('tapes', () => {
  const bar = { shoulderM: 0.0975, endM: 0.45, thicknessM: 0.045 };

  it('place and reading invert each other on every tape', () => {
    const tapes = [
      ...(['axisToMiddle', 'shoulderToNearEdge', 'endStopToFarEdge'] as const).map((edge) => barTape(edge, bar)),
      ...(['saddleToFront', 'saddleToRear'] as const).map((edge) => tubeTape(edge, { frontM: 0.27, backM: 0.21 })),
    ];
    holds(
      fc.property(finite(-0.5, 0.5), fc.constantFrom(...tapes), (positionM, tape) => {
        expect(positionFromTapeM(tape, tapeReadingM(tape, positionM))).to.be.closeTo(positionM, 1e-12);
      }),
    );
  });

  it('along the saddle they read from its middle to the end of the tube', () => {
    const tube = { frontM: 0.27, backM: 0.21 };
    expect(tapeReadingM(tubeTape('saddleToFront', tube), 0.03)).to.be.closeTo(0.3, 1e-12);
    expect(tapeReadingM(tubeTape('saddleToRear', tube), 0.03)).to.be.closeTo(0.18, 1e-12);
    expect(tapeReadingM(PLAIN_TAPE, -0.04)).to.equal(-0.04);
  });

  it('a weight against the shoulder and one against the end stop read zero', () => {
    const near = barTape('shoulderToNearEdge', bar);
    expect(tapeReadingM(near, bar.shoulderM + bar.thicknessM / 2)).to.be.closeTo(0, 1e-12);
    const far = barTape('endStopToFarEdge', bar);
    expect(tapeReadingM(far, bar.endM - bar.thicknessM / 2)).to.be.closeTo(0, 1e-12);
    expect(tapeReadingM(far, 0.3)).to.be.greaterThan(0);
  });
});
