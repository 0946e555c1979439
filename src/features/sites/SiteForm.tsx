import { FormProvider, useForm, useWatch, type UseFormReturn } from 'react-hook-form';
import { z } from 'zod';
import { siteSchema, type Site } from '../../core/records/site.ts';
import { magneticField } from '../../core/sky/magnetic.ts';
import { isKnownZone } from '../../core/time/civil.ts';
import { useSession, useShared } from '../../session/session.ts';
import { EditConflict } from '../../session/EditConflict.tsx';
import { FromDevice } from '../../session/FromDevice.tsx';
import type { DevicePlace } from '../../session/devicePlace.ts';
import { useHeadForm } from '../../session/useHeadForm.ts';
import { modelYearsWords } from '../../text/levelWords.ts';
import { CoordinateFields } from '../../ui/form/CoordinateFields.tsx';
import { QuantityField, TextField } from '../../ui/form/Fields.tsx';
import { LOWEST_IMAGING_ALT_DEG } from '../../core/night/plan/darkness.ts';
import { formResolver } from '../../ui/form/formResolver.ts';
import { SaveBar } from '../../ui/form/SaveBar.tsx';
import { formatHorizon, parseHorizon } from './horizonText.ts';
import { PageTitle } from '../../ui/PageTitle.tsx';

const { name, latDeg, lonDeg, elevationM } = siteSchema.shape;
const formSchema = z
  .object({
    name,
    latDeg,
    lonDeg,
    elevationM,
    lowestAltDeg: z.number().min(0).max(80).nullable(),
    skyMagArcsec2: z.number().min(14).max(22.5).nullable(),
    note: siteSchema.shape.note,
    zoneIana: z
      .string()
      .refine(isKnownZone, 'Not a zone this device knows. Choose one from the list, like Europe/Lisbon.'),
    horizonText: z.string(),
  })
  .transform(({ horizonText, ...rest }, context) => {
    const parsed = parseHorizon(horizonText);
    if (parsed.ok) return { ...rest, horizon: parsed.value };
    context.addIssue({
      code: 'custom',
      path: ['horizonText'],
      message: `Line ${parsed.figures['line'] ?? ''}: write azimuth 0 to 360, a space, altitude −10 to 90.`,
    });
    return z.NEVER;
  });

type Fields = {
  name: string;
  latDeg: number | null;
  lonDeg: number | null;
  elevationM: number | null;
  lowestAltDeg: number | null;
  skyMagArcsec2: number | null;
  zoneIana: string;
  horizonText: string;
  note: string;
};
type Form = UseFormReturn<Fields, unknown, z.infer<typeof formSchema>>;

/** What the device tells of its place goes into the form. */
function fromDevice(form: Form) {
  return ({ latDeg: lat, lonDeg: lon, elevationM: height, zoneIana }: DevicePlace): void => {
    form.setValue('latDeg', lat, { shouldDirty: true });
    form.setValue('lonDeg', lon, { shouldDirty: true });
    if (height !== null) form.setValue('elevationM', height, { shouldDirty: true });
    form.setValue('zoneIana', zoneIana, { shouldDirty: true });
  };
}

/** What a compass will show there, today. */
function Declination({ form }: { form: Form }) {
  const { clock } = useSession();
  const { format } = useShared();
  const [lat, lon, elevation] = useWatch({ control: form.control, name: ['latDeg', 'lonDeg', 'elevationM'] });
  if (lat === null || lon === null || !(Math.abs(lat) <= 90) || !(Math.abs(lon) <= 180)) return null;
  const field = magneticField(clock.nowMs(), lat, lon, elevation ?? 0);
  const size = format.quantity(Math.abs(field.declinationDeg), 'angleDeg');
  const years = modelYearsWords(field);
  return (
    <p>
      Magnetic declination today:{' '}
      <strong className="figures">
        {size} {field.declinationDeg < 0 ? 'west' : 'east'}
      </strong>
      . {field.declinationDeg < 0 ? 'Subtract it from' : 'Add it to'} the compass reading.
      {field.compass !== 'reliable' && ' So near a magnetic pole a compass cannot be trusted.'}
      {years !== null && ` ${years}`}
    </p>
  );
}

const toFields = ({
  name: called,
  latDeg: lat,
  lonDeg: lon,
  elevationM: height,
  lowestAltDeg: lowest = null,
  skyMagArcsec2: sky = null,
  zoneIana,
  horizon,
  note,
}: Site): Fields => ({
  name: called,
  latDeg: lat,
  lonDeg: lon,
  elevationM: height,
  lowestAltDeg: lowest,
  skyMagArcsec2: sky,
  zoneIana,
  horizonText: formatHorizon(horizon),
  note,
});

export function SiteForm({ site }: { site: Site | null }) {
  const { format } = useShared();
  const form = useForm<Fields, unknown, z.infer<typeof formSchema>>({
    resolver: formResolver(formSchema),
    defaultValues: site
      ? toFields(site)
      : {
          name: '',
          latDeg: null,
          lonDeg: null,
          elevationM: 0,
          lowestAltDeg: null,
          skyMagArcsec2: null,
          zoneIana: Intl.DateTimeFormat().resolvedOptions().timeZone,
          horizonText: '',
          note: '',
        },
  });
  const { save, remove, edited } = useHeadForm({ table: 'sites', record: site, listPath: '/sites', form, toFields });
  return (
    <FormProvider {...form}>
      <form onSubmit={(event) => void form.handleSubmit(save)(event)} noValidate>
        <PageTitle>{site ? site.name : 'New site'}</PageTitle>
        <FromDevice found={fromDevice(form)} typed={() => JSON.stringify(form.getValues())} />
        <div className="fields">
          <TextField name="name" label="Name" />
          <CoordinateFields />
          <QuantityField name="elevationM" label="Elevation" kind="elevation" system={format.system} />
          <QuantityField
            name="lowestAltDeg"
            label="Lowest altitude for imaging"
            kind="angleDeg"
            system={format.system}
            hint={`Empty = ${LOWEST_IMAGING_ALT_DEG}°; the horizon line counts where it is higher.`}
          />
          <QuantityField
            name="skyMagArcsec2"
            label="Darkness of the sky, overhead without moon"
            kind="skyMag"
            system={format.system}
            hint="Magnitudes a square arcsecond: city 18, suburb 19.5, village 20.5, dark 21.5. Empty = a dark site."
          />
          <TextField name="zoneIana" label="Time zone" list="zones" hint="By place, so that summer time is known." />
          <TextField
            name="horizonText"
            label="Horizon line"
            multiline
            wide
            hint="One point a line: azimuth, space, altitude in degrees. Empty = 15° all round."
          />
        </div>
        <datalist id="zones">
          {Intl.supportedValuesOf('timeZone').map((zone) => (
            <option key={zone} value={zone} />
          ))}
        </datalist>
        <Declination form={form} />
        <EditConflict edited={edited} />
        <SaveBar busy={edited.busy} onDelete={site ? remove : null} />
      </form>
    </FormProvider>
  );
}
