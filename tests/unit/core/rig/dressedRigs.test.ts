import { expect } from 'chai';
import { batteriesOfRig, lastOfBatteries } from '../../../../src/core/rig/batteriesOfRig.ts';
import { CARRIERS, SIZES } from '../../../../src/core/rig/dressing/carriers.ts';
import { dressRig, type RigAnswers } from '../../../../src/core/rig/dressing/dressRig.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import { loadOfRig } from '../../../../src/core/rig/payloadOfRig.ts';
import { sum } from '../../../../src/core/mount/levers.ts';
import type { Part } from '../../../../src/core/records/part.ts';
import type { Rig } from '../../../../src/core/records/rig.ts';
import { parts, reading, rigs } from '../../../support/records.ts';

const OPTICS: RigAnswers['optics'][] = [
  { kind: 'lens', focalMm: 135, apertureMm: 48 },
  { kind: 'lens', focalMm: 300, apertureMm: 75 },
  { kind: 'refractor', focalMm: 400, apertureMm: 72 },
  { kind: 'newtonian', focalMm: 750, apertureMm: 150 },
  { kind: 'mirrorLens', focalMm: 2000, apertureMm: 200 },
];
const CAMERA = { format: 'reduced', megapixels: 24 } as const;

function dressed(answers: RigAnswers) {
  let n = 0;
  const { rig, parts: own } = dressRig(answers, { newId: () => `p${(n += 1)}`, nameOf: (piece) => piece });
  const records = own.map(({ id, body }) => ({ ...body, id, deletedAtUtc: null, archived: false }) as unknown as Part);
  return { rig: rig as Rig, numbers: rigNumbers(rig as Rig, records) };
}
const all = CARRIERS.flatMap((carrier) =>
  SIZES.flatMap((size) =>
    OPTICS.flatMap((optics) =>
      ([CAMERA, 'eye'] as const)
        .filter((sensor) => sensor !== 'eye' || optics.kind !== 'lens')
        .map((sensor): RigAnswers => ({ carrier, size, finder: 'none', optics, sensor, guided: false })),
    ),
  ),
);

describe('a rig dressed by a few answers', () => {
  it('hangs no more weight than it needs where the rating counts it: the longer lever before the overload', () => {
    for (const answers of all) {
      const { numbers } = dressed(answers);
      const { mount, masses, balance } = numbers;
      if (!mount?.ratingIncludesWeights || !balance) continue;
      const neededKgM = sum(masses.tubeSide, (p) => p.massKg * p.fromRaAxisM) - masses.bar.massKg * masses.bar.centreM;
      const leastKg = neededKgM / balance.input.barRangeM[1];
      const weightsKg = sum(masses.weights, (w) => w.massKg);
      // Weights come in halves of a kilogram.
      expect(weightsKg, JSON.stringify(answers)).to.be.at.most(Math.max(0.5, leastKg + 0.5) + 1e-9);
    }
    const { numbers } = dressed({
      carrier: 'trackerBracket',
      size: 'small',
      finder: 'none',
      optics: OPTICS[0]!,
      sensor: CAMERA,
      guided: false,
    });
    expect(loadOfRig(numbers, 1, null)!.massKg.is).to.be.at.most(numbers.mount!.ratedKg);
    expect(numbers.masses.tubeSide.map((p) => p.name)).not.to.include('ballHead');
  });

  it('a fork carries its tube on its axis, without rings', () => {
    for (const answers of all.filter((a) => a.carrier === 'forkOnWedge')) {
      const { numbers } = dressed(answers);
      const tube = numbers.masses.tubeSide.find((p) => p.partId === numbers.tube!.id)!;
      expect(tube.fromRaAxisM).to.equal(0);
      expect(numbers.masses.tubeSide.map((p) => p.name)).not.to.include('rings');
    }
  });

  it('for looking alone uses nearly all of the rating, for taking subs what its user’s school says', () => {
    for (const answers of all)
      expect(dressed(answers).rig.schools).to.deep.equal(answers.sensor === 'eye' ? { loadShare: 0.95 } : {});
  });
});

describe('what feeds and what looks', () => {
  it('a reading goes to a battery of this rig, not to the first of the box', () => {
    const heron = rigs.find((r) => r.name === 'Heron')!;
    const own = parts.find((p) => p.id === 'demo-heron-battery')!;
    const other: Part = { ...own, id: 'another' };
    expect(batteriesOfRig(heron, [other, ...parts]).map((b) => b.id)).to.deep.equal(['demo-heron-battery']);
    expect(batteriesOfRig({ supplies: [] }, [other]).map((b) => b.id)).to.deep.equal(['another']);
  });

  it('each battery that was read is told by its last reading, also one that the box no longer holds', () => {
    const of = (id: string, fraction: number, battery: string) =>
      reading('battery', { voltageV: 12.8, fraction }, { id, subject: { type: 'part', id: battery } });
    const told = lastOfBatteries(
      [of('a', 1, 'demo-heron-battery'), of('b', 0.7, 'gone'), of('c', 0.4, 'demo-heron-battery')],
      parts,
    );
    const own = parts.find((p) => p.id === 'demo-heron-battery')!;
    expect(told.map((t) => [t.name, t.reading.values.fraction])).to.deep.equal([
      [own.name, 0.4],
      [null, 0.7],
    ]);
  });

  it('a barlow in the train counts for an eyepiece', () => {
    const { rig, numbers } = dressed({
      carrier: 'germanEquatorial',
      size: 'middle',
      finder: 'none',
      optics: OPTICS[2]!,
      sensor: 'eye',
      guided: false,
    });
    expect(numbers.eyeOptics).to.deep.equal({ apertureMm: 72, focalMm: 400, eyepieceMm: 25 });
    const barlow = { ...parts.find((p) => p.kind === 'corrector')!, id: 'barlow', factor: 2 } as Part;
    const own = [
      barlow,
      { ...numbers.tube!, deletedAtUtc: null },
      { ...numbers.eyepiece!, deletedAtUtc: null },
    ] as Part[];
    expect(rigNumbers({ ...rig, train: ['barlow', ...rig.train] }, own).eyeOptics!.focalMm).to.equal(800);
  });
});
