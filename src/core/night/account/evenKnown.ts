/** How wide tonight's stars are before anything moves them: air and optics, assumed, learned from earlier focused frames, or
 *  as a focused frame of tonight showed them. */
import { altAzAt } from '../../sky/horizontal.ts';
import { seeingAtArcsec } from '../../sky/airmass.ts';
import type { Equatorial } from '../../sky/ephemeris.ts';
import { fromUtcText } from '../../time/utc.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';
import { opticsBlurOfRig } from '../../rig/opticsBlurOfRig.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import { partsOfWidth } from '../../verdict/evenWidth.ts';
import { blurArcsec } from '../../optics/opticsBlur.ts';
import { learnedOf } from '../learned/learned.ts';
import { ASSUMED_SOURCE, TOLD_SOURCE, type BudgetSources, type Source } from './sources.ts';

export type EvenKnown = {
  /** At the zenith. */
  seeingFwhmArcsec: number;
  opticsFwhmArcsec: number;
  sources: Pick<BudgetSources, 'seeing' | 'optics'>;
};

/** Nobody focuses on a star that stands lower. */
const LOWEST_FOCUS_DEG = 10;

/** By how much the air where the star stood was worse than overhead. @param place of the target, where focus was looked at. */
function airOver(takenAtUtc: string, { site }: NightRecords, place: Equatorial | null): number {
  const altDeg = place ? altAzAt(fromUtcText(takenAtUtc), site, place).altDeg : 90;
  return altDeg < LOWEST_FOCUS_DEG ? 1 : seeingAtArcsec(1, altDeg);
}

type Optics = { fwhmArcsec: number; source: Source };

/** The optics' own blur without a frame of tonight; none while the light path is incomplete. */
function opticsOf(records: NightRecords, numbers: RigNumbers): Optics {
  const { opticsBlur } = learnedOf(records);
  const { train } = numbers;
  if (opticsBlur && train)
    return {
      fwhmArcsec: blurArcsec(opticsBlur.um, train.focalEffectiveMm),
      source: { basis: 'learned', asOf: opticsBlur.atUtc },
    };
  const blur = opticsBlurOfRig(numbers);
  return {
    fwhmArcsec: blur?.fwhmArcsec ?? 0,
    source: blur?.basis === 'told' ? TOLD_SOURCE : ASSUMED_SOURCE,
  };
}

/** A focused star of tonight is tonight's width: what air, pixel and diffraction do not explain is the optics', and where they
 *  alone would be wider the air was better than thought. */
export function evenKnown(records: NightRecords, numbers: RigNumbers, place: Equatorial | null): EvenKnown {
  const { train, tube } = numbers;
  const seeing = records.tonight.last('seeing');
  const zenithArcsec = seeing?.values.fwhmArcsec ?? ASSUMED.seeingFwhmArcsec;
  const seeingSource: Source = seeing ? { basis: 'measured', asOf: seeing.takenAtUtc } : ASSUMED_SOURCE;
  const focus = records.tonight.of('focus', records.rig.id).findLast((r) => r.values.fwhmPx !== null);
  if (!focus || !train || !tube || focus.values.fwhmPx === null) {
    const { fwhmArcsec, source } = opticsOf(records, numbers);
    return {
      seeingFwhmArcsec: zenithArcsec,
      opticsFwhmArcsec: fwhmArcsec,
      sources: { seeing: seeingSource, optics: source },
    };
  }
  const over = airOver(focus.takenAtUtc, records, place);
  const { scaleArcsecPerPx } = train;
  const parts = partsOfWidth(focus.values.fwhmPx * scaleArcsecPerPx, {
    apertureMm: tube.apertureMm,
    scaleArcsecPerPx,
    seeingFwhmArcsec: zenithArcsec * over,
  });
  const measured: Source = { basis: 'measured', asOf: focus.takenAtUtc };
  const isBetterAir = parts.seeingFwhmArcsec < zenithArcsec * over;
  return {
    seeingFwhmArcsec: parts.seeingFwhmArcsec / over,
    opticsFwhmArcsec: parts.opticsFwhmArcsec,
    sources: { seeing: isBetterAir ? measured : seeingSource, optics: measured },
  };
}
