import 'server-only';
import { isSealed, sealOf } from '../shopKey';
import type { Manifest } from './manifest';

const sealedText = ({ seal: _, ...rest }: Manifest): string => JSON.stringify(rest);

/** What a copy says of itself, under the seal of this shop. */
export const sealManifest = (manifest: Manifest): Manifest => ({
  ...manifest,
  seal: sealOf(sealedText(manifest)),
});

/** Whether this shop made a copy, and it says what it said then. */
export const isOwnManifest = (manifest: Manifest): boolean =>
  isSealed(sealedText(manifest), manifest.seal);
