import { handsOf } from '../../../../src/core/rig/assembly.ts';
import { expect } from 'chai';
import { lookerPlace, rearEndOf } from '../../../../src/core/rig/lookerPlace.ts';
import { ringsTurn, turnedInRings } from '../../../../src/core/rig/ringsTurn.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import { clearanceOfRig } from '../../../../src/core/rig/clearanceOfRig.ts';
import { usualPlace } from '../../../../src/core/rig/dressing/usualPlace.ts';
import { dressRig } from '../../../../src/core/rig/dressing/dressRig.ts';
import { leversOf } from '../../../../src/core/rig/axisLevers.ts';
import { leversAt, sum } from '../../../../src/core/mount/levers.ts';
import { assemblyWords } from '../../../../src/text/assemblyWords.ts';
import { unloadWords } from '../../../../src/text/balanceOrderWords.ts';
import { dropName } from '../../../../src/text/balanceWords.ts';
import { TUBE_ENDS } from '../../../../src/text/tubeEnds.ts';
import { parts, rigs } from '../../../support/records.ts';

const demo = rigs.find((r) => r.name === 'Plover')!;
/** With its camera beside the tube, as far out as a focuser holds it. */
const plover = {
  ...demo,
  placed: demo.placed.map((p) => (p.partId === demo.cameraId ? { ...p, sidewaysM: 0.14 } : p)),
};
const heron = rigs.find((r) => r.name === 'Heron')!;
const numbersOf = (rig: typeof plover, own = parts) => rigNumbers(rig, own);

describe('a reflector', () => {
  it('has its camera at the open end, at the side; every other tube behind it', () => {
    const tube = { frontM: 0.4, backM: 0.3, radiusM: 0.1 };
    const side = lookerPlace('newtonian', tube, 0.1);
    expect([side.alongTubeM, side.outM].map((m) => Math.round(100 * m))).to.deep.equal([28, 21]);
    for (const kind of ['lens', 'refractor', 'mirrorLens'] as const)
      expect(lookerPlace(kind, tube, 0.1), kind).to.deep.equal({ alongTubeM: -0.35, outM: 0 });
    const camera = parts.find((p) => p.id === 'demo-plover-camera')!;
    const usual = usualPlace(camera, numbersOf(plover));
    expect(usual.alongTubeM).to.be.greaterThan(0.1);
    expect(usual.fromRaAxisM).to.be.greaterThan(0.24 + 0.09);
  });

  it('balanced in declination asks for the tube to go toward its mirror end, a refractor toward its front', () => {
    const answers = {
      carrier: 'germanEquatorial',
      size: 'middle',
      finder: 'none',
      sensor: { format: 'reduced', megapixels: 24 },
      guided: false,
    } as const;
    const naming = () => {
      let n = 0;
      return { newId: () => `id${(n += 1)}`, nameOf: (piece: string) => piece };
    };
    const momentOf = (kind: 'newtonian' | 'refractor'): number => {
      const { rig } = dressRig({ ...answers, optics: { kind, focalMm: 750, apertureMm: 150 } }, naming());
      const camera = rig.placed.find((p) => p.partId === rig.cameraId)!;
      const tube = rig.placed.find((p) => p.partId === rig.imagingTubeId)!;
      return camera.alongTubeM - tube.alongTubeM;
    };
    expect(momentOf('newtonian')).to.be.greaterThan(0.2);
    expect(momentOf('refractor')).to.be.lessThan(-0.3);
  });

  it('speaks of open end and mirror end; without its camera the mirror end drops', () => {
    expect([rearEndOf(numbersOf(plover)), rearEndOf(numbersOf(heron))]).to.deep.equal(['mirror', 'camera']);
    expect([dropName('front', TUBE_ENDS.mirror), dropName('rear', TUBE_ENDS.mirror), dropName('rear')]).to.deep.equal([
      'Open end dropped',
      'Mirror end dropped',
      'Rear end dropped',
    ]);
    const on = (rear: 'mirror' | 'camera') =>
      assemblyWords('cameraOn', { ...handsOf(numbersOf(plover)), rear }).caution;
    expect(on('mirror')).to.match(/without its camera the mirror end drops/);
    expect(on('camera')).to.match(/without its camera the front is heavy/);
    expect(unloadWords('cameraOff', 'mirror')).to.match(/the mirror end drops$/);
    expect(unloadWords('cameraOff', 'camera')).to.match(/the front drops$/);
  });

  it('turned in its rings as told hangs nothing to either side, and is told to be turned no more', () => {
    const sideways = (rig: typeof plover): number => {
      const { masses } = numbersOf(rig);
      const levers = leversOf(
        'sideways',
        { rig, masses, mount: null, tube: numbersOf(rig).tube },
        masses.tubeSide[0]!.id,
      )!;
      return sum(leversAt(levers, levers.presentM), (l) => l.massKg * l.armM);
    };
    const heavy = {
      ...plover,
      placed: plover.placed.map((p) => (p.partId === 'demo-plover-finder' ? { ...p, sidewaysM: -0.12 } : p)),
    };
    for (const rig of [plover, heavy]) {
      const turn = ringsTurn(numbersOf(rig), rig)!;
      expect(Math.abs(sideways(rig))).to.be.greaterThan(0.03);
      const turned = { ...rig, placed: turnedInRings(rig, turn.wantedDeg! - turn.nowDeg) };
      expect(sideways(turned)).to.be.closeTo(0, 2e-4);
      const again = ringsTurn(numbersOf(turned), turned)!;
      expect(again.wantedDeg! - again.nowDeg).to.be.closeTo(0, 0.1);
    }
    expect(ringsTurn(numbersOf(plover), plover)!.nowDeg).to.be.closeTo(66.8, 0.1);
    expect(ringsTurn(numbersOf(heron), heron)).to.equal(null);
    const ballast = {
      ...plover,
      placed: plover.placed.map((p) => (p.partId === 'demo-plover-finder' ? { ...p, sidewaysM: -0.9 } : p)),
    };
    expect(ringsTurn(numbersOf(ballast), ballast)!.wantedDeg).to.equal(null);
  });

  it('has nothing behind it that could touch its mount, and asks for no camera’s length', () => {
    const { geometry, unmeasured } = clearanceOfRig(numbersOf(plover), 38)!;
    expect(geometry.cameraLengthM).to.equal(0);
    expect(unmeasured).not.to.include('camera');
  });

  it('whose axes are written down as crossing on the ground is no rig whose way could be reckoned', () => {
    const flat = parts.map((p) =>
      p.kind === 'mount' ? { ...p, geometry: { pivotHeightM: 0, axisForwardM: 0, columnTopDropM: 0 } } : p,
    );
    expect(clearanceOfRig(numbersOf(plover, flat), 38)).to.equal(null);
  });
});
