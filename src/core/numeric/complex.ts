/** A complex number; used as the phasor of one order of a wave. */
export interface Complex {
  readonly re: number;
  readonly im: number;
}

export const ZERO: Complex = { re: 0, im: 0 };
export const complex = (re: number, im: number): Complex => ({ re, im });
export const add = (p: Complex, q: Complex): Complex => ({ re: p.re + q.re, im: p.im + q.im });
export const subtract = (p: Complex, q: Complex): Complex => ({ re: p.re - q.re, im: p.im - q.im });
export const scale = (p: Complex, factor: number): Complex => ({
  re: p.re * factor,
  im: p.im * factor,
});
export const multiply = (p: Complex, q: Complex): Complex => ({
  re: p.re * q.re - p.im * q.im,
  im: p.re * q.im + p.im * q.re,
});
export const conjugate = (p: Complex): Complex => ({ re: p.re, im: -p.im });
export const modulus = (p: Complex): number => Math.hypot(p.re, p.im);
/** Argument in radians, counted from the real axis in the theta sense. */
export const argument = (p: Complex): number => Math.atan2(p.im, p.re);
/** e^{i angle}, angle in radians. */
export const cis = (angle: number): Complex => ({ re: Math.cos(angle), im: Math.sin(angle) });
export const polar = (size: number, angle: number): Complex => scale(cis(angle), size);
export const mean = (list: readonly Complex[]): Complex =>
  scale(list.reduce(add, ZERO), 1 / list.length);
