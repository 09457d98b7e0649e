/** A list that somebody fills in as they see it: nobody looked, looked and there is nothing, or what there is. */
import type { ReactNode } from 'react';
import {
  type ArrayPath,
  type Control,
  type FieldArray,
  type FieldPath,
  type FieldValues,
  useController,
  useFieldArray,
} from 'react-hook-form';
import { Button } from '../Button';
import { Tick } from '../Tick';

type LookedListProps<Typed extends FieldValues, Read, Name extends ArrayPath<Typed>> = {
  readonly control: Control<Typed, unknown, Read>;
  readonly name: Name;
  /** Of whether somebody looked. */
  readonly looked: FieldPath<Typed>;
  readonly title: string;
  /** What one of them is called, such as "fastener". */
  readonly item: string;
  /** What is pressed for one more. */
  readonly add: string;
  /** Said by who looked and found none. */
  readonly nothing: string;
  readonly most: number;
  readonly empty: () => FieldArray<Typed, Name>;
  /** The fields of the one at a place of the list. */
  readonly children: (path: string) => ReactNode;
};

export function LookedList<Typed extends FieldValues, Read, Name extends ArrayPath<Typed>>({
  control,
  name,
  looked,
  title,
  item,
  add,
  nothing,
  most,
  empty,
  children,
}: LookedListProps<Typed, Read, Name>) {
  const { fields, append, remove } = useFieldArray({ control, name });
  const { field } = useController({ control, name: looked });
  const isLooked = Boolean(field.value);
  return (
    <section aria-label={title} className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">
        {title}
        {fields.length === 0 && !isLooked && (
          <span className="text-[13px] font-normal text-measure"> · not looked</span>
        )}
      </h2>
      {fields.map(({ id }, at) => (
        <fieldset key={id} className="grid grid-cols-2 gap-3 border-l-4 border-hairline pl-3 sm:grid-cols-4">
          <legend className="sr-only">
            {item} {at + 1}
          </legend>
          {children(`${name}.${at}`)}
          <Button kind="quiet" className="col-span-2 justify-self-start sm:col-span-4" onClick={() => remove(at)}>
            Take {item} {at + 1} off
          </Button>
        </fieldset>
      ))}
      {fields.length === 0 && <Tick label={nothing} isOn={isLooked} onChange={field.onChange} />}
      {fields.length < most && (
        <Button
          className="self-start"
          onClick={() => {
            append(empty());
            field.onChange(true);
          }}
        >
          {add}
        </Button>
      )}
    </section>
  );
}
