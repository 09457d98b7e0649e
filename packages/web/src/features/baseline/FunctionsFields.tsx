/** What of the car is tried, by where it is; one thing more is added by its name. */
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import {
  FUNCTION_GROUP_LABELS,
  FUNCTION_GROUPS,
  functionGroup,
  functionLabel,
  functionsTried,
  needsEverySpeaker,
  notHeard,
  photoPlaceOf,
  placeLabel,
  type VehicleRecord,
} from '@low-quarry/core/model';
import { useController } from 'react-hook-form';
import { Photos } from '../photos/Photos';
import { OneMoreFunction } from '../vehicles/OneMoreFunction';
import { TriedField } from './TriedField';
import type { BaselineControl } from './typedBaseline';
import { withTried } from './withTried';

type FunctionsFieldsProps = {
  readonly jobId: string;
  readonly control: BaselineControl;
  readonly vehicle: Omit<VehicleRecord, 'openings'>;
  readonly openings: readonly OpeningWithState[];
  readonly isLocked: boolean;
};

export function FunctionsFields({ jobId, control, vehicle, openings, isLocked }: FunctionsFieldsProps) {
  const { field, fieldState } = useController({ control, name: 'functions' });
  const keys = functionsTried(vehicle, { functions: field.value });
  const silent = notHeard(openings);
  const speakersFirst =
    silent.length === 0
      ? null
      : `Counts once every speaker was heard alone. Left: ${silent.map(({ record }) => placeLabel(record).toLowerCase()).join('; ')}.`;
  return (
    <>
      {vehicle.functions === null && !isLocked && (
        <p className="border-l-4 border-measure bg-paper px-3 py-2">
          Nobody has written down what this variant has: this is what is usual for its body. Press “Not there” where it
          is not.
        </p>
      )}
      {fieldState.error && <p role="alert">{fieldState.error.message}</p>}
      {FUNCTION_GROUPS.map((group) => (
        <section key={group} aria-label={FUNCTION_GROUP_LABELS[group]}>
          <h2 className="border-b border-ink text-[18px] font-bold">{FUNCTION_GROUP_LABELS[group]}</h2>
          <ul>
            {keys
              .filter((key) => functionGroup(key) === group)
              .map((key) => (
                <TriedField
                  key={key}
                  label={functionLabel(key)}
                  tried={field.value[key]}
                  isLocked={isLocked}
                  hint={needsEverySpeaker(key) ? speakersFirst : null}
                  photos={
                    <Photos
                      subject={{ of: 'job', recordId: jobId, place: photoPlaceOf(key) }}
                      label={functionLabel(key)}
                      isLocked={() => isLocked}
                      isSmall
                    />
                  }
                  onChange={(tried) => field.onChange(withTried(field.value, key, tried))}
                />
              ))}
          </ul>
        </section>
      ))}
      {!isLocked && (
        <OneMoreFunction
          known={keys}
          onAdd={(key) => field.onChange(withTried(field.value, key, { state: 'works', note: '' }))}
        />
      )}
    </>
  );
}
