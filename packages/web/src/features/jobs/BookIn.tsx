/** Books a car in: which vehicle, whose, what is wanted. */
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';

const BookInForm = late(() => import('./BookInForm').then((code) => code.BookInForm));

export function BookIn() {
  const [open, setOpen] = useState(false);
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
