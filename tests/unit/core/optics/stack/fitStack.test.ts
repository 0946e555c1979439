/** The solver against every chain of small boxes, laid piece by piece. */
import { expect } from 'chai';
import fc from 'fast-check';
import { countStacks, fitStack, fitSteps, type FitInput } from '../../../../../src/core/optics/stack/fitStack.ts';
import { endsOf, type BoxPiece, type JointEnd } from '../../../../../src/core/optics/stack/joints.ts';
import { onePurchase } from '../../../../../src/core/optics/stack/purchase.ts';
import { bestShims, hundredths, shimSets } from '../../../../../src/core/optics/stack/shims.ts';
import { holds } from '../../../../support/properties.ts';

const M = (thread: string): JointEnd => ({ thread, gender: 'male' });
const F = (thread: string): JointEnd => ({ thread, gender: 'female' });
const ring = (id: string, lengthMm: number, count = 1): BoxPiece => ({
  id,
  lengthMm,
  count,
  front: F('42'),
  rear: M('42'),
});
const CORRECTOR = M('42');
const CAMERA = F('42');
const base: FitInput = {
  neededMm: 30,
  ends: endsOf(CORRECTOR, CAMERA),
  box: [ring('a', 10), ring('b', 15), ring('c', 20), ring('d', 5, 2)],
  shims: [],
  mostShimsMm: 1,
  mostPieces: 12,
  mostSteps: 1e6,
};
const mates = (a: JointEnd, b: JointEnd): boolean => a.thread === b.thread && a.gender !== b.gender;

type Laid = { ids: string[]; lengthMm: number };

/** Every distinct set of pieces that some order screws together, with its smallest order; by trying all orders. */
function everyStack(box: readonly BoxPiece[], corrector: JointEnd, camera: JointEnd): Laid[] {
  const found = new Map<string, Laid>();
  const used = new Map(box.map((p) => [p.id, 0]));
  const go = (open: JointEnd, ids: string[], lengthMm: number): void => {
    if (mates(open, camera) && box.every((p) => p.required !== true || ids.includes(p.id))) {
      const key = [...ids].sort().join();
      const known = found.get(key);
      if (!known || ids.join('\n') < known.ids.join('\n')) found.set(key, { ids: [...ids], lengthMm });
    }
    for (const p of box) {
      const n = used.get(p.id)!;
      if (n >= p.count || !mates(open, p.front)) continue;
      used.set(p.id, n + 1);
      go(p.rear, [...ids, p.id], lengthMm + p.lengthMm);
      used.set(p.id, n);
    }
  };
  go(corrector, [], 0);
  return [...found.values()];
}

const end: fc.Arbitrary<JointEnd> = fc.record({
  thread: fc.constantFrom('42', '48', '54'),
  gender: fc.constantFrom('male' as const, 'female' as const),
});
/** One thread most often, else any: so that some of a box screw together. */
const mostly = (one: JointEnd) => fc.oneof({ weight: 4, arbitrary: fc.constant(one) }, { weight: 1, arbitrary: end });
const box = fc.array(
  fc.record({
    lengthMm: fc.integer({ min: 2, max: 80 }).map((n) => n / 4),
    count: fc.constantFrom(1, 1, 1, 2),
    front: mostly(F('42')),
    rear: mostly(M('42')),
    required: fc.integer({ min: 0, max: 15 }).map((n) => n === 0),
  }),
  { maxLength: 6 },
);

