/** What comes of what is typed: whether it can be built, what is inside it, what it leaves free. */
import { freeVerdict, freeWords } from '@low-quarry/core/fit';
import { faceFrame, type Housing, shellOf, volumeL } from '@low-quarry/core/housing';
import { printLength } from '@low-quarry/core/units';
import { useMemo } from 'react';
import { useSettings } from '../../../ui/settings';
import { VerdictMark } from '../../../ui/VerdictMark';

export function HousingFigures({ housing, said }: { readonly housing: Housing; readonly said: readonly string[] }) {
  const { unit } = useSettings();
  const shell = useMemo(() => shellOf(housing), [housing]);
  const free = useMemo(() => freeWords({ housing }, unit), [housing, unit]);
  if (said.length > 0 || !shell.ok)
    return (
      <p role="status" className="font-semibold text-hits">
        ✕ {said.length > 0 ? said.join(' ') : `It cannot be built so: ${shell.ok ? '' : shell.failure}`}
      </p>
    );
  const verdict = freeVerdict({ housing });
  const { inwards } = faceFrame(housing);
  return (
    <div role="status" className="flex flex-col gap-1">
      <p className="font-semibold">
        {litres(volumeL(shell.value))} l inside{housing.back === 'open' ? ', and what is behind the panel' : ''}; the
        panel {printLength(housing.heightMm / inwards[2], unit)} behind the middle of its face.
      </p>
      <p className="text-[13px] text-muted">Without the speaker, which takes its own of it.</p>
      <p className="flex gap-2">
        <VerdictMark verdict={verdict} />
        <span>{free}</span>
      </p>
    </div>
  );
}

/** To a hundredth of a litre: what is built by hand is no surer. */
function litres(volume: number): string {
  return volume < 0.1 ? volume.toFixed(3) : volume.toFixed(2);
}
