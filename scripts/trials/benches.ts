/** What every bench of a night shows, as codes and figures: the models that the pages draw from. */
import { balanceOrder, unloadOrder } from '../../src/core/night/advice/hands/balanceOrder.ts';
import { errorsBefore, errorsTonight } from '../../src/core/pole/errorHistory.ts';
import { goalOfNight } from '../../src/core/night/ledger/goalOfNight.ts';
import { mostPressing, workRows } from '../../src/core/night/ledger/ledger.ts';
import { nightAt, OVERHEAD } from '../../src/core/night/nightAt.ts';
import type { NightStatic } from '../../src/core/night/nightStatic.ts';
import { watchAt } from '../../src/core/night/advice/watch.ts';
import { settingOf } from '../../src/core/records/setting.ts';
import { eyepieceViews } from '../../src/core/rig/eyepieces.ts';
import { BRIGHT_STARS } from '../../src/core/sky/brightStars.ts';
import { drivenSaying } from '../../src/features/balance/drivenModel.ts';
import { axisModel } from '../../src/features/balance/model.ts';
import { piecesModel, smallThings } from '../../src/features/balance/piecesModel.ts';
import { bearingModel, latitudeModel, levelModel } from '../../src/features/level/model.ts';
import { cornersSaying } from '../../src/features/light-path/corners/cornersModel.ts';
import { opticsOfNight } from '../../src/features/light-path/numbers/numbersModel.ts';
import { lightPathModel } from '../../src/features/light-path/model.ts';
import { foldedTicks } from '../../src/features/logbook/model.ts';
import { isAfterFlip, meridianModel } from '../../src/features/meridian/model.ts';
import { nightCard } from '../../src/features/night-card/model.ts';
import { footingSaying, loadModel } from '../../src/features/payload/model.ts';
import { packingModel } from '../../src/features/payload/packingModel.ts';
import { powerModel } from '../../src/features/payload/powerModel.ts';
import { focusModel } from '../../src/features/pointing/model.ts';
import { dialModel } from '../../src/features/polar/dial/dialModel.ts';
import { driftModel } from '../../src/features/polar/drift/driftModel.ts';
import { findModel } from '../../src/features/polar/find/findModel.ts';
import { plateModel } from '../../src/features/polar/halfturn/plateModel.ts';
import { turnsModel } from '../../src/features/polar/error/turnsModel.ts';
import { checksModel, trackingModel } from '../../src/features/tracking/model.ts';
import { strainOfRig } from '../../src/core/rig/payloadOfRig.ts';
import { stopSummary } from '../../src/app/frame/summaries.ts';
import { makeFormat } from '../../src/text/format.ts';
import { readingLine } from '../../src/text/readingWords.ts';

const eyepiecesOf = ({ numbers, records }: NightStatic) =>
  numbers.tube ? eyepieceViews(numbers.tube, records.parts) : [];

type Benches = Record<string, () => unknown>;
const momentOf = ({ sky }: NightStatic): number => sky.view.fromMs + (sky.view.toMs - sky.view.fromMs) / 3;
const balance = settingOf([], 'balance');

function indoors(night: NightStatic): Benches {
  const { records, sky } = night;
  const format = makeFormat('metric', records.site.zoneIana);
  const moment = momentOf(night);
  return {
    margin: () => nightAt(night, moment),
    run: () => night.run.stops.map((stop) => stopSummary(stop, night, format)),
    ribbon: () => [sky.view, night.dark, night.up, night.plan],
    lightPath: () => lightPathModel(night),
    optics: () => [opticsOfNight(night), eyepiecesOf(night)],
    corners: () => cornersSaying(night),
    load: () => loadModel(records).payload,
    footing: () => footingSaying(loadModel(records).payload),
    power: () => powerModel(night, settingOf([], 'power')),
    packing: () => (['pack', 'inventory', 'assembly'] as const).map((view) => packingModel(night, view)),
    meridian: () => [meridianModel(night), isAfterFlip(night, moment, false)],
    card: () => nightCard(night, balance, 60),
    learned: () => ({ ...night.learned }),
  };
}

function outdoors(night: NightStatic): Benches {
  const { records } = night;
  const format = makeFormat('metric', records.site.zoneIana);
  const moment = momentOf(night);
  const at = () => nightAt(night, moment);
  return {
    bearing: () => bearingModel(night),
    level: () => levelModel(night),
    latitude: () => [latitudeModel(night, null), latitudeModel(night, 30)],
    balance: () => (['ra', 'dec', 'sideways'] as const).map((axis) => axisModel(night, axis, balance)),
    driven: () => drivenSaying(night, strainOfRig(night.numbers, records.schools.loadShare)),
    pieces: () => [piecesModel(night, null, balance), smallThings(night)],
    order: () => [balanceOrder(night), unloadOrder(night)],
    ledger: () => [mostPressing(night), workRows(night)],
    dial: () => dialModel(night, at()),
    find: () => findModel(night, at()),
    halfTurn: () => plateModel(night, null, null),
    turns: () => turnsModel(night),
    drift: () => driftModel(night, BRIGHT_STARS, moment, null, null),
    goal: () => goalOfNight(night),
    errors: () => [errorsTonight(records), errorsBefore(records)],
    focus: () => [focusModel(night, null), focusModel(night, 4)],
    tracking: () => trackingModel(night, at().stars, at().target ?? OVERHEAD),
    checks: () => checksModel(night),
    watch: () => watchAt(night, moment),
    logbook: () => [
      foldedTicks(records.readings).listed.map((r) => readingLine(r, { format, south: records.site.latDeg < 0 })),
      records.known.nights(),
    ],
  };
}

/** Each bench by name, drawn when it is called. */
export const benches = (night: NightStatic): Benches => ({ ...indoors(night), ...outdoors(night) });

export function drawAll(night: NightStatic): Record<string, unknown> {
  return Object.fromEntries(Object.entries(benches(night)).map(([name, draw]) => [name, draw()]));
}
