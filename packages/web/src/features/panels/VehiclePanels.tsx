/** The panels of a vehicle, each with what is known of it, and one more. */
import {
  PANEL_LABELS,
  PANEL_SPOT_LABELS,
  type PanelKind,
  type PanelSpot,
  panelLabel,
  type VehicleRecord,
} from '@low-quarry/core/model';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useMay } from '../../api/me';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { FormError } from '../../ui/FormError';
import { Empty } from '../../ui/states';
import { TextField } from '../../ui/TextField';
import { panelAddress } from './panelAddress';
import { panelSummary } from './panelSummary';

export function VehiclePanels({ record }: { readonly record: VehicleRecord }) {
  const mayChange = useMay('vehicles');
  const { panels } = record;
  return (
    <section aria-label="Panels" className="flex flex-col gap-2">
      <h2>
        Panels, {panels.length}{' '}
        <span className="font-normal text-muted">what holds them, and in which order they come off</span>
      </h2>
      {panels.length === 0 ? (
        <Empty>No panel is noted yet. Whoever takes one off writes it down: the next car has it.</Empty>
      ) : (
        <ul className="border-t border-ink">
          {panels.map((panel) => (
            <li key={panelLabel(panel)} className="border-b border-hairline">
              <Link
                to={panelAddress(record.id, panel)}
                className="flex min-h-12 flex-col justify-center py-1 hover:bg-paper"
              >
                <span className="font-semibold text-action">{panelLabel(panel)}</span>
                <span className="text-[13px] leading-4 text-muted">{panelSummary(panel)}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {mayChange && <OneMorePanel record={record} />}
    </section>
  );
}

/** It is written down on its own screen, and is there once something of it is saved. */
function OneMorePanel({ record }: { readonly record: VehicleRecord }) {
  const navigate = useNavigate();
  const [isOpen, setOpen] = useState(false);
  const [kind, setKind] = useState<PanelKind>('doorCard');
  const [spot, setSpot] = useState<PanelSpot>('frontLeft');
  const [name, setName] = useState('');
  if (!isOpen)
    return (
      <Button className="self-start" onClick={() => setOpen(true)}>
        Add a panel
      </Button>
    );
  const panel = { kind, spot, name: name.trim() };
  const isThere = record.panels.some((each) => panelLabel(each) === panelLabel(panel));
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      <Choice
        label="Panel"
        value={kind}
        options={Object.entries(PANEL_LABELS) as [PanelKind, string][]}
        onChange={setKind}
      />
      <Choice
        label="Where"
        value={spot}
        options={(Object.entries(PANEL_SPOT_LABELS) as [PanelSpot, string][]).map(
          ([each, words]) => [each, words || 'in the middle'] as const,
        )}
        onChange={setSpot}
      />
      <TextField label="Name" hint="Where there are two of a kind." value={name} maxLength={40} onType={setName} />
      <FormError>
        {isThere ? `${panelLabel(panel)} is there already: give this one a name of its own.` : null}
      </FormError>
      <Button
        className="self-start sm:col-span-3 sm:justify-self-start"
        disabled={isThere}
        onClick={() =>
          void navigate(
            `${panelAddress(record.id, panel)}?kind=${kind}&spot=${spot}&name=${encodeURIComponent(panel.name)}`,
          )
        }
      >
        Write it down
      </Button>
    </div>
  );
}
