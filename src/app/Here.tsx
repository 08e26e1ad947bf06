import { WhoIsHere } from '@/features/people/WhoIsHere';
import { isSignInAsked } from '@/server/access/mode';
import { allPeople } from '@/server/shop/people';
import { whoIsHere } from '@/server/web/who';

/**
 * Who is at this screen, for pages on which a name goes under what is written: folded to a line, or with
 * all names where there is room. Where people sign in the header says it, and nobody is chosen.
 */
export async function Here({ isWhole = false }: { readonly isWhole?: boolean }) {
  if (isSignInAsked()) return null;
  const here = (await whoIsHere())?.id ?? null;
  return <WhoIsHere people={await allPeople()} here={here} isFolded={!isWhole} />;
}
