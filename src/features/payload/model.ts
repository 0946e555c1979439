/** What the payload bench shows, as codes and figures. */
import { weightSets, type SetProposal } from '../../core/mount/balanceProposals.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { PayloadSaying } from '../../text/payloadWords.ts';

export type Hung = { id: string; name: string; massKg: number; atM: number };
export type PayloadModel = {
  saying: PayloadSaying;
  tubeSide: Hung[];
  barSide: Hung[];
  /** Sets from the user's box that balance the rig, best first; empty without a bar. */
  sets: SetProposal[];
};

const SETS_SHOWN = 3;

function sayingOf({ numbers, load }: NightStatic): PayloadSaying {
  if (!load) return { code: 'noMount' };
  if (numbers.masses.tubeSide.length === 0) return { code: 'empty' };
  return {
    code: 'load',
    verdict: load.verdict,
    decides: load.massKg.share >= load.momentKgM.share ? 'mass' : 'moment',
    massKg: load.massKg.is,
    allowedKg: load.massKg.allowed,
  };
}

export function payloadModel(night: NightStatic): PayloadModel {
  const { masses, balance } = night.numbers;
  const bar: Hung[] =
    masses.bar.massKg > 0 ? [{ id: 'bar', name: 'bar', massKg: masses.bar.massKg, atM: masses.bar.centreM }] : [];
  return {
    saying: sayingOf(night),
    tubeSide: masses.tubeSide.map((m) => ({ id: m.id, name: m.name, massKg: m.massKg, atM: m.fromRaAxisM })),
    barSide: [...bar, ...masses.weights.map((w) => ({ id: w.placedId, name: w.name, massKg: w.massKg, atM: w.setM }))],
    sets: balance ? weightSets(balance.input, balance.box).slice(0, SETS_SHOWN) : [],
  };
}
