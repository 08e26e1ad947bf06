export * from './FormField';
export * from './serverErrors';
export * from './TextField';