describe('a stack from the box', () => {
  it('is what trying every order finds: the same five, in the same order, and the same number of sets', () => {
    let stacks = 0;
    holds(
      fc.property(
        box,
        fc.integer({ min: 0, max: 240 }),
        mostly(CORRECTOR),
        mostly(CAMERA),
        (raw, quarters, corrector, camera) => {
          const pieces = raw.map((p, i): BoxPiece => ({ ...p, id: `p${i}` }));
          const input = { ...base, box: pieces, neededMm: quarters / 4, ends: endsOf(corrector, camera) };
          const all = everyStack(pieces, corrector, camera);
          stacks += all.length;
          const ranked = all
            .map((s) => ({ ...s, errorMm: s.lengthMm - input.neededMm }))
            .sort(
              (a, b) =>
                hundredths(a.errorMm) - hundredths(b.errorMm) ||
                a.ids.length - b.ids.length ||
                (a.ids.join('\n') < b.ids.join('\n') ? -1 : 1),
            );
          const { best, proven } = fitStack(input);
          expect(proven).to.equal(true);
          expect(best.map((s) => s.ids)).to.deep.equal(ranked.slice(0, 5).map((s) => s.ids));
          best.forEach((s, i) => expect(s.lengthMm).to.be.closeTo(ranked[i]!.lengthMm, 1e-9));
          expect(countStacks(input)).to.equal(all.length);
        },
      ),
      200,
    );
    expect(stacks).to.be.greaterThan(500);
  });

  it('ends when five come as near as their lengths can, however much is left to try', () => {
    const tenths = Array.from({ length: 40 }, (_, i) => ring(`t${i}`, 2 + i * 0.1));
    const seen = [...fitSteps({ ...base, box: tenths, neededMm: 11.1667 })];
    expect(Math.max(...seen.map(({ pieces }) => pieces))).to.be.below(5);
    const { best, proven } = fitStack({ ...base, box: tenths, neededMm: 11.1667 });
    expect([proven, best.every((s) => hundredths(s.errorMm) === 3)]).to.deep.equal([true, true]);
    // A shim of another grid can come nearer: then the search goes on for it.
    const finer = fitStack({ ...base, box: tenths, neededMm: 11.1667, shims: [{ thicknessMm: 0.067, count: 1 }] });
    expect(hundredths(finer.best[0]!.errorMm)).to.equal(0);
  });

  it('stops at so many pieces, and says when it could not look at everything', () => {
    expect(fitStack({ ...base, mostPieces: 1 }).best.map((s) => s.ids)).to.deep.equal([['c'], ['b'], ['a'], ['d'], []]);
    const short = fitStack({ ...base, mostSteps: 6 });
    expect(short.proven).to.equal(false);
    expect(
      countStacks({
        ...base,
        mostSteps: 1e4,
        box: Array.from({ length: 30 }, (_, i) => ({ ...ring(`x${i}`, 1), rear: M(`${i}`) })),
      }),
    ).to.equal(null);
  });

  it('tells the pieces that it looks at, one number after the other', () => {
    const seen = [...fitSteps({ ...base, neededMm: 1000 })].map(({ pieces }) => pieces);
    expect(seen).to.deep.equal([0, 1, 2, 3, 4, 5]);
  });

  it('shims fill what is missing: fewest first, never without a piece, never beyond their total', () => {
    const shims = [
      { thicknessMm: 0.2, count: 2 },
      { thicknessMm: 0.4, count: 1 },
      { thicknessMm: 0.5, count: 2 },
    ];
    const filled = fitStack({ ...base, neededMm: 30.4, shims });
    expect(filled.best[0]).to.deep.include({ ids: ['a', 'c'], shimsMm: [0.4] });
    expect(filled.best[0]!.errorMm).to.be.closeTo(0, 1e-9);
    expect(fitStack({ ...base, box: [], neededMm: 0.4, shims }).best[0]!.shimsMm).to.deep.equal([]);
    const sets = shimSets(shims, 1);
    expect(Math.max(...sets.map((s) => s.totalMm))).to.be.at.most(1 + 1e-9);
    expect(bestShims(sets, -0.9).shimsMm).to.deep.equal([0.4, 0.5]);
    expect(bestShims(sets, 0.1).shimsMm).to.deep.equal([]);
    expect([hundredths(0.005), hundredths(-0.0149), hundredths(0.015)]).to.deep.equal([1, 1, 2]);
  });
});

describe('the one piece to buy', () => {
  const asked = { neededMm: 30, correctorRear: CORRECTOR, cameraFront: CAMERA, leastMm: 1, mostSteps: 1e6 };

  it('closes the gap exactly, with what is required in it and as little else as can be', () => {
    expect(onePurchase({ ...asked, box: base.box })).to.deep.equal({
      lengthMm: 30,
      front: F('42'),
      rear: M('42'),
      before: [],
      after: [],
    });
    const wheel = { ...ring('wheel', 20), front: F('48'), rear: M('48'), required: true };
    expect(onePurchase({ ...asked, cameraFront: F('48'), box: [ring('a', 10), wheel] })).to.deep.equal({
      lengthMm: 10,
      front: F('42'),
      rear: M('48'),
      before: [],
      after: ['wheel'],
    });
  });

  it('there is none when what is required is too long already, or mates with nothing', () => {
    expect(onePurchase({ ...asked, box: [{ ...ring('a', 29.5), required: true }] })).to.equal(null);
    const odd = { ...ring('odd', 5), front: F('99'), rear: M('98'), required: true };
    expect(onePurchase({ ...asked, box: [odd] })).to.equal(null);
  });
});
