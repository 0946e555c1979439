import { useTubeEnds } from '../../session/useTubeEnds.ts';
import { Form } from 'react-bootstrap';
import { settingValues, type SettingValue } from '../../core/records/setting.ts';
import { BAR_EDGES, tubeEdges } from '../../text/balanceWords.ts';
import { useBalanceSetting } from './useBalanceSetting.ts';

type Props = { axis: 'ra' | 'dec'; settings: SettingValue<'balance'> };
type Edges = Record<string, { choice: string }>;

/** From which edges the tape measures; remembered. */
export function TapeChoice({ axis, settings }: Props) {
  const save = useBalanceSetting(settings);
  const key = axis === 'ra' ? 'barEdge' : 'tubeEdge';
  const ends = useTubeEnds();
  const edges: Edges = axis === 'ra' ? BAR_EDGES : tubeEdges(ends);
  const choose = (edge: string): void => {
    const chosen = settingValues.balance.shape[key].safeParse(edge);
    if (chosen.success) save({ [key]: chosen.data });
  };
  return (
    <Form.Group controlId="tape-edge" className="section short-field">
      <Form.Label>Your tape measures from</Form.Label>
      <Form.Select value={settings[key]} onChange={(event) => choose(event.target.value)}>
        {Object.entries(edges).map(([edge, { choice }]) => (
          <option key={edge} value={edge}>
            {choice}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}
