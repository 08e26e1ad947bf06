import { WhoIsHere } from '@/features/people/WhoIsHere';
import { allPeople } from '@/server/shop/people';
import { whoIsHere } from '@/server/web/who';

/** Who is at this screen, folded to a line: for pages on which a name goes under what is written. */
export async function Here() {
  return <WhoIsHere people={await allPeople()} here={(await whoIsHere())?.id ?? null} isFolded />;
}
