import { useState, type ReactNode } from 'react';
import { Button, ButtonGroup } from 'react-bootstrap';
import { useNight, useShared } from '../../session/session.ts';
import { useRecord } from '../../session/useRecord.ts';
import { WorkStep } from '../../session/WorkStep.tsx';
import { caseName, itemWords, packingReason, packingSentence, TOOL_NAMES } from '../../text/packingWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { CheckRow } from '../../ui/CheckRow.tsx';
import { HomeMarks } from './HomeMarks.tsx';
import { LIST_OF, packingModel, type PackingModel, type PackingView } from './packingModel.ts';

const VIEWS: readonly { view: PackingView; name: string }[] = [
  { view: 'pack', name: 'Pack' },
  { view: 'inventory', name: 'First unpacking' },
  { view: 'assembly', name: 'Put together' },
];

type Tick = (itemId: string, done: boolean) => void;
type ListProps = { model: PackingModel; tick: Tick; frozen: boolean };

/** One list per case, and the tools. */
function Cases({ model, tick, frozen, tools }: ListProps & { tools: boolean }) {
  const { format } = useShared();
  return (
    <div className="cases">
      {model.cases.map((one) => (
        <section key={caseName(one)} aria-label={caseName(one)}>
          <h2>
            {caseName(one)} <span className="soft figures">{format.quantity(one.massKg, 'mass', 1)}</span>
          </h2>
          <ul className="check-list tight">
            {one.items.map((item) => (
              <CheckRow
                key={item.partId}
                done={item.done}
                disabled={frozen}
                onToggle={() => tick(item.partId, !item.done)}
              >
                {itemWords(item)}
              </CheckRow>
            ))}
          </ul>
        </section>
      ))}
      {tools && (
        <section aria-label="Tools">
          <h2>Tools</h2>
          <ul className="check-list tight">
            {model.tools.map(({ tool, done }) => (
              <CheckRow key={tool} done={done} disabled={frozen} onToggle={() => tick(`tool-${tool}`, !done)}>
                {TOOL_NAMES[tool]}
              </CheckRow>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** Step after step, each with its reason and its caution, out to the last check. */
function Assembly({ model }: { model: PackingModel }) {
  return (
    <>
      <HomeMarks />
      <ul className="check-list">
        {model.steps.map((row) => (
          <WorkStep key={row.step} {...row} />
        ))}
      </ul>
    </>
  );
}

/** Packing list, inventory and order of assembly, ticked off and kept with the night. */
export function PackingTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const record = useRecord();
  const [view, setView] = useState<PackingView>('pack');
  const model = packingModel(night, view);
  const { records } = night;
  const tick: Tick = (itemId, done) => {
    void record(
      {
        step: 'payload',
        subject: { type: 'night', id: records.night.id },
        kind: 'check',
        values: { listId: LIST_OF[view], itemId, done },
      },
      null,
    );
  };
  const common = { model, tick, frozen: records.fromSnapshot };
  const choice = (
    <ButtonGroup className="no-print" aria-label="Which list">
      {VIEWS.map((one) => (
        <Button
          key={one.view}
          variant={one.view === view ? 'primary' : 'outline'}
          aria-pressed={one.view === view}
          onClick={() => setView(one.view)}
        >
          {one.name}
        </Button>
      ))}
    </ButtonGroup>
  );
  return (
    <BenchLayout
      title="Payload"
      tabs={tabs}
      sentence={packingSentence(model.saying)}
      reason={packingReason(model.saying, format.quantity(model.packing.totalKg, 'mass', 0))}
      instrumentName="The list"
      instrument={
        <>
          <div className="actions no-print">
            {choice}
            <Button variant="outline" onClick={() => window.print()}>
              Print this list
            </Button>
          </div>
          <p className="print-only">
            {records.rig.name}, {format.date(records.night.eveningDate)}
          </p>
          {view === 'assembly' ? <Assembly model={model} /> : <Cases {...common} tools={view === 'pack'} />}
        </>
      }
    />
  );
}
