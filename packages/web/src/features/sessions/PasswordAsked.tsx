/** The password again, for what lets others in or takes the shop away; what waits for it goes on by itself. */
import { useSyncExternalStore } from 'react';
import { answerPasswordAsked, isPasswordAsked, subscribeToPasswordAsked } from '../../api/passwordAsked';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';

const PasswordAgain = late(() => import('./PasswordAgain').then((code) => code.PasswordAgain));

export function PasswordAsked() {
  const asked = useSyncExternalStore(subscribeToPasswordAsked, isPasswordAsked);
  return (
    <Layer title="Your password again" open={asked} onOpenChange={(open) => !open && answerPasswordAsked(false)}>
      <PasswordAgain />
    </Layer>
  );
}
