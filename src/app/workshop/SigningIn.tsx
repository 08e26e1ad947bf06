import { formatDistanceToNowStrict } from 'date-fns';
import { ScreenBook } from '@/features/access/ScreenBook';
import { SecretBook } from '@/features/access/SecretBook';
import { cameIn } from '@/server/access/here';
import { isSignInAsked } from '@/server/access/mode';
import { pairedDevices } from '@/server/access/pairing';
import { suspiciousTries, whoCanSignIn } from '@/server/access/signIn';
import type { PersonRow } from '@/server/shop/people';

/** What people sign in with on the network and which screens are paired: for a lead. */
export async function SigningIn({ people }: { readonly people: readonly PersonRow[] }) {
  const known = new Map((await whoCanSignIn()).map((each) => [each.personId, each]));
  const signers = people.map(({ id, name, role }) => {
    const { hasPin = false, hasPassword = false } = known.get(id) ?? {};
    return { id, name, isLead: role === 'lead', hasPin, hasPassword };
  });
  return (
    <>
      <section className="zh-card mb-3" aria-labelledby="signing-in">
        <h2 id="signing-in">Signing in</h2>
        <p>
          {isSignInAsked()
            ? 'Everybody signs in by a PIN of their own; what is grave asks a lead for the password.'
            : 'On this machine alone nobody signs in. Before the program is opened to the network (npm start -- --network) a lead has a password and everybody a PIN.'}
        </p>
        <SecretBook people={signers} />
      </section>
      {isSignInAsked() && (
        <section className="zh-card mb-3" aria-labelledby="screens">
          <h2 id="screens">Screens</h2>
          <ScreenBook
            screens={(await pairedDevices()).map(({ seenAt, ...screen }) => ({
              ...screen,
              seen: formatDistanceToNowStrict(seenAt, { addSuffix: true }),
            }))}
            own={(await cameIn())?.device ?? null}
            tries={await suspiciousTries(people)}
          />
        </section>
      )}
    </>
  );
}
