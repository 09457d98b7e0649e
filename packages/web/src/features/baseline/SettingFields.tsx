/** How the finished car was set, each beside where one begins with it. */
import type { Job, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { type BaselineSettings, SETTINGS_DEFAULTS } from '@low-quarry/core/model';
import { startValues } from '@low-quarry/core/stations';
import { useQuery } from '@tanstack/react-query';
import { shopSettingsQuery } from '../../api/settingsQuery';
import { TextField } from '../../ui/TextField';

type SettingFieldsProps = {
  readonly job: Job;
  readonly openings: readonly OpeningWithState[];
  readonly settings: BaselineSettings;
  readonly onChange: (settings: BaselineSettings) => void;
};

export function SettingFields({ job, openings, settings, onChange }: SettingFieldsProps) {
  const { confidence } = useQuery(shopSettingsQuery).data ?? SETTINGS_DEFAULTS;
  const values = startValues(job, openings, confidence);
  const known = new Set(values.map(({ what }) => what));
  // What was set and is asked for no more stays to be read, and can be taken out.
  const others = Object.keys(job.baseline.settings).filter((what) => !known.has(what));
  const isUnknown = job.vehicle.channels === null && openings.some(({ state }) => state.kind === 'chosen');
  if (values.length + others.length === 0 && !isUnknown) return null;
  const set = (what: string, typed: string) => {
    const { [what]: _, ...rest } = settings;
    onChange(typed.trim() === '' ? rest : { ...rest, [what]: typed });
  };
  return (
    <section aria-label="How it was set" className="flex flex-col gap-3">
      <h2 className="border-b border-ink text-[18px] font-bold">How it was set</h2>
      {isUnknown && (
        <p className="text-measure">
          Nobody noted this car’s channels: what is set, and where to begin, is not worked out.
        </p>
      )}
      <div className="grid gap-x-8 gap-y-3 lg:grid-cols-2">
        {values.map(({ what, value, why }) => (
          <TextField
            key={what}
            label={what}
            hint={value === null ? why : `Start value: ${value}. ${why}`}
            value={settings[what] ?? ''}
            error={null}
            onType={(typed) => set(what, typed)}
          />
        ))}
        {others.map((what) => (
          <TextField
            key={what}
            label={what}
            hint="Set before; nothing asks for it any more."
            value={settings[what] ?? ''}
            error={null}
            onType={(typed) => set(what, typed)}
          />
        ))}
      </div>
    </section>
  );
}
