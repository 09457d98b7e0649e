/** A beam, a rail or a loom that nobody had seen: written into the opening's record from the step itself, and what the fit says of it then. */

import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { capital } from '@low-quarry/core/firstLetter';
import { OBSTACLE_KINDS, type ObstacleKind } from '@low-quarry/core/fit';
import { behindFace, placeLabel } from '@low-quarry/core/model';
import { explainLengthFailure, parseLength, printLength } from '@low-quarry/core/units';
import { type KeyboardEvent, useState } from 'react';
import { useMay } from '../../api/me';
import { verdictLine } from '../../text/verdictLine';
import { OBSTACLE_WORDS } from '../../text/words';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { useSettings } from '../../ui/settings';
import { TextField } from '../../ui/TextField';
import { toast } from '../../ui/toast';
import { newObstacle, noted, obstacleId } from '../openings/surroundings';
import { useSaveAtOnce } from '../openings/useSaveAtOnce';

const MOST = 12;
const RUNS = { level: ['Level', 0], upright: ['Upright', 90] } as const;
type Runs = keyof typeof RUNS;

const FARTHEST_MM = 300;
type Errors = { readonly depth: string | null; readonly up: string | null };
const NO_ERRORS: Errors = { depth: null, up: null };

type FoundBeamProps = { readonly opening: OpeningWithState; readonly onTell: (words: string) => void };

export function FoundBeam({ opening, onTell }: FoundBeamProps) {
  const { unit } = useSettings();
  const mayMeasure = useMay('measure');
  const { record, stuck, save } = useSaveAtOnce(opening);
  const [isOpen, setIsOpen] = useState(false);
  const [kind, setKind] = useState<ObstacleKind>('beam');
  const [runs, setRuns] = useState<Runs>('level');
  const [depth, setDepth] = useState('');
  const [up, setUp] = useState('');
  const [errors, setErrors] = useState<Errors>(NO_ERRORS);
  const label = placeLabel(record);
  const keep = () => {
    const [deep, high] = [parseLength(depth, unit), parseLength(up.trim() === '' ? '0' : up, unit)];
    const wrong: Errors = {
      depth: !deep.ok ? explainLengthFailure(deep.failure) : deep.value.valueMm > 0 ? null : 'Type a depth above 0.',
      up: !high.ok
        ? explainLengthFailure(high.failure)
        : Math.abs(high.value.valueMm) <= FARTHEST_MM
          ? null
          : `Type at most ${printLength(FARTHEST_MM, unit)} from the middle.`,
    };
    setErrors(wrong);
    if (!deep.ok || !high.ok || wrong.depth !== null || wrong.up !== null) return;
    const first = newObstacle(record.obstacles);
    const found = {
      ...first,
      ...{ kind, label: OBSTACLE_WORDS[kind], id: obstacleId(kind, record.obstacles), angleDeg: RUNS[runs][1] },
      yMm: high.value.valueMm,
      depth: noted(first.depth, deep.value.valueMm, depth),
    };
    save({ ...record, obstacles: [...record.obstacles, found] });
    const words = `${OBSTACLE_WORDS[kind].toLowerCase()} behind it, ${printLength(deep.value.valueMm, unit)} deep, in its record`;
    onTell(words);
    toast(`${label}: ${words}.`);
    setIsOpen(false);
    setDepth('');
  };
  // It stands within the words for the counter, which are another form.
  const onEnter = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    keep();
  };
  return (
    <div className="flex flex-col gap-2 py-1">
      <p role="status">
        <strong>{label}:</strong> {stateWords(opening, unit)}
      </p>
      {stuck && (
        <p className="font-semibold text-hits">The shop did not take what was written of it: see the opening.</p>
      )}
      {mayMeasure && record.obstacles.length >= MOST && (
        <p>
          {MOST} things stand behind it already: what else was found is typed in the opening’s own form, in place of
          one.
        </p>
      )}
      {!isOpen && mayMeasure && record.obstacles.length < MOST && (
        <Button className="self-start" onClick={() => setIsOpen(true)}>
          Something stands behind it
        </Button>
      )}
      {isOpen && (
        <div className="grid max-w-2xl gap-3 sm:grid-cols-2">
          <Choice
            label="What stands there"
            value={kind}
            options={OBSTACLE_KINDS.map((each) => [each, capital(OBSTACLE_WORDS[each])])}
            onChange={setKind}
          />
          <Choice
            label="It runs"
            value={runs}
            options={(Object.keys(RUNS) as Runs[]).map((each) => [each, RUNS[each][0]])}
            onChange={setRuns}
          />
          <TextField
            label={`Depth to it, ${unit}`}
            hint="From the metal straight in."
            inputMode="decimal"
            autoComplete="off"
            value={depth}
            error={errors.depth}
            onType={setDepth}
            onKeyDown={onEnter}
          />
          <TextField
            label={`Above the middle, ${unit}`}
            hint="Below it: with a minus; empty for the middle."
            autoComplete="off"
            value={up}
            error={errors.up}
            onType={setUp}
            onKeyDown={onEnter}
          />
          <Button kind="main" className="self-start sm:col-span-2" onClick={keep}>
            Into its record
          </Button>
        </div>
      )}
    </div>
  );
}

function stateWords({ state, record }: OpeningWithState, unit: Parameters<typeof verdictLine>[2]): string {
  if (state.kind !== 'chosen') return 'nothing is chosen for it.';
  const line = verdictLine(state.summary, behindFace(record), unit);
  return `${state.speakerName}. ${line}${state.heldBack === null ? '.' : `. Held back: ${state.heldBack}`}`;
}
