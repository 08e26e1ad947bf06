// Who may reach the server. Node built-ins only.
import { BlockList, isIP } from 'node:net';

const LOOPBACK = new BlockList();
LOOPBACK.addSubnet('127.0.0.0', 8);
LOOPBACK.addAddress('::1', 'ipv6');

/** Whether an address is one of this machine alone; one that cannot be read is none. */
export function isLoopback(address) {
  const kind = isIP(address ?? '');
  return kind !== 0 && LOOPBACK.check(address, kind === 6 ? 'ipv6' : 'ipv4');
}

/** What is said where an address of the network was asked for without the decision. */
const DECIDE =
  'There is no sign-in yet: whoever reaches the program can read every record and sign every job.\n' +
  'Start it with --network where the network is the shop’s own and nobody else is in it.';

/**
 * Why the server does not listen at an address, or null where it does: an address of the network is a
 * decision, which `--network` says.
 */
export function refusedAddress(hostname, isNetwork) {
  if (isNetwork || hostname === 'localhost' || isLoopback(hostname)) return null;
  return `HOST is ${hostname}, which other machines reach.\n${DECIDE}`;
}

/**
 * Whether a request may come in by where it comes from: without the decision from this machine alone,
 * whatever the Host header says and whoever passes connections on.
 */
export const isWithinReach = (peer, isNetwork) => isNetwork || isLoopback(peer);
