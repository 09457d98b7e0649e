/** Will this one fit? Any speaker, in any opening of the library, without a job: the answer while the customer waits. */

import type { ListedSpeaker, SpeakerRecord } from '@low-quarry/core/catalogue';
import { lacksOf, partName, TERMINALS } from '@low-quarry/core/catalogue';
import { placeLabel, type ShopSettings, type VehicleRecord } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { catalogueQuery } from '../../catalogue/catalogueQueries';
import type { KnownCatalogue } from '../../catalogue/KnownCatalogue';
import { useAddress, withParams } from '../../ui/address';
import { ComboField } from '../../ui/ComboField';
import { Field, INPUT } from '../../ui/Field';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { useSettings } from '../../ui/settings';
import { Answered, Empty, Loading } from '../../ui/states';
import { useKept } from '../../ui/useKept';
import { recentVehiclesQuery } from '../vehicles/foundVehicles';
import { VehicleField } from '../vehicles/VehicleField';
import { vehicleQuery } from '../vehicles/vehicleQueries';
import {
  EMPTY_HAND,
  HAND_ID,
  HAND_KEYS,
  HAND_LENGTHS,
  type HandForm,
  handFormSchema,
  toHandSpeaker,
} from './handSpeaker';
import { speakerQuery } from './willFitQueries';

/** Made once: each comparison by `localeCompare` would look the language up again. */
const BY_NAME = new Intl.Collator('en');
const FitAnswer = late(
  () => import('./FitAnswer').then((code) => code.FitAnswer),
  () => <Loading what="the drawing" />,
);
void FitAnswer.load();

export function WillFitScreen() {
  const [search] = useAddress();
  const recent = useQuery(recentVehiclesQuery);
  const asked = search.get('vehicle') ?? '';
  const vehicleId = asked === '' ? (recent.data?.found[0]?.id ?? '') : asked;
  const vehicle = useQuery({ ...vehicleQuery(vehicleId), enabled: vehicleId !== '' });
  const shop = useQuery(shopSettingsQuery);
  const catalogue = useQuery(catalogueQuery);
  return (
    <Shell
      title="Will this one fit?"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/will-it-fit', label: 'Will this one fit?' },
      ]}
    >
      <Answered query={recent} what="the vehicles">
        {({ total }) =>
          total === 0 && asked === '' ? (
            <Empty>The library has no vehicle yet: the first one comes in with the first car that is booked in.</Empty>
          ) : (
            <Answered query={vehicle} what="the vehicle">
              {({ record }) => (
                <Answered query={shop} what="the shop’s settings">
                  {(settings) => (
                    <Answered query={catalogue} what="the catalogue">
                      {(parts) => <Question vehicle={record} shop={settings} catalogue={parts} />}
                    </Answered>
                  )}
                </Answered>
              )}
            </Answered>
          )
        }
      </Answered>
    </Shell>
  );
}

type QuestionProps = {
  readonly vehicle: VehicleRecord;
  readonly shop: ShopSettings;
  readonly catalogue: KnownCatalogue;
};

