/** The list of the baseline, as it was, and the same things tried again. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import {
  BEFORE_WORK,
  type Compared,
  comparedAtHandOver,
  functionLabel,
  listeningWords,
  placeLabel,
  type Standing,
  speakerKey,
  TRIED_LABELS,
  triedSchema,
} from '@low-quarry/core/model';
import { z } from 'zod';
import { shopDay } from '../../text/shopDays';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { useFollow } from '../../ui/form/useFollow';
import { late } from '../../ui/late';
import { Empty, Loading } from '../../ui/states';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { VerdictMark } from '../../ui/VerdictMark';
import { Photos } from '../photos/Photos';
import { TriedField } from './TriedField';
import { useSaveBaseline } from './useSaveBaseline';
import { withTried } from './withTried';

/** What they are worked out by comes behind the screen. */
const SettingFields = late(
  () => import('./SettingFields').then((code) => code.SettingFields),
  () => <Loading what="the start values" />,
);
void SettingFields.load();

const draftSchema = z.object({
  version: z.int(),
  base: z.record(z.string(), triedSchema),
  after: z.record(z.string(), triedSchema),
  /** How it was set, as the shop has it and as it is typed. */
  setBefore: z.record(z.string(), z.string()).default({}),
  set: z.record(z.string(), z.string()).default({}),
});
type Draft = z.output<typeof draftSchema>;

/** Of what was tried again; what was not says so itself. */
const STANDING_WORDS: Readonly<Record<Standing, string>> = {
  notTried: '',
  asBefore: ' As before.',
  worse: ' It worked before and does not now.',
  better: ' It did not work before and works now.',
  notComparable: ' Nobody can say whether it worked.',
};

function toDraft({ version, baseline: { after, settings } }: Job): Draft {
  return { version, base: after, after, setBefore: settings, set: settings };
}

type HandOverFormProps = { readonly job: Job; readonly openings: readonly OpeningWithState[] };

export function HandOverForm({ job, openings }: HandOverFormProps) {
  const { state, keep, settle, isTouched, broughtBack } = useKept<Draft>(`handOver.${job.id}`, draftSchema, () =>
    toDraft(job),
  );
  const { panel, save, drop, error, isPending, handedOver } = useSaveBaseline(
    job,
    (saved) => {
      settle(toDraft(saved));
      toast('What was tried again, and how it was set, is saved.');
    },
    {
      name: `handOver.${job.id}`,
      onWaits: ({ after, settings }) => keep({ ...state, base: after, setBefore: settings }),
    },
  );
  const { baseline } = job;
  const compared = comparedAtHandOver(job.vehicle, { ...baseline, after: state.after }, openings);
  const nameOf = namesOf(openings);
  const worse = compared.filter(({ standing }) => standing === 'worse');
  const left = compared.filter(({ standing }) => standing === 'notTried');
  useFollow(job.version, isTouched, () => settle(toDraft(job)));
  return (
    <form
      className="flex flex-col gap-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save(
          state.version,
          { ...baseline, after: state.base, settings: state.setBefore },
          { ...baseline, after: state.after, settings: state.set },
        );
      }}
    >
      <BroughtBack show={broughtBack && !handedOver} onDrop={() => settle(toDraft(job))} />
      <p className="flex items-center gap-2 text-[18px] font-bold" role="status">
        <VerdictMark verdict={worse.length > 0 ? 'hold' : left.length > 0 ? 'measure' : 'clears'} />
        {worse.length > 0
          ? `Hold: ${worse.map(({ key }) => nameOf(key).toLowerCase()).join('; ')}: worked before and ${worse.length === 1 ? 'does' : 'do'} not now.`
          : left.length > 0
            ? `${left.length} of ${compared.length} not tried again.`
            : 'Everything was tried again, and nothing is worse than it was.'}
      </p>
      <section aria-label="The same list again">
        <h2 className="border-b border-ink text-[18px] font-bold">The same list again</h2>
        {compared.length === 0 && <Empty>Nothing of this car is known to be there.</Empty>}
        <ul className="grid gap-x-8 lg:grid-cols-2">
          {compared.map((each) => (
            <TriedField
              key={each.key}
              label={nameOf(each.key)}
              tried={state.after[each.key]}
              isLocked={false}
              states={['works', 'doesNot']}
              hint={beforeWords(each)}
              onChange={(tried) => keep({ ...state, after: withTried(state.after, each.key, tried) })}
            />
          ))}
        </ul>
      </section>
      <SettingFields job={job} openings={openings} settings={state.set} onChange={(set) => keep({ ...state, set })} />
      <section aria-label="To be compared" className="flex flex-col gap-1">
        <h2 className="border-b border-ink text-[18px] font-bold">As it was written down</h2>
        <p>
          <strong>How the radio was set:</strong> {lookedWords(baseline.radio)}
        </p>
        <p>
          <strong>Scratches and missing parts:</strong> {lookedWords(baseline.damage)}
        </p>
        <Photos
          subject={{ of: 'job', recordId: job.id, place: BEFORE_WORK }}
          label="how the car came in"
          originOf={({ place }) => thingOfPhoto(place)}
          isLocked={() => true}
        />
        <p>
          <strong>How it sounded:</strong>{' '}
          {baseline.listening.length === 0
            ? 'nobody listened: what improved cannot be said.'
            : `${listeningWords(baseline.listening)}. Listen at the same steps again.`}
        </p>
        {job.ownership.putBack && (
          <p>
            <strong>To be put back one day:</strong> {job.ownership.putBack}
          </p>
        )}
        <p>
          <strong>Signed for:</strong>{' '}
          {baseline.signed ? `${baseline.signed.by}, ${shopDay(baseline.signed.at)}` : 'not signed'}
        </p>
      </section>
      <div className="sticky bottom-0 z-10 flex flex-col gap-3 border-t border-ink bg-ground py-3">
        <FormError>{panel ? null : (error?.message ?? null)}</FormError>
        {panel && (
          <ConflictPanel
            what="this list"
            {...panel}
            onTakeTheirs={() => {
              drop();
              settle(toDraft(job));
            }}
          />
        )}
        <Button kind="main" type="submit" className="self-start" disabled={isPending}>
          {isPending ? 'Saving …' : 'Save what was tried and set'}
        </Button>
      </div>
    </form>
  );
}

function beforeWords({ before, standing }: Compared): string {
  return `Before: ${before === null ? 'not tried' : TRIED_LABELS[before].toLowerCase()}.${STANDING_WORDS[standing]}`;
}

function lookedWords(text: string | null): string {
  if (text === null) return 'nobody looked.';
  return text === '' ? 'looked: nothing.' : text;
}

/** A function by what it is, a speaker by where it is. */
function namesOf(openings: readonly OpeningWithState[]): (key: string) => string {
  const speakers = new Map(
    openings.map(({ id, record }) => [speakerKey(id), `Speaker, ${placeLabel(record).toLowerCase()}`]),
  );
  return (key) => speakers.get(key) ?? functionLabel(key);
}

/** What a photo of before shows, where that is one of the things that are tried. */
function thingOfPhoto(place: string): string | null {
  return place.startsWith(`${BEFORE_WORK}.`) ? functionLabel(place.slice(BEFORE_WORK.length + 1)) : null;
}
