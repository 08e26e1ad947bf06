export * from './gauge';
export * from './positions';
export * from './laps';
export * from './corner';
export * from './plausible';
export * from './shorthand';
export * from './sweep';
