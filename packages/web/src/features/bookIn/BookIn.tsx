/** Books a car in: which vehicle, whose, what is wanted. */
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';

const BookInForm = late(() => import('./BookInForm').then((code) => code.BookInForm));

/** The list of jobs comes first, ms. */
const KEPT_AFTER_MS = 3000;

export function BookIn() {
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  useEffect(() => {
    const timer = setTimeout(() => {
      // Where it does not come, the sheet asks for it again.
      import('../vehicles/keepForBooking').then(({ keepForBooking }) => keepForBooking(queries)).catch(() => {});
    }, KEPT_AFTER_MS);
    return () => clearTimeout(timer);
  }, [queries]);
  return (
    <Layer
      title="Book a car in"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <Button kind="main" {...props}>
          Book a car in
        </Button>
      )}
    >
      <BookInForm />
    </Layer>
  );
}
