/** What each crossover takes in, where its outputs end, and where it lies. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import {
  CROSSOVER_AT_LABELS,
  CROSSOVER_COMES_LABELS,
  OUTPUT_LABELS,
  OUTPUT_LEAD_LABELS,
  type OutputTo,
  placeLabel,
  SETTINGS_DEFAULTS,
} from '@low-quarry/core/model';
import { likelyCrossovers } from '@low-quarry/core/stations';
import { printLength } from '@low-quarry/core/units';
import { useQuery } from '@tanstack/react-query';
import {
  type Control,
  type FieldPath,
  type UseFormReturn,
  useController,
  useFieldArray,
  useWatch,
} from 'react-hook-form';
import { shopSettingsQuery } from '../../../api/settingsQuery';
import { savedCrossovers, type WithCrossovers } from '../../../outbox/saved/savedCrossovers';
import { Button } from '../../../ui/Button';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { useSettings } from '../../../ui/settings';
import { Tick } from '../../../ui/Tick';
import { BoxSize, BoxSpace, HeldBy } from '../BoxFields';
import { JobListForm } from '../JobListForm';
import { FromLibrary, type FromLibraryProps, takenOver } from './FromLibrary';
import {
  BARE,
  type CrossoversTyped,
  crossoversTypedSchema,
  EMPTY_CROSSOVER,
  INSULATED,
  NO_OUTPUT,
  OUTPUTS,
  placeEnd,
  readCrossoversSchema,
  toCrossoversTyped,
  toCrossoverTyped,
} from './typedCrossovers';

const MOST = 8;

type CrossoversFormProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly onDone: () => void;
};

export function CrossoversForm({ job, openings, onDone }: CrossoversFormProps) {
  return (
    <JobListForm<CrossoversTyped, WithCrossovers>
      job={job}
      what="crossovers"
      kind={savedCrossovers}
      of={({ crossovers }) => ({ crossovers })}
      toTyped={({ crossovers }) => toCrossoversTyped(crossovers)}
      typed={crossoversTypedSchema}
      read={readCrossoversSchema}
      onDone={onDone}
    >
      {(form) => <CrossoverList form={form} job={job} openings={openings} />}
    </JobListForm>
  );
}

type CrossoverListProps = Omit<CrossoversFormProps, 'onDone'> & {
  readonly form: UseFormReturn<CrossoversTyped, unknown, WithCrossovers>;
};

function CrossoverList({ form: { control, getValues, setValue }, job, openings }: CrossoverListProps) {
  const { fields, append, remove } = useFieldArray({ control, name: 'crossovers' });
  const likely = likelyCrossovers(job, openings);
  return (
    <>
      {fields.map(({ id }, at) => (
        <fieldset key={id} className="grid grid-cols-2 gap-3 border-l-4 border-hairline pl-3 sm:grid-cols-4">
          <legend className="sr-only">crossover {at + 1}</legend>
          <CrossoverFields
            control={control}
            path={`crossovers.${at}`}
            job={job}
            openings={openings}
            onTake={(told) => {
              const typed = getValues(`crossovers.${at}`);
              setValue(`crossovers.${at}`, { ...typed, ...takenOver(typed, told) }, { shouldDirty: true });
            }}
          />
          <Button kind="quiet" className="col-span-2 justify-self-start sm:col-span-4" onClick={() => remove(at)}>
            Take crossover {at + 1} off
          </Button>
        </fieldset>
      ))}
      <div className="flex flex-wrap gap-3">
        {fields.length < MOST && <Button onClick={() => append(EMPTY_CROSSOVER)}>Add a crossover</Button>}
        {fields.length === 0 && likely.length > 0 && (
          <Button onClick={() => append(likely.map(toCrossoverTyped))}>
            Begin with {likely.length === 1 ? 'the set' : 'the sets'} chosen here
          </Button>
        )}
      </div>
    </>
  );
}

type FieldsProps = Omit<CrossoversFormProps, 'onDone'> & {
  readonly control: Control<CrossoversTyped, unknown, WithCrossovers>;
  readonly path: string;
};
const at = (path: string, name: string) => `${path}.${name}` as FieldPath<CrossoversTyped>;

function CrossoverFields({ control, path, job, openings, onTake }: FieldsProps & FromLibraryProps) {
  const crossovers = job.crossovers;
  const { stock } = useQuery(shopSettingsQuery).data ?? SETTINGS_DEFAULTS;
  const { unit } = useSettings();
  const thicknesses = [
    ...stock.map(({ thicknessMm }) => thicknessMm),
    ...crossovers.flatMap(({ hangerMm }) => hangerMm ?? []),
  ];
  const hangers = Object.fromEntries(
    thicknesses.map((mm) => [String(mm), `Cut from ${printLength(mm, unit)} sheet`] as const),
  );
  const { field: fork } = useController({ control, name: at(path, 'isAtFork') });
  const channels = named([
    ...(job.vehicle.channels ?? []).map(({ name }) => name),
    // What is kept stays to be seen, though the vehicle has it no more.
    ...crossovers.map(({ channel }) => channel),
  ]);
  return (
    <>
      <div className="col-span-2">
        <FormText control={control} name={at(path, 'name')} label="Called" hint="Front left." autoComplete="off" />
      </div>
      <div className="col-span-2">
        <FormChoice
          control={control}
          name={at(path, 'channel')}
          label="Fed by channel"
          options={channels}
          none="Not decided"
          {...(Object.keys(channels).length === 0 ? { hint: 'None is noted with the vehicle.' } : {})}
        />
      </div>
      <div className="col-span-2 sm:col-span-4">
        <FromLibrary onTake={onTake} />
      </div>
      {OUTPUTS.map((to) => (
        <OutputFields key={to} control={control} path={`${path}.outputs.${to}`} to={to} job={job} openings={openings} />
      ))}
      <div className="col-span-2">
        <FormChoice
          control={control}
          name={at(path, 'comes')}
          label="Comes"
          options={CROSSOVER_COMES_LABELS}
          none="Not decided"
        />
      </div>
      <BoxSize control={control} path={path} example="110 × 72 × 38" />
      <div className="col-span-2">
        <FormChoice
          control={control}
          name={at(path, 'at')}
          label="Lies"
          options={CROSSOVER_AT_LABELS}
          none="Not decided"
        />
      </div>
      <BoxSpace control={control} path={path} job={job} />
      <div className="col-span-2 sm:col-span-4">
        <Tick
          label="It lies where one pair of the car forks to its speakers"
          isOn={Boolean(fork.value)}
          onChange={fork.onChange}
        />
      </div>
      <HeldBy
        control={control}
        path={path}
        hint="Two ties on the beam; screws into the bracket. Loose in a door it rattles."
      />
      <div className="col-span-2">
        <FormChoice
          control={control}
          name={at(path, 'hanger')}
          label="A hanger for it"
          options={hangers}
          none="None is cut"
          hint="A plate with ears and holes for ties, cut with the rings of this car."
        />
      </div>
    </>
  );
}

function OutputFields({ control, path, to, job, openings }: FieldsProps & { readonly to: OutputTo }) {
  const isThere = useWatch({ control, name: at(path, 'ends') }) !== NO_OUTPUT;
  const kept = job.crossovers
    .flatMap(({ outputs }) => outputs)
    .flatMap(({ ends }) => (ends?.kind === 'place' ? [ends.place] : []));
  const places = [
    ...openings.filter(({ record: { presence } }) => presence !== 'notThere').map(({ record }) => placeLabel(record)),
    ...kept,
  ];
  const ends = {
    [NO_OUTPUT]: 'It has no such output',
    ...Object.fromEntries(places.map((place) => [placeEnd(place), place])),
    [INSULATED]: 'Left over, insulated',
    [BARE]: 'Left over, bare',
  };
  const label = OUTPUT_LABELS[to];
  return (
    <>
      <div className={isThere ? 'col-span-2 sm:col-span-1' : 'col-span-2 sm:col-span-4'}>
        <FormChoice
          control={control}
          name={at(path, 'ends')}
          label={`${label} output ends at`}
          options={ends}
          none="Not decided"
        />
      </div>
      {isThere && (
        <>
          <div className="col-span-2">
            <FormText
              control={control}
              name={at(path, 'filter')}
              label={`${label}, filter`}
              hint={FILTER_HINTS[to]}
              autoComplete="off"
            />
          </div>
          <div className="col-span-2 sm:col-span-1">
            <FormChoice
              control={control}
              name={at(path, 'lead')}
              label={`${label}, led by`}
              options={OUTPUT_LEAD_LABELS}
              none="Not decided"
            />
          </div>
        </>
      )}
    </>
  );
}

const FILTER_HINTS: Readonly<Record<OutputTo, string>> = {
  tweeter: 'As its sheet says: high-pass 3500 Hz, 12 dB.',
  midrange: 'High-pass 500 Hz, 12 dB and low-pass 4000 Hz, 12 dB.',
  woofer: 'Low-pass 3000 Hz, 6 dB.',
};

function named(names: readonly string[]): Readonly<Record<string, string>> {
  return Object.fromEntries(names.filter((name) => name !== '').map((name) => [name, name]));
}
