import { Button } from 'react-bootstrap';
import type { Watch } from '../../core/night/advice/watch.ts';
import { useNight, useSession } from '../../session/session.ts';
import { useIsLive } from '../../session/useTime.ts';
import { useRecord } from '../../session/useRecord.ts';
import { runActions, type RunAction } from '../../text/runWords.ts';

const PRIMARY: readonly RunAction['what'][] = ['resumed', 'targetTaken'];

/** Starting, pausing and going on with the subs: what is to come is laid anew from then. */
export function SubsRun({ watch }: { watch: Watch }) {
  const { records, legs, legIndex, dark, sky, entry } = useNight();
  const isLive = useIsLive();
  const { clock } = useSession();
  const record = useRecord();
  // Before the sun is down nobody starts subs.
  const sunsetMs = sky.events.twilight.sunset.duskMs ?? dark?.fromMs ?? Infinity;
  const may = clock.nowMs() >= sunsetMs;
  // What is pressed is of now: while another moment is shown nothing is offered.
  if (!may || !isLive || !entry) return null;
  const press = ({ what, said }: RunAction): void => {
    const about = { step: 'watch', subject: { type: 'night', id: records.night.id } } as const;
    void record({ ...about, kind: 'event', values: { what, targetId: entry.targetId } }, said);
  };
  // By their place: so that the second press of a double one is known as such, though the button has another name by then.
  return runActions(watch, legIndex < legs.length - 1).map((action, i) => (
    <Button
      key={i}
      variant={PRIMARY.includes(action.what) ? 'primary' : 'outline'}
      onClick={({ detail }) => detail < 2 && press(action)}
    >
      {action.button}
    </Button>
  ));
}
