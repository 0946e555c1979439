import { useTubeEnds } from '../../session/useTubeEnds.ts';
import type { SettingValue } from '../../core/records/setting.ts';
import { isGuess } from '../../core/rig/rigMasses.ts';
import { useNight, useShared } from '../../session/session.ts';
import { BAR_EDGES, DRAWING_WORDS, tubeEdges } from '../../text/balanceWords.ts';
import { BarDrawing } from '../../ui/instruments/BarDrawing.tsx';
import { SaddleDrawing } from '../../ui/instruments/SaddleDrawing.tsx';
import { UprightDrawing } from '../../ui/instruments/UprightDrawing.tsx';
import type { AxisModel } from './model.ts';

/** Parts nearer to the tube's centre line than this are drawn as part of the tube. */
const SAME_LINE_M = 0.02;
/** A tube of unknown size is drawn like this. */
const USUAL_TUBE = { frontM: 0.25, backM: 0.2, radiusM: 0.05 };

type Props = { model: AxisModel; label: string; settings: SettingValue<'balance'> };

function Bar({ model, label, settings }: Props) {
  const { format } = useShared();
  const { numbers, records, bar } = useNight();
  if (!bar) return null;
  const { rig } = bar;
  const { tube } = numbers;
  const tubeAtM = records.rig.placed.find((p) => p.partId === tube?.id)?.fromRaAxisM ?? 0.15;
  const total = (value: (w: (typeof rig.movable)[number]) => number) =>
    rig.movable.reduce((sum, w) => sum + value(w), 0);
  return (
    <BarDrawing
      label={label}
      tube={{
        fromRaAxisM: tubeAtM,
        radiusM: tube?.radiusM ?? USUAL_TUBE.radiusM,
        guessed: numbers.masses.tubeSide.some(isGuess),
      }}
      others={rig.input.parts.filter((p) => Math.abs(p.fromRaAxisM - tubeAtM) > SAME_LINE_M)}
      barEndM={Math.max(rig.barLengthM, rig.input.barRangeM[1])}
      barRangeM={rig.input.barRangeM}
      weight={
        rig.movable.length > 0
          ? {
              massKg: total((w) => w.massKg),
              thicknessM: total((w) => w.thicknessM),
              guessed: rig.movable.some(({ massBasis }) => isGuess({ massBasis })),
            }
          : null
      }
      setM={model.setM}
      predictedM={model.goalM}
      likelyM={likelyOf(model)}
      tape={model.tape}
      caption={BAR_EDGES[settings.barEdge].caption}
      format={format}
    />
  );
}

/** Drawn once there are answers, and until it is balanced. */
function likelyOf({ tip }: AxisModel): readonly [number, number] | null {
  if (!tip || tip.trials.length === 0 || tip.estimate.balancedM !== null) return null;
  return [tip.estimate.lowM, tip.estimate.highM];
}

/** The instrument of the axis: bar, saddle, or the tube straight up. */
export function AxisDrawing({ model, label, settings }: Props) {
  const { format } = useShared();
  const { numbers, records } = useNight();
  const ends = useTubeEnds();
  const { tip, setM, goalM } = model;
  if (!tip || setM === null || goalM === null) return null;
  const tube = numbers.tube ?? USUAL_TUBE;
  if (tip.levers.axis === 'ra') return <Bar model={model} label={label} settings={settings} />;
  if (tip.levers.axis === 'sideways') {
    return (
      <UprightDrawing
        label={label}
        tubeRadiusM={tube.radiusM}
        setM={setM}
        predictedM={goalM}
        words={DRAWING_WORDS.upright}
        format={format}
      />
    );
  }
  const camera = records.rig.placed.find((p) => p.partId === numbers.camera?.id);
  const behindM = tip.levers.presentM - (camera?.alongTubeM ?? 0) + (numbers.camera?.lengthM ?? 0) / 2;
  return (
    <SaddleDrawing
      label={label}
      tube={tube}
      guessed={numbers.masses.tubeSide.some((p) => p.slides && isGuess(p))}
      behindM={Math.max(tube.backM, behindM)}
      setM={setM}
      predictedM={goalM}
      likelyM={likelyOf(model)}
      rangeM={tip.levers.rangeM}
      tape={model.tape}
      caption={tubeEdges(ends)[settings.tubeEdge].caption}
      words={{ ...ends, saddle: DRAWING_WORDS.saddle }}
      format={format}
    />
  );
}
