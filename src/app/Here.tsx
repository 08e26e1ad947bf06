import { WhoIsHere } from '@/features/people/WhoIsHere';
import { isSignInAsked } from '@/server/access/mode';
import { allPeople } from '@/server/shop/people';
import { whoIsHere } from '@/server/web/who';

/** Who is at this screen, folded to a line: for pages on which a name goes under what is written. */
export async function Here() {
  // The header says it.
  if (isSignInAsked()) return null;
  return <WhoIsHere people={await allPeople()} here={(await whoIsHere())?.id ?? null} isFolded />;
}