function Question({ vehicle, shop, catalogue }: QuestionProps) {
  const { unit } = useSettings();
  const [search, changeAddress] = useAddress();
  const { state: hand, keep: keepHand } = useKept('handSpeaker', handFormSchema, () => EMPTY_HAND);
  const set = (name: string, value: string) =>
    changeAddress((before) =>
      withParams(before, { ...(name === 'vehicle' ? { opening: null } : {}), [name]: value === '' ? null : value }),
    );
  const openingAt = Math.min(Number(search.get('opening') ?? 0) || 0, vehicle.openings.length - 1);
  const record = vehicle.openings[openingAt];
  const speakers = useMemo(() => {
    const listed = catalogue.listed
      .all()
      .filter((part): part is ListedSpeaker => part.kind === 'speaker')
      .map((each) => ({ value: each.id, label: `${partName(each)}, ${each.nominalSize}` }))
      .sort((a, b) => BY_NAME.compare(a.label, b.label));
    return [{ value: HAND_ID, label: 'Typed in by hand' }, ...listed];
  }, [catalogue]);
  const speakerId = search.get('speaker') ?? '';
  const isByHand = speakerId === HAND_ID;
  const typed = isByHand ? toHandSpeaker(hand, unit) : null;
  const isListed = !isByHand && speakers.some(({ value }) => value === speakerId);
  const read = useQuery({ ...speakerQuery(catalogue.version, speakerId), enabled: isListed });
  const speaker: SpeakerRecord | null = isByHand
    ? typed?.ok
      ? typed.value
      : null
    : isListed
      ? (read.data ?? null)
      : null;
  const lacks = speaker ? lacksOf(speaker) : [];
  return (
    <div className="grid items-start gap-6 lg:grid-cols-[320px_minmax(0,1fr)]">
      <form className="flex flex-col gap-2" onSubmit={(event) => event.preventDefault()}>
        <VehicleField value={vehicle.id} onChange={(id) => set('vehicle', id)} />
        <Field
          label="Opening"
          hint={record ? `Made for ${record.nominalSize || 'no size that is known'}` : 'No opening is known.'}
        >
          {(ids) => (
            <select
              {...ids}
              className={INPUT}
              value={openingAt}
              onChange={({ target }) => set('opening', target.value)}
            >
              {vehicle.openings.map((each, at) => (
                <option key={placeLabel(each)} value={at}>
                  {placeLabel(each)}
                </option>
              ))}
            </select>
          )}
        </Field>
        <ComboField
          label="Speaker"
          hint="From the catalogue, or one that is on the counter"
          value={speakerId}
          options={speakers}
          onChange={(id) => set('speaker', id)}
        />
        {isByHand && (
          <HandFields
            form={hand}
            errors={typed && !typed.ok ? typed.failure : {}}
            onChange={(change) => keepHand({ ...hand, ...change })}
          />
        )}
      </form>
      {speaker && lacks.length > 0 ? (
        <p className="border-y border-hairline py-8">
          <strong className="text-measure">Not judged.</strong> Of {partName(speaker)} nobody wrote down:{' '}
          {lacks.join(', ')}. Measure a piece and{' '}
          <Link to={`/parts/${speaker.id}`} className="text-action underline">
            write it on the part’s page
          </Link>
          , or type it in by hand here.
        </p>
      ) : speaker && record ? (
        <FitAnswer record={record} speaker={speaker} shop={shop} catalogue={catalogue} />
      ) : (
        <p className="border-y border-hairline py-8 text-muted">
          {isByHand
            ? 'Type what the calliper says: cutout, depth, magnet and bolt circle decide most.'
            : 'Choose a speaker, and the answer stands here.'}
        </p>
      )}
    </div>
  );
}

function HandFields({
  form,
  errors,
  onChange,
}: {
  readonly form: HandForm;
  readonly errors: Readonly<Partial<Record<string, string>>>;
  readonly onChange: (change: Partial<HandForm>) => void;
}) {
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-1">
      {HAND_KEYS.map((key) => (
        <Field key={key} label={HAND_LENGTHS[key]} error={form[key] === '' ? null : errors[key]}>
          {(ids) => (
            <input
              {...ids}
              inputMode="text"
              autoComplete="off"
              className={INPUT}
              value={form[key]}
              onChange={({ target }) => onChange({ [key]: target.value })}
            />
          )}
        </Field>
      ))}
      <Field label="Holes">
        {(ids) => (
          <select
            {...ids}
            className={INPUT}
            value={form.holes}
            onChange={({ target }) => onChange({ holes: target.value })}
          >
            {['3', '4', '6', '8'].map((count) => (
              <option key={count}>{count}</option>
            ))}
          </select>
        )}
      </Field>
      <Field label="Terminals">
        {(ids) => (
          <select
            {...ids}
            className={INPUT}
            value={form.terminals}
            onChange={({ target }) => onChange({ terminals: target.value })}
          >
            {TERMINALS.map((terminals) => (
              <option key={terminals}>{terminals}</option>
            ))}
          </select>
        )}
      </Field>
    </div>
  );
}
