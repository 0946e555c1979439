/** Where a piece usually goes on a rig that is there already: a guess, to be dragged or measured. */
import type { Part } from '../../records/part.ts';
import type { Placed } from '../../records/rig.ts';
import { lookerPlace, tubeKindOf } from '../lookerPlace.ts';
import type { RigNumbers } from '../rigNumbers.ts';

/** From the polar axis to a tube's middle where no tube hangs yet. */
const TUBE_LINE_M = 0.15;
const SCOPE_ABOVE_M = 0.05;
const WEIGHT_AT_M = 0.2;

const NO_TUBE = { frontM: 0, backM: 0, radiusM: 0 };

type Place = Omit<Placed, 'placedId' | 'partId'>;

/** Weights stand in the middle of their bar, cameras and eyepieces where one looks into the tube, guide scopes above it, rings and plate
 *  below; what is small lies on the tube's middle. */
export function usualPlace(part: Part, { mount, tube, masses }: RigNumbers): Place {
  const lineM = masses.tubeSide.find((p) => p.partId === tube?.id)?.fromRaAxisM ?? TUBE_LINE_M;
  const { frontM, backM, radiusM } = tube ?? NO_TUBE;
  const looking = (lengthM: number): Place => {
    const kind = tube ? tubeKindOf(tube) : 'refractor';
    const { alongTubeM, outM } = lookerPlace(kind, { frontM, backM, radiusM }, lengthM);
    return place('tube', lineM + outM, alongTubeM);
  };
  const place = (on: Placed['on'], fromRaAxisM: number, alongTubeM = 0): Place => ({
    on,
    fromRaAxisM,
    alongTubeM,
    sidewaysM: 0,
    slides: on === 'tube' && part.kind !== 'rings' && part.kind !== 'plate',
    movable: part.kind === 'weight',
    placeBasis: 'assumed',
  });
  switch (part.kind) {
    case 'weight': {
      const [near, far] = mount?.barRangeM ?? [WEIGHT_AT_M, WEIGHT_AT_M];
      return place('bar', -(near + far) / 2);
    }
    case 'bar':
      return place('bar', -part.centreM);
    case 'camera':
      return looking(part.lengthM);
    case 'eyepiece':
      return looking(0);
    case 'guideScope':
      return place('tube', lineM + radiusM + SCOPE_ABOVE_M);
    case 'rings':
    case 'plate':
      return place('tube', Math.max(0, lineM - radiusM));
    default:
      return place('tube', lineM);
  }
}
