/** The shown night's rig while a piece of it is dragged: everything is reckoned with the piece where the finger is, and
 *  written once, when it is let go. */
import { useMemo, useState } from 'react';
import type { Placed, Rig } from '../../core/records/rig.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { updateHead } from '../../storage/commands.ts';
import { writeWords } from '../../text/errorWords.ts';
import { movedWords } from '../../text/payloadWords.ts';
import type { RailDrag } from '../../ui/instruments/RailDrawing.tsx';

export type PlaceKey = 'fromRaAxisM' | 'alongTubeM' | 'sidewaysM';
type Draft = { ids: ReadonlySet<string>; key: PlaceKey; byM: number; held: boolean; forRev: number };

const NOTHING: ReadonlySet<string> = new Set();

function withDraft(rig: Rig, { ids, key, byM }: Draft): Placed[] {
  return rig.placed.map((p) => (ids.has(p.placedId) ? { ...p, [key]: Number((p[key] + byM).toFixed(4)) } : p));
}

/** Writes the placed pieces; false when it was refused, which is said. */
function useWritePlaced(): (placed: Placed[], moved: Placed | undefined, key: PlaceKey) => Promise<boolean> {
  const { records } = useNight();
  const { notify, format } = useShared();
  const { writer } = useSession();
  return async (placed, moved, key) => {
    const written = await updateHead(writer, 'rigs', records.rig.id, { placed }, { baseRev: records.rig.rev });
    if (!written.ok) {
      notify(writeWords(written.code, written.figures), { tone: 'problem' });
      return false;
    }
    const name = records.parts.find((p) => p.id === moved?.partId)?.name ?? 'The piece';
    notify(movedWords(name, Math.abs(moved?.[key] ?? 0), format), { undo: true });
    return true;
  };
}

export function useDraggedRig() {
  const { rig: stored } = useNight().records;
  const write = useWritePlaced();
  const [draft, setDraft] = useState<Draft | null>(null);
  // What was let go stays drawn until the stored rig has caught up.
  const current = draft?.forRev === stored.rev ? draft : null;
  const rig = useMemo<Rig>(
    () => (current ? { ...stored, placed: withDraft(stored, current) } : stored),
    [stored, current],
  );
  // For the moment until the write has come round, a next move would start from the place before it.
  const isBeingWritten = current?.held === false;
  const drag =
    (key: PlaceKey) =>
    ({ ids, byM }: RailDrag): void => {
      if (!isBeingWritten) setDraft({ ids: new Set(ids), key, byM, held: true, forRev: stored.rev });
    };
  const drop =
    (key: PlaceKey) =>
    ({ ids, byM }: RailDrag): void => {
      if (isBeingWritten) return;
      const last: Draft = { ids: new Set(ids), key, byM, held: false, forRev: stored.rev };
      setDraft(byM === 0 ? null : last);
      if (byM === 0) return;
      const placed = withDraft(stored, last);
      const moved = placed.find((p) => last.ids.has(p.placedId));
      void write(placed, moved, key).then((written) => !written && setDraft(null));
    };
  const place = (placedId: string, at: Pick<Placed, PlaceKey>): void => {
    const placed = stored.placed.map((p) => (p.placedId === placedId ? { ...p, ...at } : p));
    const moved = placed.find((p) => p.placedId === placedId);
    void write(placed, moved, 'fromRaAxisM');
  };
  /** What is held on the rail of that distance. */
  const held = (key: PlaceKey): ReadonlySet<string> => (current?.held && current.key === key ? current.ids : NOTHING);
  return { rig, held, drag, drop, place };
}
