import { ago, formatDate } from '@/core/calendar';
import { ProgramBook } from '@/features/access/ProgramBook';
import { ScreenBook } from '@/features/access/ScreenBook';
import { SecretBook } from '@/features/access/SecretBook';
import { TrustCard } from '@/features/access/TrustCard';
import { authorityToTrust } from '@/server/access/authority';
import { cameIn } from '@/server/access/here';
import { isSignInAsked } from '@/server/access/mode';
import { pairedDevices } from '@/server/access/pairing';
import { allPrograms, type ProgramRow } from '@/server/access/programs';
import { suspiciousTries, whoCanSignIn } from '@/server/access/signIn';
import type { PersonRow } from '@/server/shop/people';

/** A program as its line says it. */
const sayProgram = ({ id, name, role, expiresAt, usedAt, revokedAt, revokedBy }: ProgramRow) => ({
  ...{ id, name, role },
  used: usedAt ? ago(usedAt) : 'never',
  until: revokedAt
    ? `taken away by ${revokedBy ?? 'a lead'}`
    : `until ${formatDate(expiresAt, 'D MMM YYYY')}`,
  isOver: revokedAt !== null,
});

/** What people sign in with on the network and which screens are paired: for a lead. */
export async function SigningIn({ people }: { readonly people: readonly PersonRow[] }) {
  const known = new Map((await whoCanSignIn()).map((each) => [each.personId, each]));
  const signers = people.map(({ id, name, role }) => {
    const { hasPin = false, hasPassword = false } = known.get(id) ?? {};
    return { id, name, isLead: role === 'lead', hasPin, hasPassword };
  });
  const authority = authorityToTrust();
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
          {authority && <TrustCard {...authority} />}
          <ScreenBook
            screens={(await pairedDevices()).map(({ seenAt, ...screen }) => ({
              ...screen,
              seen: ago(seenAt),
            }))}
            own={(await cameIn())?.device ?? null}
            tries={await suspiciousTries(people)}
          />
        </section>
      )}
      {isSignInAsked() && (
        <section className="zh-card mb-3" aria-labelledby="programs">
          <h2 id="programs">Other programs</h2>
          <p>
            A program of the shop asks by a key of its own, in place of a screen and a person. What
            is grave stays a lead’s at a screen.
          </p>
          <ProgramBook programs={(await allPrograms()).map(sayProgram)} />
        </section>
      )}
    </>
  );
}
