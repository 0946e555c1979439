import { neighboursOf, sidesOf } from '../../../core/mount/patternChecks.ts';
import { turnedBy } from '../../../core/mount/finderPlate.ts';
import { useHas } from '../../../session/useHas.ts';
import { useShared } from '../../../session/session.ts';
import {
  lowPoleWords,
  offsetWords,
  patternCheckWords,
  patternMoveWords,
  ringWords,
  spotWords,
  uprightWords,
} from '../../../text/dialWords.ts';
import { Said } from '../../../ui/Said.tsx';
import type { DialModel } from './dialModel.ts';
import type { DrawnField } from './usePoleField.ts';

/** What the engraving asks of the star, beside its angle. */
export function PlateNotes({ model }: { model: DialModel }) {
  const { format } = useShared();
  const has = useHas();
  const { crossOffset } = model;
  return (
    <>
      {model.rings.map((ring) => (
        <p key={ring.arcmin} className="mb-1">
          <Said said={ringWords(ring, format)} />
        </p>
      ))}
      {model.spots.map((spot) => (
        <p key={spot.hip} className="mb-1">
          {spotWords(spot, format)}
        </p>
      ))}
      {crossOffset && (
        <p className="soft">{offsetWords(Math.hypot(crossOffset.xArcmin, crossOffset.yArcmin), format)}</p>
      )}
      {model.numbering !== null && model.numbering !== 'pattern' && (
        <p className="soft">{uprightWords(model, format)}</p>
      )}
      {model.lowPole && <p className="soft">{lowPoleWords(has)}</p>}
    </>
  );
}

/** In the south any four stars look alike: sides and neighbours tell the right ones. */
export function PatternChecks({ model, drawn }: { model: DialModel; drawn: DrawnField }) {
  const { format } = useShared();
  const { stars, latDeg } = model;
  if (latDeg >= 0 || stars.length < 4) return null;
  const now = drawn.field.map((star) => ({ ...star, ...turnedBy(star, drawn.turnDeg) }));
  const checks = [
    ...sidesOf(stars).map((s) => ({ code: 'side' as const, ...s })),
    ...neighboursOf(stars, now).map((n) => ({ code: 'neighbour' as const, ...n })),
  ];
  return (
    <div className="section">
      <h2>Is it the right four-sided group?</h2>
      <ul className="plain-list">
        {checks.map((check) => (
          <li key={`${check.code} ${'of' in check ? check.of : check.from}`}>{patternCheckWords(check, format)}</li>
        ))}
      </ul>
      <p className="soft mb-0">Your view is {format.quantity(model.fieldDeg, 'angleDeg')} wide.</p>
    </div>
  );
}

export function KnobMoves({ model }: { model: DialModel }) {
  if (model.moves.length === 0) return null;
  return (
    <div className="section">
      <h2>Which way the stars go</h2>
      <ul className="plain-list">
        {model.moves.map((move) => (
          <li key={move.adjuster}>{patternMoveWords(move)}</li>
        ))}
      </ul>
    </div>
  );
}
