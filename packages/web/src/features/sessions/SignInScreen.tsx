/** Who are you? By name and password; at a device that is known, by PIN. */
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';
import { FrontDoor } from './FrontDoor';
import type { SignedOut } from './SignInForms';

const SignInForms = late(
  () => import('./SignInForms').then((code) => code.SignInForms),
  () => <Loading what="the sign-in" />,
);
void SignInForms.load();

export function SignInScreen({ state }: { readonly state: SignedOut }) {
  return (
    <FrontDoor title={state.shopName}>
      <SignInForms state={state} />
    </FrontDoor>
  );
}
