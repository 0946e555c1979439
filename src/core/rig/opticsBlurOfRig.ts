/** How wide a rig's own optics make a focused star before anybody measured one. */
import { blurArcsec, assumedBlurUm, type BlurOf } from '../optics/opticsBlur.ts';
import type { PartOf } from '../records/part.ts';
import { tubeKindOf } from './lookerPlace.ts';
import type { RigNumbers } from './rigNumbers.ts';

function kindOf(tube: PartOf<'tube'>, camera: PartOf<'camera'> | null): BlurOf['kind'] {
  if (camera?.bodyKind === 'phone') return 'phone';
  return tubeKindOf(tube);
}

export type OpticsBlur = { fwhmArcsec: number; basis: 'told' | 'assumed' };

/** Null without tube and camera. */
export function opticsBlurOfRig({
  tube,
  camera,
  train,
  lightPath,
}: Pick<RigNumbers, 'tube' | 'camera' | 'train' | 'lightPath'>): OpticsBlur | null {
  if (!tube || !train) return null;
  const told = tube.opticsFwhmUm ?? null;
  const corrected = lightPath.corrector !== null;
  const um = told ?? assumedBlurUm({ kind: kindOf(tube, camera), focalRatio: train.focalRatio, corrected });
  return { fwhmArcsec: blurArcsec(um, train.focalEffectiveMm), basis: told === null ? 'assumed' : 'told' };
}
