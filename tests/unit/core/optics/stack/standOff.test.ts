/** Threads longer than their holes: the search counts the gaps as the bench does. */
import { expect } from 'chai';
import fc from 'fast-check';
import { fitStack, type FitInput } from '../../../../../src/core/optics/stack/fitStack.ts';
import { endsOf, type JointEnd } from '../../../../../src/core/optics/stack/joints.ts';
import { whatToBuy } from '../../../../../src/core/optics/stack/whatToBuy.ts';
import type { Part, PartOf } from '../../../../../src/core/records/part.ts';
import { boxFit, trainWithStack } from '../../../../../src/core/rig/boxFit.ts';
import { rigNumbers } from '../../../../../src/core/rig/rigNumbers.ts';
import { holds } from '../../../../support/properties.ts';
import { parts, rigs } from '../../../../support/records.ts';

const end = (gender: 'male' | 'female', lengthMm: number | null): JointEnd => ({ thread: 'M48', gender, lengthMm });
const ring = (id: string, lengthMm: number, hole: number | null, thread: number | null) => ({
  id,
  lengthMm,
  count: 1,
  front: end('female', hole),
  rear: end('male', thread),
});
const asked = (more: Partial<FitInput>): FitInput => ({
  neededMm: 30,
  ends: endsOf(end('male', 5), end('female', 3)),
  box: [],
  shims: [],
  mostShimsMm: 1,
  mostPieces: 12,
  mostSteps: 1e6,
  ...more,
});

describe('threads that are too long', () => {
  it('5 mm into 3 mm stand 2 mm off: the search takes the order that brings the distance', () => {
    // a then b: 5 into 3, and 5 into the camera's 3. b then a: its deep hole swallows the corrector's thread, then 5 into 3.
    const box = [ring('a', 10, 3, 2), ring('b', 16, 6, 5)];
    const nearest = (neededMm: number, pieces = box) => fitStack(asked({ box: pieces, neededMm })).best[0];
    expect(nearest(28)).to.deep.include({ ids: ['b', 'a'], lengthMm: 28, errorMm: 0, openMm: 0 });
    expect(nearest(30)).to.deep.include({ ids: ['a', 'b'], lengthMm: 30, errorMm: 0, openMm: 2 });
    // Holes that nobody measured leave no gap.
    const unmeasured = box.map((p) => ({ ...p, front: end('female', null) }));
    expect(nearest(30, unmeasured)).to.deep.include({ ids: ['a', 'b'], lengthMm: 28 });
  });

  it('shims lie in the gap before the camera and lengthen only by what stands out of it', () => {
    const box = [ring('a', 26.9, 6, 5)];
    const shims = [{ thicknessMm: 0.5, count: 3 }];
    // Two open millimetres: nothing under 2 mm of shims lengthens.
    const [first] = fitStack(asked({ box, shims, neededMm: 29.4 })).best;
    expect(first).to.deep.include({ shimsMm: [], lengthMm: 28.9 });
    const [shallow] = fitStack(asked({ box: [ring('a', 27, 6, 3.3)], shims, neededMm: 27.7 })).best;
    expect(shallow!.shimsMm).to.deep.equal([0.5]);
    expect(shallow!.lengthMm).to.be.closeTo(27.5, 1e-9);
  });

  const heron = rigs.find((r) => r.name === 'Heron')!;
  const lengths = fc.option(fc.integer({ min: 2, max: 6 }), { nil: null });
  const measured = (part: Part, [front, rear]: [number | null, number | null]): Part =>
    Object.assign({}, part, {
      ...('front' in part ? { front: { ...part.front, lengthMm: front } } : {}),
      ...('rear' in part && part.rear ? { rear: { ...part.rear, lengthMm: rear } } : {}),
    });

  it('search and bench agree on every stack found', () =>
    holds(
      fc.property(fc.array(fc.tuple(lengths, lengths), { minLength: parts.length, maxLength: parts.length }), (all) => {
        const box = parts.map((p, i) => measured(p, all[i]!));
        const { lightPath, camera } = rigNumbers(heron, box);
        const fit = boxFit(lightPath, camera, box, heron.train)!;
        for (const stack of fitStack({ ...fit.input, mostSteps: 40_000 }).best) {
          const train = trainWithStack(heron.train, box, stack);
          const { spacing, misfits } = rigNumbers({ ...heron, train, turned: [] }, box).lightPath;
          expect(misfits).to.deep.equal([]);
          expect(spacing!.presentMm).to.be.closeTo(stack.lengthMm + (camera as PartOf<'camera'>).depthMm, 1e-9);
        }
      }),
    ));
});

describe('what to buy', () => {
  const open = endsOf(end('male', null), end('female', null));
  const box = [ring('a', 10, null, null), ring('b', 19.4, null, null)];

  it('shims before a piece, where the nearest stack is a little short', () => {
    const input = asked({ ends: open, box });
    const { best } = fitStack(input);
    const toBuy = whatToBuy(best, input, 0.3);
    expect(toBuy).to.deep.include({ kind: 'shims', on: best[0] });
    expect(toBuy!.kind === 'shims' && toBuy!.thicknessMm).to.be.closeTo(0.6, 1e-9);
    expect(whatToBuy(best, input, 0.7)).to.equal(null);
  });

  it('a piece where shims would be too many, or the nearest is too long', () => {
    for (const neededMm of [32, 29]) {
      const input = asked({ ends: open, box, neededMm });
      expect(whatToBuy(fitStack(input).best, input, 0.3)!.kind, String(neededMm)).to.equal('piece');
    }
    const worn = asked({ ends: open, box, shims: [{ thicknessMm: 0.5, count: 1 }], neededMm: 30.8 });
    expect(whatToBuy(fitStack(worn).best, worn, 0.3)!.kind).to.equal('piece');
  });
});
