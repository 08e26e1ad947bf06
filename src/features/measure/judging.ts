/** The part of the bench that reads and judges sets: it follows the part that prepares them. */
export { RotorOutline } from '@/ui/rotor';
export { BenchEntry } from './BenchEntry';
export { CheckAnswer } from './CheckAnswer';
export { sayMore } from './SetDone';
export { SetChart } from './SetChart';
export { SetFindings } from './SetFindings';
export { judgeSets, solveSet } from './solve';
