/** How far a list is, and stopping it: whatever was begun of it is undone then. */
import { Button } from '../../ui/Button';
import { useListProgress } from './useImportList';

type ListAtWorkProps = { readonly what: string; readonly onStop: () => void };

export function ListAtWork({ what, onStop }: ListAtWorkProps) {
  const now = useListProgress(true);
  return (
    <div className="flex flex-wrap items-center gap-4">
      <p className="text-muted">
        {what} …{now && ` ${now.step}, ${Math.round(100 * now.share)} %.`}
      </p>
      <Button kind="quiet" onClick={onStop}>
        Stop it
      </Button>
    </div>
  );
}
