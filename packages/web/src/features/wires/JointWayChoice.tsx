/** By what the wires of one opening are joined, where it is to be other than the shop's way. */
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { placeLabel } from '@low-quarry/core/model';
import { JOINT_WAYS, JOINTS, type JointWay } from '@low-quarry/core/wiring';
import { useMay } from '../../api/me';
import { Choice } from '../../ui/Choice';
import { NotInShop } from '../openings/NotInShop';
import { useSaveAtOnce } from '../openings/useSaveAtOnce';

const AS_THE_SHOP = '';
const OPTIONS: readonly (readonly [JointWay | typeof AS_THE_SHOP, string])[] = [
  [AS_THE_SHOP, 'as the shop joins wires'],
  ...JOINT_WAYS.map((way) => [way, JOINTS[way].pieces] as const),
];

export function JointWayChoice({ opening }: { readonly opening: OpeningWithState }) {
  const mayMeasure = useMay('measure');
  const { record, stuck, save } = useSaveAtOnce(opening);
  if (stuck) return <NotInShop stuck={stuck} />;
  if (!mayMeasure) return null;
  return (
    <Choice
      label={`Joined by, ${placeLabel(record)}`}
      value={record.jointWay ?? AS_THE_SHOP}
      options={OPTIONS}
      onChange={(way) => save({ ...record, jointWay: way === AS_THE_SHOP ? null : way })}
    />
  );
}
