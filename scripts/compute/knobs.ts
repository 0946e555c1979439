/** Adapter of the knobs topic: geometry, learning from a log, instruction. */
import { RAD_PER_DEG } from '../../src/core/math/angles.ts';
import { arcminPerTurn, learnKnob, turnsFor } from '../../src/core/mount/knobs.ts';
import { totalErrorArcmin } from '../../src/core/mount/polarDrift.ts';
import { list, num, oneOf, type Adapter, type JsonObject } from './types.ts';

function geometry(input: JsonObject): JsonObject {
  const gain = arcminPerTurn(num(input, 'pitchMm'), num(input, 'leverMm'));
  if (input['wantedArcmin'] === undefined) return { arcminPerTurn: gain };
  const { turns } = turnsFor(num(input, 'wantedArcmin'), { gainArcminPerTurn: gain, deadTurns: 0 });
  return { arcminPerTurn: gain, turns, degreesOfTurn: turns * 360 };
}

function learn(input: JsonObject): JsonObject {
  const log = list(input, 'log').map((r) => ({
    turns: num(r, 'turns'),
    beforeArcmin: num(r, 'beforeArcmin'),
    afterArcmin: num(r, 'afterArcmin'),
    afterLockOrReversal: true,
  }));
  const found = learnKnob(log);
  if (!found) throw new Error('the log does not tell a gain: two turns of different size are needed');
  return { gainArcminPerTurn: found.gainArcminPerTurn, deadTurns: found.deadTurns, outliers: found.outliers };
}

/** Which way the axis goes: altitude in one word, azimuth by side and compass. */
function moves(altErrorArcmin: number, azErrorArcmin: number, south: boolean) {
  const east = azErrorArcmin < 0;
  return {
    altitude: altErrorArcmin === 0 ? 'none' : altErrorArcmin > 0 ? 'down' : 'up',
    azimuth: azErrorArcmin === 0 ? 'none' : east === south ? 'left' : 'right',
    compass: azErrorArcmin === 0 ? 'none' : east ? 'east' : 'west',
  };
}

function instruction(input: JsonObject): JsonObject {
  const latDeg = num(input, 'latitudeDeg');
  const cosLat = Math.cos(latDeg * RAD_PER_DEG);
  const altErrorArcmin = num(input, 'altErrorArcmin');
  const azErrorArcmin =
    input['azErrorArcmin'] === undefined ? num(input, 'azErrorOnSkyArcmin') / cosLat : num(input, 'azErrorArcmin');
  const fraction = num(input, 'fraction', 1);
  const turn = (error: number, gain: string, dead: string): JsonObject => {
    const knob = { gainArcminPerTurn: num(input, gain), deadTurns: num(input, dead, 0) };
    const { turns } = turnsFor(error, knob, fraction);
    return { turns, degreesOfTurn: turns * 360, clockHours: turns * 12 };
  };
  const words = moves(altErrorArcmin, azErrorArcmin, latDeg < 0);
  return {
    totalArcmin: totalErrorArcmin({ altErrorArcmin, azErrorArcmin }, latDeg),
    azErrorArcmin,
    azErrorOnSkyArcmin: azErrorArcmin * cosLat,
    altitude: { move: words.altitude, ...turn(altErrorArcmin, 'altGainArcminPerTurn', 'altDeadTurns') },
    azimuth: {
      move: words.azimuth,
      compass: words.compass,
      ...turn(azErrorArcmin, 'azGainArcminPerTurn', 'azDeadTurns'),
    },
  };
}

export const knobs: Adapter = (input) => {
  switch (oneOf(input, 'kind', ['geometry', 'learn', 'instruction'])) {
    case 'geometry':
      return { out: geometry(input) };
    case 'learn':
      return { out: learn(input) };
    case 'instruction':
      return { out: instruction(input) };
  }
};
