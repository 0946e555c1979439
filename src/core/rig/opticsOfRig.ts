/** Everything that a rig's optics and sensor do together, in figures: for one rig, and for two side by side.
 *  Source: the relations of `core/optics`; cos^4 of the field angle for the light at the edge (Hecht, Optics, 2017, ch. 5). */
import { RAD_PER_DEG } from '../math/angles.ts';
import { COMFORTABLE_RATIO, guideMatch, type GuideMatch } from '../optics/guiding.ts';
import { equivalentExposureS, focusToleranceTotalUm } from '../optics/lightPath.ts';
import { circleFit } from '../optics/spacing.ts';
import { focalMmOfScale, samplingOf, type Sampling, type Train } from '../optics/train.ts';
import type { Part, PartOf } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import { ASSUMED } from '../verdict/assumptions.ts';
import type { RigNumbers } from './rigNumbers.ts';

export type Binned = { binning: number; scaleArcsecPerPx: number; fwhmPx: number; sampling: Sampling };
export type FocusFigures = {
  /** Whole travel within which the blur stays inside the Airy disc. */
  toleranceUm: number;
  /** The same in the focuser's own count; null = nobody said how it counts. */
  inUnits: { count: number; unit: 'step' | 'turn' | 'mark' } | null;
};
export type GuideFigures = GuideMatch & { name: string; noiseVerdict: 'fine' | 'tooCoarse'; leastFocalMm: number };

export type OpticsOfRig = {
  rigName: string;
  apertureMm: number;
  pixelUm: number;
  train: Train;
  imageCircleMm: number | null;
  /** Share of the sensor's diagonal that is lit; null = the circle is not known. */
  coverage: number | null;
  /** Light in the corners against the middle by the field angle alone. */
  cornerLight: number;
  /** The star that the seeing alone leaves. */
  seeingPx: number;
  focus: FocusFigures;
  guide: GuideFigures | null;
};

/** Where nothing was measured: a centroid is good to so much of a guide pixel. */
const CENTROID_PX = 0.15;
/** Guide noise is fine up to half an imaging pixel, and under half the seeing. */
const FINE_IMAGING_PX = 0.5;
const FINE_OF_SEEING = 0.5;

/** The one that hangs on the rig; null without one, without its camera's pixel, or where nothing guides through it. */
function guideScopeOf(rig: Rig, parts: readonly Part[]): (PartOf<'guideScope'> & { pixelUm: number }) | null {
  if (rig.guiding !== 'guideScope') return null;
  for (const { partId } of rig.placed) {
    const part = parts.find((p) => p.id === partId);
    if (part?.kind === 'guideScope' && part.pixelUm !== null) return { ...part, pixelUm: part.pixelUm };
  }
  return null;
}

function guideFigures(
  scope: PartOf<'guideScope'> & { pixelUm: number },
  train: Train,
  pixelUm: number,
  seeingFwhmArcsec: number,
): GuideFigures {
  const match = guideMatch({
    guideFocalMm: scope.focalMm,
    guidePixelUm: scope.pixelUm,
    focalMm: train.focalEffectiveMm,
    pixelUm,
    centroidPx: CENTROID_PX,
  });
  const isFine =
    match.centroidErrorImagingPx <= FINE_IMAGING_PX && match.centroidErrorArcsec < FINE_OF_SEEING * seeingFwhmArcsec;
  return {
    ...match,
    name: scope.name,
    noiseVerdict: isFine ? 'fine' : 'tooCoarse',
    leastFocalMm: leastGuideFocalMm(scope.pixelUm, match.imagingScaleArcsecPerPx, seeingFwhmArcsec),
  };
}

/** Shortest guide scope whose noise is fine and whose scale matches comfortably, mm. */
function leastGuideFocalMm(guidePixelUm: number, imagingScaleArcsecPerPx: number, seeingFwhmArcsec: number): number {
  const mostNoiseArcsec = Math.min(FINE_IMAGING_PX * imagingScaleArcsecPerPx, FINE_OF_SEEING * seeingFwhmArcsec);
  const scale = Math.min(COMFORTABLE_RATIO * imagingScaleArcsecPerPx, mostNoiseArcsec / CENTROID_PX);
  return focalMmOfScale(guidePixelUm, scale);
}

function focusFigures(tube: PartOf<'tube'>, focalRatio: number): FocusFigures {
  const toleranceUm = focusToleranceTotalUm(focalRatio);
  const { focuser } = tube;
  return {
    toleranceUm,
    inUnits: focuser ? { count: toleranceUm / focuser.umPerUnit, unit: focuser.unit } : null,
  };
}

/** Null while tube or camera is missing. @param seeingFwhmArcsec tonight's, or what is usual. */
export function opticsOfRig(
  rig: Rig,
  parts: readonly Part[],
  { train, tube, camera, lightPath }: RigNumbers,
  seeingFwhmArcsec: number = ASSUMED.seeingFwhmArcsec,
): OpticsOfRig | null {
  if (!train || !tube || !camera) return null;
  const { imageCircleMm } = lightPath;
  const scope = guideScopeOf(rig, parts);
  return {
    rigName: rig.name,
    apertureMm: tube.apertureMm,
    pixelUm: camera.pixelUm,
    train,
    imageCircleMm,
    coverage: imageCircleMm === null ? null : circleFit(imageCircleMm, train.sensorDiagonalMm).coverage,
    cornerLight: Math.cos((train.fieldDiagonalDeg / 2) * RAD_PER_DEG) ** 4,
    seeingPx: seeingFwhmArcsec / train.scaleArcsecPerPx,
    focus: focusFigures(tube, train.focalRatio),
    guide: scope ? guideFigures(scope, train, camera.pixelUm, seeingFwhmArcsec) : null,
  };
}

const BINNINGS = [1, 2, 3] as const;

/** How a star of a width lies on pixels taken together. */
export function binnedSampling(fwhmArcsec: number, scaleArcsecPerPx: number): Binned[] {
  return BINNINGS.map((binning) => {
    const scale = scaleArcsecPerPx * binning;
    const fwhmPx = fwhmArcsec / scale;
    return { binning, scaleArcsecPerPx: scale, fwhmPx, sampling: samplingOf(fwhmPx) };
  });
}

export type Equivalent = {
  exposureS: number;
  /** As many electrons in each pixel from a nebula. */
  perPixelS: number;
  /** As much light of the whole object, on however many pixels. */
  perObjectS: number;
};

/** How long another set-up exposes for as much; glass and sensors taken as equally good.
 *  Source: light per pixel goes with the pixel's area over the square of the focal ratio, that of an object with the
 *  aperture's area. */
export function equivalentOf(from: OpticsOfRig, to: OpticsOfRig, exposureS: number): Equivalent {
  const site = ({ train, pixelUm }: OpticsOfRig) => ({ focalRatio: train.focalRatio, pixelUm });
  return {
    exposureS,
    perPixelS: equivalentExposureS(exposureS, site(from), site(to)),
    perObjectS: exposureS * (from.apertureMm / to.apertureMm) ** 2,
  };
}
