import { line } from 'd3';
import { useMemo, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { Link } from 'react-router';
import type { PowerOfRig } from '../../core/rig/powerOfRig.ts';
import type { FuelPoint } from '../../core/power/battery.ts';
import { settingOf, settingValues, type SettingValue } from '../../core/records/setting.ts';
import { MS_PER_HOUR } from '../../core/time/utc.ts';
import { useSaveSetting } from '../../session/useWrite.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useRibbonTime } from '../../session/useTime.ts';
import { adviceWords, batteryWords, deviceVerdict, powerReason, powerSentence } from '../../text/powerWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { ScrollTable } from '../../ui/ScrollTable.tsx';
import { ChartFrame } from '../../ui/charts/ChartFrame.tsx';
import { hourMarks } from '../../ui/charts/hourMarks.ts';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { powerModel } from './powerModel.ts';

const DASHES = [undefined, '10 5', '3 5', '12 4 3 4'];

/** What is left of each battery, hour by hour; the ribbon's moment as a line. */
function FuelChart({ power, label }: { power: PowerOfRig; label: string }) {
  const { format } = useShared();
  const atMs = useRibbonTime((timeMs) => timeMs);
  const { span, batteries } = power;
  if (!span) return null;
  const stepH = span.toMs - span.fromMs > 8 * MS_PER_HOUR ? 2 : 1;
  const ticks = hourMarks(span.fromMs, span.toMs, stepH, format).map((mark) => mark.timeMs);
  const lowest = Math.min(0, ...batteries.flatMap((b) => b.line.map((p) => p.share)));
  return (
    <ChartFrame
      label={label}
      fileName="battery"
      height={230}
      x={{ domain: [span.fromMs, span.toMs], label: 'local time', format: (v) => format.clock(v), ticks }}
      y={{
        domain: [Math.max(-0.5, lowest), 1],
        label: 'charge left to use',
        format: (v) => format.quantity(v, 'percent'),
        ticks: [0, 0.25, 0.5, 0.75, 1],
      }}
    >
      {({ x, y, width, height }) => (
        <g>
          <path d={`M0 ${y(0)}H${width}`} stroke="var(--brick)" strokeWidth="2" />
          {batteries.map((battery, i) => (
            <path
              key={battery.batteryId}
              d={
                line<FuelPoint>()
                  .x((p) => x(p.atMs))
                  .y((p) => y(Math.max(-0.5, p.share)))(battery.line) ?? ''
              }
              fill="none"
              stroke={battery.enough ? 'var(--action)' : 'var(--brick)'}
              strokeWidth="3"
              strokeDasharray={DASHES[i % DASHES.length]}
            />
          ))}
          {atMs >= span.fromMs && atMs <= span.toMs && (
            <path d={`M${x(atMs)} 0V${height}`} stroke="var(--amber)" strokeWidth="2" />
          )}
        </g>
      )}
    </ChartFrame>
  );
}

function CablePlan({ devices }: { devices: PowerOfRig['devices'] }) {
  const { format } = useShared();
  return (
    <ScrollTable label="Cable plan" headings={['Device', 'Hangs on', 'Draws', 'Voltage there', 'Cable', '[Verdict]']}>
      {devices.map((d) => (
        <tr key={`${d.loadId}-${d.port}`}>
          <th scope="row">
            <strong>{d.name}</strong>
          </th>
          <td>
            {d.batteryName}
            {d.port !== '' && <span className="soft d-block">port {d.port}</span>}
          </td>
          <td className="figures">{format.quantity(d.runningA, 'amps')}</td>
          <td className="figures">{format.quantity(d.deviceV, 'volts')}</td>
          <td className="figures" title={d.cableNames.join(', ')}>
            {d.cableM === 0
              ? '–'
              : `${format.quantity(d.cableM, 'length', 1)}, needs ${format.quantity(d.neededM, 'length', 1)}`}
          </td>
          <td>{deviceVerdict(d, format)}</td>
        </tr>
      ))}
    </ScrollTable>
  );
}

type Settings = SettingValue<'power'>;
type SettingFields = { [K in keyof Settings]: number | null };

/** What the reckoning starts from: the cold, and the set-up before dark. */
function Conditions({ settings }: { settings: Settings }) {
  const saveSetting = useSaveSetting();
  const { format } = useShared();
  const form = useForm<SettingFields, unknown, Settings>({
    resolver: formResolver<SettingFields, Settings>(settingValues.power),
    defaultValues: settings,
  });
  const save = (value: Settings): void => saveSetting('power', value);
  return (
    <FormProvider {...form}>
      <form className="section" noValidate onSubmit={(event) => void form.handleSubmit(save)(event)}>
        <h2>Reckon with</h2>
        <div className="fields compact">
          <QuantityField name="coldestC" label="Coldest of the night" kind="temperature" system={format.system} />
          <QuantityField name="setUpMin" label="Set-up before dark" kind="minutes" system={format.system} />
        </div>
        <div className="actions">
          <Button variant="outline" type="submit">
            Reckon again
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

export function PowerTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format, stored } = useShared();
  const settings = settingOf(stored.settings, 'power');
  const { power, saying, advice } = useMemo(() => powerModel(night, settings), [night, settings]);
  const sentence = powerSentence(saying, format);
  return (
    <BenchLayout
      title="Payload"
      tabs={tabs}
      sentence={sentence}
      reason={powerReason(saying, settings.coldestC, format)}
      instrumentName="The fuel line"
      instrument={
        power.batteries.length > 0 && power.span ? <FuelChart power={power} label={plain(sentence)} /> : undefined
      }
    >
      {power.batteries.map((battery) => (
        <p key={battery.batteryId} className="battery-line">
          <strong>{battery.name}</strong> <span className="figures">{batteryWords(battery, format)}</span>
        </p>
      ))}
      {power.devices.length > 0 && <CablePlan devices={power.devices} />}
      {saying.code === 'noSupply' && (
        <p>
          <Link to={`/kit/rigs/${night.records.rig.id}`}>Open {night.records.rig.name} in Kit</Link>
        </p>
      )}
      {advice.length > 0 && (
        <div className="section">
          <h2>Before you plug it in</h2>
          <ul className="advice">
            {advice.map((one) => (
              <li key={JSON.stringify(one)}>{adviceWords(one, format)}</li>
            ))}
          </ul>
        </div>
      )}
      <Conditions key={JSON.stringify(settings)} settings={settings} />
    </BenchLayout>
  );
}
