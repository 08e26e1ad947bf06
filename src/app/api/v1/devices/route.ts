import { toString } from 'qrcode';
import { makeCode } from '@/server/access/pairing';
import { isSignInAsked } from '@/server/access/mode';
import { forRole, refusedResponse } from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';

/** Makes a code by which one more screen is paired. */
export const POST = forRole('technician', async () => {
  const by = await whoIsHere();
  if (!isSignInAsked() || !by)
    return refusedResponse('Screens are paired where people sign in.', 404);
  const { code, until } = await makeCode(by.name);
  const address = `${process.env.ZESTY_HOUND_ADDRESS ?? ''}/pair`;
  const svg = await toString(`${address}#${code}`, { type: 'svg', margin: 1 });
  const picture = `data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}`;
  return Response.json({ value: { code, until: until.toISOString(), address, picture } });
});
