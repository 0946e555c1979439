/** Adapter of tracking logs: files of any shape, with or without what their columns are. */
import { readFileSync } from 'node:fs';
import { analyseTrack, type TrackAnalysis } from '../../src/core/tracking/analyseTrack.ts';
import { wormPeriodS } from '../../src/core/tracking/periodicError.ts';
import { gapsOf } from '../../src/core/tracking/trackSeries.ts';
import type { ColumnRole, ErrorUnit } from '../../src/formats/logs/columnRoles.ts';
import { layoutOf, type LogLayout } from '../../src/formats/logs/layout.ts';
import { guessMapping, readLogText, sureOfTime, type Told } from '../../src/formats/logs/mapping.ts';
import type { LogMapping } from '../../src/formats/logs/readLog.ts';
import type { LogRead } from '../../src/formats/logs/seriesRead.ts';
import { timeKindOf } from '../../src/formats/logs/timeCells.ts';
import { InputError, type Adapter, type JsonObject } from './types.ts';

const orUndefined = (input: JsonObject, key: string): number | undefined => {
  const value = input[key];
  return typeof value === 'number' ? value : undefined;
};

function toldOf(input: JsonObject): Told {
  const unit = input['units'] === 'px' ? 'px' : undefined;
  const told: { [K in keyof Told]-?: Told[K] | undefined } = {
    unit,
    scaleArcsecPerPx: orUndefined(input, 'scale_arcsec_per_px'),
    rateArcsecPerS: orUndefined(input, 'correction_rate_arcsec_per_s'),
    raFromXDeg: orUndefined(input, 'ra_axis_angle_deg_ccw_from_x'),
  };
  return Object.fromEntries(Object.entries(told).filter(([, v]) => v !== undefined));
}

function errorUnit(guessed: ColumnRole): ErrorUnit | null {
  const named = 'unit' in guessed ? guessed.unit : null;
  return named === 'ms' || named === 's' ? null : named;
}

/** A column of one of the axes, by its told meaning. */
function axisRole(m: string, axis: 'Ra' | 'Dec', guessed: ColumnRole): ColumnRole {
  const unit = errorUnit(guessed);
  const sign = 'sign' in guessed ? guessed.sign : 1;
  if (/correction|pulse/.test(m)) {
    const sentUnit = /\bms\b|millisec/.test(m) ? 'ms' : /arcsec/.test(m) ? 'arcsec' : unit;
    return { is: axis === 'Ra' ? 'sentRa' : 'sentDec', unit: sentUnit, sign };
  }
  if (/target|aim|lock/.test(m)) return { is: axis === 'Ra' ? 'aimRa' : 'aimDec', unit: unit ?? 'arcsec', sign };
  return { is: axis === 'Ra' ? 'ra' : 'dec', unit, sign };
}

/** What a told meaning is here; the guess stands where nothing is told. */
function roleOf(meaning: string, guessed: ColumnRole, cell: string): ColumnRole {
  const m = meaning.toLowerCase();
  if (/\b(ra|dec)\b/.test(m)) return axisRole(m, /\bra\b/.test(m) ? 'Ra' : 'Dec', guessed);
  const picture = /\b(?:picture|image|frame|camera|sensor)\W+([xy])\b|^([xy])\b/.exec(m);
  if (picture) return axisRole(m, (picture[1] ?? picture[2]) === 'x' ? 'Ra' : 'Dec', guessed);
  if (!/time|utc|clock|date/.test(m)) return { is: 'other' };
  if (guessed.is === 'time' || guessed.is === 'date') return guessed;
  const seen = timeKindOf(cell);
  if (seen !== null && seen !== 'date') return { is: 'time', kind: seen };
  return { is: 'time', kind: /milli/.test(m) ? 'ms' : 's' };
}

function withMeanings(mapping: LogMapping, layout: LogLayout, meanings: readonly unknown[]): LogMapping {
  const roles = mapping.roles.map((guessed, i): ColumnRole => {
    const meaning = meanings[i];
    return typeof meaning === 'string' ? roleOf(meaning, guessed, layout.sample[0]?.[i] ?? '') : guessed;
  });
  return { ...mapping, roles };
}

const rounded = (value: number, decimals = 6): number => Number(value.toFixed(decimals));

function answerOf(read: LogRead, found: TrackAnalysis): JsonObject {
  const { periodic, guided } = found;
  return {
    fundamental_period_s: periodic ? rounded(periodic.periodS) : null,
    peak_to_peak_arcsec: periodic ? rounded(periodic.peakToPeakArcsec) : null,
    harmonics: (periodic?.harmonics ?? []).map((h) => ({
      k: h.k,
      amplitude_arcsec: rounded(h.amplitudeArcsec),
      phase_deg: rounded(h.phaseDeg, 3),
    })),
    gear_terms: found.gears.map((g) => ({
      period_s: rounded(g.periodS, 3),
      amplitude_arcsec: rounded(g.amplitudeArcsec),
    })),
    ra_drift_arcsec_per_min: rounded(found.raDrift.perMin),
    dec_drift_arcsec_per_min: rounded(found.decDrift.perMin),
    rms_residual_ra_arcsec: rounded(found.residualRaArcsec),
    rms_residual_dec_arcsec: rounded(found.residualDecArcsec),
    sample_count: read.series.timeS.length,
    gaps: gapsOf(read.series).map((g) => ({ after_t_s: rounded(g.afterS, 3), length_s: rounded(g.lengthS, 3) })),
    ...(guided
      ? {
          guided_rms_ra_arcsec: rounded(guided.values.rmsRaArcsec),
          guided_rms_dec_arcsec: rounded(guided.values.rmsDecArcsec),
        }
      : {}),
  };
}

const WORDS: Record<string, string> = {
  logEmpty: 'no row of data with usable numbers',
  logNoTime: 'no column of times',
  logNoError: 'no column of errors in right ascension',
  logNoScale: 'the errors are in pixels and no scale is told',
  logTimeUnit: 'the time names no unit',
  logUnsigned: 'the corrections have no sign and no column tells their direction',
  logTimesBackward: 'the times of many rows run backwards',
  logNoRate: 'the corrections are in milliseconds and no rate is told',
};

export const logs: Adapter = (input, files) => {
  const [file] = files;
  if (file === undefined) throw new InputError('a log needs a file');
  const text = readFileSync(file, 'utf8');
  const layout = layoutOf(text);
  if (!layout) return { refuse: 'no columns of numbers in this file', code: 'logNotText' };
  const guess = guessMapping(layout, toldOf(input));
  const meanings = input['column_meaning'];
  const mapping = Array.isArray(meanings) ? withMeanings(guess.mapping, layout, meanings) : guess.mapping;
  const guessed = Array.isArray(meanings) ? [] : guess.doubts;
  const { read, doubts } = sureOfTime(readLogText(text, layout, mapping), mapping, guessed);
  if (!read.ok) return { refuse: WORDS[read.code] ?? read.code, code: read.code };
  const teeth = orUndefined(input, 'worm_teeth_told');
  const found = analyseTrack(read.value.series, { ownTurnS: teeth === undefined ? null : wormPeriodS(teeth) });
  if (!found) return { refuse: 'too few rows to tell anything', code: 'logEmpty' };
  const warnings = [
    ...doubts,
    ...read.value.notes.map((n) => n.code),
    ...(found.untold && found.untold !== 'nothing' ? [found.untold] : []),
  ];
  return { out: { ...answerOf(read.value, found), ...(warnings.length > 0 ? { warnings } : {}) } };
};
