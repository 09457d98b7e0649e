/** The speaker that is there now: whether it plays, what the meter says, what one sees. */
import {
  CAPACITORS,
  coilOf,
  DAMAGE_LABELS,
  DAMAGES,
  isHeardWrong,
  OLD_SPEAKER_NOT_TESTED,
  type OldSpeaker,
  PLAYS,
  PLAYS_LABELS,
} from '@low-quarry/core/model';
import { fail, ok, type Result } from '@low-quarry/core/result';
import { coilWords, isCoilDead, NOMINAL_OHMS, readOhms } from '@low-quarry/core/sound';
import { useMe } from '../../api/me';
import { Choice } from '../../ui/Choice';
import { ReadField } from '../../ui/ReadField';
import { Tick } from '../../ui/Tick';
import { FaultTree } from './FaultTree';
import type { OpeningFacts } from './openingDraft';

type OldSpeakerFieldsProps = {
  readonly facts: OpeningFacts;
  readonly onChange: (change: Partial<OpeningFacts>) => void;
};

const CAPACITOR_WORDS: Readonly<Record<OldSpeaker['capacitor'], string>> = {
  notLooked: 'Not looked',
  yes: 'Yes, as at most tweeters',
  no: 'None',
};
const NO_MARK = '';

export function OldSpeakerFields({ facts, onChange }: OldSpeakerFieldsProps) {
  const { name } = useMe();
  const old = facts.oldSpeaker ?? OLD_SPEAKER_NOT_TESTED;
  const set = (change: Partial<OldSpeaker>) =>
    onChange({ oldSpeaker: { ...old, ...change, takenBy: name, takenAt: new Date().toISOString() } });
  const judged = coilOf(old);
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Choice
        label="Heard alone"
        hint="By fader and balance, or with the others unplugged."
        value={old.plays}
        options={PLAYS.map((each) => [each, PLAYS_LABELS[each]])}
        onChange={(plays) => set({ plays })}
      />
      <Choice
        label="Marked as"
        hint="On its magnet; the readings propose one."
        value={old.nominalOhm === null ? NO_MARK : String(old.nominalOhm)}
        options={[
          [NO_MARK, 'Not marked, or not looked'],
          ...NOMINAL_OHMS.map((each) => [String(each), `${each} Ω`] as const),
        ]}
        onChange={(text) => set({ nominalOhm: text === NO_MARK ? null : Number(text) })}
      />
      <ReadField
        label="Meter across its terminals"
        hint="Unplugged, several readings: 3.4; 3.5. With its prefix: 0.9 k, 7 M; OL where it shows none."
        text={old.entered}
        read={readOhms}
        onRead={(readings, entered) => set({ readings: [...readings], entered })}
      />
      <ReadField
        label="Meter with its probes together"
        hint="Taken off each reading; empty for nothing."
        text={old.leadOhm === 0 ? '' : String(old.leadOhm)}
        read={(text) => readOne(text, 10, '0.2')}
        onRead={(leadOhm) => set({ leadOhm: leadOhm ?? 0 })}
      />
      <ReadField
        label="Control: a speaker known to have, Ω"
        hint="A good one whose coil was read before; empty where none is at hand."
        text={old.control.knownOhm === null ? '' : String(old.control.knownOhm)}
        read={(text) => readOne(text, 100, '3.4')}
        onRead={(knownOhm) => set({ control: { ...old.control, knownOhm } })}
      />
      <ReadField
        label="The same meter across it"
        hint="A meter that reads it wrong is not believed."
        text={old.control.readOhm === null ? '' : String(old.control.readOhm)}
        read={(text) => readOne(text, 100, '3.5')}
        onRead={(readOhm) => set({ control: { ...old.control, readOhm } })}
      />
      <Choice
        label="A capacitor before the coil"
        value={old.capacitor}
        options={CAPACITORS.map((each) => [each, CAPACITOR_WORDS[each]])}
        onChange={(capacitor) => set({ capacitor })}
      />
      <fieldset>
        <legend className="font-semibold">Seen on it</legend>
        {DAMAGES.map((each) => (
          <Tick
            key={each}
            label={DAMAGE_LABELS[each]}
            isOn={old.damage.includes(each)}
            onChange={(isOn) =>
              set({ damage: DAMAGES.filter((other) => (other === each ? isOn : old.damage.includes(other))) })
            }
          />
        ))}
      </fieldset>
      <p
        role="status"
        className={`border-l-4 bg-paper px-3 py-2 sm:col-span-2 ${
          isCoilDead(judged) ? 'border-hits' : judged.kind === 'plausible' ? 'border-clears' : 'border-measure'
        }`}
      >
        {coilWords(judged)}
      </p>
      {isHeardWrong(old) && (
        <div className="sm:col-span-2">
          <FaultTree old={old} onChange={set} />
        </div>
      )}
    </div>
  );
}

/** One figure or none. */
function readOne(text: string, mostOhm: number, example: string): Result<number | null, string> {
  const read = readOhms(text);
  if (!read.ok) return read;
  const [reading, more] = read.value;
  if (!reading) return ok(null);
  if (more || reading.kind === 'over' || reading.ohm > mostOhm)
    return fail(`“${text.slice(0, 20)}” was read. Type one figure of at most ${mostOhm} Ω, such as ${example}.`);
  return ok(reading.ohm);
}
