/** Claims as they are heard: of which vehicle, which place, what, and by whom. */
import { CLAIM_WORDS, MOST_CLAIMS, type PartRecord } from '@low-quarry/core/catalogue';
import { PLACE_LABELS } from '@low-quarry/core/model';
import { useMemo } from 'react';
import { useController, useFieldArray } from 'react-hook-form';
import type { z } from 'zod';
import { useMe } from '../../../api/me';
import { isoDay } from '../../../text/isoDay';
import { Button } from '../../../ui/Button';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { VehicleField } from '../../vehicles/VehicleField';
import { PartForm } from '../PartForm';
import { usePartForm } from '../usePartForm';
import {
  type ClaimsControl,
  type ClaimsRead,
  type ClaimsTyped,
  claimsTypedSchema,
  NEW_CLAIM,
  readClaimsSchema,
  toClaimsTyped,
} from './typedClaims';

type ClaimsFormProps = { readonly version: number; readonly record: PartRecord };

export function ClaimsForm({ version, record }: ClaimsFormProps) {
  const { name: notedBy } = useMe();
  const on = isoDay(new Date());
  const readSchema = useMemo(
    () => readClaimsSchema({ kept: record.claims, notedBy, on }),
    [record.claims, notedBy, on],
  );
  const { control, frame } = usePartForm<ClaimsTyped, ClaimsRead>({
    ...{ version, record, name: 'claims', readSchema, saved: 'What others say is saved.' },
    typedSchema: claimsTypedSchema as z.ZodType<ClaimsTyped>,
    toTyped: ({ claims }: PartRecord) => toClaimsTyped(claims),
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'claims' });
  return (
    <PartForm frame={frame} save="Save what others say">
      {fields.map(({ id }, at) => (
        <OneClaim key={id} control={control} at={at} onRemove={() => remove(at)} />
      ))}
      {fields.length < MOST_CLAIMS && (
        <Button className="self-start" onClick={() => append(NEW_CLAIM)}>
          Add a claim
        </Button>
      )}
    </PartForm>
  );
}

type OneClaimProps = { readonly control: ClaimsControl; readonly at: number; readonly onRemove: () => void };

function OneClaim({ control, at, onRemove }: OneClaimProps) {
  const vehicle = useController({ control, name: `claims.${at}.vehicleId` });
  return (
    <fieldset className="grid gap-x-3 gap-y-1 border-l-4 border-hairline pl-3 sm:grid-cols-2 lg:grid-cols-4">
      <legend className="mb-1 font-semibold">Claim {at + 1}</legend>
      <VehicleField
        value={vehicle.field.value}
        error={vehicle.fieldState.error?.message}
        onChange={vehicle.field.onChange}
      />
      <FormChoice
        control={control}
        name={`claims.${at}.place`}
        label="Place"
        options={PLACE_LABELS}
        none="Nobody said which"
      />
      <FormChoice control={control} name={`claims.${at}.says`} label="What is said" options={CLAIM_WORDS} />
      <FormText
        control={control}
        name={`claims.${at}.by`}
        label="Who says it"
        hint="Such as a supplier’s list."
        autoComplete="off"
      />
      <Button kind="quiet" className="self-center justify-self-start" onClick={onRemove}>
        Take claim {at + 1} off
      </Button>
    </fieldset>
  );
}
