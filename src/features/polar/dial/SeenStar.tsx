import { Button } from 'react-bootstrap';
import { useSearchParams } from 'react-router';
import { eyeError } from '../../../core/mount/eyeError.ts';
import { toPlate } from '../../../core/mount/finderPlate.ts';
import { useNight, useSession, useShared } from '../../../session/session.ts';
import { usePlacesInAddress } from '../../../session/usePlacesInAddress.ts';
import { recordLabel, useRecord } from '../../../session/useRecord.ts';
import { useIsLive } from '../../../session/useTime.ts';
import { errorWords } from '../../../text/polarWords.ts';
import type { DialModel } from './dialModel.ts';
import { PlaceOnPlate } from './PlaceOnPlate.tsx';

/** The error that is left when the star does not stand where it belongs: tapped on the dial or typed. */
export function SeenStar({ model }: { model: DialModel }) {
  const night = useNight();
  const { clock } = useSession();
  const { format } = useShared();
  const isLive = useIsLive();
  const record = useRecord();
  const [, setParams] = useSearchParams();
  const [{ seen }, mark] = usePlacesInAddress('seen');
  const { finder } = night.numbers.mount ?? {};
  if (!finder || night.records.fromSnapshot) return null;
  const { latDeg } = night.records.site;
  const error = seen && eyeError(toPlate(model.belongs), seen, { latDeg, view: model.view });
  const words = error && errorWords(error, latDeg < 0, format);
  const keep = async (): Promise<void> => {
    if (!error) return;
    const kept = await record(
      {
        step: 'polar',
        subject: { type: 'mount', id: night.records.rig.mountId },
        kind: 'polarError',
        // The eye at the finder sees star and pole both lifted by the air.
        values: { ...error, method: 'finder', reference: 'refracted' },
      },
      `Error by eye recorded: ${words}.`,
    );
    if (!kept) return;
    setParams((before) => {
      before.set('tab', 'error');
      before.delete('seen');
      return before;
    });
  };
  return (
    <div className="section">
      <h2>It stands elsewhere</h2>
      {error ? (
        <>
          <p>The axis points {words}, to about 4′.</p>
          <div className="actions">
            <Button variant="primary" onClick={() => void keep()}>
              {recordLabel('Record it and show the knobs', isLive, format.clock(clock.nowMs()))}
            </Button>
            <Button variant="outline" onClick={() => mark({ seen: null })}>
              Take the mark away
            </Button>
          </div>
        </>
      ) : (
        <>
          <p>Tap the dial where the star stands now, or type it: the knobs then say how far to turn.</p>
          <PlaceOnPlate
            finder={finder}
            turnDeg={model.plateTurnDeg}
            button="Mark it there"
            onPlace={(place) => mark({ seen: place })}
          />
        </>
      )}
    </div>
  );
}
