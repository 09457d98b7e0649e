/** Opens the finder: by its button, or by Ctrl or ⌘ and K wherever one is. */
import { useEffect, useState } from 'react';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';

const FinderPanel = late(
  () => import('./FinderPanel').then((code) => code.FinderPanel),
  () => <Loading what="the finder" />,
);

export function FinderButton() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'k' || !(event.ctrlKey || event.metaKey) || event.shiftKey || event.altKey) return;
      event.preventDefault();
      setOpen(true);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Layer
      title="Find"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <button type="button" className="min-h-12 px-2 text-action underline-offset-2 hover:underline" {...props}>
          Find<span className="sr-only"> a job, a part, a vehicle or a page</span>
        </button>
      )}
    >
      <FinderPanel onGone={() => setOpen(false)} />
    </Layer>
  );
}
