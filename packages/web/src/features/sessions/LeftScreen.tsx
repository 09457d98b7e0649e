/** Signed out while the server is away: nothing personal is left here to read; what waits stays, and is named. */
import { FrontDoor } from './FrontDoor';
import type { Left } from './keptSession';

export function LeftScreen({ left: { name, waiting } }: { readonly left: Left }) {
  return (
    <FrontDoor title="Signed out">
      <p className="max-w-xl">
        {name} is signed out at this device. The shop’s server does not answer: it is told as soon as it is back, and
        signing in needs it too. What the shop had told this device is taken away from it.
      </p>
      <p className="max-w-xl">
        What {name} had typed and not saved stays on this device too, for when {name} signs in here again.
      </p>
      <p className="max-w-xl font-semibold text-measure">
        {waiting === 0
          ? 'Nothing waits here to be sent.'
          : `${waiting} ${waiting === 1 ? 'entry' : 'entries'} of ${name} the shop does not have yet ${waiting === 1 ? 'stays' : 'stay'} on this device, and ${waiting === 1 ? 'is' : 'are'} sent when ${name} signs in here again.`}
      </p>
    </FrontDoor>
  );
}
