import { PHONE_LENS } from '../../../../../src/core/rig/dressing/looks.ts';
import { offBarOf } from '../../../../../src/core/mount/offBar.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { MOUNT_CLASSES } from '../../../../../src/core/mount/mountClasses.ts';
import { raBalance } from '../../../../../src/core/mount/balance.ts';
import { partSchema, TUBE_KINDS, type Part } from '../../../../../src/core/records/part.ts';
import { rigSchema } from '../../../../../src/core/records/rig.ts';
import { CARRIERS, SIZES, usualCarrier } from '../../../../../src/core/rig/dressing/carriers.ts';
import { dressRig, type RigAnswers } from '../../../../../src/core/rig/dressing/dressRig.ts';
import {
  imagedThrough,
  pixelsOf,
  SENSORS,
  type Looker,
  type SensorFormat,
} from '../../../../../src/core/rig/dressing/looks.ts';
import { isDepthGuessed, isThreadGuessed } from '../../../../../src/core/rig/lightBasis.ts';
import { mountHasBar, rigNumbers } from '../../../../../src/core/rig/rigNumbers.ts';
import { holds } from '../../../../support/properties.ts';
import { head } from '../../../../support/records.ts';

function dressed(answers: RigAnswers) {
  let n = 0;
  const naming = {
    newId: () => `id-${(n += 1)}`,
    nameOf: (piece: string, kg: number) => (kg > 0 ? `${piece} ${kg}` : piece),
  };
  const made = dressRig(answers, naming);
  const parts = made.parts.map(({ id, body }): Part => partSchema.parse({ ...head, id, ...body }));
  const rig = rigSchema.parse({ ...head, id: 'rig', name: 'Own', ...made.rig });
  return { ...made, parts, rig, numbers: rigNumbers(rig, parts) };
}

/** Apertures that the kind is made in. */
const optics: fc.Arbitrary<RigAnswers['optics']> = fc.oneof(
  fc.record({
    kind: fc.constant('lens' as const),
    focalMm: fc.integer({ min: 14, max: 600 }),
    apertureMm: fc.constant(null),
  }),
  fc.constantFrom(...TUBE_KINDS.slice(1)).chain((kind) =>
    fc.record({
      kind: fc.constant(kind),
      focalMm: fc.integer({ min: 250, max: 2000 }),
      apertureMm: fc.integer({ min: 50, max: 200 }),
    }),
  ),
);
const answers: fc.Arbitrary<RigAnswers> = fc.record({
  carrier: fc.constantFrom(...CARRIERS),
  size: fc.constantFrom(...SIZES),
  finder: fc.constantFrom('twelveHour' as const, 'none' as const),
  raMotor: fc.boolean(),
  optics,
  sensor: fc.oneof(
    fc.record({
      format: fc.constantFrom(...(Object.keys(SENSORS) as SensorFormat[])),
      megapixels: fc.integer({ min: 2, max: 60 }),
      body: fc.constantFrom('lensMount' as const, 'telescope' as const),
    }),
    fc.constantFrom<Looker>('phone', 'eye'),
  ),
  guided: fc.boolean(),
});

