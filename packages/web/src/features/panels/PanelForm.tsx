/** A panel's record, as whoever takes it off sees it. */
import {
  COMES_OFF_LABELS,
  GRADE_LABELS,
  type Panel,
  panelLabel,
  type VehicleRecord,
  vehicleSchema,
} from '@low-quarry/core/model';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { useMay } from '../../api/me';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { AskedText } from '../../ui/form/AskedText';
import { FormArea } from '../../ui/form/FormArea';
import { FormChoice } from '../../ui/form/FormChoice';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useFollow } from '../../ui/form/useFollow';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { Photos } from '../photos/Photos';
import { DisputeOffer } from '../vehicles/DisputeOffer';
import { type SavedVehicle, useSaveVehicle } from '../vehicles/useSaveVehicle';
import { AttachedFields } from './AttachedFields';
import { FastenerFields } from './FastenerFields';
import { InstructionFields } from './InstructionFields';
import { OrderFields } from './OrderFields';
import { PanelMarks } from './PanelMarks';
import { type PanelRead, type PanelTyped, panelTypedSchema, readPanelSchema, toPanelTyped } from './typedPanel';

const draftSchema = z.object({ version: z.int(), base: vehicleSchema, typed: panelTypedSchema });
type Draft = z.output<typeof draftSchema>;

type PanelFormProps = { readonly saved: SavedVehicle; readonly panel: Panel };

export function PanelForm({ saved, panel }: PanelFormProps) {
  const label = panelLabel(panel);
  const { id } = saved.record;
  const toDraft = ({ version, record }: SavedVehicle): Draft => ({
    version,
    base: record,
    typed: toPanelTyped(record.panels.find((each) => panelLabel(each) === label) ?? panel),
  });
  const { state, keep, settle, isTouched, broughtBack } = useKept<Draft>(`panel.${id}.${label}`, draftSchema, () =>
    toDraft(saved),
  );
  const mayChange = useMay('vehicles');
  const mayRemove = useMay('library');
  const navigate = useNavigate();
  const show = (draft: Draft) => {
    settle(draft);
    reset(draft.typed);
  };
  const {
    panel: conflict,
    send,
    drop,
    error,
    notOurs,
    isPending,
    handedOver,
  } = useSaveVehicle(
    saved.record,
    (now) => {
      show(toDraft(now));
      const isThere = now.record.panels.some((each) => panelLabel(each) === label);
      toast(isThere ? `${label} is saved.` : `${label} is out of the library.`, { canUndo: true });
      if (!isThere) void navigate(`/vehicles/${encodeURIComponent(id)}`, { replace: true });
    },
    { name: `panel.${id}.${label}`, onWaits: (base) => keep({ ...state, base }) },
  );
  const { kind, spot, name } = panel;
  const schema = useMemo(() => readPanelSchema({ kind, spot, name }), [kind, spot, name]);
  const refused = useMemo(
    () =>
      fieldProblems(error).map(({ path, message }) => ({ message, path: path.replace(/^record\.panels\.\d+\./, '') })),
    [error],
  );
  const form = useCheckedForm<PanelTyped, PanelRead>(schema, state.typed, refused);
  const { control, handleSubmit, reset, setValue } = form;
  useTypedKept(form, (typed) => keep({ ...state, typed }));
  const sendAs = (next: Panel | null) => send(state.version, state.base, withPanel(state.base, label, next));
  const isThere = saved.record.panels.some((each) => panelLabel(each) === label);
  useFollow(saved.version, isTouched, () => show(toDraft(saved)));
  return (
    <form
      onSubmit={handleSubmit((told) => sendAs({ kind, spot, name, ...told }))}
      className="grid gap-x-8 gap-y-6 lg:grid-cols-2 lg:items-start"
      noValidate
      aria-label={label}
    >
      <div className="lg:col-span-2 empty:hidden">
        <BroughtBack show={broughtBack && !handedOver} onDrop={() => show(toDraft(saved))} />
      </div>
      <div className="flex flex-col gap-6">
        <FastenerFields control={control} />
        <AttachedFields control={control} />
        <OrderFields control={control} />
      </div>
      <div className="flex flex-col gap-3">
        <PanelMarks {...{ kind, spot, control, setValue }} />
        <FormChoice control={control} name="grade" label="How this is known" options={GRADE_LABELS} />
        <FormChoice control={control} name="comesOff" label="Comes off" options={COMES_OFF_LABELS} none="Not looked" />
        <AskedText
          control={control}
          name="pryFrom"
          label="Where to begin"
          hint="At the bottom corner, the side, the top; up, then out."
          nothing="Looked: it does not matter"
          notAsked="not looked"
        />
        <AskedText
          control={control}
          name="looksLike"
          label="What only looks like a fixing"
          hint="Caps, dummies, heads that hold something else."
          nothing="Looked: none"
          notAsked="not looked"
        />
        <AskedText
          control={control}
          name="stays"
          label="What stays on the car"
          hint="Part of the panel, a trim, a switch that is pushed through."
          nothing="Looked: nothing"
          notAsked="not looked"
        />
        <AskedText
          control={control}
          name="breaks"
          label="What breaks easily"
          hint="Clips, hooks, seals; what to have at hand."
          nothing="Looked: nothing"
          notAsked="not looked"
        />
        <FormArea control={control} name="note" label="Note" rows={2} />
        <InstructionFields control={control} />
        <Photos subject={{ of: 'vehicle', recordId: id, place: label }} label={label} />
        <p className="border-l-4 border-hold bg-paper px-3 py-2">
          If it resists, a fixing is still in: stop and count again. Airbags, belts and their bolts go by the vehicle
          maker’s manual.
        </p>
        {mayRemove && isThere && (
          <Button className="self-start" disabled={isPending} onClick={() => sendAs(null)}>
            Take this panel out of the library
          </Button>
        )}
      </div>
      <div className="sticky bottom-0 z-10 flex flex-col gap-3 border-t border-ink bg-ground py-3 lg:col-span-2">
        <FormError>{conflict ? null : problemSentence(error, state.typed, refused)}</FormError>
        <DisputeOffer refused={notOurs} onNoted={(now) => show(toDraft(now))} />
        {conflict && (
          <ConflictPanel
            what="this vehicle"
            {...conflict}
            onTakeTheirs={() => {
              drop();
              show(toDraft(saved));
            }}
          />
        )}
        <Button kind="main" type="submit" className="self-start" disabled={isPending || !mayChange}>
          {isPending ? 'Saving …' : 'Save the panel'}
        </Button>
      </div>
    </form>
  );
}

function withPanel(record: VehicleRecord, label: string, next: Panel | null): VehicleRecord {
  const isIt = (panel: Panel) => panelLabel(panel) === label;
  if (!next) return { ...record, panels: record.panels.filter((panel) => !isIt(panel)) };
  const isThere = record.panels.some(isIt);
  const panels = isThere ? record.panels.map((panel) => (isIt(panel) ? next : panel)) : [...record.panels, next];
  return { ...record, panels };
}
