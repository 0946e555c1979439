import { ASSEMBLY_LIST, type AssemblyStep } from '../core/rig/assembly.ts';
import { useNight } from './session.ts';
import { useRecord } from './useRecord.ts';

/** A tick of the night's work. */
export function useWorkTick(): (step: AssemblyStep, done: boolean) => void {
  const { records } = useNight();
  const record = useRecord();
  return (step, done) => {
    const values = { listId: ASSEMBLY_LIST, itemId: step, done };
    void record({ step: 'payload', subject: { type: 'night', id: records.night.id }, kind: 'check', values }, null);
  };
}
