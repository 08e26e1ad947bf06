declare module 'fft.js' {
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    realTransform(out: number[] | Float64Array, data: ArrayLike<number>): void;
  }
}
