import type { ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { useSearchParams } from 'react-router';
import { equivalentOf, type OpticsOfRig } from '../../../core/rig/opticsOfRig.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { COMPARE, compareSentence, comparedRows, equivalentWords } from '../../../text/opticsWords.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { ScrollTable } from '../../../ui/ScrollTable.tsx';
import { exampleOther, opticsOfNight, opticsOfOther } from './numbersModel.ts';

const WITH = 'with';
/** Without a plan, the exposure that is turned into the other rig's. */
const USUAL_SUB_S = 120;

function Compared({ is, other }: { is: OpticsOfRig; other: OpticsOfRig }) {
  const { entry } = useNight();
  const { format } = useShared();
  const equivalent = equivalentOf(is, other, entry?.subS ?? USUAL_SUB_S);
  return (
    <>
      <ScrollTable label="Both rigs" headings={['Number', is.rigName, other.rigName, 'Difference']}>
        {comparedRows(is, other, format).map((row) => (
          <tr key={row.name}>
            <th scope="row">{row.name}</th>
            <td className="figures">{row.is}</td>
            <td className="figures">{row.other}</td>
            <td className="figures">{row.difference}</td>
          </tr>
        ))}
      </ScrollTable>
      <p className="section">{equivalentWords(equivalent, is.rigName, other.rigName, format)}</p>
    </>
  );
}

/** Two rigs side by side, every number with its difference. */
export function CompareTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { stored, format } = useShared();
  const [params, setParams] = useSearchParams();
  const { rig } = night.records;
  const others = stored.rigs.filter((r) => r.id !== rig.id && r.deletedAtUtc === null && !r.archived);
  const chosen = others.find((r) => r.id === params.get(WITH)) ?? others[0] ?? null;
  const is = opticsOfNight(night);
  const other = chosen ? opticsOfOther(chosen, stored.parts, night) : exampleOther(night, COMPARE.exampleName);
  const choose = (id: string): void =>
    setParams(
      (before) => {
        before.set(WITH, id);
        return before;
      },
      { replace: true },
    );
  return (
    <BenchLayout
      title="Light path"
      tabs={tabs}
      sentence={compareSentence(is, other, format)}
      reason="Both under tonight’s seeing; the difference is what the other one has more or less."
      instrumentName="The comparison"
    >
      {chosen ? (
        <Form.Select
          className="short-field"
          aria-label="The other rig"
          value={chosen.id}
          onChange={(event) => choose(event.target.value)}
        >
          {others.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name}
            </option>
          ))}
        </Form.Select>
      ) : (
        <p>{COMPARE.example}</p>
      )}
      {chosen && !other && <p className="section">{chosen.name} lacks a tube or a camera: nothing can be compared.</p>}
      {is && other && <Compared is={is} other={other} />}
    </BenchLayout>
  );
}
