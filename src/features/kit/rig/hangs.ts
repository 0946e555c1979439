import type { PartKind } from '../../../core/records/part.ts';

/** What may hang on a mount. */
export const HANGS: ReadonlySet<PartKind> = new Set([
  'tube',
  'camera',
  'corrector',
  'wheel',
  'guider',
  'rotator',
  'guideScope',
  'eyepiece',
  'weight',
  'bar',
  'barExtension',
  'rings',
  'plate',
  'small',
]);
