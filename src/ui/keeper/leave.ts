let isGoing = false;

/** Whether the page is being left on purpose: what waits on the device goes on from there. */
export const isMovingOn = (): boolean => isGoing;

/** Opens an address as a whole, whatever waits to be sent: the page that comes sends it. */
export function moveOn(address: URL): void {
  isGoing = true;
  window.location.assign(address);
}
