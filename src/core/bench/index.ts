export * from './virtualCorner';
export * from './virtualGauges';
export * from './virtualLogger';
export * from './virtualJob';
export * from './virtualBench';
export * from './virtualPort';
export * from './study';
