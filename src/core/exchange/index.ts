export * from './contractCase';
export * from './setCsv';
export * from './table';
