export * from './contractCase';
export * from './setCsv';
