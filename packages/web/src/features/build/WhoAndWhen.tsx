/** Two people at one car: who does what and when, drawn to scale and in words. */
import { type PlanStep, type Schedule, type StepState, schedule } from '@low-quarry/core/plan';
import { useMemo } from 'react';
import { aboutWords, peopleLanes } from './planView';

const WIDTH = 640;
const LANE = 44;
const NAMES_WIDTH = 76;

/** @param toDo what is open, in an order that holds */
export function WhoAndWhen({ toDo }: { readonly toDo: readonly StepState[] }) {
  // What is done stands between nothing any more.
  const steps = useMemo(() => toDo.map(({ step, before }) => ({ ...step, after: before.map(({ id }) => id) })), [toDo]);
  const two = useMemo(() => schedule(steps, 2), [steps]);
  const one = steps.reduce((sum, { minutes }) => sum + minutes, 0);
  const critical = two.critical.map((id) => steps.find((step) => step.id === id)?.where ?? '');
  const chain = critical.filter((where, at) => where !== critical[at - 1]);
  return (
    <details>
      <summary className="min-h-12 cursor-pointer py-3">
        {one - two.minutes < 5 ? (
          <>Two people are hardly quicker: {aboutWords(two.minutes)}</>
        ) : (
          <>
            Two people: <strong>{aboutWords(two.minutes)}</strong>,{' '}
            {aboutWords(one - two.minutes).replace('about ', '')} less
          </>
        )}
        . <span className="text-action underline">Who does what</span>
      </summary>
      <Lanes steps={steps} two={two} />
      <p className="max-w-2xl text-muted">
        No way takes less than {Math.ceil(two.boundMin)} min, for these follow one another: {chain.join(', then ')}.
        Side by side nobody learns from the other side.
      </p>
    </details>
  );
}

function Lanes({ steps, two }: { readonly steps: readonly PlanStep[]; readonly two: Schedule }) {
  const lanes = peopleLanes(steps, two);
  const scale = (WIDTH - NAMES_WIDTH) / Math.max(1, two.minutes);
  return (
    <>
      <svg
        viewBox={`0 0 ${WIDTH} ${LANE * lanes.length + 20}`}
        className="hidden w-full max-w-3xl sm:block"
        aria-hidden="true"
        fill="none"
        stroke="currentColor"
      >
        {lanes.map((lane, person) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a person is their place.
          <g key={person}>
            <text x={0} y={LANE * person + 26} fontSize={13} fill="currentColor" stroke="none">
              Person {person + 1}
            </text>
            {lane.map(({ where, startMin, endMin }) => (
              <g key={startMin}>
                <rect
                  x={NAMES_WIDTH + startMin * scale}
                  y={LANE * person + 6}
                  width={Math.max(1, (endMin - startMin) * scale)}
                  height={LANE - 12}
                />
                {(endMin - startMin) * scale > where.length * 6 && (
                  <text
                    x={NAMES_WIDTH + startMin * scale + 4}
                    y={LANE * person + 26}
                    fontSize={11}
                    fill="currentColor"
                    stroke="none"
                  >
                    {where}
                  </text>
                )}
              </g>
            ))}
          </g>
        ))}
        <text x={NAMES_WIDTH} y={LANE * lanes.length + 14} fontSize={11} fill="currentColor" stroke="none">
          0 min
        </text>
        <text x={WIDTH} y={LANE * lanes.length + 14} fontSize={11} fill="currentColor" stroke="none" textAnchor="end">
          {Math.round(two.minutes)} min
        </text>
      </svg>
      {lanes.map((lane, person) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a person is their place.
        <p key={person}>
          <strong>Person {person + 1}:</strong>{' '}
          {lane
            .map(({ where, startMin, endMin }) => `${where} (${Math.round(startMin)} to ${Math.round(endMin)} min)`)
            .join('; ')}
          .
        </p>
      ))}
    </>
  );
}
