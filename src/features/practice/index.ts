export { ApartAnswer } from './ApartAnswer';
export { ApartDebrief } from './ApartDebrief';
export * from './BenchLooks';
export * from './Debrief';
export * from './PracticeDesk';
export * from './PracticeFrame';
export * from './run';
