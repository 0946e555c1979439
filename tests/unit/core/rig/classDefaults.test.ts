/** What a class takes until it is measured, and what a rig that lacks something is taken for. */
import { expect } from 'chai';
import { turnOfDrive } from '../../../../src/core/rig/driveTurn.ts';
import { assumedSinusoids } from '../../../../src/core/rig/assumedDrive.ts';
import { cableNeededM } from '../../../../src/core/rig/cableRuns.ts';
import { massPoints } from '../../../../src/core/rig/footingOfRig.ts';
import { packingOf } from '../../../../src/core/rig/packing.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import type { MountPart, Part, PartOf } from '../../../../src/core/records/part.ts';
import type { Rig } from '../../../../src/core/records/rig.ts';
import { ASSUMED } from '../../../../src/core/verdict/assumptions.ts';
import { parts, rigs } from '../../../support/records.ts';

const rig = (name: string): Rig => rigs.find((r) => r.name === name)!;
const numbersOf = (name: string, own: readonly Part[] = parts) => rigNumbers(rig(name), own);

describe('what a class takes until it is measured', () => {
  const mountWith = (change: Partial<MountPart>): MountPart => ({
    ...parts.find((p): p is MountPart => p.id === 'demo-heron-mount')!,
    ...change,
  });

  it('one turn of a drive is told in seconds before teeth, and by teeth only of a worm’s wheel', () => {
    const worm = { drive: 'worm' as const, wormTeeth: 180, drivePeriodS: null };
    expect(turnOfDrive(worm)!.periodS).to.be.closeTo(478.69, 0.01);
    expect(turnOfDrive({ ...worm, drivePeriodS: 430 })).to.deep.equal({ periodS: 430, drive: 'worm' });
    expect(turnOfDrive({ ...worm, drive: 'strainWave' })).to.equal(null);
    expect(turnOfDrive({ ...worm, drive: 'strainWave', drivePeriodS: 288 })!.drive).to.equal('drive');
    expect([turnOfDrive(null), turnOfDrive({ ...worm, wormTeeth: null })]).to.deep.equal([null, null]);
    // What the benches assume and what a log is held against are the same turn.
    expect(assumedSinusoids(mountWith({ wormTeeth: 180, drivePeriodS: 430 }))[0]!.periodS).to.equal(430);
  });

  it('a strain wave has a period of its own, a worm that of its teeth', () => {
    const [strain] = assumedSinusoids(mountWith({ drive: 'strainWave', wormTeeth: 180 }));
    expect(strain).to.deep.include({ periodS: ASSUMED.strainWavePeriodS, amplitudeArcsec: 20 });
    const [worm] = assumedSinusoids(mountWith({ wormTeeth: 180 }));
    expect(worm!.periodS).to.be.closeTo(86164.09 / 180, 1e-6);
    expect(assumedSinusoids(mountWith({ drivePeriodS: 333 }))[0]!.periodS).to.equal(333);
  });

  it('a device on no part of its own is led to the head: up to the axes and a loop', () => {
    const load = parts.find((p): p is PartOf<'load'> => p.kind === 'load' && p.use === 'mount')!;
    const lone = { ...rig('Heron'), placed: rig('Heron').placed.filter((p) => p.partId !== load.id) };
    const all = new Map(parts.map((p) => [p.id, p]));
    expect(cableNeededM(lone, all, load)).to.be.closeTo(1.25 + 0.3, 1e-9);
    const placed = {
      ...rig('Heron').placed[0]!,
      partId: load.id,
      on: 'tube' as const,
      fromRaAxisM: 0.2,
      alongTubeM: -0.3,
    };
    expect(cableNeededM({ ...lone, placed: [...lone.placed, placed] }, all, load)).to.be.closeTo(
      1.25 + 0.4 + 0.3 + 0.3,
      1e-9,
    );
  });

  it('the tube looks to the pole that is up: south of the equator everything before the saddle lies to the south', () => {
    const along = (latDeg: number): number => {
      const reducer = massPoints(numbersOf('Heron'), latDeg, 'tubeWest').find((p) => p.massKg === 0.45)!;
      return reducer.positionM[1];
    };
    expect(along(-40)).to.be.closeTo(-along(40), 1e-9);
    expect(along(40)).to.be.lessThan(0.12);
  });

  it('what has no mass is counted case by case', () => {
    const own = parts.map((p) => (p.id === 'demo-heron-camera' ? { ...p, massKg: null } : p));
    const unweighed = (all: readonly Part[]): number =>
      packingOf(rig('Heron'), all, new Set()).cases.reduce((n, c) => n + c.unweighed, 0);
    const before = unweighed(parts);
    expect(unweighed(own)).to.equal(before + 1);
    expect(before).to.equal(
      parts.filter(
        (p) =>
          p.massKg === null &&
          packingOf(rig('Heron'), parts, new Set()).cases.some((c) => c.items.some((i) => i.partId === p.id)),
      ).length,
    );
  });
});
