/** Which numbers of the light path are guesses, how far they may be off, and what stands in for a distance that nobody knows. */
import type { Part, PartOf, SizeBasis } from '../records/part.ts';

type Camera = PartOf<'camera'>;
type Corrector = PartOf<'corrector'>;

/** What most correctors want, and how far others stand from it: rules of thumb. */
export const USUAL_BACK_FOCUS_MM = 55;
export const BACK_FOCUS_DOUBT_MM = 2;
/** Cameras for the telescope are made between 6.5 and 20 mm deep; bodies and their adapters to one sum. */
const DEPTH_DOUBT_MM = { telescope: 5, lensMount: 0.5 } as const;

/** The distance that a corrector asks for; of an unknown one what is usual. */
export const specifiedBackFocus = ({ backFocusMm }: Pick<Corrector, 'backFocusMm'>): { mm: number; doubtMm: number } =>
  backFocusMm === null ? { mm: USUAL_BACK_FOCUS_MM, doubtMm: BACK_FOCUS_DOUBT_MM } : { mm: backFocusMm, doubtMm: 0 };

export const isDepthGuessed = ({ depthBasis, sizeBasis }: Camera): boolean => (depthBasis ?? sizeBasis) === 'assumed';

export const isThreadGuessed = ({ sizeBasis }: Part, { basis }: { basis?: SizeBasis | undefined }): boolean =>
  (basis ?? sizeBasis) === 'assumed';

/** How far a camera's depth may be off, mm: nothing once it was told. */
export function depthDoubtMm(camera: Camera): number {
  if (!isDepthGuessed(camera)) return 0;
  return camera.bodyKind === 'lensMount' ? DEPTH_DOUBT_MM.lensMount : DEPTH_DOUBT_MM.telescope;
}
