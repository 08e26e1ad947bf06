export * from './adviseDrum';
export * from './solveDrum';
