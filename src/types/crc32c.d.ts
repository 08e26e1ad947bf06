/** The package describes its other half alone. */
declare module 'crc-32/crc32c' {
  /** CRC-32C (Castagnoli) of bytes, signed; goes on from another one. */
  export function buf(data: Uint8Array, seed?: number): number;
}
