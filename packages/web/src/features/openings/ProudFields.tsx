/** What stands proud of the metal around the hole, and whether somebody looked for more of it. */

import type { ProudRecord } from '@low-quarry/core/model';
import { isTakenHere } from '@low-quarry/core/model';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field, INPUT } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { FieldsAt } from '../../ui/unreadNumbers';
import { NotedLengthField } from './NotedLengthField';
import { PlaceFields } from './PlaceFields';
import { newProud } from './surroundings';

type ProudFieldsProps = {
  readonly proud: readonly ProudRecord[];
  readonly isLooked: boolean;
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (proud: ProudRecord[]) => void;
  readonly onLooked: (isLooked: boolean) => void;
};

const MOST = 12;

export function ProudFields({ proud, isLooked, errorAt, onChange, onLooked }: ProudFieldsProps) {
  const change = (at: number, changes: Partial<ProudRecord>) =>
    onChange(proud.map((each, index) => (index === at ? { ...each, ...changes } : each)));
  return (
    <>
      {!proud.some(({ height }) => isTakenHere(height)) && (
        <Choice
          label="Beads, studs or nuts around the hole"
          hint="A straight edge across the face tells."
          value={isLooked ? 'nothing' : 'notLooked'}
          options={[
            ['notLooked', 'Not looked'],
            ['nothing', proud.length === 0 ? 'Looked: nothing there' : 'Looked: nothing else there'],
          ]}
          onChange={(value) => onLooked(value === 'nothing')}
        />
      )}
      {proud.map(({ id, label, xMm, yMm, placeHalfWidthMm, diameterMm, height }, at) => (
        <FieldsAt key={id} place={`proud ${id}`}>
          <fieldset className="grid gap-3 border border-hairline p-3 sm:grid-cols-2">
            <legend className="px-1 font-semibold">{label}</legend>
            <Field label="Its name" error={label === '' ? 'Nothing was typed. Type a name such as "weld bead".' : null}>
              {(ids) => (
                <input
                  {...ids}
                  value={label}
                  maxLength={60}
                  autoComplete="off"
                  onChange={({ target }) => change(at, { label: target.value })}
                  className={INPUT}
                />
              )}
            </Field>
            <NotedLengthField
              label="How proud it stands"
              hint="From the metal towards the cabin."
              length={height}
              error={errorAt(`record.proud.${at}.height.readingsMm.0`)}
              onChange={(next) => change(at, { height: next })}
            />
            <PlaceFields of="its middle" xMm={xMm} yMm={yMm} onChange={(place) => change(at, place)} />
            <NumberField
              label="How wide it is"
              kind="length"
              least={1}
              most={100}
              value={diameterMm}
              onChange={(value) => change(at, { diameterMm: value })}
            />
            <NumberField
              label="Its place may be off by"
              kind="length"
              least={0}
              most={100}
              value={placeHalfWidthMm}
              onChange={(value) => change(at, { placeHalfWidthMm: value })}
            />
            <Button
              kind="quiet"
              className="justify-self-start"
              onClick={() => onChange(proud.filter((_, index) => index !== at))}
            >
              Remove {label || 'it'}
            </Button>
          </fieldset>
        </FieldsAt>
      ))}
      {proud.length < MOST && (
        <Button className="self-start" onClick={() => onChange([...proud, newProud(proud)])}>
          Add a bead, stud or nut
        </Button>
      )}
    </>
  );
}
