/** How wide this tube, corrector and camera make a star by themselves, from focused frames of earlier nights. */
import { firstOf } from '../../firstOf.ts';
import { median } from '../../math/statistics.ts';
import { blurUm } from '../../optics/opticsBlur.ts';
import type { ReadingOf } from '../../records/reading.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { correctorOf } from '../../rig/lightPathOfRig.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import { partsOfWidth } from '../../verdict/evenWidth.ts';
import { rigOfThen } from './rigOfThen.ts';

export type LearnedBlur = { um: number; count: number; atUtc: string };

const KEPT = 8;

/** The air of a night as it was noted, else as it usually is. */
function seeingOf({ nightId }: ReadingOf<'focus'>, records: NightRecords): number {
  const noted = nightId === null ? undefined : records.ofNight(nightId).findLast((r) => r.kind === 'seeing');
  return noted?.kind === 'seeing' ? noted.values.fwhmArcsec : ASSUMED.seeingFwhmArcsec;
}

/** At the sensor, um; null where no width was measured, or through other glass. */
function blurOf(reading: ReadingOf<'focus'>, records: NightRecords): number | null {
  const then = rigOfThen(reading, records);
  const { fwhmPx } = reading.values;
  if (!then || fwhmPx === null) return null;
  const { train, tube, camera } = then.numbers;
  const sameGlass =
    tube?.id === records.rig.imagingTubeId &&
    camera?.id === records.rig.cameraId &&
    then.numbers.lightPath.corrector?.id === correctorOf(records.rig, records.parts)?.id;
  if (!train || !tube || !sameGlass) return null;
  const { scaleArcsecPerPx, focalEffectiveMm } = train;
  const parts = partsOfWidth(fwhmPx * scaleArcsecPerPx, {
    apertureMm: tube.apertureMm,
    scaleArcsecPerPx,
    seeingFwhmArcsec: seeingOf(reading, records),
  });
  return blurUm(parts.opticsFwhmArcsec, focalEffectiveMm);
}

/** The middle of the last nights; null before the first. */
export function opticsBlurLearned(records: NightRecords): LearnedBlur | null {
  const told = function* (): Generator<{ um: number; atUtc: string }> {
    for (const reading of records.earlier.latest('focus', { subjectId: records.rig.id })) {
      const um = blurOf(reading, records);
      if (um !== null) yield { um, atUtc: reading.takenAtUtc };
    }
  };
  const last = firstOf(told(), KEPT);
  const um = median(last.map((one) => one.um));
  return um === null ? null : { um, count: last.length, atUtc: last[0]?.atUtc ?? '' };
}
