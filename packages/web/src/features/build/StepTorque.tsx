/** A torque as the vehicle maker's manual has it: typed in by whoever read it there, shown in the wrench's unit. The program gives none. */
import { TORQUE_UNITS, type Torque, type TorqueUnit, torqueIn, torqueSchema } from '@low-quarry/core/model';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { TextField } from '../../ui/TextField';

type StepTorqueProps = { readonly torque: Torque | undefined; readonly onKeep: (torque: Torque) => void };

const UNITS = Object.entries(TORQUE_UNITS) as [TorqueUnit, string][];

export function StepTorque({ torque, onKeep }: StepTorqueProps) {
  const [value, setValue] = useState(torque ? String(torque.value) : '');
  const [unit, setUnit] = useState<TorqueUnit>(torque?.unit ?? 'newtonMetre');
  const [source, setSource] = useState(torque?.source ?? '');
  const [wasKept, setWasKept] = useState(false);
  const typed = value.trim().replace(',', '.');
  const read = torqueSchema.safeParse({ value: typed === '' ? null : Number(typed), unit, source });
  const errorAt = (field: string) =>
    wasKept && !read.success ? (read.error.issues.find(({ path }) => path[0] === field)?.message ?? null) : null;
  const other: TorqueUnit = unit === 'newtonMetre' ? 'poundForceFoot' : 'newtonMetre';
  return (
    <fieldset className="flex max-w-xl flex-col gap-3">
      <legend className="font-semibold">Torque, from the vehicle maker’s manual</legend>
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Torque"
          inputMode="decimal"
          autoComplete="off"
          value={value}
          error={errorAt('value') && `${errorAt('value')} “${value}” was read.`}
          hint={
            read.success
              ? `On a wrench in ${TORQUE_UNITS[other]}: ${torqueIn(read.data, other)}`
              : 'As it stands in the manual.'
          }
          onType={setValue}
        />
        <Choice label="Unit" value={unit} options={UNITS} onChange={setUnit} />
      </div>
      <TextField
        label="Where it is written"
        value={source}
        error={errorAt('source')}
        hint="Such as the manual’s page."
        onType={setSource}
      />
      <Button
        className="self-start"
        onClick={() => {
          setWasKept(true);
          if (read.success) onKeep(read.data);
        }}
      >
        {torque ? 'Keep it as it is now' : 'Keep this torque'}
      </Button>
    </fieldset>
  );
}
