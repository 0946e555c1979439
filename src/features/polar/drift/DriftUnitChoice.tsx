import { Form } from 'react-bootstrap';
import { NO_EYEPIECE_WORDS, UNIT_NAMES } from '../../../text/driftWords.ts';
import { useShared } from '../../../session/session.ts';
import { APPARENT_FIELD_DEG, type DriftUnit } from './driftModel.ts';
import type { DriftUnitState } from './useDriftUnit.ts';

/** Pixels, arcseconds, or the share of an eyepiece's field. */
export function DriftUnitChoice({ unit: state }: { unit: DriftUnitState }) {
  const { format } = useShared();
  const { unit, units, eyepieces, eyepieceId, scale, choose } = state;
  return (
    <>
      <Form.Group controlId="drift-unit">
        <Form.Label>You read it</Form.Label>
        <Form.Select value={unit} onChange={(event) => choose({ unit: event.target.value as DriftUnit })}>
          {units.map((key) => (
            <option key={key} value={key}>
              {UNIT_NAMES[key]}
            </option>
          ))}
        </Form.Select>
        {scale === null && <Form.Text>{NO_EYEPIECE_WORDS}</Form.Text>}
      </Form.Group>
      {unit === 'field' && eyepieces.length > 0 && (
        <Form.Group controlId="drift-eyepiece">
          <Form.Label>Eyepiece</Form.Label>
          <Form.Select value={eyepieceId ?? ''} onChange={(event) => choose({ eyepieceId: event.target.value })}>
            {eyepieces.map((e) => (
              <option key={e.id} value={e.id}>
                {e.name}
              </option>
            ))}
          </Form.Select>
          <Form.Text>Its apparent field is taken as {format.quantity(APPARENT_FIELD_DEG, 'angleDeg', 0)}.</Form.Text>
        </Form.Group>
      )}
    </>
  );
}
