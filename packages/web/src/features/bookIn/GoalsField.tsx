/** What somebody wants of the work, and how much each of it counts. */
import { GOAL_LABELS, GOALS, type Goals, WEIGHT_LABELS, type Weight } from '@low-quarry/core/model';
import { useController } from 'react-hook-form';
import { Choice } from '../../ui/Choice';
import type { IntakeControl } from './typedIntake';

const NOT_WANTED = '0';
const WEIGHTS = Object.entries(WEIGHT_LABELS).map(([weight, words]) => [weight, words] as const);

export function GoalsField({ control }: { readonly control: IntakeControl }) {
  const { field } = useController({ control, name: 'goals' });
  const goals: Goals = field.value;
  return (
    <fieldset>
      <legend className="font-semibold">
        How much it counts
        {goals === null && <span className="font-normal text-measure"> · not asked</span>}
      </legend>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        {GOALS.map((goal) => (
          <Choice
            key={goal}
            label={GOAL_LABELS[goal]}
            value={String(goals?.[goal] ?? NOT_WANTED)}
            options={[[NOT_WANTED, goals === null ? 'not asked' : 'not wanted'], ...WEIGHTS]}
            onChange={(weight) => {
              const { [goal]: _, ...others } = goals ?? {};
              const next = weight === NOT_WANTED ? others : { ...others, [goal]: Number(weight) as Weight };
              field.onChange(Object.keys(next).length === 0 ? null : next);
            }}
          />
        ))}
      </div>
    </fieldset>
  );
}
