/** What was found on this car, and what of it the library does not know yet. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import {
  CAR_FACTS,
  type CarFactKey,
  type CarFacts,
  carFactsSchema,
  jobTitle,
  taughtFacts,
} from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { savedFound } from '../../outbox/saved/savedFound';
import { useSavedRecord } from '../../outbox/useSavedRecord';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { useFollow } from '../../ui/form/useFollow';
import { problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useFieldInAddress } from '../../ui/useFieldInAddress';
import { useKept } from '../../ui/useKept';
import { type SavedVehicle, useSaveVehicle } from '../vehicles/useSaveVehicle';
import { vehicleQuery } from '../vehicles/vehicleQueries';
import { FactsFields } from './FactsFields';

const draftSchema = z.object({ version: z.int(), base: carFactsSchema, found: carFactsSchema });
type Draft = z.output<typeof draftSchema>;

/** None of its fields says what was refused: the sentence names it. */
const NO_FIELDS = {};

function toDraft({ version, found }: Job): Draft {
  return { version, base: found, found };
}

export function JobFacts({ job }: { readonly job: Job }) {
  const { state, keep, settle, isTouched, broughtBack } = useKept<Draft>(`found.${job.id}`, draftSchema, () =>
    toDraft(job),
  );
  const mayChange = useMay('facts');
  const sheet = useRef<HTMLElement>(null);
  useFieldInAddress(sheet);
  const { panel, send, drop, error, isPending, handedOver } = useSavedRecord({
    kind: savedFound,
    recordId: job.id,
    label: `What was found on ${jobTitle(job)}`,
    form: { name: `found.${job.id}`, onWaits: ({ found }) => keep({ ...state, base: found }) },
    onSaved: (saved) => {
      settle(toDraft(saved));
      toast('What was found on the car is saved.', { canUndo: true });
    },
  });
  useFollow(job.version, isTouched, () => settle(toDraft(job)));
  return (
    <section ref={sheet} aria-label="The car itself" className="flex flex-col gap-4">
      <h2 className="border-b border-ink text-[18px] font-bold">The car itself</h2>
      <BroughtBack show={broughtBack && !handedOver} onDrop={() => settle(toDraft(job))} />
      <FactsFields
        facts={state.found}
        variant={job.vehicle.facts}
        isLocked={!mayChange}
        onChange={(found) => keep({ ...state, found })}
      />
      <FormError>{panel ? null : problemSentence(error, NO_FIELDS)}</FormError>
      {panel && (
        <ConflictPanel
          what="this car"
          {...panel}
          onTakeTheirs={() => {
            drop();
            settle(toDraft(job));
          }}
        />
      )}
      <Button
        className="self-start"
        disabled={!isTouched || isPending || !mayChange}
        onClick={() => send(state.version, { found: state.base }, { found: state.found })}
      >
        {isPending ? 'Saving …' : 'Save what was found'}
      </Button>
      <TeachFacts job={job} />
    </section>
  );
}

/** What was seen on this car is offered to its variant. */
function TeachFacts({ job }: { readonly job: Job }) {
  const taught = taughtFacts(job.found, job.vehicle.facts);
  const isMore = Object.keys(taught).length > 0;
  const mayTeach = useMay('vehicles');
  const { data } = useQuery({ ...vehicleQuery(job.vehicle.id), enabled: isMore });
  return isMore && mayTeach && data ? <Offer saved={data} taught={taught} /> : null;
}

function Offer({ saved: { version, record }, taught }: { readonly saved: SavedVehicle; readonly taught: CarFacts }) {
  const labels = (Object.keys(taught) as CarFactKey[]).map((key) => CAR_FACTS[key].label.toLowerCase());
  const { send, error, isPending } = useSaveVehicle(record, () =>
    toast('The library knows it now.', { canUndo: true }),
  );
  return (
    <div className="flex flex-col items-start gap-2 border-t border-ink pt-3">
      <p>
        <strong>The library does not know this yet:</strong> {labels.join(', ')}. The next car of this kind begins with
        it.
      </p>
      <FormError>{error?.message ?? null}</FormError>
      <Button
        disabled={isPending}
        onClick={() => send(version, record, { ...record, facts: { ...record.facts, ...taught } })}
      >
        Take it into the library
      </Button>
    </div>
  );
}