describe('a rig dressed from few answers', () => {
  it('has the camera that was told: wide with its adapter in its depth, or a can; both guessed', () => {
    const told = (body: 'lensMount' | 'telescope' | undefined, kind: 'lens' | 'refractor') => {
      const sensor = { format: 'reduced' as const, megapixels: 24, ...(body === undefined ? {} : { body }) };
      const tube = { kind, focalMm: 480, apertureMm: 80 };
      const { numbers } = dressed({
        carrier: 'germanEquatorial',
        size: 'middle',
        finder: 'none',
        guided: false,
        optics: tube,
        sensor,
      });
      return numbers.camera!;
    };
    const [body, can] = [told('lensMount', 'refractor'), told('telescope', 'refractor')];
    expect([body.bodyKind, body.depthMm, can.bodyKind, can.depthMm]).to.deep.equal([
      'lensMount',
      55,
      'telescope',
      17.5,
    ]);
    expect(body.radiusM).to.be.greaterThan(can.radiusM);
    expect([isDepthGuessed(body), isThreadGuessed(can, can.front)]).to.deep.equal([true, true]);
    expect([told(undefined, 'lens').bodyKind, told(undefined, 'refractor').bodyKind]).to.deep.equal([
      'lensMount',
      'telescope',
    ]);
  });

  it('a phone is one piece: its camera hangs nowhere by itself and weighs nothing', () => {
    const { rig, numbers } = dressed({
      carrier: 'trackerBracket',
      size: 'small',
      finder: 'none',
      guided: false,
      optics: PHONE_LENS,
      sensor: 'phone',
    });
    expect(numbers.masses.tubeSide.map(({ partId, massKg }) => [partId === rig.imagingTubeId, massKg])).to.deep.equal([
      [true, 0.2],
    ]);
    expect([numbers.camera!.bodyKind, numbers.camera!.massKg]).to.deep.equal(['phone', 0]);
    expect(numbers.train!.focalEffectiveMm).to.be.closeTo(6.8, 1e-9);
  });

  it('is valid, lacks nothing, and stands balanced within its bar or says that it does not', () => {
    let unbalanced = 0;
    holds(
      fc.property(answers, (one) => {
        const { rig, numbers } = dressed(one);
        expect(numbers.gaps).to.deep.equal([]);
        if (!mountHasBar(numbers.mount)) return;
        const { input, movable } = numbers.balance!;
        const found = raBalance(input);
        if (found.inRange) expect(Math.abs(movable[0]!.setM - found.positionM!)).to.be.lessThan(0.002);
        else if (movable.length === 0) {
          expect(offBarOf(input, [])?.code).to.equal('noWeight');
        } else {
          unbalanced += 1;
          // What cannot be held stands as near to it as the bar allows.
          const heavy = found.positionM! > input.barRangeM[1];
          expect(movable[0]!.setM).to.be.closeTo(input.barRangeM[heavy ? 1 : 0], 1e-9);
        }
        const [nearest, farthest] = input.barRangeM;
        for (const w of movable) expect(w.setM).to.be.within(nearest - 1e-9, farthest + 1e-9);
        for (const p of rig.placed) expect(p.placeBasis).to.equal('assumed');
      }),
      300,
    );
    expect(unbalanced).to.be.lessThan(60);
  });

  it('every guess is marked as one, and is the class’s own', () => {
    for (const carrier of CARRIERS)
      for (const size of SIZES) {
        const usual = usualCarrier(carrier, size);
        const { parts, numbers } = dressed({
          carrier,
          size,
          finder: 'twelveHour',
          optics: { kind: 'refractor', focalMm: 480, apertureMm: 80 },
          sensor: { format: 'reduced', megapixels: 26 },
          guided: true,
        });
        expect(parts.every((p) => p.massBasis === 'assumed')).to.equal(true);
        expect(numbers.mount).to.include({ ratedKg: usual.ratedKg, mountKind: usual.mountKind });
        const all = MOUNT_CLASSES.map((c) => c.headKg);
        // A box on the ground is made for its tube, of no class that stands on legs.
        const [least, most] =
          usual.bar === null && usual.saddleM === 0 ? [5, 30] : [Math.min(...all) * 0.6, Math.max(...all)];
        expect(usual.headKg, `${carrier} ${size}`).to.be.within(least, most);
      }
    for (const carrier of CARRIERS) {
      const [small, middle, large] = SIZES.map((size) => usualCarrier(carrier, size));
      expect(small!.ratedKg < middle!.ratedKg && middle!.ratedKg < large!.ratedKg, carrier).to.equal(true);
      expect(small!.headKg < middle!.headKg && middle!.headKg < large!.headKg, carrier).to.equal(true);
    }
  });

  it('has a finder where its kind has one and it was said to, and a tripod that grows with the head', () => {
    const one = (carrier: RigAnswers['carrier'], size: RigAnswers['size'], finder: RigAnswers['finder']) =>
      dressed({
        carrier,
        size,
        finder,
        optics: { kind: 'lens', focalMm: 135, apertureMm: null },
        sensor: { format: 'reduced', megapixels: 24 },
        guided: false,
      }).numbers;
    expect(one('germanEquatorial', 'middle', 'twelveHour').mount!.finder?.numbering).to.equal('12h');
    expect(one('germanEquatorial', 'middle', 'none').mount!.finder).to.equal(null);
    expect(one('strainWave', 'middle', 'twelveHour').mount!.finder).to.equal(null);
    expect(one('altAzimuth', 'middle', 'twelveHour').mount!.adjusters).to.equal(null);
    for (const carrier of CARRIERS) {
      const [small, middle, large] = SIZES.map((size) => one(carrier, size, 'none').support!.massKg!);
      expect(small! < middle! && middle! < large!, carrier).to.equal(true);
    }
  });

  it('a camera of a small sensor is a light one, and a ball head does not slide', () => {
    const withSensor = (format: SensorFormat) =>
      dressed({
        carrier: 'trackerBallHead',
        size: 'middle',
        finder: 'none',
        optics: { kind: 'lens', focalMm: 135, apertureMm: null },
        sensor: { format, megapixels: 6 },
        guided: false,
      });
    const cameraKg = (format: SensorFormat) => withSensor(format).parts.find((p) => p.kind === 'camera')!.massKg;
    expect([cameraKg('small'), cameraKg('oneInch')]).to.deep.equal([0.2, 0.7]);
    const { rig, parts } = withSensor('reduced');
    const head = rig.placed.find((p) => parts.find((part) => part.id === p.partId)?.kind === 'small')!;
    expect([head.on, head.slides]).to.deep.equal(['head', false]);
  });

  it('a lens lies by its radius above the saddle, a tube on its plate too', () => {
    const lineOf = (kind: 'lens' | 'refractor', carrier: RigAnswers['carrier']): number => {
      const { numbers } = dressed({
        carrier,
        size: 'middle',
        finder: 'none',
        optics: { kind, focalMm: 480, apertureMm: 80 },
        sensor: { format: 'reduced', megapixels: 24 },
        guided: false,
      });
      return numbers.masses.tubeSide.find((m) => m.partId === numbers.tube!.id)!.fromRaAxisM;
    };
    expect(lineOf('lens', 'altAzimuth')).to.be.closeTo(0.1 + 0.055, 1e-9);
    expect(lineOf('refractor', 'altAzimuth')).to.be.closeTo(0.1 + 0.02 + 0.055, 1e-9);
    expect(lineOf('refractor', 'germanEquatorial')).to.be.closeTo(0.1 + 0.02 + 0.055, 1e-9);
  });

  it('a phone behind an eyepiece shortens the focal length and cuts the beam; an eye looks in from the side or from behind', () => {
    const tube = { kind: 'newtonian', focalMm: 750, apertureMm: 150 } as const;
    expect(imagedThrough(tube, 'phone').focalMm).to.be.closeTo((750 * 6.8) / 25, 1e-9);
    // The exit pupil of 5 mm is wider than the phone's 3.8 mm.
    expect(imagedThrough(tube, 'phone').apertureMm).to.be.closeTo((150 * 3.8) / 5, 1e-9);
    expect(imagedThrough(tube, { format: 'reduced', megapixels: 24 })).to.deep.equal({ apertureMm: 150, focalMm: 750 });
    const eyeAt = (kind: 'newtonian' | 'refractor') => {
      const { rig, numbers } = dressed({
        carrier: 'byHand',
        size: 'middle',
        finder: 'none',
        optics: { ...tube, kind },
        sensor: 'eye',
        guided: false,
      });
      expect([numbers.camera, numbers.eyepiece!.focalMm]).to.deep.equal([null, 25]);
      return rig.placed.find((p) => p.partId === numbers.eyepiece!.id)!.alongTubeM;
    };
    expect(eyeAt('newtonian')).to.be.closeTo(0.55 * 0.72 - 0.12, 0.001);
    expect(eyeAt('refractor')).to.be.closeTo(-0.45 * 0.75, 0.001);
  });

  it('reckons pixels from the format: 24 megapixels on 36 by 24 mm are 6.0 um', () => {
    expect(pixelsOf({ format: 'fullFrame', megapixels: 24 })).to.deep.equal({
      pixelUm: 6,
      widthPx: 6000,
      heightPx: 4000,
    });
  });

  it('an 80 mm refractor on a middle German mount is near what such a rig weighs, its weight near where it stands', () => {
    const { numbers, parts } = dressed({
      carrier: 'germanEquatorial',
      size: 'middle',
      finder: 'twelveHour',
      optics: { kind: 'refractor', focalMm: 480, apertureMm: 80 },
      sensor: { format: 'reduced', megapixels: 26 },
      guided: true,
    });
    const { tubeSideLoadKg, positionM } = raBalance(numbers.balance!.input);
    expect(tubeSideLoadKg).to.be.within(5, 7.5);
    expect(positionM).to.be.within(0.15, 0.4);
    const massOf = (kind: Part['kind']) => parts.find((p) => p.kind === kind)!.massKg;
    expect([massOf('tube'), massOf('rings'), massOf('plate')]).to.deep.equal([3.4, 0.68, 0.34]);
    const tube = numbers.masses.tubeSide.find((m) => m.partId === numbers.tube!.id)!;
    const camera = numbers.masses.tubeSide.find((m) => m.partId === numbers.camera!.id)!;
    const scope = numbers.masses.tubeSide.find((m) => m.fromRaAxisM > tube.fromRaAxisM)!;
    // Behind the tube's rear end by half its own length.
    expect(camera.alongTubeM).to.be.closeTo(-(0.45 * 0.48 + 0.05), 0.001);
    expect(numbers.masses.tubeSide.filter((m) => m.slides).map((m) => m.name)).to.deep.equal([
      'tube',
      'camera',
      'guideScope',
    ]);
    expect(scope.fromRaAxisM - tube.fromRaAxisM).to.be.closeTo(numbers.tube!.radiusM + 0.05, 0.002);
  });
});
