export * from './star';
export * from './thread';
export * from './fasteners';
export * from './challenge';
export * from './sayDrawnUp';
