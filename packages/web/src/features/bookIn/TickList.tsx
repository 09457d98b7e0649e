/** Several of a list; where it matters whether anybody asked, "nothing of these" is an answer of its own. */
import { useController } from 'react-hook-form';
import { Tick } from '../../ui/Tick';
import type { IntakeControl } from './typedIntake';

type TickListProps<Key extends string> = {
  readonly control: IntakeControl;
  readonly name: 'keeps' | 'later' | 'expectations';
  readonly legend: string;
  readonly options: readonly (readonly [Key, string])[];
  /** Left out where nothing ticked says nothing. */
  readonly nothing?: string;
};

export function TickList<Key extends string>({ control, name, legend, options, nothing }: TickListProps<Key>) {
  const { field } = useController({ control, name });
  const ticked: readonly string[] | null = field.value;
  const set = (key: Key, isOn: boolean) => {
    const next = options.map(([each]) => each).filter((each) => (each === key ? isOn : (ticked ?? []).includes(each)));
    field.onChange(next.length === 0 && nothing ? null : next);
  };
  return (
    <fieldset className="flex flex-col">
      <legend className="font-semibold">
        {legend}
        {ticked === null && <span className="font-normal text-measure"> · not asked</span>}
      </legend>
      {options.map(([key, label]) => (
        <Tick key={key} label={label} isOn={ticked?.includes(key) ?? false} onChange={(isOn) => set(key, isOn)} />
      ))}
      {nothing && (
        <Tick
          label={nothing}
          isOn={ticked !== null && ticked.length === 0}
          onChange={(isOn) => field.onChange(isOn ? [] : null)}
        />
      )}
    </fieldset>
  );
}
