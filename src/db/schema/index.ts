export * from './vehicles';
export * from './jobs';
export * from './readings';
export * from './findings';
export * from './settings';
export * from './people';
export * from './checks';
export * from './tray';
